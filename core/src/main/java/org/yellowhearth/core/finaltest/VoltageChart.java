package org.yellowhearth.core.finaltest;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.firstpower.SeparateSupplies;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Edge;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * The drawing's own table with what was measured beside it, before and after the work, each brought
 * to the line and the meter that the drawing speaks of.
 */
public record VoltageChart(List<Line> lines) {
  /**
   * Where the drawing says nothing: for what hangs on a drive or a control (common practice, ± 20
   * %).
   */
  static final double WIDE = 0.2;

  /**
   * For a rail, which follows the line and nothing else (common practice: a rail 6 % high beside a
   * right one is a fault).
   */
  static final double RAIL = 0.05;

  private static final double USUAL_METER = 0.02;

  /** What a line says. */
  public enum ChartVerdict implements Coded {
    UNREAD,
    WITHIN,
    UNDECIDED,
    OUT
  }

  /**
   * A node.
   *
   * @param before what it read last before the work, as it would have read under the conditions of
   *     the drawing
   * @param after the same after the work
   * @param byModel whether line and meter were brought over by the model of the supply; in
   *     proportion to the line, meter left alone, else
   * @param tolerance either way, as a fraction
   * @param deviation of what was measured last
   */
  public record Line(
      SupplyTarget target,
      Optional<Measured> before,
      Optional<Measured> after,
      boolean byModel,
      double tolerance,
      OptionalDouble deviation,
      ChartVerdict verdict) {}

  /** A reading, and what it comes to under the conditions of the drawing. */
  public record Measured(SupplyReading reading, double volts) {}

  public VoltageChart {
    lines = List.copyOf(lines);
  }

  /** The chart of a job; the supply is the set as it stands, where it can be worked out. */
  public static VoltageChart of(Job job, Optional<Supply> supply) {
    Optional<Instant> work = workBegan(job);
    List<String> rails =
        supply
            .map(s -> SeparateSupplies.of(s).stream().flatMap(p -> p.rails().stream()).toList())
            .orElse(List.of());
    List<Line> lines = new ArrayList<>();
    for (SupplyTarget t : job.items(SupplyTarget.class)) {
      List<SupplyReading> read =
          job.items(SupplyReading.class).stream()
              .filter(r -> t.speaksOf(r) && r.bridged().isEmpty())
              .sorted(Comparator.comparing(SupplyReading::at))
              .toList();
      Optional<SupplyReading> before =
          read.stream().filter(r -> !after(r, work)).reduce((_, later) -> later);
      Optional<SupplyReading> after =
          read.stream().filter(r -> after(r, work)).reduce((_, last) -> last);
      lines.add(line(t, before, after, supply, rails.contains(t.point())));
    }
    return new VoltageChart(lines);
  }

  /** Whether a reading was taken after the work. */
  static boolean after(SupplyReading r, Optional<Instant> work) {
    return !r.after().isBlank() || work.map(w -> !r.at().isBefore(w)).orElse(false);
  }

  /** When the first new part was in, or else the set got its first power under a plan. */
  static Optional<Instant> workBegan(Job job) {
    Optional<Instant> fitted =
        job.journal().stream()
            .filter(e -> e.act() instanceof Act.Did(Edit edit) && fits(edit))
            .map(Entry::at)
            .map(at -> at.toInstant())
            .findFirst();
    return fitted.or(() ->
        job.events().stream()
            .filter(h -> h.event() instanceof PoweringUp.PowerUpBegun)
            .map(Job.Happening::at)
            .findFirst());
  }

  private static boolean fits(Edit edit) {
    return switch (edit) {
      case Edit.ItemChanged c ->
          c.after().filter(i -> i instanceof Fitting f && f.fitted()).isPresent();
      case Edit.Together t -> t.edits().stream().anyMatch(VoltageChart::fits);
      default -> false;
    };
  }

  private static Line line(
      SupplyTarget t,
      Optional<SupplyReading> before,
      Optional<SupplyReading> after,
      Optional<Supply> supply,
      boolean rail) {
    // Windings and heaters follow the line; the model works out what is rectified.
    boolean byModel = supply.isPresent() && !t.alternating();
    Optional<Measured> was = before.map(r -> new Measured(r, r.volts() * ratio(supply, t, r)));
    Optional<Measured> is = after.map(r -> new Measured(r, r.volts() * ratio(supply, t, r)));
    double tolerance =
        t.tolerance()
            .orElse(
                switch (t.follows()) {
                  case RAIL -> RAIL;
                  case DRIVE, CONTROL -> WIDE;
                  case UNSTATED -> rail || t.alternating() ? RAIL : WIDE;
                });
    Optional<Measured> last = is.or(() -> was);
    OptionalDouble deviation =
        last.isEmpty() || t.volts() == 0
            ? OptionalDouble.empty()
            : OptionalDouble.of(
                (last.get().volts - t.volts()) / Math.abs(t.volts()) * Math.signum(t.volts()));
    double meter = last.map(m -> m.reading.uncertainty().orElse(USUAL_METER)).orElse(0.0);
    ChartVerdict verdict =
        deviation.isEmpty()
            ? ChartVerdict.UNREAD
            : Edge.atMost(Math.abs(deviation.getAsDouble()) + meter, tolerance, 1)
                ? ChartVerdict.WITHIN
                : Edge.atMost(Math.abs(deviation.getAsDouble()) - meter, tolerance, 1)
                    ? ChartVerdict.UNDECIDED
                    : ChartVerdict.OUT;
    return new Line(t, was, is, byModel, tolerance, deviation, verdict);
  }

  /**
   * What a reading is to be multiplied by, so that it stands for the line and the meter of the
   * drawing.
   */
  private static double ratio(Optional<Supply> supply, SupplyTarget t, SupplyReading r) {
    if (supply.isPresent() && !t.alternating()) {
      double nominal = supply.get().mains().nominalVolts();
      OptionalDouble there =
          volts(supply.get(), t.point(), t.lineVolts().orElse(nominal), t.meterOhms());
      OptionalDouble here =
          volts(supply.get(), t.point(), r.lineVolts().orElse(nominal), r.meterOhms());
      if (there.isPresent() && here.isPresent() && here.getAsDouble() != 0) {
        return there.getAsDouble() / here.getAsDouble();
      }
    }
    double nominal = supply.map(s -> s.mains().nominalVolts()).orElse(0.0);
    double to = t.lineVolts().orElse(nominal);
    double from = r.lineVolts().orElse(to);
    return to > 0 && from > 0 ? to / from : 1;
  }

  /** What the model shows at a point with a meter on it, at a line. */
  private static OptionalDouble volts(
      Supply supply, String point, double line, OptionalDouble meterOhms) {
    Supply at = new Parameter(Parameter.MAINS, Parameter.Which.MAINS_VOLTS).set(supply, line);
    Supply with =
        meterOhms.isPresent()
            ? at.with(
                new Section.Resist(
                    "meter", "meter", point, Section.CHASSIS, meterOhms.getAsDouble()))
            : at;
    try {
      Waveforms w = Settled.of(with).waves();
      return OptionalDouble.of(w.voltage(point).mean());
    } catch (BadCircuitException | NoSolutionException _) {
      // The point is none of the model, or the model does not settle there: the line goes in
      // proportion.
      return OptionalDouble.empty();
    }
  }
}
