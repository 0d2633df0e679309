package org.yellowhearth.desk.trace;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Supplier;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.fact.SupplyState;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.knowledge.json.RecordEdit;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** The fields of one section; each is kept as soon as it is left. */
final class SectionForm {
  private static final String NOBODY = "";

  private final DeskModel model;
  private final String id;
  private final Form form;

  private SectionForm(DeskModel model, String id) {
    this.model = model;
    this.id = id;
    this.form = new Form(model);
  }

  /** The form of a section. */
  static Form of(DeskModel model, SupplySection section) {
    SectionForm f = new SectionForm(model, section.id());
    f.fields(section);
    f.form.show();
    return f.form;
  }

  /** What decides which fields a section has. */
  static String build(SupplySection section) {
    return switch (section) {
      case SupplyRectifier r -> r.scheme().doubles() ? "doubler" : "rectifier";
      case SupplyFilter f ->
          f.from().equals(f.to())
              ? "reservoir"
              : f.to().equals(SupplySection.CHASSIS) ? "bleeder" : "stage";
      case SupplyRegulator r -> r.kind().code();
      case SupplyMains _,
          SupplyWinding _,
          SupplyLoad _,
          SupplyStage _,
          SupplyConverter _,
          SupplyOutput _ ->
          "";
    };
  }

  private void fields(SupplySection section) {
    switch (section) {
      case SupplyMains _ -> {
        number("section.nominal", "nominalVolts", Measure.VOLTS);
        maybe("section.line", "volts", Measure.VOLTS);
        number("section.hertz", "hertz", Measure.HERTZ);
        maybe("section.primary", "primaryOhms", Measure.OHMS);
        maybe("section.other", "otherWatts", Measure.WATTS);
        maybe("section.lamp", "lampWatts", Measure.WATTS);
        maybe("section.lamp.volts", "lampVolts", Measure.VOLTS);
      }
      case SupplyWinding _ -> {
        text("section.name", "name");
        part("section.part", "part", false);
        number("section.winding.volts", "volts", Measure.VOLTS);
        maybe("section.winding.ohms", "ohms", Measure.OHMS);
        tick("section.tapped", "tapped");
      }
      case SupplyRectifier r -> rectifier(r);
      case SupplyFilter f -> filter(f);
      case SupplyLoad _ -> {
        text("section.name", "name");
        text("section.at", "at");
        choice("section.kind", "kind", List.of(SupplyLoad.Kind.values()));
        form.figure(
            "section.draws",
            "section-value",
            Measure.PLAIN,
            () -> OptionalDouble.of(now(SupplyLoad.class).value()),
            v -> put("value", v.orElseThrow(() -> needed("section.draws"))));
        states(() -> now(SupplyLoad.class).name());
      }
      case SupplyStage _ -> stage();
      case SupplyRegulator r -> regulator(r);
      case SupplyConverter _ -> converter();
      case SupplyOutput _ -> output();
    }
  }

  private void rectifier(SupplyRectifier r) {
    text("section.name", "name");
    part("section.part", "part", false);
    form.pick(
            "section.winding",
            "section-winding",
            w -> w,
            () -> now(SupplyRectifier.class).winding(),
            w -> put("winding", w))
        .getItems()
        .setAll(model.job().items(SupplyWinding.class).stream().map(SupplyWinding::name).toList());
    choice("section.scheme", "scheme", List.of(SupplyRectifier.Scheme.values()));
    choice("section.make", "make", List.of(RectifierTechnology.values()));
    maybe("section.drop", "dropVolts", Measure.VOLTS);
    maybe("section.drop.at", "dropAmperes", Measure.AMPERES);
    form.figure(
        "section.plates",
        "section-plates",
        Measure.PLAIN,
        () -> {
          OptionalInt plates = now(SupplyRectifier.class).plates();
          return plates.isPresent() ? OptionalDouble.of(plates.getAsInt()) : OptionalDouble.empty();
        },
        v ->
            put(
                "plates",
                v.isPresent()
                    ? OptionalInt.of((int) Math.round(v.getAsDouble()))
                    : OptionalInt.empty()));
    choice("section.heating", "heating", List.of(SupplyRectifier.Heating.values()));
    maybe("section.rated", "ratedAmperes", Measure.AMPERES);
    maybe("section.surge", "surgeAmperes", Measure.AMPERES);
    tick("section.negative", "negative");
    text("section.to", "to");
    if (r.scheme().doubles()) {
      part("section.first", "first", true);
      maybe("section.first.farads", "firstFarads", Measure.FARADS);
      part("section.second", "second", true);
      maybe("section.second.farads", "secondFarads", Measure.FARADS);
    } else {
      text("section.common", "common");
      form.text(
          "section.legs",
          "section-legs",
          () ->
              String.join(
                  " ",
                  now(SupplyRectifier.class).legs().stream().map(l -> plain(l.share())).toList()),
          t ->
              model.made(() ->
                  put(
                      "legs",
                      t.isBlank()
                          ? List.of()
                          : List.of(t.strip().split("[ ;]+")).stream()
                              .map(share ->
                                  new SupplyRectifier.Leg(Measure.PLAIN.read(share).orElseThrow()))
                              .toList())));
    }
  }

