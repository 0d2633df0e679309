package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.PreferredSeries;
import org.yellowhearth.core.quantity.Quantity;

/**
 * Proposes one standard part for an old one: the nearest preferred value and the rating that the
 * job's policy asks for.
 */
public final class ReplacementRules {
  /**
   * A loss of capacitance counts this much more than a gain, because old tolerances ran from −20 to
   * +100 %.
   */
  static final double LOSS_WEIGHS = 1.5;

  /** Margin over a typed working voltage, which leaves out cold start and high line. */
  static final double WORKING_MARGIN = 1.5;

  /** Mains safety parts of today are rated for these alternating voltages (common practice). */
  static final List<Double> MAINS_RATINGS = List.of(250.0, 275.0, 305.0, 440.0);

  /** A mains part is rated at least this much above the nominal mains. */
  static final double MAINS_MARGIN = 1.1;

  private final Knowledge knowledge;

  public ReplacementRules(Knowledge knowledge) {
    this.knowledge = knowledge;
  }

  /** What takes the place of a part; of those that are no capacitor nothing is proposed yet. */
  public Replacement propose(Job job, Part part) {
    return part instanceof Capacitor c
        ? propose(job, c)
        : none(Message.of(ReplaceWords.ONLY_CAPACITORS));
  }

  private Replacement propose(Job job, Capacitor part) {
    if (part.role().duty() == Role.Duty.MAINS) {
      return mainsPart(job, part);
    }
    CapacitorKind old = knowledge.kind(part.kind());
    if (old.family() == Family.UNSTATED) {
      return none(Message.of(ReplaceWords.NO_KIND));
    }
    CapacitorKind.Heir heir = heir(old, job.policy());
    List<Message> reasons = new ArrayList<>();
    if (!heir.kind().equals(old.id())) {
      reasons.add(Message.of(ReplaceWords.HEIR, kindTerm(old.id()), kindTerm(heir.kind())));
    }
    double farads = nearest(part, heir.series(), job.policy(), reasons);
    Optional<Double> volts = rating(part, old, heir, job.policy(), reasons);
    if (part.polarity() == Polarity.POSITIVE_TO_CHASSIS) {
      reasons.add(Message.of(ReplaceWords.POSITIVE_EARTH));
    }
    return new Replacement(
        volts.map(v -> new Replacement.Proposed(heir.kind(), farads, v, false)), reasons);
  }

  private CapacitorKind.Heir heir(CapacitorKind old, Policy policy) {
    boolean change =
        old.family() == Family.TANTALUM && policy.tantalum() == Policy.Tantalum.CHANGE_KIND;
    return change ? knowledge.kind("electrolytic-dry").heir() : old.heir();
  }

  private static double nearest(
      Capacitor part, PreferredSeries usual, Policy policy, List<Message> reasons) {
    boolean exact =
        part.role().duty() == Role.Duty.EXACT
            || policy.capacitance() == Policy.CapacitanceChoice.EXACT;
    PreferredSeries series =
        exact && usual.compareTo(PreferredSeries.E24) < 0 ? PreferredSeries.E24 : usual;
    double marked = part.farads();
    double chosen =
        series.between(marked / 10, marked * 10).stream()
            .min(Comparator.comparingDouble(v -> distance(marked, v, exact)))
            .orElseThrow();
    Quantity change = Quantity.percent(Math.abs(chosen / marked - 1));
    Argument way = Message.term(chosen < marked ? "Way.below" : "Way.above");
    if (Math.abs(chosen / marked - 1) < 1e-6) {
      reasons.add(Message.of(ReplaceWords.VALUE_SAME, Quantity.farads(chosen), series.name()));
    } else if (exact) {
      reasons.add(
          Message.of(
              ReplaceWords.VALUE_EXACT_OFF, Quantity.farads(chosen), series.name(), change, way));
    } else {
      reasons.add(
          Message.of(
              ReplaceWords.VALUE_NEAREST,
              Quantity.farads(chosen),
              series.name(),
              change,
              way,
              policy.capacitance().term()));
    }
    return chosen;
  }

  /** Distance on a log scale; where the value need not be exact, a loss weighs more than a gain. */
  private static double distance(double marked, double value, boolean exact) {
    double d = Math.log(value / marked);
    return d < 0 && !exact ? -LOSS_WEIGHS * d : Math.abs(d);
  }

