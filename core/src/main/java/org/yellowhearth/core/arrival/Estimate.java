package org.yellowhearth.core.arrival;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.Consent;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/**
 * What the job will take, in hours and money, against what it may take and what the set is worth.
 *
 * @param phases each phase by itself
 * @param advice whether to go on
 * @param reasons why, the weightiest first
 */
public record Estimate(Map<Phase, Sum> phases, Sum whole, Advice advice, List<Message> reasons) {
  public Estimate {
    phases = Collections.unmodifiableMap(new EnumMap<>(phases));
    reasons = List.copyOf(reasons);
  }

  /** Hours, and money with the hours at the workshop's rate in it. */
  public record Sum(Pert hours, Pert money, int lines) {
    static final Sum NOTHING = new Sum(Pert.NOTHING, Pert.NOTHING, 0);

    Sum plus(EstimateLine line, double rate) {
      Pert h = Pert.of(line.hours());
      return new Sum(
          hours.plus(h), money.plus(Pert.of(line.money())).plus(h.times(rate)), lines + 1);
    }

    Sum plus(Sum other) {
      return new Sum(hours.plus(other.hours), money.plus(other.money), lines + other.lines);
    }
  }

  /** Whether the job is worth doing. */
  public enum Advice implements Coded {
    /** Nothing to weigh yet. */
    OPEN,
    /** It fits. */
    GO,
    /** Only the supply fits, or it may turn out too dear: take it in stages. */
    GO_SMALL,
    /** It costs more than it may: stop, and conserve the set as it is. */
    STOP
  }

  /** What the advice can say. */
  public enum EstimateWords implements MessageKey {
    NO_LINES,
    NO_BOUND,
    FITS_MONEY,
    MAY_EXCEED_MONEY,
    EXCEEDS_MONEY,
    FITS_HOURS,
    MAY_EXCEED_HOURS,
    EXCEEDS_HOURS, //
    SUPPLY_FITS,
    SUPPLY_TOO,
    WORTH,
    LIMIT
  }

  private record Bound(OptionalDouble most, Pert whole, Pert supply, String unit, Argued words) {
    String said(double amount) {
      return (Quantity.ratio(amount) + " " + unit).strip();
    }
  }

  private record Argued(EstimateWords fits, EstimateWords may, EstimateWords exceeds) {}

  /** The estimate of a job as its lines, its budget and its worth have it. */
  public static Estimate of(Job job) {
    Budget budget = job.aspect(Budget.class);
    Map<Phase, Sum> phases = new EnumMap<>(Phase.class);
    for (Phase p : Phase.values()) {
      phases.put(p, Sum.NOTHING);
    }
    for (EstimateLine line : job.items(EstimateLine.class)) {
      phases.merge(line.phase(), Sum.NOTHING.plus(line, budget.ratePerHour()), Sum::plus);
    }
    Sum whole = phases.values().stream().reduce(Sum.NOTHING, Sum::plus);
    List<Message> reasons = new ArrayList<>();
    Advice advice = advise(budget, phases.get(Phase.SUPPLY), whole, reasons);
    return new Estimate(phases, whole, advice, reasons);
  }

  private static Advice advise(Budget budget, Sum supply, Sum whole, List<Message> reasons) {
    if (whole.lines == 0) {
      reasons.add(Message.of(EstimateWords.NO_LINES));
      return Advice.OPEN;
    }
    boolean worthLess =
        budget.worth().isPresent()
            && budget.worth().getAsDouble() <= budget.moneyLimit().orElse(Double.MAX_VALUE);
    OptionalDouble money = worthLess ? budget.worth() : budget.moneyLimit();
    Message bound = Message.of(worthLess ? EstimateWords.WORTH : EstimateWords.LIMIT);
    if (money.isEmpty() && budget.hoursLimit().isEmpty()) {
      reasons.add(Message.of(EstimateWords.NO_BOUND));
      return Advice.OPEN;
    }
    Advice byMoney =
        weigh(
            new Bound(
                money,
                whole.money,
                supply.money,
                budget.currency(),
                new Argued(
                    EstimateWords.FITS_MONEY,
                    EstimateWords.MAY_EXCEED_MONEY,
                    EstimateWords.EXCEEDS_MONEY)),
            bound,
            supply.lines,
            reasons);
    Advice byHours =
        weigh(
            new Bound(
                budget.hoursLimit(),
                whole.hours,
                supply.hours,
                Unit.HOUR.symbol(),
                new Argued(
                    EstimateWords.FITS_HOURS,
                    EstimateWords.MAY_EXCEED_HOURS,
                    EstimateWords.EXCEEDS_HOURS)),
            Message.of(EstimateWords.LIMIT),
            supply.lines,
            reasons);
    return byMoney.compareTo(byHours) >= 0 ? byMoney : byHours;
  }

  private static Advice weigh(Bound b, Message name, int supplyLines, List<Message> reasons) {
    if (b.most.isEmpty()) {
      return Advice.OPEN;
    }
    double most = b.most.getAsDouble();
    String likely = b.said(b.whole.mean());
    String upTo = b.said(b.whole.to());
    String limit = b.said(most);
    if (b.whole.to() <= most) {
      reasons.add(Message.of(b.words.fits, upTo, name, limit));
      return Advice.GO;
    }
    if (b.whole.mean() <= most) {
      reasons.add(Message.of(b.words.may, likely, name, limit, upTo));
      return Advice.GO_SMALL;
    }
    reasons.add(Message.of(b.words.exceeds, likely, name, limit));
    boolean supplyFits = supplyLines > 0 && b.supply.to() <= most;
    reasons.add(
        Message.of(
            supplyFits ? EstimateWords.SUPPLY_FITS : EstimateWords.SUPPLY_TOO,
            b.said(b.supply.to())));
    return supplyFits ? Advice.GO_SMALL : Advice.STOP;
  }

  /** What the owner has agreed to for a phase, the last word counting. */
  public static OptionalDouble consented(Job job, Phase phase) {
    return job.items(Consent.class).stream()
        .filter(c -> c.phase() == phase)
        .reduce((_, last) -> last)
        .map(c -> OptionalDouble.of(c.amount()))
        .orElse(OptionalDouble.empty());
  }
}
