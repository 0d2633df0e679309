package org.yellowhearth.desk.arrival;

import java.time.LocalDate;
import java.time.format.TextStyle;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.BiConsumer;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.arrival.Ages;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.DrawingStyle;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.Paper;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.marking.DateCode;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Chips;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What the set is and how it is built: the plate being filled, what is in it, the papers at hand,
 * and its age.
 */
final class SetPage extends Page {
  private static final double USUAL_HERTZ = 50;
  private static final double ANODE_VOLTS = 14_000;
  private static final double CELL_VOLTS = 3.6;
  private static final double ADAPTOR_VOLTS = 9;

  private final Form plate;
  private final Form build;
  private final Chips<Feature> features;
  private final VBox memory = column();
  private final VBox papers = column();
  private final VBox ages = column();

  SetPage(DeskModel model) {
    super(model);
    plate = new Form(model);
    build = new Form(model);
    features =
        new Chips<>(
            model,
            Feature.class,
            chosen -> model.changeAspect(Build.class, b -> b.with(d -> d.features = chosen)));
    fillPlate();
    fillBuild();
    prompts();
    AddLine paper = paperLine();
    add(
        columns(
            column(heading("arrival.plate"), plate),
            column(heading("arrival.build"), build, memory, heading("arrival.features"), features)),
        columns(
            column(heading("arrival.papers"), papers, paper),
            column(heading("arrival.ages"), ages)));
  }

  private SetPlate plate() {
    return job().plate();
  }

  private Build build() {
    return job().aspect(Build.class);
  }

  private void plate(Consumer<SetPlate.Draft> change) {
    model().changePlate(p -> p.with(change));
  }

  private void build(Consumer<Build.Draft> change) {
    model().changeAspect(Build.class, b -> b.with(change));
  }

  private <T extends Coded> void choice(
      String label,
      String id,
      T[] options,
      Function<SetPlate, T> get,
      BiConsumer<SetPlate.Draft, T> set) {
    plate.choice(
        label,
        id,
        List.of(options),
        () -> get.apply(plate()),
        value -> plate(d -> set.accept(d, value)));
  }

  private void fillPlate() {
    plate.text(
        "arrival.name",
        "plate-name",
        () -> plate().name(),
        name -> {
          if (name.isEmpty() || name.length() > 200) {
            model().tell(Labels.of("arrival.bad-name"), true);
          } else {
            plate(d -> d.name = name);
          }
        });
    choice(
        "arrival.kind", "plate-kind", SetPlate.Kind.values(), SetPlate::kind, (d, v) -> d.kind = v);
    choice(
        "arrival.technology",
        "plate-technology",
        SetPlate.Technology.values(),
        SetPlate::technology,
        (d, v) -> d.technology = v);
    plate.text(
        "arrival.place", "plate-place", () -> plate().place(), text -> plate(d -> d.place = text));
    plate.text(
        "arrival.made",
        "plate-made",
        () -> year(plate().made()),
        text -> year(text).ifPresent(y -> plate(d -> d.made = y)));
    plate.text(
        "arrival.made-until",
        "plate-until",
        () -> year(build().madeUntil()),
        text -> year(text).ifPresent(y -> build(d -> d.madeUntil = y)));
    plate.figure(
        "arrival.mains.volts",
        "plate-volts",
        Measure.VOLTS,
        () -> plate().mains().map(m -> OptionalDouble.of(m.volts())).orElse(OptionalDouble.empty()),
        this::mainsVolts);
    plate.figure(
        "arrival.mains.hertz",
        "plate-hertz",
        Measure.HERTZ,
        () -> plate().mains().map(m -> OptionalDouble.of(m.hertz())).orElse(OptionalDouble.empty()),
        this::mainsHertz);
    plate.figure(
        "arrival.watts",
        "plate-watts",
        Measure.WATTS,
        () -> build().watts(),
        w -> build(d -> d.watts = w));
    choice(
        "arrival.chassis",
        "plate-chassis",
        SetPlate.Chassis.values(),
        SetPlate::chassis,
        (d, v) -> d.chassis = v);
    choice(
        "arrival.purpose",
        "plate-purpose",
        SetPlate.Purpose.values(),
        SetPlate::purpose,
        (d, v) -> d.purpose = v);
    plate.choice(
        "arrival.capital-m",
        "plate-capital-m",
        List.of(DrawingStyle.CapitalM.values()),
        () -> job().aspect(DrawingStyle.class).capitalM(),
        value -> model().changeAspect(DrawingStyle.class, a -> a.with(d -> d.capitalM = value)));
    choice(
        "arrival.dialect",
        "plate-dialect",
        SetPlate.Dialect.values(),
        SetPlate::dialect,
        (d, v) -> d.dialect = v);
  }

