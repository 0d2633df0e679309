package org.yellowhearth.core.assess;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.belief.Believed;
import org.yellowhearth.core.belief.State;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.supply.Parameter.Which;

/**
 * What a part is, from all that was found of it. Each finding weighs by how often it would be seen
 * of a part in each {@link State}; kind and age say how likely each was before. The shares are our
 * own reading of practice, to be argued with; they are written so that a worse finding never makes
 * a part more likely sound. A state that is more likely than all others together gives the values
 * that nobody measured.
 */
final class BeliefRules {
  /** Of those that are past their years some still do their work (our own reading of practice). */
  private static final double WORN_OUT_AND_FAILED = 0.8;

  private static final double LEAST_PRIOR = 0.02;
  private static final double MOST_PRIOR = 0.9;

  /** How often a finding of each outcome is made of a sound part. */
  private static final double GOOD_OF_SOUND = 0.9;

  private static final double DOUBTFUL_OF_SOUND = 0.15;
  private static final double BAD_OF_SOUND = 0.02;

  /** How often of a part that is in the state it speaks for. */
  private static final double GOOD_OF_STATE = 0.1;

  private static final double DOUBTFUL_OF_STATE = 0.5;
  private static final double BAD_OF_STATE = 0.9;

  /** How often of a part that fails in another way. */
  private static final double GOOD_OF_OTHER = 0.5;

  private static final double DOUBTFUL_OF_OTHER = 0.3;
  private static final double BAD_OF_OTHER = 0.05;

  /** A short or an open part shows itself plainly. */
  private static final double PLAIN_OF_SOUND = 0.005;

  private static final double PLAIN_OF_OTHER = 0.01;

  /** Less than this is a short and no leak. */
  private static final double SHORT_OHMS = 100;

  /** What a short is taken to have where nobody read it. */
  private static final double USUAL_SHORT_OHMS = 0.5;

  /** What an open part has in series, in Ω: the same for every size. */
  private static final double OPEN_OHMS = 1e6;

  /** How far a leak nobody measured lies below what is sound. */
  private static final double LEAKS_TIMES = 100;

  /** What a part called dried out has left. */
  private static final double DRIED_SHARE = 0.4;

  private static final double DRIED_TIMES = 8;

  /** Natural logarithms of what one standard deviation is off. */
  private static final double READ_ROUGHLY = 0.3;

  private static final double BY_STATE = 1;

  private BeliefRules() {}

  /**
   * The belief in a part.
   *
   * @param values as its readings alone give them, else kind, age and marking
   * @param warmer how much warmer its place is than the rest of the set, in kelvin
   */
  static Belief of(
      Belief values,
      List<Finding> findings,
      Knowledge knowledge,
      OptionalDouble age,
      double warmer) {
    Part part = values.part();
    Map<State, Double> weights = prior(part, knowledge, age, warmer);
    for (Finding f : findings) {
      weigh(weights, f, part);
    }
    double all = weights.values().stream().mapToDouble(Double::doubleValue).sum();
    weights.replaceAll((_, w) -> w / all);
    return valued(values.with(weights), findings);
  }

  private static Map<State, Double> prior(
      Part part, Knowledge knowledge, OptionalDouble age, double warmer) {
    // Ten kelvin double the pace (common practice), while the set is on: half of it is counted.
    double years = age.orElse(RiskRules.USUAL_AGE) * Math.pow(2, warmer / 20);
    double failed =
        Math.clamp(
            WORN_OUT_AND_FAILED * RiskRules.wear(part, knowledge).failsWithin(years, 0),
            LEAST_PRIOR,
            MOST_PRIOR);
    Map<State, Double> weights = new EnumMap<>(State.class);
    weights.put(State.SOUND, 1 - failed);
    double[] shares =
        part instanceof Capacitor c
            ? ways(knowledge.kind(c.kind()).family())
            : new double[] {0.7, 0, 0.1, 0.2};
    weights.put(State.WORN, failed * shares[0]);
    weights.put(State.LEAKY, failed * shares[1]);
    weights.put(State.SHORT, failed * shares[2]);
    weights.put(State.OPEN, failed * shares[3]);
    return weights;
  }

  /** How capacitors of a family fail: worn, leaky, shorted, open (our own reading of practice). */
  private static double[] ways(Family family) {
    return switch (family) {
      case ELECTROLYTIC -> new double[] {0.7, 0.2, 0.04, 0.06};
      case TANTALUM -> new double[] {0.1, 0.2, 0.6, 0.1};
      case PAPER -> new double[] {0.02, 0.9, 0.04, 0.04};
      case FILM, MICA, CERAMIC, SUPPRESSION, AIR, UNSTATED -> new double[] {0.2, 0.3, 0.25, 0.25};
    };
  }

