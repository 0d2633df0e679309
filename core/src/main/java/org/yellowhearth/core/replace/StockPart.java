package org.yellowhearth.core.replace;

import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice.Taken;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;

/**
 * A line of the drawer or of the catalogue.
 *
 * @param title its order number, or what stands on the bag
 * @param quantity how many were counted in the drawer; none in the catalogue
 * @param measured its value as measured, in F or Ω
 * @param made the year it was made in, where that is known
 * @param price of one, in the shop's money
 * @param pack sold by so many
 * @param where in which drawer
 * @param withdrawn whether it is not to be had any more, so that nothing proposes it
 */
public record StockPart(
    String id,
    Whence whence,
    String title,
    Ware ware,
    OptionalInt quantity,
    OptionalDouble measured,
    OptionalInt made,
    OptionalDouble price,
    int pack,
    String where,
    boolean withdrawn,
    String remark) {
  /**
   * Aluminium electrolytics and tantalums that lay longer want a soak before they are used (common
   * practice; makers say two to three years).
   */
  static final int SHELF_YEARS = 2;

  private static final int MOST = 1_000_000;

  public StockPart {
    Item.requireId(id);
    if (title.isBlank() || title.length() > 200) {
      throw new IllegalArgumentException("a part in stock needs a name of at most 200 letters");
    }
    quantity.ifPresent(q -> within("the quantity", q, 0, MOST));
    measured.ifPresent(v -> within("the measured value", v, 1e-15, 1e12));
    made.ifPresent(y -> within("the year it was made in", y, 1900, 2200));
    price.ifPresent(p -> within("the price", p, 0, 1e6));
    within("the pack", pack, 1, 100_000);
  }

  private static void within(String what, double value, double low, double high) {
    if (!(value >= low && value <= high)) {
      throw new IllegalArgumentException(
          what + " of " + value + " is out of range; expected " + low + " to " + high);
    }
  }

  /** Its value as far as it is known: measured, else marked. */
  public double value() {
    return measured.orElse(ware.value());
  }

  /** How far its value may still lie off. */
  double tolerance() {
    return measured.isPresent() ? Math.min(0.02, ware.tolerance()) : ware.tolerance();
  }

  /** Whether it lay so long that it wants a soak and a measurement first. */
  public boolean wantsSoak(Knowledge knowledge, int year) {
    return ware instanceof CapacitorWare c
        && made.isPresent()
        && year - made.getAsInt() > SHELF_YEARS
        && (knowledge.kind(c.kind()).family() == Family.ELECTROLYTIC
            || knowledge.kind(c.kind()).family() == Family.TANTALUM);
  }

  /** This as it goes into a choice. */
  public Taken taken() {
    return new Taken(id, title, whence, ware);
  }

  /**
   * This as a candidate of a combination; its leakage by the rule I = 0.03·C·V or 3 µA (IEC 60384-4
   * style, from memory).
   */
  Candidate candidate(CapacitorKind kind) {
    CapacitorWare c = (CapacitorWare) ware;
    double leak =
        kind.lossyByNature() ? Math.min(1, Math.max(3e-6, 0.03 * value() * c.volts())) : 0;
    return new Candidate(
        id,
        value(),
        tolerance(),
        c.volts(),
        kind.polarised(),
        c.esrOhms(),
        c.rippleAmperes(),
        leak,
        price.orElse(0));
  }

  /** This under another id. */
  public StockPart called(String other) {
    return new StockPart(
        other, whence, title, ware, quantity, measured, made, price, pack, where, withdrawn,
        remark);
  }

  /** This with another count. */
  public StockPart counted(int now) {
    return new StockPart(
        id,
        whence,
        title,
        ware,
        OptionalInt.of(now),
        measured,
        made,
        price,
        pack,
        where,
        withdrawn,
        remark);
  }
}
