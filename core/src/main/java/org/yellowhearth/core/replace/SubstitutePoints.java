package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Warmth;
import org.yellowhearth.core.fact.Body;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.message.Argument;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Money;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.replace.Substitute.Point;

/**
 * What speaks for and against what could take the place of an old capacitor; what must never be has
 * been refused before.
 */
final class SubstitutePoints {
  /**
   * What another part in it weighs; together with the window it keeps plain parts before nearer
   * combinations.
   */
  static final double PER_PART = 0.2;

  static final double LOSS_WEIGHS = 1.5;
  static final double RATING_WEIGHS = 0.1;

  /**
   * What a rating below what is seen now and then weighs, for a share of the voltage too little.
   */
  static final double RARE_WEIGHS = 0.1;

  /** Touch current above which a hand feels it (about half a milliampere, common practice). */
  static final double FELT_AMPERES = 0.5e-3;

  /** What is larger than the old one by more than this hardly goes in its place (our own step). */
  static final double TIGHT = 1.05;

  /** A filter that is larger by more than this comes up noticeably later (our own step). */
  static final double LATER = 1.2;

  private final Substitutes.Question q;
  private final Capacitor part;
  private final CapacitorKind old;
  private final Policy policy;
  private final boolean mains;
  private final Map<String, Double> kinds;
  private final OptionalDouble needed;
  private final double warmer;
  private final Body body;

  /**
   * For one place.
   *
   * @param kinds that may come there, with what each weighs
   * @param needed the rating that is asked for
   */
  SubstitutePoints(
      Substitutes.Question question, Map<String, Double> kinds, OptionalDouble needed) {
    q = question;
    part = q.part();
    old = q.knowledge().kind(part.kind());
    policy = q.job().policy();
    mains = part.role().duty() == Role.Duty.MAINS;
    this.kinds = Map.copyOf(kinds);
    this.needed = needed;
    body = q.job().of(part.ref(), Body.class).stream().findFirst().orElse(Body.of(part.ref()));
    warmer =
        q.job().of(part.ref(), Place.class).stream().findFirst().map(Warmth::kelvin).orElse(0.0);
  }

  /** Of a single part, the weightiest first. */
  List<Point> of(StockPart s, CapacitorWare c) {
    List<Point> points = new ArrayList<>();
    points.add(valuePoint(s.value()));
    points.add(ratingPoint(c.volts()));
    kindPoint(c).ifPresent(points::add);
    leadsPoint(c).ifPresent(points::add);
    ripplePoint(c).ifPresent(points::add);
    classPoint(c).ifPresent(points::add);
    sizePoint(c).ifPresent(points::add);
    laterPoint(s.value()).ifPresent(points::add);
    lifePoint(c).ifPresent(points::add);
    stockPoints(s, points);
    if (part.role() == Role.LINE_TO_CHASSIS) {
      touchPoint(s.value()).ifPresent(points::add);
    }
    regulatorPoint(c).ifPresent(points::add);
    s.price()
        .ifPresent(
            p -> points.add(new Point(Message.of(ReplaceWords.SUB_PRICE, price(p)), 0.004 * p)));
    points.sort(Comparator.comparingDouble((Point p) -> -Math.abs(p.weight())));
    return points;
  }

  private static String price(double p) {
    return Money.amount(p);
  }

  private Point valuePoint(double v) {
    double d = Math.log(v / part.farads());
    if (Math.abs(d) < 1e-3) {
      return new Point(Message.of(ReplaceWords.SUB_SAME_VALUE), 0);
    }
    double weight = d < 0 && part.role().duty() != Role.Duty.EXACT ? -LOSS_WEIGHS * d : Math.abs(d);
    Quantity off = Quantity.percent(Math.abs(v / part.farads() - 1));
    Argument way = Message.term(d < 0 ? "Way.below" : "Way.above");
    Quantity old = Quantity.farads(part.farads());
    return new Point(
        part.role() == Role.UNSTATED
            ? Message.of(ReplaceWords.SUB_OTHER_VALUE_NO_ROLE, off, way, old)
            : Message.of(ReplaceWords.SUB_OTHER_VALUE, off, way, old, part.role().term()),
        weight);
  }

  private Point ratingPoint(double volts) {
    double least = needed.getAsDouble();
    double weight = RATING_WEIGHS * Math.log(Math.max(1, volts / least));
    Optional<Demand.Seen> worst = q.demand().worst();
    if (mains) {
      return new Point(
          Message.of(
              part.role() == Role.LINE_TO_CHASSIS ? ReplaceWords.CLASS_Y : ReplaceWords.CLASS_X,
              Quantity.volts(volts),
              Quantity.volts(least / Substitutes.MAINS_MARGIN)),
          weight);
    }
    if (worst.isPresent() && volts < worst.get().volts()) {
      Demand.Circumstance when = worst.get().when();
      return new Point(
          Message.of(
              ReplaceWords.SUB_RATING_RARE,
              Quantity.volts(volts),
              Quantity.volts(worst.get().volts()),
              when.term(),
              Quantity.percent(when.chance())),
          weight + RARE_WEIGHS * when.chance() * (worst.get().volts() / volts - 1));
    }
    return worst.isPresent()
        ? new Point(
            Message.of(
                ReplaceWords.SUB_RATING_WORST,
                Quantity.volts(volts),
                Quantity.volts(worst.get().volts()),
                worst.get().when().term(),
                Quantity.percent(volts / worst.get().volts() - 1),
                policy.voltage().term()),
            weight)
        : new Point(
            Message.of(
                ReplaceWords.SUB_RATING_ORIGINAL,
                Quantity.volts(volts),
                Quantity.volts(least),
                policy.voltage().term()),
            weight);
  }

