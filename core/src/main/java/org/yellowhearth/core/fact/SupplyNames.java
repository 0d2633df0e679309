package org.yellowhearth.core.fact;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.yellowhearth.core.part.PartRef;

/**
 * What the elements of filter stages and doublers are called: by the part of the census where one
 * is pointed at, else by their letter and the point they lie at, each name once.
 */
public final class SupplyNames {
  private final Map<String, String> through = new HashMap<>();
  private final Map<String, String> shunt = new HashMap<>();
  private final Map<String, String> first = new HashMap<>();
  private final Set<String> taken = new HashSet<>();

  /** The names for sections, in their order. */
  public SupplyNames(List<SupplySection> sections) {
    for (SupplySection s : sections) {
      switch (s) {
        case SupplyFilter f -> {
          if (!f.from().equals(f.to())) {
            boolean chassis = f.to().equals(SupplySection.CHASSIS);
            through.put(
                f.id(),
                f.through()
                    .map(PartRef::toString)
                    .orElseGet(() ->
                        once(
                            (f.henries().isPresent() ? "L-" : "R-")
                                + (chassis ? f.from() : f.to()))));
          }
          shunt.put(f.id(), f.shunt().map(PartRef::toString).orElseGet(() -> once("C-" + f.to())));
        }
        case SupplyRectifier r when r.scheme().doubles() -> {
          first.put(
              r.id(), r.first().map(PartRef::toString).orElseGet(() -> once("C-" + r.name())));
          shunt.put(r.id(), r.second().map(PartRef::toString).orElseGet(() -> once("C-" + r.to())));
        }
        default -> {}
      }
    }
  }

  private String once(String wanted) {
    String name = wanted;
    for (int k = 2; !taken.add(name); k++) {
      name = wanted + "-" + k;
    }
    return name;
  }

  /** The resistor or choke of a stage. */
  public String through(SupplyFilter f) {
    return through.get(f.id());
  }

  /** The capacitor behind a stage, or the second of a doubler. */
  public String shunt(SupplySection s) {
    return shunt.get(s.id());
  }

  /** The first capacitor of a doubler. */
  public String first(SupplyRectifier r) {
    return first.get(r.id());
  }
}
