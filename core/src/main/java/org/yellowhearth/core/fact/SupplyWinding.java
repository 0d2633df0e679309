package org.yellowhearth.core.fact;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.part.PartRef;

/**
 * A winding that feeds a rectifier, or the mains itself in a set without a transformer.
 *
 * @param name what rectifiers call it by
 * @param part the winding of the census
 * @param volts RMS open-circuit voltage at nominal mains; of each half where it is tapped
 * @param ohms what its current meets, of each half where it is tapped; from the part where it is
 *     not typed
 */
public record SupplyWinding(
    String id,
    String name,
    Optional<PartRef> part,
    double volts,
    OptionalDouble ohms,
    boolean tapped)
    implements SupplySection {
  public SupplyWinding {
    Item.requireId(id);
    SupplySection.requirePoint("a winding's name", name);
    if (name.equals(SupplyMains.POINT)) {
      throw new IllegalArgumentException(
          "a winding is not called mains, which is the mains itself; expected a name such as T1 or line");
    }
    Checked.within("winding voltage", volts, 0.1, 20_000);
    Checked.within("winding resistance", ohms, 0.001, 100_000);
  }

  @Override
  public String title() {
    return name;
  }

  @Override
  public List<String> points() {
    return List.of();
  }

  @Override
  public List<PartRef> parts() {
    return part.stream().toList();
  }
}
