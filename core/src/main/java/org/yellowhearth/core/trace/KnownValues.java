package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.belief.Believed;
import org.yellowhearth.core.belief.Origin;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.AgeingRule;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.supply.Section;

/**
 * Takes each value of a supply from where it is best known: typed in the description, measured out
 * of circuit, guessed by kind and age, as marked, or assumed; and takes down which it was.
 */
final class KnownValues {
  private static final double LOW_HERTZ = 100;
  private static final double FAST_HERTZ = 10_000;

  /**
   * Constant dissipation of the oxide of aluminium (from memory; see Dissipation and ESR in the
   * method).
   */
  private static final double OXIDE_DISSIPATION = 0.04;

  private static final double LEAST_SHARE = 0.1;

  private final Job job;
  private final Knowledge knowledge;
  private final SupplyModel.View view;
  private final Function<Part, Belief> now;
  private final List<ModelValue> taken = new ArrayList<>();
  private final List<Message> missing = new ArrayList<>();

  /**
   * A value and its unit, for a section, of an element; the part of the census behind it where
   * there is one.
   */
  record Wanted(String section, String element, Which which, Unit unit, Optional<PartRef> part) {
    static Wanted of(String section, String element, Which which) {
      return of(section, element, which, Optional.empty());
    }

    static Wanted of(String section, String element, Which which, Optional<PartRef> part) {
      return new Wanted(section, element, which, which.unit(), part);
    }
  }

  /**
   * Values for a model.
   *
   * @param now what a part is believed to be
   */
  KnownValues(Job job, Knowledge knowledge, SupplyModel.View view, Function<Part, Belief> now) {
    this.job = job;
    this.knowledge = knowledge;
    this.view = view;
    this.now = now;
  }

  List<ModelValue> taken() {
    return taken;
  }

  /** What keeps the supply from being worked out. */
  List<Message> missing() {
    return missing;
  }

  /** The typed value, else what is believed, else what is assumed. */
  private double pick(
      Wanted of, OptionalDouble typed, Optional<Believed> believed, double assumed) {
    double value = typed.orElseGet(() -> believed.map(Believed::value).orElse(assumed));
    if (typed.isPresent()) {
      note(of, value, Origin.TYPED);
    } else {
      note(
          of,
          value,
          believed.map(Believed::origin).orElse(Origin.ASSUMED),
          believed.map(Believed::spread).orElse(0.0));
    }
    return value;
  }

  /** Takes down a value that came from elsewhere. */
  void note(Wanted of, double value, Origin origin) {
    note(of, value, origin, 0);
  }

  private void note(Wanted of, double value, Origin origin, double spread) {
    taken.add(
        new ModelValue(
            of.section,
            of.element,
            of.which,
            Quantity.of(value, of.unit),
            origin,
            spread,
            of.part));
  }

  // --- capacitors
  // ----------------------------------------------------------------------------------------------------------

  Optional<Section.Cap> cap(
      String section, String plain, Optional<PartRef> part, OptionalDouble farads) {
    return cap(section, plain, part, farads, OptionalDouble.empty(), OptionalDouble.empty());
  }

  /** A capacitor by its part, or by what is typed; none, with the reason, where it has neither. */
  Optional<Section.Cap> cap(
      String section,
      String plain,
      Optional<PartRef> ref,
      OptionalDouble farads,
      OptionalDouble esr,
      OptionalDouble leak) {
    Optional<Capacitor> part = capacitor(section, ref);
    if (ref.isPresent() && part.isEmpty()) {
      return Optional.empty();
    }
    if (farads.isEmpty() && part.isEmpty()) {
      missing.add(Message.of(TraceWords.VALUE_MISSING, section, Which.CAPACITANCE.term()));
      return Optional.empty();
    }
    String name = ref.map(PartRef::toString).orElse(plain);
    Optional<Belief> belief = part.map(this::belief);
    AgeingRule unstated = knowledge.supply().ageing(Family.UNSTATED);
    double size = farads.orElse(0);
    double c =
        pick(
            Wanted.of(section, name, Which.CAPACITANCE, ref),
            farads,
            of(belief, Which.CAPACITANCE),
            size);
    double r =
        pick(
            Wanted.of(section, name, Which.SERIES_RESISTANCE, ref),
            esr,
            of(belief, Which.SERIES_RESISTANCE),
            unstated.esrOhms(size));
    double l =
        pick(
            Wanted.of(section, name, Which.LEAKAGE_RESISTANCE, ref),
            leak,
            of(belief, Which.LEAKAGE_RESISTANCE),
            unstated.leakOhms(size));
    return Optional.of(new Section.Cap(name, c, r, l));
  }