  private static Optional<Double> rating(
      Capacitor part,
      CapacitorKind old,
      CapacitorKind.Heir heir,
      Policy policy,
      List<Message> reasons) {
    OptionalDouble working = part.workingVolts();
    boolean tantalum =
        old.family() == Family.TANTALUM && policy.tantalum() == Policy.Tantalum.TWICE_THE_RAIL;
    if (tantalum && working.isPresent()) {
      double least =
          policy.voltage() == Policy.VoltageRating.NEVER_BELOW_ORIGINAL
              ? part.ratedVolts().orElse(0)
              : 0;
      double needed = Math.max(working.getAsDouble() * Policy.TANTALUM_HEADROOM, least);
      return atLeast(
          heir,
          needed,
          ReplaceWords.RATING_TANTALUM,
          working.getAsDouble(),
          policy.tantalum().term(),
          reasons);
    }
    if (tantalum) {
      reasons.add(Message.of(ReplaceWords.RATING_NO_RAIL));
    }
    if (policy.voltage() == Policy.VoltageRating.BY_WORKING_VOLTAGE && working.isPresent()) {
      return atLeast(
          heir,
          working.getAsDouble() * WORKING_MARGIN,
          ReplaceWords.RATING_WORKING,
          working.getAsDouble(),
          policy.voltage().term(),
          reasons);
    }
    if (part.ratedVolts().isEmpty()) {
      reasons.add(Message.of(ReplaceWords.NO_RATING_MARKED));
      return Optional.empty();
    }
    if (policy.voltage() == Policy.VoltageRating.BY_WORKING_VOLTAGE) {
      reasons.add(Message.of(ReplaceWords.RATING_NO_WORKING));
    }
    double original = part.ratedVolts().getAsDouble();
    if (working.isPresent() && working.getAsDouble() > original) {
      return atLeast(
          heir,
          working.getAsDouble() * WORKING_MARGIN,
          ReplaceWords.RATING_ABOVE_WORKING,
          working.getAsDouble(),
          policy.voltage().term(),
          reasons);
    }
    return atLeast(
        heir, original, ReplaceWords.RATING_ORIGINAL, original, policy.voltage().term(), reasons);
  }

  private static Optional<Double> atLeast(
      CapacitorKind.Heir heir,
      double needed,
      ReplaceWords why,
      double from,
      Argument school,
      List<Message> reasons) {
    Optional<Double> found = heir.ratings().stream().filter(v -> v >= needed).findFirst();
    reasons.add(
        found
            .map(v ->
                Message.of(
                    why, Quantity.volts(v), Quantity.volts(from), Quantity.volts(needed), school))
            .orElseGet(() ->
                Message.of(
                    ReplaceWords.NO_SINGLE_PART, Quantity.volts(needed), kindTerm(heir.kind()))));
    return found;
  }

  /** Across the mains the safety class decides: X from line to line, Y from line to chassis. */
  private Replacement mainsPart(Job job, Capacitor part) {
    boolean y = part.role() == Role.LINE_TO_CHASSIS;
    CapacitorKind kind = knowledge.kind(y ? "suppression-y" : "suppression-x");
    if (job.plate().mains().isEmpty()) {
      return none(Message.of(ReplaceWords.NO_MAINS));
    }
    double mains = job.plate().mains().get().volts();
    List<Message> reasons = new ArrayList<>();
    double farads = nearest(part, kind.heir().series(), job.policy(), reasons);
    Optional<Double> volts =
        MAINS_RATINGS.stream().filter(v -> v >= MAINS_MARGIN * mains).findFirst();
    reasons.add(
        volts
            .map(v ->
                Message.of(
                    y ? ReplaceWords.CLASS_Y : ReplaceWords.CLASS_X,
                    Quantity.volts(v),
                    Quantity.volts(mains)))
            .orElseGet(() ->
                Message.of(
                    ReplaceWords.NO_SINGLE_PART,
                    Quantity.volts(MAINS_MARGIN * mains),
                    kindTerm(kind.id()))));
    return new Replacement(
        volts.map(v -> new Replacement.Proposed(kind.id(), farads, v, true)), reasons);
  }

  private static Argument kindTerm(String id) {
    return Message.term("Capacitor." + id);
  }

  private static Replacement none(Message why) {
    return new Replacement(Optional.empty(), List.of(why));
  }
}
