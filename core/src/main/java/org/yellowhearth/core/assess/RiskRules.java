package org.yellowhearth.core.assess;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.assess.Risk.Factor;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.ShopExperience;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.PartWear;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Makes;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/**
 * How kind, age, heat, reading, headroom, look and the fate of its like in the same set turn the
 * odds of a part. The steps are ours, to be argued with; only the doubling for every 10 °C is
 * common practice.
 */
final class RiskRules {
  /** An age for parts of a set nobody has dated. */
  static final double USUAL_AGE = 50;

  private static final double PRIOR_WEIGHT = 4;

  /** What a twin that failed does to the odds. */
  private static final double TWIN_FAILED = 2;

  /** Criteria that tell good from bad without a figure. */
  private static final Set<Criterion> SAID =
      Set.of(Criterion.SHORT_OR_OPEN, Criterion.TESTER, Criterion.ESR, Criterion.WIPER);

  private final Knowledge knowledge;
  private final Map<String, Count> counts;
  private final Map<Alike, List<PartRef>> failed;
  private final Job job;
  private final ShopExperience experience;
  private final Optional<Factor> hours;

  /** What makes two capacitors twins. */
  private record Alike(String kind, double farads, OptionalDouble volts) {
    static Alike of(Capacitor c) {
      return new Alike(c.kind(), c.farads(), c.ratedVolts());
    }
  }

  /**
   * Tantalum straight across a supply, with nothing in series that holds a surge back, is what
   * fails first, and shorted (common practice; how much more often is our own step).
   */
  private static final double SURGES = 6;

  /** How many of a kind were measured in this set, and how many of them are bad. */
  record Count(int measured, int bad) {}

  RiskRules(Knowledge knowledge, Job job, List<Assessment> each) {
    this.job = job;
    this.experience = job.aspect(ShopExperience.class);
    this.hours = hours(job);
    this.knowledge = knowledge;
    this.counts = counts(each);
    this.failed =
        each.stream()
            .filter(a -> a.part() instanceof Capacitor && a.measured() && a.foundBad())
            .map(a -> (Capacitor) a.part())
            .collect(
                Collectors.groupingBy(
                    Alike::of, Collectors.mapping(Capacitor::ref, Collectors.toList())));
  }

  /** The counts by kind of capacitor over assessments that are done. */
  static Map<String, Count> counts(List<Assessment> assessments) {
    Map<String, Count> counts = new HashMap<>();
    for (Assessment a : assessments) {
      if (a.part() instanceof Capacitor c && a.measured()) {
        counts.merge(
            c.kind(),
            new Count(1, a.foundBad() ? 1 : 0),
            (x, y) -> new Count(x.measured + y.measured, x.bad + y.bad));
      }
    }
    return counts;
  }

  /**
   * A risk, and what the fate of its like does to the odds that the part has failed: other sets of
   * the shop, its kind in this set, its twins.
   */
  record Weighed(Risk risk, double fate) {}

  Weighed of(Part part, List<Finding> findings, boolean measured, OptionalDouble age) {
    double years = age.orElse(USUAL_AGE);
    List<Factor> factors = new ArrayList<>();
    readings(findings, measured).ifPresent(factors::add);
    looks(job.of(part.ref(), VisualInspection.class), factors);
    heat(job.of(part.ref(), Place.class)).ifPresent(factors::add);
    if (part instanceof Capacitor c) {
      if (c.role().duty() == Role.Duty.SUPPLY) {
        hours.ifPresent(factors::add);
      }
      headroom(c).ifPresent(factors::add);
      if (knowledge.kind(c.kind()).family() == Family.TANTALUM
          && c.role().duty() == Role.Duty.SUPPLY) {
        factors.add(new Factor(Message.of(AssessWords.RISK_SURGE), SURGES));
      }
      double base = wear(part, knowledge).failsWithin(Risk.YEARS, years);
      List<Factor> like = like(c, base);
      factors.addAll(like);
      return new Weighed(
          Risk.of(base, knowledge.role(c.role()).consequence(), factors),
          like.stream().mapToDouble(Factor::times).reduce(1, (x, y) -> x * y));
    }
    PartWear wear = partWear(part, knowledge);
    return new Weighed(
        Risk.of(wear.wear().failsWithin(Risk.YEARS, years), wear.consequence(), factors), 1);
  }

  /** How a part fails with the years. */
  static CapacitorKind.Wear wear(Part part, Knowledge knowledge) {
    return part instanceof Capacitor c
        ? knowledge.kind(c.kind()).wear()
        : partWear(part, knowledge).wear();
  }

  private static PartWear partWear(Part part, Knowledge knowledge) {
    Set<String> codes = Makes.of(part).stream().map(Coded::code).collect(Collectors.toSet());
    List<PartWear> all =
        knowledge.partWear().stream().filter(w -> w.sort() == part.sort()).toList();
    return all.stream()
        .filter(w -> codes.contains(w.made()))
        .findFirst()
        .or(() -> all.stream().filter(w -> w.made().isEmpty()).findFirst())
        .orElse(new PartWear(part.sort(), "", new CapacitorKind.Wear(100, 1, false), 2));
  }

