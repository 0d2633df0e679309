package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;

import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyNames;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Potentiometer;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reading.Derived;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.supply.Knob.Which;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.supply.ValveModel;
import org.yellowhearth.core.trace.ModelValue.Origin;

/**
 * The supply that a job describes, with a value and its origin for every parameter: typed, marked, measured, guessed by kind and age, or
 * assumed.
 *
 * @param supply what can be worked out; none while something is missing
 * @param points the points that sections name, in the order they come up
 * @param missing what keeps it from being worked out
 */
public record SupplyModel(Optional<Supply> supply, List<String> points, List<ModelValue> values, List<Message> missing) {
    public SupplyModel {
        points = List.copyOf(points);
        values = List.copyOf(values);
        missing = List.copyOf(missing);
    }

    /** Every point where a meter can be put: those that sections name, and those inside sections. */
    public List<String> readable() {
        return supply.map(s -> Stream.concat(points.stream(), s.innerPoints().stream()).toList()).orElse(points);
    }

    /** Which state of the set is worked out. */
    public enum View implements Coded {
        /** As it should be: every part as marked and sound, at nominal mains. */
        AS_DRAWN,
        /** As it is: parts as measured, or as parts of their age commonly are, at the mains that is there. */
        AS_IT_IS
    }

    /** The model of a job's supply. */
    public static SupplyModel of(Job job, Knowledge knowledge, View view, OptionalDouble ageYears) {
        return new Builder(job, knowledge, view, ageYears.orElse(0)).build();
    }

    private static final class Builder {
        private static final double USUAL_WINDING_OHMS = 100;
        private static final double USUAL_DROP_VOLTS = 20;
        private static final double USUAL_DROP_AMPERES = 0.1;
        private static final double USUAL_ARC_VOLTS = 15;
        private static final double USUAL_DROPOUT_VOLTS = 2;
        private static final double USUAL_OUT_OHMS = 0.05;
        private static final double USUAL_ZENER_OHMS = 20;
        private static final double PASS_OHMS = 0.5;
        private static final double KNEE_VOLTS = 20;

        private final Job job;
        private final Knowledge knowledge;
        private final View view;
        private final double years;
        private final SupplyNames names;
        private final List<ModelValue> values = new ArrayList<>();
        private final List<Message> missing = new ArrayList<>();
        private final List<String> points = new ArrayList<>();
        private final List<Section> sections = new ArrayList<>();

        Builder(Job job, Knowledge knowledge, View view, double years) {
            this.job = job;
            this.knowledge = knowledge;
            this.view = view;
            this.years = years;
            this.names = new SupplyNames(job.items(SupplySection.class));
        }

        SupplyModel build() {
            List<SupplySection> described = job.items(SupplySection.class);
            if (described.stream().noneMatch(s -> !(s instanceof SupplyMains))) {
                missing.add(Message.of(TraceWords.NOTHING_DESCRIBED));
                return new SupplyModel(Optional.empty(), points, values, missing);
            }
            described.forEach(this::section);
            Optional<SupplyMains> mains = described.stream().filter(SupplyMains.class::isInstance).map(SupplyMains.class::cast)
                    .findFirst();
            SetPlate.Mains plate = job.plate().mains().orElse(new SetPlate.Mains(230, 50));
            double nominal = mains.map(SupplyMains::nominalVolts).orElse(plate.volts());
            double hertz = mains.map(SupplyMains::hertz).orElse(plate.hertz() > 0 ? plate.hertz() : 50);
            double volts = view == View.AS_DRAWN ? nominal : mains.map(m -> m.volts().orElse(nominal)).orElse(nominal);
            double primary = mains.map(m -> m.primaryOhms().orElse(0)).orElse(0.0);
            Optional<Supply> supply = Optional.empty();
            if (missing.isEmpty()) {
                try {
                    supply = Optional.of(new Supply(new Supply.Mains(nominal, volts, hertz), primary, sections));
                } catch (BadCircuitException e) {
                    missing.add(Message.of(TraceWords.CANNOT_BE, e.where(), e.why()));
                }
            }
            return new SupplyModel(supply, points, values, missing);
        }

