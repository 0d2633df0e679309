package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;

import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.AgeingRule;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.supply.Knob.Which;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.trace.ModelValue.Origin;

/**
 * Takes each value of a supply from where it is best known: typed in the description, measured out of circuit, guessed by kind and age, as
 * marked, or assumed; and takes down which it was.
 */
final class KnownValues {
    private static final double LOW_HERTZ = 100;
    private static final double FAST_HERTZ = 10_000;
    /** Constant dissipation of the oxide of aluminium (from memory; see Dissipation and ESR in the method). */
    private static final double OXIDE_DISSIPATION = 0.04;
    private static final double LEAST_SHARE = 0.1;

    private final Job job;
    private final Knowledge knowledge;
    private final SupplyModel.View view;
    private final double years;
    private final List<ModelValue> taken = new ArrayList<>();
    private final List<Message> missing = new ArrayList<>();

    /** A value and its unit, for a section, of an element; the part of the census behind it where there is one. */
    record Wanted(String section, String element, Which which, Unit unit, Optional<PartRef> part) {
        static Wanted of(String section, String element, Which which) {
            return of(section, element, which, Optional.empty());
        }

        static Wanted of(String section, String element, Which which, Optional<PartRef> part) {
            return new Wanted(section, element, which, which.unit(), part);
        }
    }

    /** What is known of a value, the best first. */
    private record Sources(OptionalDouble typed, OptionalDouble measured, OptionalDouble guessed, OptionalDouble marked,
            double assumed) {
    }

    KnownValues(Job job, Knowledge knowledge, SupplyModel.View view, double years) {
        this.job = job;
        this.knowledge = knowledge;
        this.view = view;
        this.years = years;
    }

    List<ModelValue> taken() {
        return taken;
    }

    /** What keeps the supply from being worked out. */
    List<Message> missing() {
        return missing;
    }

    private double pick(Wanted of, Sources from) {
        Origin origin = from.typed.isPresent()
                ? Origin.TYPED
                : from.measured.isPresent()
                        ? Origin.MEASURED
                        : from.guessed.isPresent() ? Origin.GUESSED : from.marked.isPresent() ? Origin.MARKED : Origin.ASSUMED;
        double value = switch (origin) {
            case TYPED -> from.typed.getAsDouble();
            case MEASURED -> from.measured.getAsDouble();
            case GUESSED -> from.guessed.getAsDouble();
            case MARKED -> from.marked.getAsDouble();
            case ASSUMED -> from.assumed;
        };
        note(of, value, origin);
        return value;
    }

    /** Takes down a value that came from elsewhere. */
    void note(Wanted of, double value, Origin origin) {
        taken.add(new ModelValue(of.section, of.element, of.which, Quantity.of(value, of.unit), origin, of.part));
    }

    // --- capacitors ----------------------------------------------------------------------------------------------------------

    Optional<Section.Cap> cap(String section, String plain, Optional<PartRef> part, OptionalDouble farads) {
        return cap(section, plain, part, farads, OptionalDouble.empty(), OptionalDouble.empty());
    }

    /** A capacitor by its part, or by what is typed; none, with the reason, where it has neither. */
    Optional<Section.Cap> cap(String section, String plain, Optional<PartRef> ref, OptionalDouble farads, OptionalDouble esr,
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
        AgeingRule rule = knowledge.supply()
                .ageing(part.map(p -> knowledge.kind(p.kind()).family()).orElse(Family.UNSTATED));
        boolean now = view == SupplyModel.View.AS_IT_IS;
        double marked = part.map(Capacitor::farads).orElseGet(farads::getAsDouble);
        Optional<Derived> read = now ? ref.flatMap(this::newestCapacitance) : Optional.empty();
        boolean guess = now && part.isPresent() && read.isEmpty() && years > 0;
        double c = pick(Wanted.of(section, name, Which.CAPACITANCE, ref), new Sources(farads,
                read.map(Derived::seriesFarads).orElse(OptionalDouble.empty()),
                guessed(guess, marked * rule.capacitanceLeft(years)),
                part.isPresent() ? OptionalDouble.of(marked) : OptionalDouble.empty(), marked));
        double r = pick(Wanted.of(section, name, Which.SERIES_RESISTANCE, ref), new Sources(esr,
                read.map(Derived::esrOhms).orElse(OptionalDouble.empty()),
                guessed(guess, rule.esrOhms(marked) * rule.esrGrowth(years)), OptionalDouble.empty(), rule.esrOhms(marked)));
        double l = pick(Wanted.of(section, name, Which.LEAKAGE_RESISTANCE, ref), new Sources(leak,
                now ? ref.map(this::leakage).orElse(OptionalDouble.empty()) : OptionalDouble.empty(),
                guessed(guess, rule.leakLeft(years, marked)), OptionalDouble.empty(), rule.leakOhms(marked)));
        return Optional.of(new Section.Cap(name, c, r, l));
    }

