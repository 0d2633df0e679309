package org.yellowhearth.desk.trace;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.scene.Cursor;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.belief.Origin;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.fact.SupplyValue;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.trace.ModelValue;
import org.yellowhearth.core.trace.Preset;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.publishing.drawing.SupplySymbols;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.TraceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Describing the supply: a preset or section by section; the fields of the one that is chosen stand
 * beside the list.
 */
final class DescribePage extends Page {
  private static final String VALUE = "value-";

  private final VBox list = column();
  private final VBox fields = column();
  private final VBox assumed = column();
  private final ComboBox<Preset> presets = new ComboBox<>();
  private final Label how = text(Labels.of("describe.how"), "quiet");
  private final DrawingPane drawing =
      new DrawingPane("described-drawing", "described-", this::prepare);
  private final Label trouble = text("", "echo-trouble");
  private final Label fieldsOf = text("", "strong-note");
  private Optional<Form> form = Optional.empty();
  private String formOf = "";
  private String chosen = "";

  DescribePage(DeskModel model) {
    super(model);
    presets.getItems().addAll(Preset.values());
    presets.setConverter(Form.words(model));
    presets.setValue(Preset.VALVE_CHOKE);
    presets.setId("preset");
    presets.setMinWidth(USE_PREF_SIZE);
    presets.setAccessibleText(Labels.of("describe.preset"));
    FlowPane adds = new FlowPane();
    adds.getStyleClass().add("chips");
    add(adds, "winding", this::winding);
    add(adds, "rectifier", this::rectifier);
    add(adds, "reservoir", this::reservoir);
    add(adds, "stage", this::stage);
    add(adds, "bleeder", this::bleeder);
    add(adds, "load", this::load);
    add(adds, "valve", this::valve);
    add(adds, "regulator", this::regulator);
    add(adds, "stabiliser", this::stabiliser);
    add(adds, "converter", this::converter);
    add(adds, "output", this::output);
    add(adds, "mains", this::mains);
    HBox begin =
        new HBox(
            presets,
            button(
                "describe.preset.add",
                "preset-add",
                () -> model().putAll(presets.getValue().sections(job(), model()::newId))));
    begin.getStyleClass().add("item-row");
    HBox.setHgrow(how, Priority.ALWAYS);
    begin.getChildren().add(how);
    add(
        begin,
        adds,
        drawing,
        trouble,
        columns(
            column(heading("describe.sections"), list),
            column(heading("describe.fields"), fields, assumed)));
    drawing.whenTextChanges(this::draw);
    model
        .trace()
        .workedProperty()
        .addListener((_, _, _) -> {
          if (getScene() != null && model.openProperty().get().isPresent()) {
            draw();
            assumed();
          }
        });
  }

  private TraceModel trace() {
    return model().trace();
  }

  private void add(FlowPane to, String what, Function<Job, SupplySection> making) {
    Button add =
        button(
            "describe.add." + what,
            "add-" + what,
            () ->
                model()
                    .made(() -> {
                      SupplySection made = making.apply(job());
                      chosen = made.id();
                      model().put(made);
                    }));
    add.getStyleClass().add("chip");
    to.getChildren().add(add);
  }

