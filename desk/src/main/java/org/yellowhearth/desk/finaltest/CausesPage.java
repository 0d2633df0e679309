package org.yellowhearth.desk.finaltest;

import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.cause.Cause;
import org.yellowhearth.core.cause.Cause.Standing;
import org.yellowhearth.core.fact.FaultTrail;
import org.yellowhearth.core.fact.FaultTrail.Outcome;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.CauseModel;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What was the cause: a suspicion, what the journal says was changed after it, what came of that,
 * and how sure it is.
 */
final class CausesPage extends Page {
  private static final String NEW = "";
  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("d MMM HH:mm", Locale.ENGLISH);

  private final CauseModel causes;
  private final VBox list = column();
  private final List<TextField> typed = new ArrayList<>();
  private final ComboBox<String> undoes;
  private List<Cause> shown = List.of();

  CausesPage(DeskModel model) {
    super(model);
    causes = model.causes();
    list.setId("causes");
    AddLine line = new AddLine(model, this::suspect);
    typed.add(line.field("cause.symptom", "cause-symptom", 18));
    typed.add(line.field("cause.suspicion", "cause-suspicion", 20));
    typed.add(line.field("cause.part", "cause-part", 5));
    undoes = line.pick("cause.undoes", "cause-undoes", List.of(NEW), this::named);
    line.button("cause.add", "cause-add");
    add(text(Labels.of("cause.how"), "quiet"), line, list);
  }

  private boolean suspect() {
    return causes.suspect(
        typed.get(0).getText(), typed.get(1).getText(), typed.get(2).getText(), undoes.getValue());
  }

  private String named(String id) {
    return id.equals(NEW)
        ? Labels.of("cause.new")
        : shown.stream()
            .map(Cause::trail)
            .filter(t -> t.id().equals(id))
            .map(FaultTrail::symptom)
            .findFirst()
            .orElse(id);
  }

  @Override
  protected void show(Job job) {
    shown = causes.causes();
    List<String> ids = new ArrayList<>(List.of(NEW));
    shown.stream()
        .map(Cause::trail)
        .filter(t -> t.outcome() == Outcome.CURED || t.outcome() == Outcome.BETTER)
        .forEach(t -> ids.add(t.id()));
    String before = undoes.getValue();
    undoes.getItems().setAll(ids);
    undoes.setValue(ids.contains(before) ? before : NEW);
    fillRows(list, shown.reversed(), "cause.none", this::card);
  }

  private VBox card(Cause cause) {
    FaultTrail t = cause.trail();
    Label standing =
        text(
            sign(cause.standing()) + "  " + model().words().word(cause.standing()),
            switch (cause.standing()) {
              case CONFIRMED -> "run-good";
              case RELAPSED, REFUTED -> "run-bad";
              case OPEN, LIKELY, CONFOUNDED, UNEXPLAINED -> "strong-note";
            });
    standing.setId("standing-" + t.id());
    VBox card =
        new VBox(
            row(
                text(
                    t.symptom()
                        + "  ←  "
                        + t.suspicion()
                        + t.part().map(p -> "  (" + p + ")").orElse(""),
                    "form-title"),
                standing),
            text(model().words().say(cause.why()), "quiet"));
    card.getStyleClass().add("renew-card");
    cause
        .undone()
        .ifPresent(u ->
            card.getChildren()
                .add(
                    text(
                        Labels.of("cause.came-back", u.symptom(), u.suspicion()),
                        "point-against")));
    cause
        .changes()
        .forEach(c ->
            card.getChildren()
                .add(
                    text(
                        Labels.of(
                            "cause.change",
                            MOMENT.format(c.at().atZone(model().now().getZone())),
                            model().words().say(c.what())))));
    if (!t.seen().isEmpty()) {
      card.getChildren()
          .add(text(Labels.of("cause.seen", model().words().word(t.outcome()), t.seen())));
    }
    card.getChildren().add(answers(t));
    return card;
  }

  private FlowPane answers(FaultTrail t) {
    FlowPane answers = new FlowPane();
    answers.getStyleClass().add("line-form");
    if (t.outcome() == Outcome.UNDECIDED) {
      TextField words = new TextField();
      words.setPrefColumnCount(18);
      words.setPromptText(Labels.of("cause.words"));
      words.setAccessibleText(Labels.of("cause.words"));
      words.setId("words-" + t.id());
      answers.getChildren().add(words);
      for (Outcome o : List.of(Outcome.CURED, Outcome.BETTER, Outcome.UNCHANGED, Outcome.WORSE)) {
        Button b = new Button(model().words().word(o));
        b.setId(o.code() + "-" + t.id());
        b.setMinWidth(USE_PREF_SIZE);
        b.setOnAction(_ -> causes.seen(t, o, words.getText()));
        answers.getChildren().add(b);
      }
    } else if (!t.swappedBack()
        && (t.outcome() == Outcome.CURED || t.outcome() == Outcome.BETTER)) {
      answers
          .getChildren()
          .add(button("cause.back", "back-" + t.id(), () -> causes.swappedBack(t)));
    }
    answers.getChildren().add(quiet("form.take-out", () -> model().take(t)));
    return answers;
  }

  private static String sign(Standing s) {
    return switch (s) {
      case OPEN -> "○";
      case CONFIRMED -> "✓";
      case LIKELY -> "◐";
      case CONFOUNDED, UNEXPLAINED -> "?";
      case REFUTED -> "✗";
      case RELAPSED -> "↺";
    };
  }
}
