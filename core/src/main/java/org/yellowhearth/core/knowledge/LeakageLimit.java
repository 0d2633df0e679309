package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.OptionalDouble;

/** How the leakage allowed of an electrolytic follows from its capacitance and voltage. */
public sealed interface LeakageLimit {
  /** Largest leakage in amperes, empty where the rule does not reach that voltage. */
  OptionalDouble amperes(double farads, double ratedVolts);

  /** Minutes at voltage before the rule is applied. */
  double minutes();

  /**
   * The old service rule I = k·C + base, k by rated voltage, never above a cap.
   *
   * @param steps k in amperes per farad up to and including a rated voltage, rising
   */
  record Service(List<Step> steps, double baseAmperes, double capAmperes, double minutes)
      implements LeakageLimit {
    /** One step of the factor. */
    public record Step(double upToVolts, double amperesPerFarad) {}

    public Service {
      steps = List.copyOf(steps);
    }

    /** The factor for a rated voltage. */
    public OptionalDouble factor(double ratedVolts) {
      return steps.stream()
          .filter(s -> ratedVolts <= s.upToVolts)
          .mapToDouble(Step::amperesPerFarad)
          .findFirst();
    }

    @Override
    public OptionalDouble amperes(double farads, double ratedVolts) {
      OptionalDouble k = factor(ratedVolts);
      return k.isEmpty()
          ? OptionalDouble.empty()
          : OptionalDouble.of(Math.min(capAmperes, k.getAsDouble() * farads + baseAmperes));
    }
  }

  /** Another rule times a factor, as one job holds it. */
  record Scaled(LeakageLimit rule, double factor) implements LeakageLimit {
    @Override
    public OptionalDouble amperes(double farads, double ratedVolts) {
      OptionalDouble plain = rule.amperes(farads, ratedVolts);
      return plain.isPresent() ? OptionalDouble.of(factor * plain.getAsDouble()) : plain;
    }

    @Override
    public double minutes() {
      return rule.minutes();
    }
  }

  /**
   * The rule of later standards: a share of the rated charge C·V per second, with another share and
   * an addition above a bound.
   *
   * @param share amperes per coulomb up to {@code boundCoulombs}, at least {@code leastAmperes}
   */
  record OfCharge(
      double boundCoulombs,
      double share,
      double leastAmperes,
      double shareAbove,
      double additionAbove,
      double minutes)
      implements LeakageLimit {
    @Override
    public OptionalDouble amperes(double farads, double ratedVolts) {
      double coulombs = farads * ratedVolts;
      return OptionalDouble.of(
          coulombs <= boundCoulombs
              ? Math.max(leastAmperes, share * coulombs)
              : shareAbove * coulombs + additionAbove);
    }
  }
}