        private void section(SupplySection s) {
            switch (s) {
                case SupplyMains _ -> {
                }
                case SupplyWinding w -> sections.add(new Section.Winding(w.name(), w.volts(),
                        value(w.id(), w.name(), Which.WINDING_RESISTANCE, w.ohms(), w.part(), this::ohms, USUAL_WINDING_OHMS),
                        w.tapped()));
                case SupplyRectifier r -> rectifier(r);
                case SupplyFilter f -> filter(f);
                case SupplyLoad l -> {
                    point(l.at());
                    sections.add(new Section.Load(l.name(), l.at(), switch (l.kind()) {
                        case RESISTANCE -> Section.Load.Kind.RESISTANCE;
                        case CURRENT -> Section.Load.Kind.CURRENT;
                        case POWER -> Section.Load.Kind.POWER;
                    }, l.value()));
                }
                case SupplyStage v -> stage(v);
                case SupplyRegulator r -> regulator(r);
            }
        }

        private void point(String name) {
            if (!name.equals(SupplySection.CHASSIS) && !points.contains(name)) {
                points.add(name);
            }
        }

        private void rectifier(SupplyRectifier r) {
            point(r.to());
            point(r.common());
            RectifierModel model = model(r);
            if (r.scheme().doubles()) {
                Optional<Section.Cap> first = cap(r.id(), names.first(r), r.first(), r.firstFarads(), OptionalDouble.empty(),
                        OptionalDouble.empty());
                Optional<Section.Cap> second = cap(r.id(), names.shunt(r), r.second(), r.secondFarads(), OptionalDouble.empty(),
                        OptionalDouble.empty());
                if (first.isPresent() && second.isPresent()) {
                    sections.add(new Section.Doubler(r.name(), r.winding(), r.scheme() == SupplyRectifier.Scheme.CASCADE_DOUBLER,
                            model,
                            r.to(), first.get(), second.get()));
                }
                return;
            }
            Section.Scheme scheme = switch (r.scheme()) {
                case HALF_WAVE -> Section.Scheme.HALF_WAVE;
                case FULL_WAVE -> Section.Scheme.FULL_WAVE;
                case BRIDGE, FULL_WAVE_DOUBLER, CASCADE_DOUBLER -> Section.Scheme.BRIDGE;
            };
            List<Double> legs = r.legs().isEmpty() || view == View.AS_DRAWN
                    ? Section.Rectify.whole(scheme)
                    : r.legs().stream().map(SupplyRectifier.Leg::share).toList();
            sections.add(new Section.Rectify(r.name(), r.winding(), scheme, model, r.negative(), r.to(), r.common(), legs));
        }

        private RectifierModel model(SupplyRectifier r) {
            SupplyRectifier.Make make = r.make() == SupplyRectifier.Make.UNSTATED
                    ? r.part().flatMap(job::part).map(Builder::make)
                            .orElse(SupplyRectifier.Make.SILICON)
                    : r.make();
            int plates = r.plates().orElse(r.part().flatMap(job::part).filter(Rectifier.class::isInstance)
                    .map(p -> ((Rectifier) p).plates().orElse(1)).orElse(1));
            double age = view == View.AS_DRAWN ? 0 : years;
            return switch (make) {
                case UNSTATED, SILICON -> RectifierModel.silicon();
                case GERMANIUM -> RectifierModel.germanium();
                case SELENIUM -> RectifierModel.selenium(plates, age);
                case COPPER_OXIDE -> RectifierModel.copperOxide(plates);
                case GAS -> RectifierModel.gas(
                        value(r.id(), r.name(), Which.DROP, r.dropVolts(), Optional.empty(), _ -> OptionalDouble.empty(),
                                USUAL_ARC_VOLTS));
                case VACUUM -> RectifierModel.vacuum(
                        value(r.id(), r.name(), Which.DROP, r.dropVolts(), Optional.empty(), _ -> OptionalDouble.empty(),
                                USUAL_DROP_VOLTS),
                        r.dropAmperes().orElse(USUAL_DROP_AMPERES));
            };
        }

        private static SupplyRectifier.Make make(Part part) {
            return switch (part) {
                case Valve _ -> SupplyRectifier.Make.VACUUM;
                case Rectifier r -> switch (r.make()) {
                    case UNSTATED, SILICON -> SupplyRectifier.Make.SILICON;
                    case GERMANIUM -> SupplyRectifier.Make.GERMANIUM;
                    case SELENIUM -> SupplyRectifier.Make.SELENIUM;
                    case COPPER_OXIDE -> SupplyRectifier.Make.COPPER_OXIDE;
                };
                default -> SupplyRectifier.Make.SILICON;
            };
        }