  /** What was read of it; nothing where no reading says whether it is good. */
  private static Optional<Factor> readings(List<Finding> findings, boolean measured) {
    Set<Outcome> read =
        findings.stream()
            .filter(f -> f.measured().isPresent() || SAID.contains(f.criterion()))
            .map(Finding::outcome)
            .collect(Collectors.toSet());
    if (!measured) {
      return Optional.empty();
    }
    if (read.contains(Outcome.BAD)) {
      return Optional.of(new Factor(Message.of(AssessWords.RISK_READS_BAD), 50));
    }
    if (read.contains(Outcome.DOUBTFUL)) {
      return Optional.of(new Factor(Message.of(AssessWords.RISK_READS_DOUBTFUL), 3));
    }
    return read.contains(Outcome.GOOD)
        ? Optional.of(new Factor(Message.of(AssessWords.RISK_READS_GOOD), 0.25))
        : Optional.empty();
  }

  private static void looks(List<VisualInspection> looks, List<Factor> factors) {
    for (VisualInspection look : looks) {
      double times =
          look.sign() == VisualInspection.Sign.REPLACED_BEFORE
              ? 0.5
              : switch (look.sign().weight()) {
                case CONDEMNS -> 100;
                case DOUBTS -> 3;
                case ASKS -> 2;
                case HARMLESS -> 1;
              };
      if (times != 1) {
        factors.add(new Factor(Message.of(AssessWords.RISK_LOOK, look.sign().term()), times));
      }
    }
  }

  /**
   * The warmth a place adds, in kelvin, by the nearest of what runs hot; the odds double for every
   * ten.
   */
  private static Optional<Factor> heat(List<Place> places) {
    return places.stream()
        .findFirst()
        .map(Warmth::kelvin)
        .filter(k -> k > 0)
        .map(k ->
            new Factor(
                Message.of(AssessWords.RISK_HEAT, new Quantity(Math.round(k), Unit.CELSIUS)),
                Math.pow(2, k / 10)));
  }

  /**
   * What stands under voltage longer wears sooner, against three hours a day (our own step; age
   * counts for more than hours).
   */
  private static Optional<Factor> hours(Job job) {
    MainsEntry entry = job.aspect(MainsEntry.class);
    OptionalDouble hours = entry.energisedWhileOff() ? OptionalDouble.of(24) : entry.hoursADay();
    return hours.isEmpty()
        ? Optional.empty()
        : Optional.of(
            new Factor(
                Message.of(AssessWords.RISK_HOURS, new Quantity(hours.getAsDouble(), Unit.HOUR)),
                Math.pow(Math.max(0.5, hours.getAsDouble()) / 3, 0.3)));
  }

  private static Optional<Factor> headroom(Capacitor part) {
    if (part.ratedVolts().isEmpty() || part.workingVolts().isEmpty()) {
      return Optional.empty();
    }
    double used = part.workingVolts().getAsDouble() / part.ratedVolts().getAsDouble();
    double times = used > 1 ? 10 : used > 0.9 ? 2 : used < 0.5 ? 0.5 : 1;
    return times == 1
        ? Optional.empty()
        : Optional.of(
            new Factor(Message.of(AssessWords.RISK_HEADROOM, Quantity.percent(used)), times));
  }

  /**
   * The fate of its like: in other sets of the shop, where somebody let that weigh, drawn towards
   * what kind and age say while only few were measured; and in this set, drawn towards what then
   * stands.
   */
  private List<Factor> like(Capacitor part, double base) {
    if (part.kind().equals(Capacitor.UNSTATED_KIND)) {
      return List.of();
    }
    List<Factor> factors = new ArrayList<>();
    double prior = Math.clamp(base, 0.01, 0.99);
    Optional<ShopExperience.Seen> seen = experience.of(part.kind());
    if (seen.isPresent()) {
      ShopExperience.Seen s = seen.get();
      double share = drawn(prior, s.measured(), s.bad());
      factors.add(
          like(AssessWords.RISK_SHOP, part, s.bad(), s.measured(), odds(share) / odds(prior)));
      prior = share;
    }
    Count count = counts.getOrDefault(part.kind(), new Count(0, 0));
    if (count.measured >= 2) {
      factors.add(
          like(
              AssessWords.RISK_LIKE,
              part,
              count.bad,
              count.measured,
              odds(drawn(prior, count.measured, count.bad)) / odds(prior)));
    }
    twins(part).ifPresent(factors::add);
    return factors;
  }

  /** One of the same kind, value and rating in the set, most likely of the same batch. */
  private Optional<Factor> twins(Capacitor part) {
    return failed.getOrDefault(Alike.of(part), List.of()).stream()
        .filter(ref -> !ref.equals(part.ref()))
        .findFirst()
        .map(ref -> new Factor(Message.of(AssessWords.RISK_TWIN, ref.toString()), TWIN_FAILED));
  }

  private static Factor like(
      AssessWords words, Capacitor part, int bad, int measured, double times) {
    return new Factor(
        Message.of(
            words,
            Integer.toString(bad),
            Integer.toString(measured),
            Message.term("Capacitor." + part.kind())),
        times);
  }

  private static double drawn(double prior, int measured, int bad) {
    return (PRIOR_WEIGHT * prior + bad) / (PRIOR_WEIGHT + measured);
  }

  private static double odds(double share) {
    return share / (1 - share);
  }
}
