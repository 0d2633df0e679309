package org.yellowhearth.core.fact;

import java.util.Collections;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * Where a part sits.
 *
 * @param where in words
 * @param valveMetres distance to the nearest hot valve
 * @param transformerMetres distance to the mains transformer
 * @param resistorMetres distance to a resistor that runs hot
 * @param near what runs hot beside it, where nobody measured how far
 * @param side whether it lies above or below the heat: above is hotter
 * @param behind what must be moved to reach it
 * @param moveOver what must go over to a new part
 * @param photographPin the id of the pin that shows it
 */
public record Place(
    String id,
    PartRef part,
    String where,
    OptionalDouble valveMetres,
    OptionalDouble transformerMetres,
    OptionalDouble resistorMetres,
    Set<Neighbour> near,
    Height side,
    String behind,
    Set<Attachment> moveOver,
    String photographPin)
    implements OfPart {
  /** Where it lies against the source of heat. */
  public enum Height implements Coded {
    UNSTATED,
    ABOVE,
    LEVEL,
    BELOW
  }

  /** What runs hot in a set. */
  public enum Neighbour implements Coded {
    VALVE,
    TRANSFORMER,
    RESISTOR
  }

  /** What may sit on a part and must not be thrown away with it. */
  public enum Attachment implements Coded {
    FERRITE_BEAD,
    SLEEVING,
    CLIP,
    HEAT_SHUNT,
    SCREEN,
    MICA_WASHER,
    LABEL
  }

  public Place {
    Item.requireId(id);
    Checked.within("distance to a valve", valveMetres, 0, 10);
    Checked.within("distance to the transformer", transformerMetres, 0, 10);
    Checked.within("distance to a hot resistor", resistorMetres, 0, 10);
    near = Collections.unmodifiableSet(new TreeSet<>(near));
    moveOver = Collections.unmodifiableSet(new TreeSet<>(moveOver));
  }

  /** The place of a part of which nothing is known yet; there is one of each part. */
  public static Place of(PartRef part) {
    return new Place(
        "place-" + part,
        part,
        "",
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        Set.of(),
        Height.UNSTATED,
        "",
        Set.of(),
        "");
  }

  /** This with something changed. */
  public Place with(Consumer<Draft> change) {
    Draft d = new Draft(this);
    change.accept(d);
    return new Place(
        id,
        part,
        d.where,
        d.valveMetres,
        d.transformerMetres,
        d.resistorMetres,
        d.near,
        d.side,
        d.behind,
        d.moveOver,
        d.photographPin);
  }

  /** A place while it is being changed. */
  public static final class Draft {
    public String where;
    public OptionalDouble valveMetres;
    public OptionalDouble transformerMetres;
    public OptionalDouble resistorMetres;
    public Set<Neighbour> near;
    public Height side;
    public String behind;
    public Set<Attachment> moveOver;
    public String photographPin;

    private Draft(Place p) {
      where = p.where;
      valveMetres = p.valveMetres;
      transformerMetres = p.transformerMetres;
      resistorMetres = p.resistorMetres;
      near = p.near;
      side = p.side;
      behind = p.behind;
      moveOver = p.moveOver;
      photographPin = p.photographPin;
    }
  }
}
