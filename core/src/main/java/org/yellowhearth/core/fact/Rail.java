package org.yellowhearth.core.fact;

import java.util.List;
import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.PartRef;

/**
 * A place where charge is held: everything that hangs directly on one rail. A capacitor behind a
 * resistor is a rail of its own, because the meter on this one does not see it.
 *
 * @param name what the bench calls it, one word: HT, bias, screen
 * @param volts the highest it stands at under power
 * @param parts the capacitors of the census on it
 * @param otherFarads capacitance on it that is not in the census
 * @param otherKind what kind that is, by its id in the knowledge files
 * @param bleeder how far the resistor across it is known
 * @param bleederOhms its resistance; empty exactly where there is none
 * @param series whether its capacitors stand one on another
 */
public record Rail(
    String id,
    String name,
    double volts,
    List<PartRef> parts,
    OptionalDouble otherFarads,
    String otherKind,
    Bleeder bleeder,
    OptionalDouble bleederOhms,
    boolean series)
    implements Item {
  /** What capacitance outside the census is taken for where nobody says, by its id. */
  public static final String USUAL_KIND = "electrolytic-dry";

  /** How far the resistor that drains a rail is known. */
  public enum Bleeder implements Coded {
    /** Nothing drains it, or what does is open. */
    NONE,
    /** As marked on the part or the drawing; it may be open. */
    MARKED,
    /** As measured on this set. */
    MEASURED
  }

  /** A rail whose capacitors lie beside one another. */
  public Rail(
      String id,
      String name,
      double volts,
      List<PartRef> parts,
      OptionalDouble otherFarads,
      String otherKind,
      Bleeder bleeder,
      OptionalDouble bleederOhms) {
    this(id, name, volts, parts, otherFarads, otherKind, bleeder, bleederOhms, false);
  }

  public Rail {
    Item.requireId(id);
    if (!name.matches("[\\p{L}\\p{N}+−-]{1,20}")) {
      throw new IllegalArgumentException(
          "a rail is named by one short word such as HT or bias, not \"" + name + "\"");
    }
    Checked.within("rail voltage", volts, 0.1, 100_000);
    Checked.within("capacitance", otherFarads, 1e-12, 10);
    Checked.within("bleeder resistance", bleederOhms, 0.1, 1e10);
    if (bleederOhms.isPresent() == (bleeder == Bleeder.NONE)) {
      throw new IllegalArgumentException(
          "a bleeder that is there has ohms, and one that is not has none");
    }
    if (parts.isEmpty() && otherFarads.isEmpty()) {
      throw new IllegalArgumentException("a rail holds at least one capacitor");
    }
    parts = List.copyOf(parts);
  }

  /** This with its bleeder as it was measured. */
  public Rail bledBy(double ohms) {
    return new Rail(
        id,
        name,
        volts,
        parts,
        otherFarads,
        otherKind,
        Bleeder.MEASURED,
        OptionalDouble.of(ohms),
        series);
  }
}
