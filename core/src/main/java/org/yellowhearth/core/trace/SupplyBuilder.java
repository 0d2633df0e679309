package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.belief.Origin;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyNames;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.fact.SupplyValue;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.SupplyRules;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.supply.Primary;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.supply.ValveModel;
import org.yellowhearth.core.trace.KnownValues.Wanted;
import org.yellowhearth.core.trace.SupplyModel.View;

/** Puts the described sections of a job together into a supply. */
final class SupplyBuilder {
  private static final double USUAL_WINDING_OHMS = 100;
  private static final double USUAL_OUT_OHMS = 0.05;
  private static final double USUAL_ZENER_OHMS = 20;
  private static final double PASS_OHMS = 0.5;

  /**
   * A usual three-terminal regulator gives 1.5 to 2.2 A at the most (data sheets, from memory); one
   * for more is made for some three times what it feeds (our own step). Fold-back is not modelled.
   */
  private static final double USUAL_LIMIT_AMPERES = 1.5;

  private static final double LIMIT_TIMES = 3;
  private static final double KNEE_VOLTS = 20;

  private final Job job;
  private final Knowledge knowledge;
  private final View view;
  private final double years;
  private final SupplyNames names;
  private final KnownValues known;
  private final List<Message> notes = new ArrayList<>();
  private final List<String> points = new ArrayList<>();
  private final List<Section> sections = new ArrayList<>();
  private final Map<String, SupplyRules.Cathode> cathodes = new HashMap<>();
  private final Map<String, SupplyModel.Rating> ratings = new HashMap<>();

  /** The sections that elements belong to, by the name of the element. */
  private final Map<String, String> sectionOf = new HashMap<>();

  SupplyBuilder(Job job, Knowledge knowledge, View view, double years, Function<Part, Belief> now) {
    this.job = job;
    this.knowledge = knowledge;
    this.view = view;
    this.years = years;
    this.names = new SupplyNames(job.items(SupplySection.class));
    this.known = new KnownValues(job, knowledge, view, now);
  }

  SupplyModel build() {
    List<SupplySection> described = job.items(SupplySection.class);
    if (described.stream().noneMatch(s -> !(s instanceof SupplyMains))) {
      known.missing().add(Message.of(TraceWords.NOTHING_DESCRIBED));
      return model(Optional.empty());
    }
    Optional<Supply> supply = Optional.empty();
    try {
      described.forEach(this::section);
      if (known.missing().isEmpty()) {
        supply = Optional.of(typed(new Supply(mains(), primary(), sections)));
      }
    } catch (BadCircuitException e) {
      known.missing().add(Message.of(TraceWords.CANNOT_BE, e.where(), e.why()));
    }
    return model(supply);
  }

  private SupplyModel model(Optional<Supply> supply) {
    return new SupplyModel(
        supply, points, known.taken(), cathodes, ratings, known.missing(), notes);
  }

  // --- the mains
  // -----------------------------------------------------------------------------------------------------------

  private Optional<SupplyMains> described() {
    return job.items(SupplyMains.class).stream().findFirst();
  }

  private Supply.Mains mains() {
    SetPlate.Mains plate = job.plate().mains().orElse(new SetPlate.Mains(230, 50));
    double nominal = described().map(SupplyMains::nominalVolts).orElse(plate.volts());
    double hertz =
        described().map(SupplyMains::hertz).orElse(plate.hertz() > 0 ? plate.hertz() : 50);
    double volts =
        view == View.AS_DRAWN
            ? nominal
            : described().map(m -> m.volts().orElse(nominal)).orElse(nominal);
    return new Supply.Mains(nominal, volts, hertz);
  }

  /** A series lamp is there while the set is on trial, not on the drawing. */
  private Primary primary() {
    return described()
        .map(m -> {
          sectionOf.put(Parameter.MAINS, m.id());
          Optional<Lamp> lamp =
              view == View.AS_IT_IS && m.lampWatts().isPresent()
                  ? Optional.of(
                      Lamp.cold(
                          m.lampWatts().getAsDouble(), m.lampVolts().orElse(m.nominalVolts())))
                  : Optional.empty();
          return new Primary(m.primaryOhms().orElse(0), m.otherWatts().orElse(0), lamp);
        })
        .orElse(Primary.NONE);
  }

  // --- values that a person typed for the model
  // ------------------------------------------------------------------------------