  private void mainsVolts(OptionalDouble volts) {
    if (volts.isEmpty()) {
      plate(d -> d.mains = Optional.empty());
    } else {
      SetPlate.Mains mains =
          new SetPlate.Mains(
              volts.getAsDouble(), plate().mains().map(SetPlate.Mains::hertz).orElse(USUAL_HERTZ));
      plate(d -> d.mains = Optional.of(mains));
    }
  }

  private void mainsHertz(OptionalDouble hertz) {
    Optional<SetPlate.Mains> mains = plate().mains();
    if (mains.isEmpty() || hertz.isEmpty()) {
      throw new IllegalArgumentException(Labels.of("arrival.bad-hertz"));
    }
    SetPlate.Mains changed = new SetPlate.Mains(mains.get().volts(), hertz.getAsDouble());
    plate(d -> d.mains = Optional.of(changed));
  }

  private static String year(OptionalInt year) {
    return year.isPresent() ? Integer.toString(year.getAsInt()) : "";
  }

  private Optional<OptionalInt> year(String text) {
    if (text.isEmpty()) {
      return Optional.of(OptionalInt.empty());
    }
    boolean fits =
        text.matches("\\d{4}")
            && Integer.parseInt(text) >= SetPlate.FIRST_YEAR
            && Integer.parseInt(text) <= SetPlate.LAST_YEAR;
    if (!fits) {
      model().tell(Labels.of("arrival.bad-year", text), true);
      return Optional.empty();
    }
    return Optional.of(OptionalInt.of(Integer.parseInt(text)));
  }

  private static OptionalDouble optional(Optional<Double> value) {
    return value.map(OptionalDouble::of).orElse(OptionalDouble.empty());
  }

  private void fillBuild() {
    build.tick(
        "arrival.switching",
        "build-switching",
        () -> build().switchingSupply(),
        v -> build(d -> d.switchingSupply = v));
    build.tick(
        "arrival.picture-tube",
        "build-tube",
        () -> build().pictureTube().isPresent(),
        v ->
            build(d ->
                d.pictureTube =
                    v
                        ? Optional.of(new Build.PictureTube(ANODE_VOLTS, OptionalDouble.empty()))
                        : Optional.empty()));
    build.figure(
        "arrival.anode",
        "build-anode",
        Measure.VOLTS,
        () -> optional(build().pictureTube().map(Build.PictureTube::anodeVolts)),
        v ->
            build(d ->
                d.pictureTube =
                    v.isEmpty()
                        ? Optional.empty()
                        : Optional.of(
                            new Build.PictureTube(
                                v.getAsDouble(),
                                d.pictureTube
                                    .map(Build.PictureTube::farads)
                                    .orElse(OptionalDouble.empty())))));
    build.figure(
        "arrival.anode-farads",
        "build-anode-farads",
        Measure.FARADS,
        () -> build().pictureTube().map(Build.PictureTube::farads).orElse(OptionalDouble.empty()),
        v ->
            build(d ->
                d.pictureTube =
                    Optional.of(
                        new Build.PictureTube(
                            d.pictureTube.map(Build.PictureTube::anodeVolts).orElse(ANODE_VOLTS),
                            v))));
    build.tick(
        "arrival.memory",
        "build-memory",
        () -> build().memory().isPresent(),
        v ->
            build(d ->
                d.memory =
                    v ? Optional.of(new Build.MemoryBattery(CELL_VOLTS, "")) : Optional.empty()));
    build.figure(
        "arrival.memory-volts",
        "build-memory-volts",
        Measure.VOLTS,
        () -> optional(build().memory().map(Build.MemoryBattery::volts)),
        v ->
            build(d ->
                d.memory =
                    v.isEmpty()
                        ? Optional.empty()
                        : Optional.of(
                            new Build.MemoryBattery(
                                v.getAsDouble(),
                                d.memory.map(Build.MemoryBattery::holds).orElse("")))));
    build.text(
        "arrival.memory-holds",
        "build-memory-holds",
        () -> build().memory().map(Build.MemoryBattery::holds).orElse(""),
        text ->
            build(d ->
                d.memory =
                    Optional.of(
                        new Build.MemoryBattery(
                            d.memory.map(Build.MemoryBattery::volts).orElse(CELL_VOLTS), text))));
    build.figure(
        "arrival.input-volts",
        "build-input",
        Measure.VOLTS,
        () -> optional(build().input().map(Build.LowVoltageInput::volts)),
        v ->
            build(d ->
                d.input =
                    v.isEmpty()
                        ? Optional.empty()
                        : Optional.of(
                            new Build.LowVoltageInput(
                                v.getAsDouble(),
                                d.input
                                    .map(Build.LowVoltageInput::pole)
                                    .orElse(Build.Pole.UNSTATED)))));
    build.choice(
        "arrival.input-pole",
        "build-pole",
        List.of(Build.Pole.values()),
        () -> build().input().map(Build.LowVoltageInput::pole).orElse(Build.Pole.UNSTATED),
        v ->
            build(d ->
                d.input =
                    Optional.of(
                        new Build.LowVoltageInput(
                            d.input.map(Build.LowVoltageInput::volts).orElse(ADAPTOR_VOLTS), v))));
    build.figure(
        "arrival.weight",
        "build-weight",
        Measure.KILOGRAMS,
        () -> build().kilograms(),
        v -> build(d -> d.kilograms = v));
  }

