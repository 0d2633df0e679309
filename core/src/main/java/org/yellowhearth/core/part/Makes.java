package org.yellowhearth.core.part;

import java.util.List;
import org.yellowhearth.core.message.Coded;

/** How a part is made and what it does, as far as words say it. */
public final class Makes {
  private Makes() {}

  /** The words of a part, those that nobody stated left out. */
  public static List<Coded> of(Part part) {
    List<Coded> all =
        switch (part) {
          case Resistor r -> List.of(r.make(), r.task());
          case Potentiometer p -> List.of(p.taper());
          case Rectifier r -> List.of(r.make());
          case Transistor t -> List.of(t.channel(), t.material());
          case IntegratedCircuit i -> List.of(i.task());
          case Valve v -> List.of(v.task());
          case Winding w -> List.of(w.task());
          case Fuse f -> List.of(f.speed());
          case Battery b -> List.of(b.chemistry());
          case Capacitor _, Zener _, Movement _, Relay _, Lamp _, Connector _ -> List.of();
        };
    return all.stream().filter(c -> !c.name().equals("UNSTATED")).toList();
  }
}