  private Optional<Point> kindPoint(CapacitorWare c) {
    double weight = kinds.getOrDefault(c.kind(), 0.0);
    // Film in the place of a large electrolytic is bulky.
    boolean bulky =
        old.lossyByNature() && !q.knowledge().kind(c.kind()).lossyByNature() && c.farads() > 12e-6;
    if (bulky) {
      return Optional.of(
          new Point(
              Message.of(ReplaceWords.SUB_BULKY, Message.term("Capacitor." + c.kind())),
              weight + 0.5));
    }
    return c.kind().equals(old.id())
        ? Optional.empty()
        : Optional.of(
            new Point(
                Message.of(
                    ReplaceWords.HEIR,
                    Message.term("Capacitor." + old.id()),
                    Message.term("Capacitor." + c.kind())),
                weight));
  }

  private Optional<Point> leadsPoint(CapacitorWare c) {
    Leads wanted = body.leads() == Leads.UNSTATED ? old.leads() : body.leads();
    if (c.leads() == Leads.UNSTATED || wanted == Leads.UNSTATED || c.leads() == wanted) {
      return Optional.empty();
    }
    return Optional.of(
        new Point(Message.of(ReplaceWords.SUB_LEADS, c.leads().term(), wanted.term()), 0.05));
  }

  /** A lower temperature class than the old one's, or one that nobody states. */
  private Optional<Point> classPoint(CapacitorWare c) {
    if (body.celsius().isEmpty()) {
      return Optional.empty();
    }
    Quantity was = new Quantity(body.celsius().getAsDouble(), Unit.CELSIUS);
    if (c.celsius().isEmpty()) {
      return Optional.of(new Point(Message.of(ReplaceWords.SUB_CLASS_UNKNOWN, was), 0.1, true));
    }
    return c.celsius().getAsDouble() < was.value()
        ? Optional.of(
            new Point(
                Message.of(
                    ReplaceWords.SUB_CLASS_LOWER,
                    new Quantity(c.celsius().getAsDouble(), Unit.CELSIUS),
                    was),
                0.15,
                true))
        : Optional.empty();
  }

  /** What does not go where the old one sat. */
  private Optional<Point> sizePoint(CapacitorWare c) {
    OptionalDouble pitch = LeadPitch.of(c);
    if (body.pitchMetres().isPresent()
        && pitch.isPresent()
        && Math.abs(pitch.getAsDouble() - body.pitchMetres().getAsDouble()) > LeadPitch.BENDS) {
      return Optional.of(
          new Point(
              Message.of(
                  ReplaceWords.SUB_PITCH,
                  Quantity.of(pitch.getAsDouble(), Unit.METRE),
                  Quantity.of(body.pitchMetres().getAsDouble(), Unit.METRE)),
              0.05,
              true));
    }
    return larger(c.diameterMetres(), body.diameterMetres())
        .or(() -> larger(c.lengthMetres(), body.lengthMetres()));
  }

  private static Optional<Point> larger(OptionalDouble now, OptionalDouble was) {
    return now.isPresent() && was.isPresent() && now.getAsDouble() > TIGHT * was.getAsDouble()
        ? Optional.of(
            new Point(
                Message.of(
                    ReplaceWords.SUB_LARGER,
                    Quantity.of(now.getAsDouble(), Unit.METRE),
                    Quantity.of(was.getAsDouble(), Unit.METRE)),
                0.2,
                true))
        : Optional.empty();
  }

  /** A larger bias filter is charged later; until then the valves it holds back draw more. */
  private Optional<Point> laterPoint(double farads) {
    return part.role() == Role.BIAS_FILTER && farads > LATER * part.farads()
        ? Optional.of(
            new Point(
                Message.of(ReplaceWords.SUB_BIAS_LATER, Quantity.ratio(farads / part.farads())), 0))
        : Optional.empty();
  }

  private Optional<Point> ripplePoint(CapacitorWare c) {
    OptionalDouble need = q.demand().rippleAmperes();
    if (need.isEmpty()
        || need.getAsDouble() < 1e-4
        || !q.knowledge().kind(c.kind()).lossyByNature()) {
      return Optional.empty();
    }
    if (c.rippleAmperes().isEmpty()) {
      return Optional.of(
          new Point(
              Message.of(ReplaceWords.SUB_RIPPLE_UNKNOWN, Quantity.amperes(need.getAsDouble())),
              0.15));
    }
    double used = need.getAsDouble() / c.rippleAmperes().getAsDouble();
    return Optional.of(
        new Point(
            Message.of(
                ReplaceWords.SUB_RIPPLE,
                Quantity.amperes(c.rippleAmperes().getAsDouble()),
                Quantity.amperes(need.getAsDouble())),
            used > 0.8 ? 0.1 : 0));
  }