        private void filter(SupplyFilter f) {
            point(f.from());
            point(f.to());
            point(f.against());
            Section.Way way;
            if (f.from().equals(f.to())) {
                way = new Section.Way.Wire();
            } else {
                String name = names.through(f);
                OptionalDouble henries = f.henries().isPresent()
                        ? f.henries()
                        : f.through().flatMap(job::part)
                                .filter(Winding.class::isInstance).map(p -> ((Winding) p).henries())
                                .orElse(OptionalDouble.empty());
                double ohms = required(f.id(), name, henries.isPresent() ? Which.WINDING_RESISTANCE : Which.RESISTANCE, f.ohms(),
                        f.through(), this::ohms);
                if (henries.isPresent()) {
                    values.add(new ModelValue(f.id(), name, Which.INDUCTANCE, Quantity.of(henries.getAsDouble(), Unit.HENRY),
                            f.henries().isPresent() ? Origin.TYPED : Origin.MARKED, f.through()));
                    way = Section.Way.Choke.of(name, henries.getAsDouble(), ohms);
                } else {
                    way = new Section.Way.Resistor(name, ohms);
                }
            }
            boolean capacitor = f.shunt().isPresent() || f.farads().isPresent();
            Optional<Section.Cap> shunt = capacitor
                    ? cap(f.id(), names.shunt(f), f.shunt(), f.farads(), f.esrOhms(), f.leakOhms())
                    : Optional.empty();
            if (capacitor && shunt.isEmpty()) {
                return;
            }
            sections.add(new Section.Filter(f.id(), f.from(), way, f.to(), shunt, f.against()));
        }

        private void stage(SupplyStage v) {
            point(v.at());
            point(v.gridPoint());
            ValveModel valve = ValveModel.through(v.amperes(), v.gridVolts(), v.volts(), v.mu(),
                    v.screenShare().isPresent() ? 1 - v.screenShare().getAsDouble() : 1, KNEE_VOLTS);
            Optional<Section.Cap> bypass = v.cathodeCap().flatMap(c -> cap(v.id(), "", Optional.of(c)));
            Optional<Section.Stage.Decoupled> screen = v.screenOhms() > 0
                    ? Optional.of(new Section.Stage.Decoupled(v.screenOhms(),
                            v.screenCap().flatMap(c -> cap(v.id(), "", Optional.of(c)))))
                    : Optional.empty();
            sections.add(new Section.Stage(v.name(), v.at(), valve, v.anodeOhms(), screen, v.cathodeOhms(), bypass, v.gridOhms(),
                    v.gridPoint()));
        }

        private void regulator(SupplyRegulator r) {
            point(r.from());
            point(r.to());
            if (r.kind() == SupplyRegulator.Kind.SHUNT) {
                sections.add(new Section.Stabilise(r.name(), r.to(), r.volts(),
                        value(r.id(), r.name(), Which.OUTPUT_RESISTANCE, r.outOhms(),
                                Optional.empty(), _ -> OptionalDouble.empty(), USUAL_ZENER_OHMS),
                        r.negative()));
                return;
            }
            double dropout = value(r.id(), r.name(), Which.DROPOUT, r.dropoutVolts(), Optional.empty(),
                    _ -> OptionalDouble.empty(),
                    USUAL_DROPOUT_VOLTS);
            double out = value(r.id(), r.name(), Which.OUTPUT_RESISTANCE, r.outOhms(), Optional.empty(),
                    _ -> OptionalDouble.empty(),
                    USUAL_OUT_OHMS);
            Optional<Section.Regulate.Tracked> tracked = r.tracks().isEmpty()
                    ? Optional.empty()
                    : Optional.of(new Section.Regulate.Tracked(r.tracks(),
                            r.tracksVolts().orElse(r.negative() ? r.volts() : -r.volts())));
            sections.add(
                    new Section.Regulate(r.name(), r.from(), r.to(), r.negative(), r.volts(), dropout, out, PASS_OHMS, tracked));
        }

        // --- values ---------------------------------------------------------------------------------------------------------

        private Optional<Section.Cap> cap(String section, String plain, Optional<PartRef> part) {
            return cap(section, plain, part, OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty());
        }