  private static void weigh(Map<State, Double> weights, Finding f, Part part) {
    State speaks = speaksFor(f, part);
    switch (f.outcome()) {
      case OPEN -> {
        return;
      }
      case GOOD -> times(weights, speaks, GOOD_OF_SOUND, GOOD_OF_STATE, GOOD_OF_OTHER);
      case DOUBTFUL ->
          times(weights, speaks, DOUBTFUL_OF_SOUND, DOUBTFUL_OF_STATE, DOUBTFUL_OF_OTHER);
      case BAD -> {
        boolean plain = f.criterion() == Criterion.SHORT_OR_OPEN;
        times(
            weights,
            speaks,
            plain ? PLAIN_OF_SOUND : BAD_OF_SOUND,
            BAD_OF_STATE,
            plain ? PLAIN_OF_OTHER : BAD_OF_OTHER);
      }
    }
  }

  /** Where a finding speaks for no state in particular it speaks for all in which a part is bad. */
  private static void times(
      Map<State, Double> weights, State speaks, double sound, double state, double other) {
    weights.replaceAll((s, w) ->
        w * (s == State.SOUND ? sound : speaks == State.SOUND || s == speaks ? state : other));
  }

  /**
   * The state that a finding speaks for or against; sound where it speaks for none of the others.
   */
  private static State speaksFor(Finding f, Part part) {
    return f.state()
        .orElseGet(() ->
            switch (f.criterion()) {
              case CAPACITANCE_KEPT,
                  DISSIPATION,
                  ESR,
                  GAIN,
                  CONDUCTANCE,
                  EMISSION,
                  FULL_SCALE,
                  LINEARITY,
                  WIPER ->
                  State.WORN;
              case LEAKAGE, INSULATION, GRID_SHIFT -> State.LEAKY;
              case RESISTANCE, INDUCTANCE, VOLTS, BATCH, SIBLINGS -> State.WORN;
              case SHORT_OR_OPEN ->
                  f.measured().filter(_ -> part instanceof Capacitor).isPresent()
                      ? ofOhms(f.measured().orElseThrow())
                      : State.SOUND;
              case LOOK, TESTER -> State.SOUND;
              case DRAIN_CURRENT, THRESHOLD -> State.WORN;
              case HEADROOM, MAINS_CLASS, AGREEMENT, WITNESSES, CONTACT, HIDDEN_PATH -> State.SOUND;
            });
  }

  private static State ofOhms(Quantity ohms) {
    return ohms.value() < SHORT_OHMS ? State.SHORT : State.LEAKY;
  }

  /** The values, where a state that is likely gives what no reading did. */
  private static Belief valued(Belief b, List<Finding> findings) {
    if (!(b.part() instanceof Capacitor c)) {
      return b;
    }
    State likely = b.likeliest();
    // Kind and age alone are in the values already.
    if (b.chance(likely) < 0.5 || findings.stream().noneMatch(VerdictRules::condemns)) {
      return b;
    }
    return switch (likely) {
      case SOUND -> b;
      case WORN ->
          b.measured(Which.CAPACITANCE) || b.measured(Which.SERIES_RESISTANCE)
              ? b
              : b.with(Which.CAPACITANCE, Believed.by(c.farads() * DRIED_SHARE, BY_STATE))
                  .with(
                      Which.SERIES_RESISTANCE,
                      Believed.by(b.value(Which.SERIES_RESISTANCE) * DRIED_TIMES, BY_STATE));
      case LEAKY ->
          b.measured(Which.LEAKAGE_RESISTANCE) && !said(findings, State.LEAKY)
              ? b
              : leaking(
                  b,
                  read(findings).orElse(b.value(Which.LEAKAGE_RESISTANCE) / LEAKS_TIMES),
                  read(findings).isPresent());
      case SHORT -> leaking(b, read(findings).orElse(USUAL_SHORT_OHMS), read(findings).isPresent());
      case OPEN ->
          b.measured(Which.CAPACITANCE) && !said(findings, State.OPEN)
              ? b
              : b.with(Which.SERIES_RESISTANCE, Believed.by(OPEN_OHMS, BY_STATE));
    };
  }

  /**
   * Whether it was said or shown to be so, and no figure that was measured afterwards has taken the
   * place of that.
   */
  private static boolean said(List<Finding> findings, State state) {
    return findings.stream()
        .anyMatch(f -> VerdictRules.condemns(f) && f.state().filter(s -> s == state).isPresent());
  }

  /** A leak from end to end. */
  private static Belief leaking(Belief b, double ohms, boolean read) {
    return b.with(Which.LEAKAGE_RESISTANCE, Believed.by(ohms, read ? READ_ROUGHLY : BY_STATE));
  }

  /** The ohms that an instrument found where there should be none. */
  private static OptionalDouble read(List<Finding> findings) {
    return findings.stream()
        .filter(f -> f.criterion() == Criterion.SHORT_OR_OPEN && f.outcome() == Finding.Outcome.BAD)
        .flatMap(f -> f.measured().stream())
        .mapToDouble(Quantity::value)
        .filter(v -> v > 0)
        .findFirst();
  }
}