  private Optional<Point> lifePoint(CapacitorWare c) {
    MainsEntry entry = q.job().aspect(MainsEntry.class);
    boolean standing =
        q.job().of(part.ref(), Choice.class).stream().anyMatch(Choice::standing)
            || (entry.energisedWhileOff() && part.role().duty() == Role.Duty.SUPPLY);
    double hoursADay = standing ? 24 : Math.max(0.1, entry.hoursADay().orElse(Life.HOURS_A_DAY));
    return Life.of(c, warmer, q.demand().rippleAmperes(), hoursADay)
        .map(l ->
            new Point(
                Message.of(
                    standing ? ReplaceWords.SUB_LIFE_STANDING : ReplaceWords.SUB_LIFE,
                    new Quantity(round(l.hours()), Unit.HOUR),
                    new Quantity(Math.round(l.coreCelsius()), Unit.CELSIUS),
                    Long.toString(Math.round(l.years())),
                    new Quantity(hoursADay, Unit.HOUR)),
                l.years() < 5 ? 0.3 : l.years() < Life.MOST_YEARS ? 0.08 : 0));
  }

  private static double round(double hours) {
    double step = Math.pow(10, Math.floor(Math.log10(hours)) - 1);
    return Math.round(hours / step) * step;
  }

  private void stockPoints(StockPart s, List<Point> points) {
    if (s.whence() != Whence.DRAWER) {
      return;
    }
    points.add(
        new Point(
            Message.of(
                ReplaceWords.SUB_DRAWER,
                Integer.toString(q.uses().free(s)),
                s.where().isEmpty() ? Message.term("Whence.drawer") : new Argument.Text(s.where())),
            -0.1));
    if (s.wantsSoak(q.knowledge(), q.year())) {
      points.add(
          new Point(
              Message.of(ReplaceWords.SUB_SOAK, Integer.toString(s.made().getAsInt())),
              policy.appearance() == Policy.Appearance.UNUSED_OLD_STOCK ? -0.1 : 0.12));
    }
  }

  private Optional<Point> touchPoint(double farads) {
    return q.job()
        .plate()
        .mains()
        .filter(m -> m.hertz() > 0)
        .map(m -> {
          double amperes = MainsSide.touchAmperes(farads, m.volts(), m.hertz());
          return new Point(
              Message.of(
                  ReplaceWords.SUB_TOUCH,
                  Quantity.amperes(amperes),
                  Quantity.amperes(FELT_AMPERES)),
              amperes > FELT_AMPERES ? 0.3 : 0);
        });
  }

  /** Where series resistance matters by itself. */
  private Optional<Point> regulatorPoint(CapacitorWare c) {
    if (part.role() == Role.REGULATOR_OUTPUT && !q.knowledge().kind(c.kind()).lossyByNature()) {
      return Optional.of(new Point(Message.of(ReplaceWords.SUB_TOO_GOOD), 0.1));
    }
    if (part.role() == Role.CONVERTER_OUTPUT && q.knowledge().kind(c.kind()).lossyByNature()) {
      return Optional.of(new Point(Message.of(ReplaceWords.SUB_LOW_IMPEDANCE), 0.02));
    }
    return Optional.empty();
  }

  /** Of several joined. */
  List<Point> of(Combination c, Map<String, StockPart> byId) {
    List<Point> points = new ArrayList<>();
    points.add(valuePoint(c.farads()));
    points.add(ratingPoint(c.ratedVolts()));
    points.add(
        new Point(
            Message.of(ReplaceWords.SUB_SEVERAL, Integer.toString(c.members().size())),
            PER_PART * (c.members().size() - 1)));
    c.balancing(q.demand().worstVolts().orElse(needed.getAsDouble()))
        .ifPresent(b ->
            points.add(
                new Point(
                    Message.of(
                        ReplaceWords.SUB_BALANCE,
                        Quantity.ohms(b.ohms()),
                        Quantity.watts(b.watts()),
                        Quantity.amperes(b.drainAmperes())),
                    0.1)));
    long drawer =
        c.members().stream().filter(m -> byId.get(m.id()).whence() == Whence.DRAWER).count();
    if (drawer > 0) {
      points.add(
          new Point(
              Message.of(ReplaceWords.SUB_PARTLY_DRAWER, Long.toString(drawer)),
              -0.1 * drawer / c.members().size()));
    }
    if (c.price() > 0) {
      points.add(
          new Point(Message.of(ReplaceWords.SUB_PRICE, price(c.price())), 0.004 * c.price()));
    }
    points.sort(Comparator.comparingDouble((Point p) -> -Math.abs(p.weight())));
    return points;
  }
}
