package org.yellowhearth.desk.replace;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.CanWork;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.replace.CanPacking;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Every can of the set: what becomes of it, its sections symbol by symbol, whether the new ones fit
 * inside, and the mark on its shell.
 */
final class CansPage extends Page {
  private final VBox cans = column();

  CansPage(DeskModel model) {
    super(model);
    cans.setId("cans");
    add(text(Labels.of("replace.cans.caution"), "caution", "caution-danger"), cans);
  }

  @Override
  protected void show(Job job) {
    List<Map.Entry<PartRef, List<Capacitor>>> all = List.copyOf(model().renew().cans().entrySet());
    fill(
        cans,
        all,
        "replace.cans.none",
        e -> cans.getChildren().add(can(job, e.getKey(), e.getValue())));
  }

  private CanWork work(PartRef can) {
    return job()
        .item(CanWork.idOf(can))
        .filter(CanWork.class::isInstance)
        .map(CanWork.class::cast)
        .orElse(CanWork.of(can));
  }

  private VBox can(Job job, PartRef can, List<Capacitor> sections) {
    CanWork w = work(can);
    List<Choice> chosen =
        sections.stream().flatMap(c -> job.of(c.ref(), Choice.class).stream()).toList();
    VBox left = column(text(can.toString(), "renew-name"), sections(job, sections));
    VBox middle = column(form(can, w), text(way(w.way())));
    VBox right = column();
    packing(w, chosen, right);
    VBox box = column(columns(left, middle, right));
    box.getStyleClass().add("renew-card");
    return box;
  }

  /** Its sections with their symbols, and what comes for each. */
  private GridPane sections(Job job, List<Capacitor> sections) {
    Describe describe = new Describe(model().words());
    GridPane grid = new GridPane();
    grid.getStyleClass().add("sums");
    int row = 0;
    for (Capacitor c : sections) {
      String now =
          job.of(c.ref(), Choice.class).stream()
              .findFirst()
              .map(Describe::choice)
              .orElse(Labels.of("replace.state.open"));
      grid.addRow(
          row++,
          text(c.ref().toString(), "lane-ref"),
          text(model().words().word(c.canMark())),
          text(describe.value(c)),
          text("→"),
          text(now));
      if (c.polarity() == Polarity.POSITIVE_TO_CHASSIS) {
        grid.add(text("⊕ " + model().words().word(c.polarity()), "positive-earth"), 1, row++, 4, 1);
      }
    }
    return grid;
  }

  private String way(Choice.Way way) {
    return switch (way) {
      case UNSTATED, IN_PLACE -> Labels.of("replace.cans.undecided");
      case BENEATH -> Labels.of("replace.cans.beneath");
      case RESTUFFED -> Labels.of("replace.cans.restuffed");
      case NEW_CAN -> Labels.of("replace.cans.new");
    };
  }

  private VBox form(PartRef can, CanWork w) {
    List<ComboBox<Choice.Way>> way = new ArrayList<>();
    List<TextField> f = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() -> {
                      CanWork after =
                          new CanWork(
                              w.id(),
                              w.can(),
                              way.getFirst().getValue(),
                              millimetres(f.get(0)),
                              millimetres(f.get(1)),
                              f.get(2).getText().strip(),
                              f.get(3).getText().strip());
                      model().renew().can(after);
                    }));
    way.add(
        line.choice(
            "replace.way",
            "can-way-" + can,
            List.of(
                Choice.Way.UNSTATED,
                Choice.Way.BENEATH,
                Choice.Way.RESTUFFED,
                Choice.Way.NEW_CAN)));
    way.getFirst().setValue(w.way() == Choice.Way.IN_PLACE ? Choice.Way.UNSTATED : w.way());
    f.add(line.field("replace.cans.bore", "can-bore-" + can, 5));
    f.add(line.field("replace.cans.height", "can-height-" + can, 5));
    f.add(line.field("replace.cans.insulation", "can-insulation-" + can, 14));
    f.add(line.field("replace.cans.mark", "can-mark-" + can, 22));
    f.get(0).setText(written(w.boreMetres()));
    f.get(1).setText(written(w.heightMetres()));
    f.get(2).setText(w.insulation());
    f.get(3).setText(w.mark().isEmpty() ? mark(can) : w.mark());
    return column(line.button("replace.cans.keep", "can-keep-" + can));
  }

  /** Honest to the next restorer: what is inside, and since when. */
  private String mark(PartRef can) {
    List<String> values =
        job().items(Choice.class).stream()
            .filter(c -> c.part().whole().equals(can))
            .map(Describe::choice)
            .toList();
    return values.isEmpty()
        ? ""
        : Labels.of(
            "replace.cans.mark-text",
            String.join(" + ", values),
            Integer.toString(model().now().getYear()));
  }

  private static OptionalDouble millimetres(TextField f) {
    OptionalDouble v = Measure.MILLIMETRES.read(f.getText());
    return v.isPresent() ? OptionalDouble.of(v.getAsDouble() / 1000) : v;
  }

  private static String written(OptionalDouble metres) {
    return metres.isPresent()
        ? Measure.PLAIN.write(OptionalDouble.of(1000 * metres.getAsDouble()))
        : "";
  }

  /** Whether what was chosen goes into the old shell, and how it stands in there. */
  private void packing(CanWork w, List<Choice> chosen, VBox box) {
    box.getChildren().add(text(Labels.of("replace.cans.inside"), "section-title"));
    if (w.boreMetres().isEmpty() || w.heightMetres().isEmpty()) {
      box.getChildren().add(text(Labels.of("replace.cans.measure"), "quiet"));
      return;
    }
    List<Choice.Taken> parts = chosen.stream().flatMap(c -> c.all().stream()).toList();
    if (parts.isEmpty() || parts.size() > CanPacking.MOST) {
      box.getChildren()
          .add(
              text(
                  Labels.of(
                      parts.isEmpty() ? "replace.cans.choose-first" : "replace.cans.too-many",
                      CanPacking.MOST),
                  "quiet"));
      return;
    }
    if (parts.stream()
        .anyMatch(t -> t.ware().diameterMetres().isEmpty() || t.ware().lengthMetres().isEmpty())) {
      box.getChildren().add(text(Labels.of("replace.cans.no-size"), "quiet"));
      return;
    }
    List<CanPacking.Body> bodies =
        parts.stream()
            .map(t ->
                new CanPacking.Body(
                    t.ware().diameterMetres().getAsDouble(), t.ware().lengthMetres().getAsDouble()))
            .toList();
    Optional<CanPacking> packed =
        CanPacking.of(bodies, w.boreMetres().getAsDouble(), w.heightMetres().getAsDouble());
    if (packed.isEmpty()) {
      box.getChildren().add(text(Labels.of("replace.cans.no-fit"), "strong-note"));
      return;
    }
    box.getChildren()
        .addAll(
            new PackingDrawing(packed.get(), bodies, w.boreMetres().getAsDouble()),
            text(
                Labels.of(
                    "replace.cans.fit",
                    Math.round(1e4 * packed.get().heightMetres()) / 10.0,
                    Math.round(1e4 * w.heightMetres().getAsDouble()) / 10.0)));
  }
}
