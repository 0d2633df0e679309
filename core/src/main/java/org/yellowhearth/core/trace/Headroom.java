package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.numeric.Halving;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * How much voltage a series regulator has to spare: its input at the bottom of the ripple, at the
 * lowest line and the highest load, less what it holds and what it needs across it; and how much of
 * the capacitance before it may be lost until nothing is to spare.
 *
 * @param lowestInput its input at the bottom of the ripple, a magnitude
 * @param spare what is left above the voltage held and the dropout; below nothing the output dips
 * @param keeps the share of all capacitance that still leaves something to spare; 1 where nothing
 *     may be lost, none where even a hundredth is enough
 * @param watts what it turns to heat at nominal line and load
 */
public record Headroom(
    String regulator, double lowestInput, double spare, Optional<Double> keeps, double watts) {
  /** The lowest line that is looked at, against nominal (common practice). */
  public static final double LOW_LINE = 0.9;

  /** The highest load, against the one described (common practice). */
  public static final double HIGH_LOAD = 1.1;

  /** How closely what may be lost is worth knowing. */
  private static final double CLOSE = 0.02;

  private static final double LEAST_KEPT = 0.01;

  /** Every series regulator of a supply, in order. */
  public static List<Headroom> of(Supply supply) {
    List<Headroom> all = new ArrayList<>();
    for (Section s : supply.sections()) {
      if (s instanceof Section.Regulate r) {
        try {
          all.add(of(supply, r));
        } catch (BadCircuitException | NoSolutionException _) {
          all.add(new Headroom(r.id(), Double.NaN, Double.NaN, Optional.empty(), Double.NaN));
        }
      }
    }
    return all;
  }

  /** Whether it could be worked out. */
  public boolean known() {
    return !Double.isNaN(spare);
  }

  private static Headroom of(Supply supply, Section.Regulate r) {
    Supply hard = hard(supply, 1);
    double input = lowest(hard, r);
    double spare = input - r.volts() - r.dropoutVolts();
    Waveforms usual = Settled.of(supply).waves();
    Wave across = usual.voltage(r.negative() ? r.to() : r.from(), r.negative() ? r.from() : r.to());
    double watts = usual.current(r.id()).meanProduct(across);
    if (spare <= 0) {
      return new Headroom(r.id(), input, spare, Optional.of(1.0), watts);
    }
    if (lowest(hard(supply, LEAST_KEPT), r) - r.volts() - r.dropoutVolts() > 0) {
      return new Headroom(r.id(), input, spare, Optional.empty(), watts);
    }
    Halving kept =
        Halving.between(
            1,
            LEAST_KEPT,
            CLOSE,
            share -> lowest(hard(supply, share), r) - r.volts() - r.dropoutVolts() > 0);
    return new Headroom(r.id(), input, spare, Optional.of(kept.holds()), watts);
  }

  /** At the lowest line and the highest load, with a share of all capacitance left. */
  private static Supply hard(Supply supply, double kept) {
    return supply.tuned((knob, now) ->
        switch (knob.which()) {
          case MAINS_VOLTS -> supply.mains().nominalVolts() * LOW_LINE;
          case LOAD -> supply.loadInOhms(knob.element()) ? now / HIGH_LOAD : now * HIGH_LOAD;
          case CAPACITANCE -> now * kept;
          default -> now;
        });
  }

  private static double lowest(Supply supply, Section.Regulate r) {
    Wave input = Settled.of(supply).waves().voltage(r.from());
    return r.negative() ? -input.most() : input.least();
  }
}