  private void prompts() {
    Map.of("build-anode", "14 kV", "build-memory-volts", "3.6 V", "build-input", "9 V")
        .forEach(build::prompt);
  }

  private AddLine paperLine() {
    TextField[] fields = new TextField[2];
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() ->
                        model()
                            .put(
                                new Paper(
                                    model().newId(),
                                    fields[0].getText().strip(),
                                    fields[1].getText().strip()))));
    fields[0] = line.field("arrival.paper.title", "paper-title", 18);
    fields[1] = line.field("arrival.paper.revision", "paper-revision", 9);
    return line.button("form.add-line", "paper-add");
  }

  @Override
  protected void show(Job job) {
    plate.show();
    build.show();
    features.show(job.aspect(Build.class).features());
    memory.getChildren().clear();
    job.aspect(Build.class)
        .memory()
        .ifPresent(
            _ -> memory.getChildren().addAll(text(Labels.of("arrival.memory.how"), "care-note")));
    fill(
        papers,
        job.items(Paper.class),
        "arrival.papers.none",
        p ->
            papers
                .getChildren()
                .add(
                    row(
                        text(p.revision().isEmpty() ? p.title() : p.title() + ", " + p.revision()),
                        quiet("form.take-out", () -> model().take(p)))));
    showAges(job);
  }

  private void showAges(Job job) {
    LocalDate today = model().now().toLocalDate();
    ages.getChildren().clear();
    Ages.first(job)
        .ifPresent(first -> {
          int last = Ages.last(job).orElse(first);
          String years =
              last > first
                  ? (today.getYear() - last) + "–" + (today.getYear() - first)
                  : "" + (today.getYear() - first);
          ages.getChildren().add(text(Labels.of("arrival.age", years)));
        });
    List<Ages.Dated> dated = Ages.of(job, today);
    if (dated.isEmpty()) {
      ages.getChildren().add(text(Labels.of("arrival.age.none"), "quiet"));
    }
    for (Ages.Dated d : dated) {
      ages.getChildren()
          .add(
              text(
                  d.part().ref()
                      + "  "
                      + d.part().dateCode()
                      + " → "
                      + when(d.dating().best())
                      + ", "
                      + Labels.of("arrival.age.years", d.years())
                      + ", "
                      + model().words().word(d.standing())
                      + settled(d.dating()),
                  d.standing() == Ages.Standing.LATER ? "strong-note" : "plain-note"));
    }
  }

  private static String when(DateCode code) {
    return code.week().isPresent()
        ? Labels.of("arrival.age.week", code.week().getAsInt(), code.year())
        : code.month().map(m -> m.getDisplayName(TextStyle.FULL, Locale.ENGLISH) + " ").orElse("")
            + code.year();
  }

  private String settled(DateCode.Dating dating) {
    return switch (dating.settled()) {
      case PLAIN -> "";
      case BY_SET -> " (" + model().words().word(dating.settled()) + ")";
      case OPEN ->
          " ("
              + Labels.of(
                  "arrival.age.or",
                  dating.meanings().stream()
                      .skip(1)
                      .limit(2)
                      .map(m -> Integer.toString(m.year()))
                      .distinct()
                      .reduce((a, b) -> a + ", " + b)
                      .orElse(""))
              + ")";
    };
  }
}