  private Belief belief(Part part) {
    return view == SupplyModel.View.AS_IT_IS ? now.apply(part) : Belief.asMarked(part, knowledge);
  }

  private static Optional<Believed> of(Optional<Belief> belief, Which which) {
    return belief.flatMap(b -> b.of(which));
  }

  /**
   * The filter capacitor of a converter's output, with its series resistance at the switching
   * frequency: typed, as read there, or what is left of the one at mains frequencies without the
   * losses of the oxide, which fall with the frequency.
   */
  Optional<Section.Cap> switching(SupplyOutput o, double hertz) {
    Optional<Section.Cap> low = cap(o.id(), "C-" + o.name(), o.capacitor(), o.farads());
    return low.map(c -> {
      Optional<Double> read =
          view == SupplyModel.View.AS_IT_IS
              ? o.capacitor().flatMap(this::readFast)
              : Optional.empty();
      double oxide = OXIDE_DISSIPATION / (2 * Math.PI * c.farads()) * (1 / LOW_HERTZ - 1 / hertz);
      double esr =
          o.esrOhms().isPresent()
              ? o.esrOhms().getAsDouble()
              : read.orElseGet(() -> Math.max(c.esrOhms() - oxide, LEAST_SHARE * c.esrOhms()));
      return new Section.Cap(c.part(), c.farads(), esr, c.leakOhms());
    });
  }

  /** Its newest series resistance that was read alone at a high frequency. */
  private Optional<Double> readFast(PartRef ref) {
    return job.readingsOf(ref).reversed().stream()
        .filter(r -> r.conditions().connection().alone())
        .map(r -> Derived.of(r.figures(), r.conditions()))
        .filter(d -> d.esrOhms().isPresent() && d.hertz().orElse(0) >= FAST_HERTZ)
        .map(d -> d.esrOhms().getAsDouble())
        .findFirst();
  }

  private Optional<Capacitor> capacitor(String section, Optional<PartRef> ref) {
    if (ref.isEmpty()) {
      return Optional.empty();
    }
    Optional<Part> part = job.part(ref.get());
    if (part.isEmpty()) {
      missing.add(Message.of(TraceWords.NO_SUCH_PART, section, ref.get().toString()));
    } else if (!(part.get() instanceof Capacitor)) {
      missing.add(Message.of(TraceWords.WRONG_SORT, section, ref.get().toString()));
    }
    return part.filter(Capacitor.class::isInstance).map(Capacitor.class::cast);
  }

  // --- resistances and the rest
  // -------------------------------------------------------------------------------------------

  /** A resistance of a part, without which nothing can be worked out. */
  double required(Wanted of, OptionalDouble typed) {
    Optional<Believed> believed = resistance(of);
    if (typed.isEmpty() && believed.isEmpty()) {
      missing.add(Message.of(TraceWords.VALUE_MISSING, of.section, of.which.term()));
      return 1;
    }
    return pick(of, typed, believed, 1);
  }

  /**
   * A value that is typed, or assumed; what is read of a part counts, what is marked on it is of
   * something else.
   */
  double typedOr(Wanted of, OptionalDouble typed, double assumed) {
    return pick(of, typed, resistance(of).filter(b -> b.origin() == Origin.MEASURED), assumed);
  }

  /** A resistance that is typed, measured or marked, or assumed. */
  double ohmsOr(Wanted of, OptionalDouble typed, double assumed) {
    return pick(of, typed, resistance(of), assumed);
  }

  private Optional<Believed> resistance(Wanted of) {
    Optional<Part> part = of.part.flatMap(job::part);
    if (of.part.isPresent() && part.isEmpty()) {
      missing.add(Message.of(TraceWords.NO_SUCH_PART, of.section, of.part.get().toString()));
    }
    return part.map(this::belief).flatMap(b -> b.of(Which.RESISTANCE));
  }
}
