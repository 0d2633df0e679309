package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Warmth;
import org.yellowhearth.core.fact.Body;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.SubstitutionRules.Heir;
import org.yellowhearth.core.knowledge.SubstitutionRules.Window;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Edge;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/**
 * What could take the place of an old capacitor, out of what is to be had: the best first, each
 * with its reasons, and beside them why the others were refused.
 *
 * <p>What must never be is refused: a value outside the window of its role or above what its
 * rectifier stands, a rating below what it ever sees (and, in the cautious school, below the old
 * one), a polar part where either way round is needed, a class too low for the mains, too little
 * ripple current. What remains is put in order by the sum of its points: log distance of value
 * first, a loss counted half as much again, then rating, kind, leads, ripple, life, stock, price.
 *
 * @param needed the rating that is asked for; none where nobody knows what it sees
 * @param window least and most capacitance
 */
public record Substitutes(
    Capacitor part,
    Demand demand,
    OptionalDouble needed,
    Optional<Ceiling> ceiling,
    Window window,
    List<Substitute> best,
    List<Refusal> refused,
    List<Message> notes) {
  /** By a computed worst case the rating leaves at least so much. */
  static final double COMPUTED_MARGIN = 1.1;

  /** A mains part is rated so much above the nominal mains. */
  static final double MAINS_MARGIN = 1.1;

  /** So near to the marking one part alone is what a restorer takes. */
  static final double NEAR_ENOUGH = 1.25;

  /** The same where the value decides what the circuit does. */
  static final double NEAR_IN_VALUE = 1.06;

  /**
   * A tantalum that failed had too little in hand: what follows it stands at least so much more
   * than its marking (common practice).
   */
  static final double TANTALUM_MORE = 1.2;

  private static final int MOST = 40;
  private static final int MOST_COMBINED = 20;
  private static final int SHOWN_COMBINED = 5;

  /** Of the catalogue so many ratings of a value are shown. */
  private static final int RATINGS = 3;

  private static final int DRAWER = 200;
  private static final int LEAVES = 300;

  /**
   * Why so many were refused.
   *
   * @param nearest the one of them that came nearest in value
   */
  public record Refusal(Message why, int count, String nearest) {}

  public Substitutes {
    best = List.copyOf(best);
    refused = List.copyOf(refused);
    notes = List.copyOf(notes);
  }

  /**
   * What is asked.
   *
   * @param stock what is to be had
   * @param uses what of the drawer is spoken for
   * @param year now
   */
  public record Question(
      Job job,
      Capacitor part,
      Demand demand,
      Optional<Ceiling> ceiling,
      List<StockPart> stock,
      Stock.Uses uses,
      Knowledge knowledge,
      int year) {
    public Question {
      stock = List.copyOf(stock);
    }
  }

  /** The voltage that is counted with: the worst case, else the rating that is asked for. */
  public double worstVolts() {
    return demand.worstVolts().orElse(needed.orElse(0));
  }

  /** The answer. */
  public static Substitutes of(Question q) {
    return new Ranking(q).ranked();
  }

  /** A judge of single parts for one place. */
  public static Judge judge(Question q) {
    Ranking ranking = new Ranking(q);
    return ranking::judged;
  }

  /** Judges one part of stock. */
  @FunctionalInterface
  public interface Judge {
    Judged of(StockPart part);
  }

  /** One part judged: what it would be as a substitute, or why it is none. */
  public record Judged(Optional<Substitute> as, Optional<Message> refused) {}

  /** One that is looked for. */
  private static final class Ranking {
    private final Question q;
    private final Capacitor part;
    private final CapacitorKind old;
    private final Policy policy;
    private final boolean mains;
    private final boolean exact;
    private final Map<String, Double> kinds = new LinkedHashMap<>();
    private final Window window;
    private final OptionalDouble needed;
    private final SubstitutePoints points;
    private final Map<String, Refused> refused = new LinkedHashMap<>();
    private final List<Message> notes = new ArrayList<>();

    private static final class Refused {
      private Message why = Message.of(ReplaceWords.SUB_NO_KIND);
      private int count;
      private String nearest = "";
      private double distance = Double.POSITIVE_INFINITY;
    }

    Ranking(Question question) {
      q = question;
      part = q.part();
      old = q.knowledge().kind(part.kind());
      policy = q.job().policy();
      mains = part.role().duty() == Role.Duty.MAINS;
      exact = policy.capacitance() == Policy.CapacitanceChoice.EXACT && !mains;
      heirs().forEach(h -> kinds.put(h.kind(), h.weight()));
      window = window();
      needed = needed();
      points = new SubstitutePoints(q, kinds, needed);
    }

    private List<Heir> heirs() {
      if (mains) {
        return part.role() == Role.LINE_TO_CHASSIS
            ? List.of(new Heir("suppression-y", 0))
            : List.of(new Heir("suppression-x", 0), new Heir("suppression-y", 0.3));
      }
      List<Heir> all = q.knowledge().renew().heirs(old);
      if (old.family() == Family.TANTALUM && policy.tantalum() == Policy.Tantalum.CHANGE_KIND) {
        all =
            all.stream()
                .filter(h -> q.knowledge().kind(h.kind()).family() != Family.TANTALUM)
                .toList();
      }
      return all;
    }

    private Window window() {
      Window w = exact ? new Window(0.95, 1.05) : q.knowledge().renew().window(part.role());
      double top =
          q.ceiling()
              .map(c -> Math.min(c.farads(), w.most() * part.farads()))
              .orElse(w.most() * part.farads());
      return new Window(w.least() * part.farads(), Math.max(top, part.farads()));
    }

    private OptionalDouble needed() {
      if (mains) {
        return q.job()
            .plate()
            .mains()
            .map(m -> OptionalDouble.of(MAINS_MARGIN * m.volts()))
            .orElse(OptionalDouble.empty());
      }
      OptionalDouble worst = q.demand().worstVolts();
      double least = q.demand().leastRating();
      if (policy.voltage() == Policy.VoltageRating.BY_WORKING_VOLTAGE && worst.isPresent()) {
        double margin = q.demand().onlyTyped() ? 1 : COMPUTED_MARGIN;
        return OptionalDouble.of(Math.max(margin * q.demand().lastingVolts().orElse(0), least));
      }
      if (part.ratedVolts().isEmpty() || part.ratedForMains()) {
        return worst;
      }
      double rated = part.ratedVolts().getAsDouble();
      boolean burst =
          old.family() == Family.TANTALUM && policy.tantalum() != Policy.Tantalum.SAME_RATING;
      return OptionalDouble.of(Math.max(burst ? TANTALUM_MORE * rated : rated, least));
    }

    Substitutes ranked() {
      if (kinds.isEmpty()) {
        notes.add(Message.of(ReplaceWords.NO_KIND));
      }
      if (needed.isEmpty()) {
        notes.add(Message.of(mains ? ReplaceWords.NO_MAINS : ReplaceWords.NO_RATING_MARKED));
      }
      if (old.liquid()) {
        notes.add(Message.of(ReplaceWords.WET_LIMITED));
      }
      if (part.polarity() == Polarity.POSITIVE_TO_CHASSIS) {
        notes.add(Message.of(ReplaceWords.POSITIVE_EARTH));
      }
      List<Substitute> all = new ArrayList<>();
      if (!kinds.isEmpty() && needed.isPresent()) {
        List<Substitute> singles = singles();
        all = mains ? singles : merged(singles, combined(singles), !exact && near(singles));
      }
      return new Substitutes(
          part,
          q.demand(),
          needed,
          q.ceiling(),
          window,
          all.stream().limit(MOST).toList(),
          refused.values().stream().map(r -> new Refusal(r.why, r.count, r.nearest)).toList(),
          notes);
    }

    /** Whether one of them lies near enough to the marking. */
    private boolean near(List<Substitute> of) {
      double times = part.role().duty() == Role.Duty.EXACT ? NEAR_IN_VALUE : NEAR_ENOUGH;
      return of.stream().anyMatch(s -> Edge.atMost(off(s), Math.log(times)));
    }

    private double off(Substitute s) {
      return Math.abs(Math.log(s.combination().farads() / part.farads()));
    }

    private static boolean fromTheDrawer(Substitute s) {
      return s.parts().stream().allMatch(p -> p.whence() == Whence.DRAWER);
    }

    /**
     * Whether several together help where there are such singles. Nothing is put in series where a
     * single part has the rating. Where none is near, those help that are nearer; else what lies in
     * the drawer already, while no near one does.
     */
    private boolean helps(Substitute several, List<Substitute> singles) {
      if (singles.isEmpty()) {
        return true;
      }
      if (several.combination().inSeries()) {
        return false;
      }
      double nearest = singles.stream().mapToDouble(this::off).min().orElseThrow();
      if (exact || !near(singles)) {
        return off(several) < nearest;
      }
      return fromTheDrawer(several)
          && !near(singles.stream().filter(Ranking::fromTheDrawer).toList());
    }

    /**
     * Combinations by their score, at most one of them among the first three, none before the
     * fourth where a near single is to be had; where there are too few singles to wait behind, they
     * follow those there are.
     */
    private static List<Substitute> merged(
        List<Substitute> singles, List<Substitute> combined, boolean near) {
      List<Substitute> all = new ArrayList<>(singles);
      int least = near ? 3 : 0;
      for (Substitute c : combined) {
        int at = Math.min(least, all.size());
        while (at < all.size() && all.get(at).score() <= c.score()) {
          at++;
        }
        all.add(at, c);
        least = Math.max(at + 1, 3);
      }
      return all;
    }

    Judged judged(StockPart s) {
      if (!(s.ware() instanceof CapacitorWare c) || kinds.isEmpty() || needed.isEmpty()) {
        return new Judged(
            Optional.empty(),
            Optional.of(
                Message.of(
                    kinds.isEmpty()
                        ? ReplaceWords.NO_KIND
                        : mains ? ReplaceWords.NO_MAINS : ReplaceWords.NO_RATING_MARKED)));
      }
      Optional<Message> no = refusal(s, c);
      return new Judged(
          no.isPresent()
              ? Optional.empty()
              : Optional.of(
                  new Substitute(new Combination.One(candidate(s)), List.of(s), points.of(s, c))),
          no);
    }

    private List<Substitute> singles() {
      Map<String, Substitute> byLike = new HashMap<>();
      for (StockPart s : q.stock()) {
        if (s.ware() instanceof CapacitorWare c) {
          Judged judged = judged(s);
          judged.refused().ifPresent(no -> refuse(no, s));
          judged
              .as()
              .ifPresent(
                  made -> byLike.merge(like(s, c), made, (a, b) -> a.score() <= b.score() ? a : b));
        }
      }
      Map<String, Integer> shown = new HashMap<>();
      return sorted(byLike.values().stream().toList()).stream()
          .filter(s ->
              fromTheDrawer(s)
                  || shown.merge(valueOf(s.parts().getFirst()), 1, Integer::sum) <= RATINGS)
          .toList();
    }

    private String valueOf(StockPart s) {
      CapacitorWare c = (CapacitorWare) s.ware();
      return q.knowledge().kind(c.kind()).family() + " " + Quantity.farads(c.farads());
    }

    private static List<Substitute> sorted(List<Substitute> all) {
      return all.stream()
          .sorted(
              Comparator.comparingDouble(Substitute::score).thenComparingDouble(Substitute::price))
          .toList();
    }

    /**
     * Parts of one family, value and rating are one proposal, except that those of the drawer stand
     * for themselves.
     */
    private String like(StockPart s, CapacitorWare c) {
      return s.whence() == Whence.DRAWER ? s.id() : valueOf(s) + " " + c.volts();
    }

    private Candidate candidate(StockPart s) {
      return s.candidate(q.knowledge().kind(((CapacitorWare) s.ware()).kind()));
    }

    private void refuse(Message why, StockPart s) {
      Refused r = refused.computeIfAbsent(why.key().key(), _ -> new Refused());
      r.count++;
      double distance = Math.abs(Math.log(s.value() / part.farads()));
      if (distance < r.distance) {
        r.distance = distance;
        r.why = why;
        r.nearest = s.title();
      }
    }

    // --- what must never be
    // --------------------------------------------------------------------------------------------

    private Optional<Message> refusal(StockPart s, CapacitorWare c) {
      if (mains) {
        return mainsRefusal(s, c);
      }
      if (!kinds.containsKey(c.kind()) || c.ratedForMains()) {
        return Optional.of(Message.of(ReplaceWords.SUB_NO_KIND));
      }
      CapacitorKind kind = q.knowledge().kind(c.kind());
      if (eitherWay() && kind.polarised()) {
        return Optional.of(Message.of(ReplaceWords.SUB_NO_POLAR));
      }
      return value(s).or(() -> rating(c, kind)).or(() -> ripple(c)).or(() -> tooHot(c));
    }

    /** Whether it must stand either way round. */
    private boolean eitherWay() {
      return part.polarity() == Polarity.NOT_POLARISED
          || (!old.polarised() && old.family() != Family.UNSTATED)
          || part.role() == Role.CROSSOVER
          || part.role() == Role.MOTOR;
    }

    private Optional<Message> value(StockPart s) {
      double v = s.value();
      if (Edge.within(v, window.least(), window.most())) {
        return Optional.empty();
      }
      boolean overCeiling =
          v > window.most() && q.ceiling().filter(k -> v > k.farads()).isPresent();
      return Optional.of(
          overCeiling
              ? Message.of(ReplaceWords.SUB_ABOVE_CEILING, q.ceiling().orElseThrow().why())
              : Message.of(
                  ReplaceWords.SUB_OUT_OF_WINDOW,
                  Quantity.farads(window.least()),
                  Quantity.farads(window.most()),
                  part.role().term()));
    }

    private Optional<Message> rating(CapacitorWare c, CapacitorKind kind) {
      double least = least(kind);
      if (Edge.atLeast(c.volts(), least)) {
        return Optional.empty();
      }
      if (least > needed.getAsDouble()) {
        return Optional.of(Message.of(ReplaceWords.SUB_NO_HEADROOM, Quantity.volts(least)));
      }
      Quantity asked = Quantity.volts(needed.getAsDouble());
      return Optional.of(
          q.demand()
              .hardest()
              .filter(s -> c.volts() < q.demand().leastRating())
              .map(s ->
                  Message.of(
                      ReplaceWords.SUB_RATING_TOO_LOW,
                      asked,
                      Quantity.volts(s.volts()),
                      s.when().term()))
              .orElseGet(
                  () -> Message.of(ReplaceWords.SUB_RATING_BELOW, asked, policy.voltage().term())));
    }

    /** The least rating of a part of this kind here. */
    private double least(CapacitorKind kind) {
      boolean twice =
          kind.family() == Family.TANTALUM && policy.tantalum() == Policy.Tantalum.TWICE_THE_RAIL;
      double rail = part.workingVolts().orElse(q.demand().steadyVolts().orElse(0));
      return twice
          ? Math.max(needed.getAsDouble(), Policy.TANTALUM_HEADROOM * rail)
          : needed.getAsDouble();
    }

    private Optional<Message> ripple(CapacitorWare c) {
      OptionalDouble need = q.demand().rippleAmperes();
      return need.isPresent()
              && c.rippleAmperes().isPresent()
              && c.rippleAmperes().getAsDouble() < need.getAsDouble()
          ? Optional.of(
              Message.of(ReplaceWords.SUB_RIPPLE_TOO_LOW, Quantity.amperes(need.getAsDouble())))
          : Optional.empty();
    }

    /** Never a lower temperature class than the old one's where it is hot. */
    private Optional<Message> tooHot(CapacitorWare c) {
      Optional<Place> place = q.job().of(part.ref(), Place.class).stream().findFirst();
      Optional<Body> body = q.job().of(part.ref(), Body.class).stream().findFirst();
      boolean hot = place.map(Warmth::kelvin).orElse(0.0) >= Warmth.HOT_KELVIN;
      boolean lower =
          body.isPresent()
              && body.get().celsius().isPresent()
              && c.celsius().isPresent()
              && c.celsius().getAsDouble() < body.get().celsius().getAsDouble();
      return hot && lower
          ? Optional.of(
              Message.of(
                  ReplaceWords.SUB_CLASS_TOO_LOW,
                  new Quantity(body.get().celsius().getAsDouble(), Unit.CELSIUS)))
          : Optional.empty();
    }

    private Optional<Message> mainsRefusal(StockPart s, CapacitorWare c) {
      boolean y = part.role() == Role.LINE_TO_CHASSIS;
      if (y ? !c.safety().lineToChassis() : !c.safety().acrossLine()) {
        return Optional.of(Message.of(y ? ReplaceWords.SUB_NO_Y : ReplaceWords.SUB_NO_X));
      }
      return value(s)
          .or(() ->
              Edge.atLeast(c.volts(), needed.getAsDouble())
                  ? Optional.empty()
                  : Optional.of(
                      Message.of(
                          ReplaceWords.SUB_MAINS_RATING, Quantity.volts(needed.getAsDouble()))));
    }

    // --- several together
    // ----------------------------------------------------------------------------------------------

    private List<Substitute> combined(List<Substitute> singles) {
      List<StockPart> leaves = leaves(singles.isEmpty());
      Map<String, StockPart> byId = new HashMap<>();
      List<Candidate> candidates = new ArrayList<>();
      for (StockPart s : leaves) {
        byId.put(s.id(), s);
        candidates.add(candidate(s));
      }
      CombinationSearch.Wanted wanted =
          new CombinationSearch.Wanted(
              part.farads(),
              window.least(),
              window.most(),
              leaves.stream()
                  .mapToDouble(s -> least(q.knowledge().kind(((CapacitorWare) s.ware()).kind())))
                  .max()
                  .orElse(needed.getAsDouble()),
              q.demand().rippleAmperes().orElse(0),
              eitherWay());
      List<Substitute> found =
          CombinationSearch.of(candidates, wanted, MOST_COMBINED).best().stream()
              .map(CombinationSearch.Found::combination)
              .filter(c -> c.members().size() > 1)
              .map(c ->
                  new Substitute(
                      c,
                      c.members().stream().map(m -> byId.get(m.id())).toList(),
                      points.of(c, byId)))
              .filter(s -> helps(s, singles))
              .toList();
      return sorted(found).stream().limit(SHOWN_COMBINED).toList();
    }

    /**
     * Parts that may be combined: all of the drawer that fit, each as often as it is there, and of
     * the catalogue the cheapest of each value, twice.
     *
     * @param series whether parts whose rating is too low alone are wanted for two in series
     */
    private List<StockPart> leaves(boolean series) {
      double least = needed.getAsDouble();
      List<StockPart> fit =
          q.stock().stream()
              .filter(s ->
                  s.ware() instanceof CapacitorWare c
                      && kinds.containsKey(c.kind())
                      && !c.ratedForMains()
                      && kinds.get(c.kind()) < 0.5
                      && c.volts() >= least / 3
                      && c.volts() <= 4 * least
                      && s.value() >= part.farads() / 20
                      && s.value() <= 4 * part.farads())
              .toList();
      List<StockPart> leaves = new ArrayList<>();
      for (StockPart s : fit) {
        if (s.whence() == Whence.DRAWER && leaves.size() < DRAWER) {
          for (int k = 0; k < Math.min(4, q.uses().free(s)); k++) {
            leaves.add(s);
          }
        }
      }
      Map<String, StockPart> cheapest = new LinkedHashMap<>();
      for (StockPart s : fit) {
        CapacitorWare c = (CapacitorWare) s.ware();
        // Of each value one whose rating is enough alone, and where nothing has that, one whose
        // rating is enough for two in series.
        boolean alone = c.volts() >= least;
        if (s.whence() == Whence.CATALOGUE && (alone || (series && c.volts() >= 0.6 * least))) {
          cheapest.merge(
              Quantity.farads(c.farads()) + " " + alone,
              s,
              (a, b) -> volts(a) + a.price().orElse(0) <= volts(b) + b.price().orElse(0) ? a : b);
        }
      }
      for (StockPart s : cheapest.values()) {
        if (leaves.size() + 2 <= LEAVES) {
          leaves.add(s);
          leaves.add(s);
        }
      }
      return leaves;
    }

    private static double volts(StockPart s) {
      return ((CapacitorWare) s.ware()).volts();
    }
  }
}