  /**
   * The supply with the typed values in it. A value of a part of the census, or of what wears, is
   * how it is, not how it was drawn. What no element has is noted.
   */
  private Supply typed(Supply supply) {
    Map<Parameter, Double> now = Parameter.all(supply);
    constants(now);
    Map<Parameter, Double> put = new LinkedHashMap<>();
    for (SupplyValue v : job.items(SupplyValue.class)) {
      Optional<Parameter> knob =
          now.keySet().stream()
              .filter(k -> k.element().equals(v.element()) && k.which().code().equals(v.which()))
              .findFirst();
      if (knob.isEmpty()) {
        notes.add(Message.of(TraceWords.VALUE_UNUSED, v.element(), v.which()));
      } else if (view == View.AS_IT_IS || !wears(knob.get())) {
        put.put(knob.get(), v.value());
      }
    }
    put.forEach(this::replace);
    return put.isEmpty() ? supply : supply.tuned((knob, is) -> put.getOrDefault(knob, is));
  }

  private boolean wears(Parameter knob) {
    return knob.which() == Which.CONDUCTANCE
        || knob.which() == Which.EMISSION
        || known.taken().stream().anyMatch(v -> v.of(knob) && v.part().isPresent());
  }

  private void replace(Parameter knob, double value) {
    Optional<ModelValue> before = known.taken().stream().filter(v -> v.of(knob)).findFirst();
    before.ifPresent(known.taken()::remove);
    known.note(
        new Wanted(
            before.map(ModelValue::section).orElseGet(() -> section(knob)),
            knob.element(),
            knob.which(),
            before.map(v -> v.value().unit()).orElse(knob.which().unit()),
            before.flatMap(ModelValue::part)),
        value,
        Origin.TYPED);
  }

  private String section(Parameter knob) {
    return sectionOf.getOrDefault(Parameter.whole(knob.element(), sectionOf.keySet()), "");
  }

  /** What the model takes for granted can be seen as well, and typed. */
  private void constants(Map<Parameter, Double> all) {
    all.forEach((knob, value) -> {
      boolean constant =
          switch (knob.which()) {
            case SATURATION_CURRENT,
                EMISSION_COEFFICIENT,
                JUNCTION_RESISTANCE,
                KNEE,
                START_VOLTS,
                CORE_QUALITY,
                PASS_RESISTANCE ->
                true;
            default -> false;
          };
      if (constant && known.taken().stream().noneMatch(v -> v.of(knob))) {
        known.note(Wanted.of(section(knob), knob.element(), knob.which()), value, Origin.ASSUMED);
      }
    });
  }

  // --- sections
  // ------------------------------------------------------------------------------------------------------------

