package org.yellowhearth.desk.safety;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Jumper;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Checks;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** The checks before power for this very set, each with what a meter should show. */
final class ChecksPage extends Page {
  private final Label gate = text("", "wake-gate");
  private final VBox list = column();
  private final VBox jumpers = column();

  /** What is half typed while another row is kept: the rows are made anew then. */
  private final Map<String, String> typed = new HashMap<>();

  private String shown = "";

  ChecksPage(DeskModel model) {
    super(model);
    gate.setId("wake-gate");
    TextField[] place = new TextField[1];
    AddLine line =
        new AddLine(
            model,
            () ->
                model.made(
                    () -> model.put(new Jumper(model.newId(), place[0].getText().strip(), false))));
    place[0] = line.field("safety.jumper.place", "jumper-place", 26);
    line.button("safety.jumper.add", "jumper-add");
    add(gate, list, heading("safety.jumpers"), jumpers, line);
  }

  @Override
  protected void show(Job job) {
    String open = model().openProperty().get().orElseThrow().id();
    if (!open.equals(shown)) {
      shown = open;
      typed.clear();
    }
    List<Check> checks = Checks.of(job, model().now().toInstant());
    long blocking = checks.stream().filter(Check::blocks).count();
    gate.setText(
        blocking == 0
            ? Labels.of("safety.gate.open")
            : Labels.of("safety.gate.shut", blocking, checks.size()));
    gate.getStyleClass().removeAll("gate-open", "gate-shut");
    gate.getStyleClass().add(blocking == 0 ? "gate-open" : "gate-shut");
    fillRows(list, checks, "safety.checks.none", this::check);
    fillRows(
        jumpers,
        job.items(Jumper.class),
        "safety.jumpers.none",
        j ->
            row(
                text(j.place() + (j.removed() ? "  ·  " + Labels.of("safety.jumper.off") : "")),
                quiet(
                    j.removed() ? "safety.jumper.on-again" : "safety.jumper.take",
                    () -> model().put(j.removed(!j.removed()))),
                quiet("form.take-out", () -> model().take(j))));
  }

  private VBox check(Check check) {
    Region glyph = new Region();
    String state = check.state().name().toLowerCase(Locale.ROOT);
    glyph.getStyleClass().addAll("glyph", "check-" + state);
    Label words = text(model().words().say(check.words()), "check-words");
    words.setId("check-" + check.code());
    HBox.setHgrow(words, Priority.ALWAYS);
    words.setMaxWidth(Double.MAX_VALUE);
    Label stands = new Label(Labels.of("safety.check." + state));
    stands.getStyleClass().addAll("check-state", "check-word-" + state);
    stands.setMinWidth(Region.USE_PREF_SIZE);
    HBox head = new HBox(glyph, words, stands);
    head.getStyleClass().add("check-head");
    VBox box = column(head);
    box.getStyleClass().add("check");
    check
        .expected()
        .ifPresent(r -> box.getChildren().add(text(expected(r), "figure", "check-expected")));
    check
        .working()
        .ifPresent(w -> box.getChildren().add(text(model().words().say(w), "reasons-source")));
    check
        .result()
        .ifPresent(r ->
            box.getChildren()
                .add(
                    row(
                        text(result(r, check), "check-result"),
                        quiet("form.take-out", () -> model().take(r)))));
    box.getChildren().add(answers(check));
    return box;
  }

  private static String expected(Check.Range range) {
    return range
        .highest()
        .map(h -> Labels.of("safety.expected.between", range.lowest(), h))
        .orElse(Labels.of("safety.expected.least", range.lowest()));
  }

  private String result(CheckResult r, Check check) {
    Unit unit = check.expected().map(Check.Range::unit).orElse(Unit.RATIO);
    String measured =
        r.measured().isPresent() ? Quantity.of(r.measured().getAsDouble(), unit) + "  " : "";
    return (measured + r.note()).strip();
  }

  private FlowPane answers(Check check) {
    FlowPane answers = new FlowPane();
    answers.getStyleClass().add("check-answers");
    TextField field = new TextField();
    field.setPrefColumnCount(9);
    field.setId("answer-" + check.code());
    Optional<Measure> measure =
        check.expected().map(r -> r.unit() == Unit.OHM ? Measure.OHMS : Measure.AMPERES);
    field.setPromptText(
        Labels.of(measure.isPresent() ? "safety.answer.figure" : "safety.answer.note"));
    field.setAccessibleText(model().words().say(check.words()));
    field.setText(typed.getOrDefault(check.code(), ""));
    field.textProperty().addListener((_, _, now) -> typed.put(check.code(), now));
    field.setOnAction(_ -> model().made(() -> answer(check, field.getText().strip(), measure)));
    answers.getChildren().add(field);
    if (check.automatic().isPresent()) {
      // The program itself looks; only a written reason goes past it.
      field.setOnAction(null);
    } else if (measure.isEmpty()) {
      answers
          .getChildren()
          .addAll(
              button(
                  "safety.good",
                  "good-" + check.code(),
                  () ->
                      keep(
                          check,
                          CheckResult.Outcome.PASSED,
                          OptionalDouble.empty(),
                          field.getText().strip())),
              button(
                  "safety.bad",
                  "bad-" + check.code(),
                  () ->
                      keep(
                          check,
                          CheckResult.Outcome.FAILED,
                          OptionalDouble.empty(),
                          field.getText().strip())));
    } else {
      answers
          .getChildren()
          .add(
              button(
                  "safety.measured",
                  "good-" + check.code(),
                  () -> model().made(() -> answer(check, field.getText().strip(), measure))));
    }
    if (check.blocks()) {
      answers
          .getChildren()
          .add(quiet("safety.override", () -> override(check, field.getText().strip())));
    }
    return answers;
  }

  private void answer(Check check, String typed, Optional<Measure> measure) {
    if (measure.isEmpty()) {
      keep(check, CheckResult.Outcome.PASSED, OptionalDouble.empty(), typed);
      return;
    }
    boolean open =
        typed.equalsIgnoreCase("open") || typed.equalsIgnoreCase("OL") || typed.equals("∞");
    if (open) {
      boolean wanted = check.expected().filter(r -> Double.isInfinite(r.high())).isPresent();
      keep(
          check,
          wanted ? CheckResult.Outcome.PASSED : CheckResult.Outcome.FAILED,
          OptionalDouble.empty(),
          "OL");
      return;
    }
    OptionalDouble figure = measure.get().read(typed);
    if (figure.isEmpty()) {
      throw new IllegalArgumentException(Labels.of("safety.answer.needed"));
    }
    keep(check, check.outcome(figure.getAsDouble()), figure, "");
  }

  private void override(Check check, String reason) {
    if (reason.isEmpty()) {
      model().tell(Labels.of("safety.override.needs-reason"), true);
    } else {
      keep(check, CheckResult.Outcome.OVERRIDDEN, OptionalDouble.empty(), reason);
    }
  }

  private void keep(
      Check check, CheckResult.Outcome outcome, OptionalDouble measured, String note) {
    typed.remove(check.code());
    String id = check.result().map(CheckResult::id).orElseGet(model()::newId);
    model()
        .put(new CheckResult(id, check.code(), outcome, measured, note, model().now().toInstant()));
  }
}
