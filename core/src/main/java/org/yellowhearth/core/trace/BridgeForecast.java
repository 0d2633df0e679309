package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Fault.Mode;

/**
 * What clipping a good capacitor across a suspect would show, for every way in which the suspect
 * may be bad and for none: so that no change means something, where it does.
 *
 * @param point where the meter is
 * @param cases the suspect sound, weak, open, lossy, leaky
 */
public record BridgeForecast(String point, List<Case> cases) {
  private static final double WEAK = 0.3;
  private static final double OPEN = 1e-3;
  private static final double LOSSY = 30;
  private static final double LEAKY_OHMS = 10_000;

  /** A change that a meter tells: the ripple by a fifth, or the rail by two hundredths. */
  private static final double TELLS_RIPPLE = 0.2;

  private static final double TELLS_RAIL = 0.02;

  /**
   * One way in which the suspect may be.
   *
   * @param mode how it is bad; empty for a sound one
   */
  public record Case(
      Optional<Mode> mode,
      double dcBefore,
      double dcAfter,
      double rippleBefore,
      double rippleAfter) {
    /** Whether the meter moves enough to tell. */
    public boolean answers() {
      return Math.abs(rippleAfter - rippleBefore)
              > TELLS_RIPPLE * Math.max(rippleBefore, rippleAfter)
          || Math.abs(dcAfter - dcBefore) > TELLS_RAIL * Math.abs(dcBefore);
    }
  }

  public BridgeForecast {
    cases = List.copyOf(cases);
  }

  /**
   * The forecast for a capacitor; none where there is no such capacitor or nothing can be worked
   * out.
   */
  public static Optional<BridgeForecast> of(
      Supply supply, List<String> points, String part, double farads) {
    Optional<Element.Capacitance> c = Bridge.capacitor(supply, part);
    Optional<String> at =
        c.flatMap(e ->
            points.contains(e.a())
                ? Optional.of(e.a())
                : points.stream().filter(e.b()::equals).findFirst());
    if (at.isEmpty()) {
      return Optional.empty();
    }
    double esr = Math.max(c.get().esrOhms(), 1e-3);
    List<Case> cases = new ArrayList<>();
    tried(supply, at.get(), part, farads, Optional.empty()).ifPresent(cases::add);
    for (Fault f :
        List.of(
            new Fault(
                new Parameter(part, Which.CAPACITANCE),
                Mode.CAPACITANCE_LOW,
                WEAK * c.get().farads()),
            new Fault(new Parameter(part, Which.CAPACITANCE), Mode.OPEN, OPEN * c.get().farads()),
            new Fault(new Parameter(part, Which.SERIES_RESISTANCE), Mode.LOSSY, LOSSY * esr),
            new Fault(new Parameter(part, Which.LEAKAGE_RESISTANCE), Mode.LEAKY, LEAKY_OHMS))) {
      tried(supply, at.get(), part, farads, Optional.of(f)).ifPresent(cases::add);
    }
    return cases.isEmpty() ? Optional.empty() : Optional.of(new BridgeForecast(at.get(), cases));
  }

  private static Optional<Case> tried(
      Supply supply, String point, String part, double farads, Optional<Fault> fault) {
    Supply is = fault.map(f -> f.in(supply)).orElse(supply);
    try {
      Wave before = Settled.of(is).waves().voltage(point);
      Wave after = Settled.of(Bridge.across(is, part, farads)).waves().voltage(point);
      return Optional.of(
          new Case(
              fault.map(Fault::mode),
              before.mean(),
              after.mean(),
              before.rippleRms(),
              after.rippleRms()));
    } catch (BadCircuitException | NoSolutionException _) {
      return Optional.empty();
    }
  }
}