  /** A symbol leads to the fields of its section. */
  private void prepare(Region spot, SupplySymbols.Spot s) {
    if (s.section().equals(chosen)) {
      spot.getStyleClass().add("supply-spot-chosen");
    }
    spot.setCursor(Cursor.HAND);
    spot.setOnMouseClicked(_ -> choose(s.section()));
    spot.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER || e.getCode() == KeyCode.SPACE) {
        choose(s.section());
        drawing.focus(s.element());
        e.consume();
      }
    });
  }

  /** The drawing as it is described, and what keeps it from being worked out. */
  private void draw() {
    List<SupplySection> sections = job().items(SupplySection.class);
    drawing.setVisible(!sections.isEmpty());
    drawing.setManaged(!sections.isEmpty());
    drawing.show(sections, RiverPage.values(trace(), sections));
    List<String> said =
        trace()
            .workedProperty()
            .get()
            .map(w ->
                Stream.concat(w.now().missing().stream(), w.now().notes().stream())
                    .map(m -> model().words().say(m))
                    .toList())
            .orElse(List.of());
    trouble.setText(sections.isEmpty() ? "" : String.join(" ", said));
    trouble.setVisible(!trouble.getText().isEmpty());
    trouble.setManaged(trouble.isVisible());
  }

  /** Shows the fields of a section. */
  void choose(String section) {
    chosen = section;
    if (model().openProperty().get().isPresent()) {
      show(job());
    }
  }

  @Override
  protected void show(Job job) {
    List<SupplySection> sections = job.items(SupplySection.class);
    Describe describe = new Describe(model().words());
    draw();
    fillRows(list, sections, "describe.none", s -> line(describe, s));
    Optional<SupplySection> now = sections.stream().filter(s -> s.id().equals(chosen)).findFirst();
    now.ifPresentOrElse(
        s -> fields(describe, s),
        () -> {
          form.ifPresent(Form::retire);
          form = Optional.empty();
          fields.getChildren().setAll(text(Labels.of("describe.choose"), "quiet"));
        });
    assumed();
  }

  /**
   * The fields stay while the section is of the same build, so that the keyboard keeps its place.
   */
  private void fields(Describe describe, SupplySection s) {
    String build = s.id() + SectionForm.build(s);
    if (form.isEmpty() || !build.equals(formOf)) {
      form.ifPresent(Form::retire);
      form = Optional.of(SectionForm.of(model(), s));
      formOf = build;
      fields.getChildren().setAll(fieldsOf, form.get());
    }
    fieldsOf.setText(describe.item(s));
    form.get().show();
  }

  private Node line(Describe describe, SupplySection s) {
    Button open = new Button(describe.item(s));
    open.setId("section-of-" + s.id());
    open.getStyleClass()
        .addAll("section-row", s.id().equals(chosen) ? "section-chosen" : "section-other");
    open.setMaxWidth(Double.MAX_VALUE);
    open.setWrapText(true);
    open.setMinHeight(USE_PREF_SIZE);
    open.setOnAction(_ -> choose(s.id()));
    return row(open, quiet("form.take-out", () -> model().take(s)));
  }

  /**
   * What the model takes for values of the chosen section, each with where it comes from; any of
   * them can be typed.
   */
  private void assumed() {
    List<ModelValue> values =
        trace()
            .workedProperty()
            .get()
            .map(w -> w.now().values().stream().filter(v -> v.section().equals(chosen)).toList())
            .orElse(List.of());
    Optional<String> typing =
        Optional.ofNullable(getScene())
            .map(Scene::getFocusOwner)
            .map(Node::getId)
            .filter(id -> id.startsWith(VALUE));
    assumed.getChildren().clear();
    if (!values.isEmpty()) {
      assumed.getChildren().add(text(Labels.of("trace.origins"), "form-label"));
      values.forEach(v -> assumed.getChildren().add(value(v)));
      typing.map(id -> lookup("#" + id)).ifPresent(Node::requestFocus);
    }
  }

  private Node value(ModelValue v) {
    Measure measure = TraceDetails.measure(v.value().unit());
    TextField field = new TextField(v.value().toString());
    field.setId(VALUE + v.element() + "-" + v.which().code());
    field.setPrefColumnCount(7);
    field.setMinWidth(60);
    field.setAccessibleText(v.element() + " " + model().words().word(v.which()));
    Optional<SupplyValue> typed =
        job().items(SupplyValue.class).stream()
            .filter(t -> t.element().equals(v.element()) && t.which().equals(v.which().code()))
            .findFirst();
    Runnable keep =
        () -> {
          if (!field.getText().strip().equals(v.value().toString())) {
            model()
                .made(() -> {
                  OptionalDouble value = measure.read(field.getText());
                  if (value.isPresent()) {
                    model()
                        .put(
                            new SupplyValue(
                                typed.map(SupplyValue::id).orElseGet(model()::newId),
                                v.element(),
                                v.which().code(),
                                value.getAsDouble()));
                  } else {
                    typed.ifPresent(model()::take);
                  }
                });
          }
        };
    field.setOnAction(_ -> keep.run());
    field
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused && field.getScene() != null) {
            keep.run();
          }
        });
    Label name =
        text(
            v.element()
                + ": "
                + model().words().word(v.which())
                + ", "
                + model().words().word(v.origin()));
    name.getStyleClass()
        .add(v.origin() == Origin.ASSUMED || v.origin() == Origin.GUESSED ? "assumed" : "quiet");
    return typed.isPresent()
        ? row(name, field, quiet("describe.untype", () -> model().take(typed.get())))
        : row(name, field);
  }

  // --- new sections
  // ------------------------------------------------------------------------------------------------------------

  private String lastPoint(Job job) {
    List<SupplySection> sections = job.items(SupplySection.class);
    for (SupplySection s : sections.reversed()) {
      switch (s) {
        case SupplyRectifier r -> {
          return r.to();
        }
        case SupplyFilter f when !f.to().equals(SupplySection.CHASSIS) -> {
          return f.to();
        }
        case SupplyRegulator r -> {
          return r.to();
        }
        default -> {}
      }
    }
    return "HT";
  }

  private static String free(Job job, String wanted) {
    List<String> names = job.items(SupplySection.class).stream().map(SupplySection::title).toList();
    String name = wanted;
    for (int k = 2; names.contains(name); k++) {
      name = wanted + k;
    }
    return name;
  }

  private SupplySection mains(Job job) {
    SetPlate.Mains plate = job.plate().mains().orElse(new SetPlate.Mains(230, 50));
    return job.items(SupplyMains.class).stream()
        .findFirst()
        .orElseGet(() ->
            new SupplyMains(
                model().newId(),
                plate.volts(),
                OptionalDouble.empty(),
                plate.hertz() > 0 ? plate.hertz() : 50,
                OptionalDouble.empty()));
  }

  private SupplySection winding(Job job) {
    return new SupplyWinding(
        model().newId(), free(job, "T1"), Optional.empty(), 250, OptionalDouble.empty(), false);
  }

  private SupplySection rectifier(Job job) {
    String winding =
        job.items(SupplyWinding.class).stream()
            .map(SupplyWinding::name)
            .reduce((_, b) -> b)
            .orElseThrow(() -> new IllegalArgumentException(Labels.of("describe.winding.first")));
    return new SupplyRectifier(
        model().newId(),
        free(job, "D1"),
        Optional.empty(),
        winding,
        SupplyRectifier.Scheme.HALF_WAVE,
        RectifierTechnology.SILICON,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalInt.empty(),
        false,
        "HT",
        "0",
        Optional.empty(),
        OptionalDouble.empty(),
        Optional.empty(),
        OptionalDouble.empty(),
        List.of());
  }

  private SupplySection reservoir(Job job) {
    String at = lastPoint(job);
    return new SupplyFilter(
        model().newId(),
        at,
        Optional.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        at,
        Optional.empty(),
        OptionalDouble.of(16e-6),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        "0");
  }

  private SupplySection stage(Job job) {
    String at = lastPoint(job);
    return new SupplyFilter(
        model().newId(),
        at,
        Optional.empty(),
        OptionalDouble.of(1000),
        OptionalDouble.empty(),
        at.replaceAll("\\d+$", "") + (1 + number(at)),
        Optional.empty(),
        OptionalDouble.of(16e-6),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        "0");
  }

  private static int number(String point) {
    String digits = point.replaceAll("^.*?(\\d*)$", "$1");
    return digits.isEmpty() ? 1 : Integer.parseInt(digits);
  }

  private SupplySection bleeder(Job job) {
    return new SupplyFilter(
        model().newId(),
        lastPoint(job),
        Optional.empty(),
        OptionalDouble.of(47_000),
        OptionalDouble.empty(),
        "0",
        Optional.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        "0");
  }

  private SupplySection load(Job job) {
    return new SupplyLoad(
        model().newId(), free(job, "set"), lastPoint(job), SupplyLoad.Kind.CURRENT, 0.05);
  }

  private SupplySection valve(Job job) {
    return new SupplyStage(
        model().newId(),
        free(job, "V1"),
        Optional.empty(),
        lastPoint(job),
        0.04,
        -7,
        250,
        20,
        OptionalDouble.of(0.13),
        500,
        0,
        Optional.empty(),
        180,
        Optional.empty(),
        470_000,
        "0");
  }

  private SupplySection regulator(Job job) {
    return new SupplyRegulator(
        model().newId(),
        free(job, "U1"),
        Optional.empty(),
        SupplyRegulator.Kind.SERIES,
        lastPoint(job),
        "out",
        false,
        12,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        "",
        OptionalDouble.empty());
  }

  private SupplySection converter(Job job) {
    return new SupplyConverter(
        model().newId(),
        free(job, "K1"),
        Optional.empty(),
        lastPoint(job),
        SupplyConverter.Shape.FLYBACK,
        none(),
        none(),
        none(),
        none(),
        none(),
        Optional.empty(),
        none(),
        none(),
        none(),
        none(),
        none(),
        none());
  }

  private static OptionalDouble none() {
    return OptionalDouble.empty();
  }

  private SupplySection output(Job job) {
    String converter =
        job.items(SupplyConverter.class).stream()
            .map(SupplyConverter::name)
            .reduce((_, b) -> b)
            .orElseThrow(() -> new IllegalArgumentException(Labels.of("describe.converter.first")));
    return new SupplyOutput(
        model().newId(),
        free(job, "5V"),
        converter,
        5,
        1,
        Optional.empty(),
        OptionalDouble.of(1000e-6),
        none(),
        none());
  }

  private SupplySection stabiliser(Job job) {
    String at = lastPoint(job);
    return new SupplyRegulator(
        model().newId(),
        free(job, "Z1"),
        Optional.empty(),
        SupplyRegulator.Kind.SHUNT,
        at,
        at,
        false,
        150,
        OptionalDouble.empty(),
        OptionalDouble.empty(),
        "",
        OptionalDouble.empty());
  }
}