  private void section(SupplySection s) {
    switch (s) {
      case SupplyMains _, SupplyOutput _ -> {}
      case SupplyWinding w ->
          sections.add(
              new Section.Winding(
                  w.name(),
                  w.volts(),
                  known.ohmsOr(
                      Wanted.of(w.id(), w.name(), Which.WINDING_RESISTANCE, w.part()),
                      w.ohms(),
                      USUAL_WINDING_OHMS),
                  w.tapped()));
      case SupplyRectifier r -> rectifier(r);
      case SupplyFilter f -> filter(f);
      case SupplyLoad l -> {
        point(l.at());
        sections.add(
            new Section.Load(
                l.name(),
                l.at(),
                switch (l.kind()) {
                  case RESISTANCE -> Section.Load.Kind.RESISTANCE;
                  case CURRENT -> Section.Load.Kind.CURRENT;
                  case POWER -> Section.Load.Kind.POWER;
                },
                l.value()));
      }
      case SupplyStage v -> stage(v);
      case SupplyRegulator r -> regulator(r);
      case SupplyConverter c -> converter(c);
    }
    sectionOf.putIfAbsent(s.title(), s.id());
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
      Optional<Section.Cap> first = known.cap(r.id(), names.first(r), r.first(), r.firstFarads());
      Optional<Section.Cap> second =
          known.cap(r.id(), names.shunt(r), r.second(), r.secondFarads());
      if (first.isPresent() && second.isPresent()) {
        sections.add(
            new Section.Doubler(
                r.name(),
                r.winding(),
                r.scheme() == SupplyRectifier.Scheme.CASCADE_DOUBLER,
                model,
                r.negative(),
                r.to(),
                r.common(),
                first.get(),
                second.get(),
                legs(r, Section.Doubler.WHOLE)));
      }
      return;
    }
    Section.Scheme scheme =
        switch (r.scheme()) {
          case HALF_WAVE -> Section.Scheme.HALF_WAVE;
          case FULL_WAVE -> Section.Scheme.FULL_WAVE;
          case BRIDGE, FULL_WAVE_DOUBLER, CASCADE_DOUBLER -> Section.Scheme.BRIDGE;
        };
    sections.add(
        new Section.Rectify(
            r.name(),
            r.winding(),
            scheme,
            model,
            r.negative(),
            r.to(),
            r.common(),
            legs(r, Section.Rectify.whole(scheme))));
  }

  private List<Double> legs(SupplyRectifier r, List<Double> whole) {
    return r.legs().isEmpty() || view == View.AS_DRAWN
        ? whole
        : r.legs().stream().map(SupplyRectifier.Leg::share).toList();
  }

  private RectifierModel model(SupplyRectifier r) {
    RectifierTechnology technology =
        r.make() == RectifierTechnology.UNSTATED
            ? r.part()
                .flatMap(job::part)
                .map(SupplyBuilder::technology)
                .orElse(RectifierTechnology.UNSTATED)
            : r.make();
    if (technology.heated()) {
      cathodes.put(r.name(), knowledge.supply().cathode(r.heating(), true));
    }
    r.ratedAmperes()
        .ifPresent(rated ->
            knowledge
                .supply()
                .rectifier(silicon(technology))
                .ifPresent(c ->
                    ratings.put(
                        r.name(),
                        new SupplyModel.Rating(
                            rated,
                            rated * c.peakTimes(),
                            r.surgeAmperes().orElse(rated * c.surgeTimes()),
                            c.surgeSeconds(),
                            c.source()))));
    int plates =
        r.plates()
            .orElse(
                r.part()
                    .flatMap(job::part)
                    .filter(Rectifier.class::isInstance)
                    .map(p -> ((Rectifier) p).plates().orElse(1))
                    .orElse(1));
    double age = view == View.AS_DRAWN ? 0 : years;
    Wanted drop = Wanted.of(r.id(), r.name(), Which.DROP);
    return switch (technology.law()) {
      case RectifierTechnology.Stack _ -> RectifierModel.of(technology, plates, age);
      case RectifierTechnology.Arc a ->
          RectifierModel.arc(technology, a, known.typedOr(drop, r.dropVolts(), a.usualVolts()));
      case RectifierTechnology.Vacuum v ->
          RectifierModel.vacuum(
              known.typedOr(drop, r.dropVolts(), v.usualVolts()),
              r.dropAmperes().orElse(v.usualAmperes()));
    };
  }

  private static RectifierTechnology technology(Part part) {
    return switch (part) {
      case Valve _ -> RectifierTechnology.VACUUM;
      case Rectifier r -> r.make();
      default -> RectifierTechnology.UNSTATED;
    };
  }

  /** What nobody has stated is taken for silicon. */
  private static RectifierTechnology silicon(RectifierTechnology technology) {
    return technology == RectifierTechnology.UNSTATED ? RectifierTechnology.SILICON : technology;
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
      OptionalDouble henries =
          f.henries().isPresent()
              ? f.henries()
              : f.through()
                  .flatMap(job::part)
                  .filter(Winding.class::isInstance)
                  .map(p -> ((Winding) p).henries())
                  .orElse(OptionalDouble.empty());
      double ohms =
          known.required(
              Wanted.of(
                  f.id(),
                  name,
                  henries.isPresent() ? Which.WINDING_RESISTANCE : Which.RESISTANCE,
                  f.through()),
              f.ohms());
      sectionOf.put(name, f.id());
      if (henries.isPresent()) {
        known.note(
            Wanted.of(f.id(), name, Which.INDUCTANCE, f.through()),
            henries.getAsDouble(),
            f.henries().isPresent() ? Origin.TYPED : Origin.MARKED);
        way = Section.Way.Choke.of(name, henries.getAsDouble(), ohms);
      } else {
        way = new Section.Way.Resistor(name, ohms);
      }
    }
    boolean capacitor = f.shunt().isPresent() || f.farads().isPresent();
    Optional<Section.Cap> shunt =
        capacitor
            ? known.cap(f.id(), names.shunt(f), f.shunt(), f.farads(), f.esrOhms(), f.leakOhms())
            : Optional.empty();
    if (capacitor && shunt.isEmpty()) {
      return;
    }
    sections.add(new Section.Filter(f.id(), f.from(), way, f.to(), shunt, f.against()));
  }

  private void stage(SupplyStage v) {
    point(v.at());
    point(v.gridPoint());
    cathodes.put(v.name(), knowledge.supply().cathode(v.heating(), false));
    ValveModel valve =
        ValveModel.through(
            v.amperes(),
            v.gridVolts(),
            v.volts(),
            v.mu(),
            v.screenShare().isPresent() ? 1 - v.screenShare().getAsDouble() : 1,
            KNEE_VOLTS);
    Optional<Section.Cap> bypass =
        v.cathodeCap().flatMap(c -> known.cap(v.id(), "", Optional.of(c), OptionalDouble.empty()));
    Optional<Section.Stage.Decoupled> screen =
        v.screenOhms() > 0
            ? Optional.of(
                new Section.Stage.Decoupled(
                    v.screenOhms(),
                    v.screenCap()
                        .flatMap(
                            c -> known.cap(v.id(), "", Optional.of(c), OptionalDouble.empty()))))
            : Optional.empty();
    sections.add(
        new Section.Stage(
            v.name(),
            v.at(),
            valve,
            v.anodeOhms(),
            screen,
            v.cathodeOhms(),
            bypass,
            v.gridOhms(),
            v.gridPoint()));
  }

  private void regulator(SupplyRegulator r) {
    point(r.from());
    point(r.to());
    if (r.kind() == SupplyRegulator.Kind.SHUNT) {
      sections.add(
          new Section.Stabilise(
              r.name(),
              r.to(),
              r.volts(),
              known.typedOr(
                  Wanted.of(r.id(), r.name(), Which.OUTPUT_RESISTANCE),
                  r.outOhms(),
                  USUAL_ZENER_OHMS),
              r.negative()));
      return;
    }
    double dropout =
        known.typedOr(
            Wanted.of(r.id(), r.name(), Which.DROPOUT),
            r.dropoutVolts(),
            SupplyRegulator.USUAL_DROPOUT_VOLTS);
    double out =
        known.typedOr(
            Wanted.of(r.id(), r.name(), Which.OUTPUT_RESISTANCE), r.outOhms(), USUAL_OUT_OHMS);
    Optional<Section.Regulate.Tracked> tracked =
        r.tracks().isEmpty()
            ? Optional.empty()
            : Optional.of(
                new Section.Regulate.Tracked(
                    r.tracks(), r.tracksVolts().orElse(r.negative() ? r.volts() : -r.volts())));
    sections.add(
        new Section.Regulate(
            r.name(),
            r.from(),
            r.to(),
            r.negative(),
            r.volts(),
            dropout,
            out,
            PASS_OHMS,
            limit(r),
            tracked));
  }

  /** What all loads take at its voltage counts: they may hang behind a filter of its own. */
  private double limit(SupplyRegulator r) {
    double drawn =
        job.items(SupplyLoad.class).stream()
            .mapToDouble(l ->
                switch (l.kind()) {
                  case RESISTANCE -> r.volts() / l.value();
                  case CURRENT -> l.value();
                  case POWER -> l.value() / r.volts();
                })
            .sum();
    double most = Math.max(USUAL_LIMIT_AMPERES, LIMIT_TIMES * drawn);
    known.note(Wanted.of(r.id(), r.name(), Which.CURRENT_LIMIT), most, Origin.ASSUMED);
    return most;
  }

  /** What a converter takes from its reservoir: what its outputs deliver, by its efficiency. */
  private void converter(SupplyConverter c) {
    point(c.from());
    double delivered =
        job.items(SupplyOutput.class).stream()
            .filter(o -> o.converter().equals(c.name()))
            .mapToDouble(o -> Math.abs(o.volts()) * o.amperes())
            .sum();
    if (delivered == 0) {
      known.missing().add(Message.of(TraceWords.VALUE_MISSING, c.name(), Which.LOAD.term()));
    }
    double watts = delivered / c.efficiency().orElse(ConverterFigures.USUAL_EFFICIENCY);
    Section.Load load = new Section.Load(c.name(), c.from(), Section.Load.Kind.POWER, watts);
    sections.add(
        c.startVolts().isPresent()
            ? new Section.Load(
                c.name(), c.from(), Section.Load.Kind.POWER, watts, c.startVolts().getAsDouble())
            : load);
  }
}