  private static String plain(double value) {
    return Measure.PLAIN.write(OptionalDouble.of(value));
  }

  private void filter(SupplyFilter f) {
    boolean through = !f.from().equals(f.to());
    text("section.from", "from");
    text("section.to", "to");
    if (through) {
      part("section.through", "through", false);
      maybe("section.ohms", "ohms", Measure.OHMS);
      form.figure(
          "section.henries",
          "section-henries",
          Measure.HENRIES,
          () -> now(SupplyFilter.class).henries(),
          v -> put("henries", v));
    }
    if (!f.to().equals(SupplySection.CHASSIS)) {
      part("section.shunt", "shunt", true);
      maybe("section.farads", "farads", Measure.FARADS);
      maybe("section.esr", "esrOhms", Measure.OHMS);
      maybe("section.leak", "leakOhms", Measure.OHMS);
      text("section.against", "against");
    }
  }

  private void stage() {
    text("section.name", "name");
    part("section.part", "part", false);
    text("section.at", "at");
    number("section.amperes", "amperes", Measure.AMPERES);
    number("section.grid.volts", "gridVolts", Measure.VOLTS);
    number("section.anode.volts", "volts", Measure.VOLTS);
    number("section.mu", "mu", Measure.PLAIN);
    maybe("section.screen.share", "screenShare", Measure.PLAIN);
    number("section.anode.ohms", "anodeOhms", Measure.OHMS);
    number("section.screen.ohms", "screenOhms", Measure.OHMS);
    part("section.screen.cap", "screenCap", true);
    number("section.cathode.ohms", "cathodeOhms", Measure.OHMS);
    part("section.cathode.cap", "cathodeCap", true);
    number("section.grid.ohms", "gridOhms", Measure.OHMS);
    text("section.grid.point", "gridPoint");
    choice("section.heating", "heating", List.of(SupplyRectifier.Heating.values()));
    states(() -> now(SupplyStage.class).name());
  }

  /**
   * What it draws in other states of the set, in per cent of what is described; empty for a state
   * nobody spoke of.
   */
  private void states(Supplier<String> name) {
    for (SupplyReading.State state : SupplyReading.State.values()) {
      if (state != SupplyReading.State.UNSTATED) {
        form.figure(
            "section.state." + state.code(),
            "section-" + state.code(),
            Measure.PLAIN,
            () ->
                stated(state, name.get())
                    .map(s -> OptionalDouble.of(100 * s.share()))
                    .orElse(OptionalDouble.empty()),
            v -> state(state, name.get(), v));
      }
    }
  }

  private Optional<SupplyState> stated(SupplyReading.State state, String name) {
    return model.job().items(SupplyState.class).stream()
        .filter(s -> s.state() == state && s.name().equals(name))
        .findFirst();
  }

  private void state(SupplyReading.State state, String name, OptionalDouble percent) {
    Optional<SupplyState> before = stated(state, name);
    if (percent.isPresent()) {
      model.put(
          new SupplyState(
              before.map(SupplyState::id).orElseGet(model::newId),
              state,
              name,
              percent.getAsDouble() / 100));
    } else {
      before.ifPresent(model::take);
    }
  }

  private void converter() {
    text("section.name", "name");
    part("section.part", "part", false);
    text("section.from", "from");
    choice("section.shape", "shape", List.of(SupplyConverter.Shape.values()));
    maybe("section.efficiency", "efficiency", Measure.PLAIN);
    maybe("section.start.volts", "startVolts", Measure.VOLTS);
    maybe("section.switching", "hertz", Measure.HERTZ);
    maybe("section.duty", "duty", Measure.PLAIN);
    maybe("section.start.ohms", "startOhms", Measure.OHMS);
    part("section.start.cap", "startCap", true);
    maybe("section.start.farads", "startFarads", Measure.FARADS);
    maybe("section.on.volts", "onVolts", Measure.VOLTS);
    maybe("section.off.volts", "offVolts", Measure.VOLTS);
    maybe("section.idle", "idleAmperes", Measure.AMPERES);
    maybe("section.run", "runAmperes", Measure.AMPERES);
    maybe("section.takeover", "takeoverSeconds", Measure.PLAIN);
  }