    /**
     * The filter capacitor of a converter's output, with its series resistance at the switching frequency: typed, as read there, or what is
     * left of the one at mains frequencies without the losses of the oxide, which fall with the frequency.
     */
    Optional<Section.Cap> switching(SupplyOutput o, double hertz) {
        Optional<Section.Cap> low = cap(o.id(), "C-" + o.name(), o.capacitor(), o.farads());
        return low.map(c -> {
            Optional<Double> read = view == SupplyModel.View.AS_IT_IS ? o.capacitor().flatMap(this::readFast) : Optional.empty();
            double oxide = OXIDE_DISSIPATION / (2 * Math.PI * c.farads()) * (1 / LOW_HERTZ - 1 / hertz);
            double esr = o.esrOhms().isPresent()
                    ? o.esrOhms().getAsDouble()
                    : read.orElseGet(() -> Math.max(c.esrOhms() - oxide, LEAST_SHARE * c.esrOhms()));
            return new Section.Cap(c.part(), c.farads(), esr, c.leakOhms());
        });
    }

    /** Its newest series resistance that was read alone at a high frequency. */
    private Optional<Double> readFast(PartRef ref) {
        return job.readingsOf(ref).reversed().stream().filter(r -> r.conditions().connection().alone())
                .map(r -> Derived.of(r.figures(), r.conditions()))
                .filter(d -> d.esrOhms().isPresent() && d.hertz().orElse(0) >= FAST_HERTZ).map(d -> d.esrOhms().getAsDouble())
                .findFirst();
    }

    private static OptionalDouble guessed(boolean guess, double value) {
        return guess ? OptionalDouble.of(value) : OptionalDouble.empty();
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

    private Optional<Derived> newestCapacitance(PartRef ref) {
        return job.readingsOf(ref).reversed().stream()
                .filter(r -> r.conditions().connection().alone() && r.figures().has(Figure.CAPACITANCE))
                .map(r -> Derived.of(r.figures(), r.conditions())).filter(d -> d.seriesFarads().isPresent()).findFirst();
    }

    /** Leakage as a resistance, from a current at a stated voltage or from insulation. */
    private OptionalDouble leakage(PartRef ref) {
        for (Reading r : job.readingsOf(ref).reversed()) {
            boolean alone = r.conditions().connection().alone();
            if (alone && r.figures().has(Figure.LEAKAGE) && r.conditions().testVolts().isPresent()) {
                return OptionalDouble
                        .of(r.conditions().testVolts().getAsDouble() / r.figures().get(Figure.LEAKAGE).getAsDouble());
            }
            if (alone && r.figures().has(Figure.INSULATION)) {
                return r.figures().get(Figure.INSULATION);
            }
        }
        return OptionalDouble.empty();
    }

    // --- resistances and the rest -------------------------------------------------------------------------------------------

    /** A resistance of a part, without which nothing can be worked out. */
    double required(Wanted of, OptionalDouble typed) {
        double value = value(of, typed, KnownValues::ohms, Double.NaN);
        if (Double.isNaN(value)) {
            missing.add(Message.of(TraceWords.VALUE_MISSING, of.section, of.which.term()));
            return 1;
        }
        return value;
    }

    /** A value that is typed, or assumed. */
    double typedOr(Wanted of, OptionalDouble typed, double assumed) {
        return value(of, typed, _ -> OptionalDouble.empty(), assumed);
    }

    /** A resistance that is typed, measured or marked, or assumed. */
    double ohmsOr(Wanted of, OptionalDouble typed, double assumed) {
        return value(of, typed, KnownValues::ohms, assumed);
    }

    private static OptionalDouble ohms(Part part) {
        return switch (part) {
            case Resistor r -> OptionalDouble.of(r.ohms());
            case Potentiometer p -> OptionalDouble.of(p.ohms());
            case Winding w -> w.ohms();
            default -> OptionalDouble.empty();
        };
    }

    private double value(Wanted of, OptionalDouble typed, Function<Part, OptionalDouble> marked, double assumed) {
        Optional<Part> part = of.part.flatMap(job::part);
        if (of.part.isPresent() && part.isEmpty()) {
            missing.add(Message.of(TraceWords.NO_SUCH_PART, of.section, of.part.get().toString()));
        }
        OptionalDouble measured = view == SupplyModel.View.AS_IT_IS
                ? of.part.map(this::measuredOhms).orElse(OptionalDouble.empty())
                : OptionalDouble.empty();
        OptionalDouble known = part.map(marked).orElse(OptionalDouble.empty());
        if (typed.isEmpty() && measured.isEmpty() && known.isEmpty() && Double.isNaN(assumed)) {
            return assumed;
        }
        return pick(of, new Sources(typed, measured, OptionalDouble.empty(), known, assumed));
    }

    private OptionalDouble measuredOhms(PartRef ref) {
        return job.readingsOf(ref).reversed().stream()
                .filter(r -> r.conditions().connection().alone() && r.figures().has(Figure.RESISTANCE))
                .map(r -> r.figures().get(Figure.RESISTANCE)).findFirst().orElse(OptionalDouble.empty());
    }
}
