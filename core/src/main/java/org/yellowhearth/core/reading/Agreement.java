package org.yellowhearth.core.reading;

import java.util.OptionalDouble;
import org.yellowhearth.core.message.Coded;

/**
 * Whether capacitance, ESR, dissipation and frequency of one reading agree: three of them fix the
 * fourth. Differences beyond the uncertainty of the meter expose bad contact, a wrong frequency or
 * a wrong mode.
 */
public sealed interface Agreement {
  /** Too few figures to compare. */
  record NotComparable() implements Agreement {}

  /**
   * The figures agree.
   *
   * @param computedOhms the ESR that D, C and f give
   * @param allowanceOhms the difference that the meter's uncertainty explains
   * @param hertz the stated frequency, or the usual one at which they agree
   */
  record Agrees(
      Compared compared,
      double computedOhms,
      double allowanceOhms,
      double hertz,
      boolean frequencyStated)
      implements Agreement {}

  /**
   * The figures contradict each other.
   *
   * @param hertz the stated frequency, or where none was stated the odd one at which they would
   *     agree
   * @param value what goes with the suspicion: the frequency, capacitance or resistance that would
   *     explain it
   */
  record Contradicts(
      Compared compared,
      double computedOhms,
      double allowanceOhms,
      double hertz,
      Suspicion suspicion,
      double value)
      implements Agreement {}

  /**
   * The three figures that were compared, in farads and ohms, and the uncertainty that the
   * instrument states, if it does.
   */
  record Compared(double farads, double esrOhms, double dissipation, OptionalDouble uncertainty) {
    double allowance(double computedOhms) {
      return uncertainty.isPresent()
          ? Uncertainty.ofAgreement(esrOhms, computedOhms, dissipation, uncertainty.getAsDouble())
          : Uncertainty.ofAgreement(esrOhms, computedOhms, dissipation);
    }

    boolean near(double computedOhms) {
      return Math.abs(esrOhms - computedOhms) <= allowance(computedOhms);
    }
  }

  /** What most likely made figures contradict each other. */
  enum Suspicion implements Coded {
    PARALLEL_MODE,
    OTHER_FREQUENCY,
    NO_USUAL_FREQUENCY,
    QUALITY_FOR_DISSIPATION,
    SLIP_OF_THOUSAND,
    LEADS,
    BAD_CONTACT,
    PARALLEL_PATH,
    UNCLEAR
  }

  static Agreement of(Figures figures, Conditions conditions) {
    OptionalDouble c = figures.get(Figure.CAPACITANCE);
    OptionalDouble r = figures.get(Figure.ESR);
    OptionalDouble d = figures.dissipation();
    if (c.isEmpty() || r.isEmpty() || d.isEmpty()) {
      return new NotComparable();
    }
    double seriesFarads = Derived.seriesCapacitance(figures, conditions.mode(), d).orElseThrow();
    Compared compared =
        new Compared(seriesFarads, r.getAsDouble(), d.getAsDouble(), conditions.uncertainty());
    OptionalDouble usual =
        MeterFrequency.agreeing(compared.esrOhms, seriesFarads, compared.dissipation);
    double hertz =
        conditions
            .frequencyHertz()
            .orElse(
                usual.orElse(
                    SeriesEquivalent.frequency(
                        compared.dissipation, seriesFarads, compared.esrOhms)));
    double computed = SeriesEquivalent.esr(compared.dissipation, hertz, seriesFarads);
    double allowance = compared.allowance(computed);
    if (conditions.frequencyHertz().isEmpty() && usual.isEmpty()) {
      return new Contradicts(
          compared, computed, allowance, hertz, Suspicion.NO_USUAL_FREQUENCY, hertz);
    }
    return compared.near(computed)
        ? new Agrees(compared, computed, allowance, hertz, conditions.frequencyHertz().isPresent())
        : suspect(compared, conditions, computed, hertz, usual);
  }

  private static Contradicts suspect(
      Compared read, Conditions conditions, double computed, double hertz, OptionalDouble usual) {
    double d = read.dissipation;
    double excess = read.esrOhms - computed;
    Suspicion suspicion = Suspicion.UNCLEAR;
    double value = excess;
    // At high D both look alike; nobody keeps a part with D above three, but many a meter shows a Q
    // of that size.
    boolean quality = read.near(computed / (d * d));
    if (quality && d > 3) {
      suspicion = Suspicion.QUALITY_FOR_DISSIPATION;
      value = 1 / d;
    } else if (conditions.mode() == Mode.UNSTATED && read.near(computed / (1 + d * d))) {
      suspicion = Suspicion.PARALLEL_MODE;
      value = SeriesEquivalent.seriesFromParallel(read.farads, d);
    } else if (usual.isPresent()) {
      suspicion = Suspicion.OTHER_FREQUENCY;
      value = usual.getAsDouble();
    } else if (quality) {
      suspicion = Suspicion.QUALITY_FOR_DISSIPATION;
      value = 1 / d;
    } else if (read.near(computed * 1000) || read.near(computed / 1000)) {
      suspicion = Suspicion.SLIP_OF_THOUSAND;
      value = computed;
    } else if (conditions.connection() == Connection.IN_CIRCUIT && excess < 0) {
      suspicion = Suspicion.PARALLEL_PATH;
    } else if (excess > 0) {
      suspicion = excess <= 1 ? Suspicion.LEADS : Suspicion.BAD_CONTACT;
    }
    return new Contradicts(read, computed, read.allowance(computed), hertz, suspicion, value);
  }
}