  private void output() {
    text("section.name", "name");
    form.pick(
            "section.converter",
            "section-converter",
            w -> w,
            () -> now(SupplyOutput.class).converter(),
            w -> put("converter", w))
        .getItems()
        .setAll(
            model.job().items(SupplyConverter.class).stream().map(SupplyConverter::name).toList());
    number("section.out.volts", "volts", Measure.VOLTS);
    number("section.out.amperes", "amperes", Measure.AMPERES);
    part("section.filter", "capacitor", true);
    maybe("section.farads", "farads", Measure.FARADS);
    maybe("section.esr.fast", "esrOhms", Measure.OHMS);
    form.figure(
        "section.henries",
        "section-henries",
        Measure.HENRIES,
        () -> now(SupplyOutput.class).henries(),
        v -> put("henries", v));
  }

  private void regulator(SupplyRegulator r) {
    text("section.name", "name");
    part("section.part", "part", false);
    choice("section.kind", "kind", List.of(SupplyRegulator.Kind.values()));
    if (r.kind() == SupplyRegulator.Kind.SERIES) {
      text("section.from", "from");
    }
    text("section.to", "to");
    tick("section.negative", "negative");
    number("section.holds", "volts", Measure.VOLTS);
    maybe("section.out.ohms", "outOhms", Measure.OHMS);
    if (r.kind() == SupplyRegulator.Kind.SERIES) {
      maybe("section.dropout", "dropoutVolts", Measure.VOLTS);
      text("section.tracks", "tracks");
      maybe("section.tracks.volts", "tracksVolts", Measure.VOLTS);
      part("section.driver", "driver", false);
      part("section.reference", "reference", false);
      part("section.compensation", "compensation", true);
      maybe("section.theta", "kelvinPerWatt", Measure.PLAIN);
      maybe("section.hottest", "mostCelsius", Measure.PLAIN);
    }
  }

  // --- fields
  // ----------------------------------------------------------------------------------------------------------------

  private <S extends SupplySection> S now(Class<S> type) {
    return type.cast(model.job().item(id).orElseThrow());
  }

  private Object get(String component) {
    return RecordEdit.get((Record) model.job().item(id).orElseThrow(), component);
  }

  private void put(String component, Object value) {
    model
        .job()
        .item(id)
        .ifPresent(
            item -> model.put((SupplySection) RecordEdit.with((Record) item, component, value)));
  }

  private static IllegalArgumentException needed(String label) {
    return new IllegalArgumentException(Labels.of("section.needed", Labels.of(label)));
  }

  private void text(String label, String component) {
    form.text(
        label,
        "section-" + component,
        () -> (String) get(component),
        t -> model.made(() -> put(component, t.strip())));
  }

  private void tick(String label, String component) {
    form.tick(
        label, "section-" + component, () -> (Boolean) get(component), v -> put(component, v));
  }

  private void number(String label, String component, Measure measure) {
    form.figure(
        label,
        "section-" + component,
        measure,
        () -> OptionalDouble.of((Double) get(component)),
        v -> put(component, v.orElseThrow(() -> needed(label))));
  }

  private void maybe(String label, String component, Measure measure) {
    form.figure(
        label,
        "section-" + component,
        measure,
        () -> (OptionalDouble) get(component),
        v -> put(component, v));
  }

  @SuppressWarnings(
      "unchecked") // the component of a record of this form is of the type of the options
  private <T extends Coded> void choice(String label, String component, List<T> options) {
    form.choice(
        label, "section-" + component, options, () -> (T) get(component), v -> put(component, v));
  }

  /** A part of the census, or none. */
  private void part(String label, String component, boolean capacitors) {
    List<String> refs =
        model.job().census().stream()
            .filter(p -> p instanceof Capacitor == capacitors)
            .map(Part::ref)
            .map(PartRef::toString)
            .toList();
    var box =
        form.pick(
            label,
            "section-" + component,
            r -> r.equals(NOBODY) ? Labels.of("section.no-part") : r,
            () -> ((Optional<?>) get(component)).map(Object::toString).orElse(NOBODY),
            r -> put(component, r.equals(NOBODY) ? Optional.empty() : PartRef.parse(r)));
    box.getItems().add(NOBODY);
    box.getItems().addAll(refs);
  }
}