        private Optional<Section.Cap> cap(String section, String plain, Optional<PartRef> ref, OptionalDouble farads,
                OptionalDouble esr, OptionalDouble leak) {
            Optional<Capacitor> part = capacitor(section, ref);
            if (ref.isPresent() && part.isEmpty()) {
                return Optional.empty();
            }
            if (farads.isEmpty() && part.isEmpty()) {
                missing.add(Message.of(TraceWords.VALUE_MISSING, section, Which.CAPACITANCE.term()));
                return Optional.empty();
            }
            String name = ref.map(PartRef::toString).orElse(plain);
            Family family = part.map(p -> knowledge.kind(p.kind()).family()).orElse(Family.UNSTATED);
            boolean now = view == View.AS_IT_IS;
            double marked = part.map(Capacitor::farads).orElseGet(farads::getAsDouble);
            Optional<Derived> read = now ? ref.flatMap(this::newestCapacitance) : Optional.empty();
            boolean guess = now && part.isPresent() && read.isEmpty() && years > 0;
            double c = pick(section, name, Which.CAPACITANCE, Unit.FARAD, ref, farads,
                    read.map(Derived::seriesFarads).orElse(OptionalDouble.empty()),
                    guess ? OptionalDouble.of(marked * Sound.capacitanceLeft(family, years)) : OptionalDouble.empty(),
                    part.isPresent() ? OptionalDouble.of(marked) : OptionalDouble.empty(), marked);
            double r = pick(section, name, Which.SERIES_RESISTANCE, Unit.OHM, ref, esr,
                    read.map(Derived::esrOhms).orElse(OptionalDouble.empty()),
                    guess
                            ? OptionalDouble.of(Sound.esrOhms(family, marked) * Sound.esrGrowth(family, years))
                            : OptionalDouble.empty(),
                    OptionalDouble.empty(), Sound.esrOhms(family, marked));
            double l = pick(section, name, Which.LEAKAGE_RESISTANCE, Unit.OHM, ref, leak,
                    now ? ref.map(this::leakage).orElse(OptionalDouble.empty()) : OptionalDouble.empty(),
                    guess ? OptionalDouble.of(Sound.leakLeft(family, years, marked)) : OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    Sound.leakOhms(family, marked));
            return Optional.of(new Section.Cap(name, c, r, l));
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

        /** The first that is there, by its origin. */
        private double pick(String section, String element, Which which, Unit unit, Optional<PartRef> part, OptionalDouble typed,
                OptionalDouble measured, OptionalDouble guessed, OptionalDouble marked, double assumed) {
            Origin origin = typed.isPresent()
                    ? Origin.TYPED
                    : measured.isPresent()
                            ? Origin.MEASURED
                            : guessed.isPresent() ? Origin.GUESSED : marked.isPresent() ? Origin.MARKED : Origin.ASSUMED;
            double value = switch (origin) {
                case TYPED -> typed.getAsDouble();
                case MEASURED -> measured.getAsDouble();
                case GUESSED -> guessed.getAsDouble();
                case MARKED -> marked.getAsDouble();
                case ASSUMED -> assumed;
            };
            values.add(new ModelValue(section, element, which, Quantity.of(value, unit), origin, part));
            return value;
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

        private OptionalDouble ohms(Part part) {
            return switch (part) {
                case Resistor r -> OptionalDouble.of(r.ohms());
                case Potentiometer p -> OptionalDouble.of(p.ohms());
                case Winding w -> w.ohms();
                default -> OptionalDouble.empty();
            };
        }

        private double required(String section, String element, Which which, OptionalDouble typed, Optional<PartRef> ref,
                Function<Part, OptionalDouble> marked) {
            double value = value(section, element, which, typed, ref, marked, Double.NaN);
            if (Double.isNaN(value)) {
                missing.add(Message.of(TraceWords.VALUE_MISSING, section, which.term()));
                return 1;
            }
            return value;
        }

        private double value(String section, String element, Which which, OptionalDouble typed, Optional<PartRef> ref,
                Function<Part, OptionalDouble> marked, double assumed) {
            Optional<Part> part = ref.flatMap(job::part);
            if (ref.isPresent() && part.isEmpty()) {
                missing.add(Message.of(TraceWords.NO_SUCH_PART, section, ref.get().toString()));
            }
            OptionalDouble measured = view == View.AS_IT_IS
                    ? ref.map(this::measuredOhms).orElse(OptionalDouble.empty())
                    : OptionalDouble.empty();
            OptionalDouble known = part.map(marked).orElse(OptionalDouble.empty());
            Unit unit = which == Which.DROP || which == Which.DROPOUT ? Unit.VOLT : Unit.OHM;
            if (typed.isEmpty() && measured.isEmpty() && known.isEmpty() && Double.isNaN(assumed)) {
                return assumed;
            }
            return pick(section, element, which, unit, ref, typed, measured, OptionalDouble.empty(), known, assumed);
        }

        private OptionalDouble measuredOhms(PartRef ref) {
            return job.readingsOf(ref).reversed().stream()
                    .filter(r -> r.conditions().connection().alone() && r.figures().has(Figure.RESISTANCE))
                    .map(r -> r.figures().get(Figure.RESISTANCE)).findFirst().orElse(OptionalDouble.empty());
        }
    }
}
