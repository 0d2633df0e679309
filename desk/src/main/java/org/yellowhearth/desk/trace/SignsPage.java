package org.yellowhearth.desk.trace;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.FaultRule;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.trace.Hints;
import org.yellowhearth.core.trace.ShortHunt;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What was noticed beside voltages, what it points at or clears, and the hunt for a short on a
 * rail.
 */
final class SignsPage extends Page {
  private static final int MOST_LEGS = 8;

  private final VBox signs = column();
  private final VBox hints = column();
  private final VBox hunt = column();
  private final ComboBox<String> rail = new ComboBox<>();

  SignsPage(DeskModel model) {
    super(model);
    rail.setId("hunt-rail");
    rail.setAccessibleText(Labels.of("hunt.rail"));
    rail.valueProperty().addListener((_, _, _) -> hunt());
    add(
        columns(
            column(
                heading("signs.title"),
                text(Labels.of("signs.how"), "quiet"),
                signLine(),
                signs,
                heading("hunt.title"),
                text(Labels.of("hunt.how"), "quiet"),
                row(rail),
                hunt),
            column(heading("signs.hints"), hints, new SumsPane(model))));
  }

  private AddLine signLine() {
    ComboBox<String> sign = new ComboBox<>();
    sign.getItems()
        .setAll(
            model().knowledge().faultSigns().stream()
                .map(FaultRule.Sign::id)
                .filter(s -> !s.startsWith("lifted-"))
                .toList());
    sign.setConverter(
        Shown.by(s -> model().words().term("FaultSign." + s), Labels.of("signs.pick")));
    sign.setId("sign-kind");
    sign.setAccessibleText(Labels.of("signs.kind"));
    TextField[] f = new TextField[3];
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() -> {
                      if (sign.getValue() == null) {
                        throw new IllegalArgumentException(Labels.of("signs.needed"));
                      }
                      put(
                          sign.getValue(),
                          f[0].getText().strip(),
                          Measure.PLAIN.read(f[1].getText()),
                          f[2].getText().strip());
                    }));
    line.getChildren().add(new VBox(text(Labels.of("signs.kind"), "form-label"), sign));
    f[0] = line.field("signs.place", "sign-place", 6);
    f[1] = line.field("signs.figure", "sign-figure", 4);
    f[2] = line.field("signs.said", "sign-said", 10);
    return line.button("readings.add", "sign-add");
  }

  private void put(String sign, String place, OptionalDouble figure, String said) {
    model()
        .put(new SupplySign(model().newId(), model().now().toInstant(), sign, place, figure, said));
  }

  @Override
  protected void show(Job job) {
    Describe describe = new Describe(model().words());
    fillRows(
        signs,
        job.items(SupplySign.class),
        "signs.none",
        s -> row(text(describe.item(s)), quiet("form.take-out", () -> model().take(s))));
    List<Hints.Hint> all = Hints.of(job, model().knowledge());
    fill(hints, all, "signs.no-hints", this::hint);
    List<String> points = model().trace().points();
    if (!rail.getItems().equals(points)) {
      Optional<String> was = Optional.ofNullable(rail.getValue()).filter(points::contains);
      rail.getItems().setAll(points);
      rail.setValue(was.or(() -> points.stream().findFirst()).orElse(null));
    }
    hunt();
  }

  private void hint(Hints.Hint h) {
    String parts =
        h.candidates().isEmpty()
            ? h.sign().place().isEmpty() ? Labels.of("signs.no-parts") : h.sign().place()
            : String.join(" ", h.candidates().stream().map(PartRef::toString).toList());
    Label head =
        text(
            Labels.of(
                h.rule().clears() ? "signs.clears" : "signs.points",
                model().words().term("FaultSign." + h.sign().sign()),
                parts),
            "strong-note");
    VBox box =
        new VBox(
            head,
            text(model().words().term("Mechanism." + h.rule().id())),
            text(
                Labels.of("signs.measure", model().words().term("Measure." + h.rule().id())),
                "quiet"));
    if (h.rule().sum() != FaultRule.Sum.NONE) {
      box.getChildren()
          .add(text(Labels.of("signs.sum", model().words().word(h.rule().sum())), "quiet"));
    }
    box.getStyleClass().add("point");
    hints.getChildren().add(box);
  }

  // --- the hunt for a short
  // -----------------------------------------------------------------------------------------------

  private void hunt() {
    hunt.getChildren().clear();
    if (rail.getValue() == null || model().openProperty().get().isEmpty()) {
      hunt.getChildren().add(text(Labels.of("hunt.none"), "quiet"));
      return;
    }
    ShortHunt h =
        ShortHunt.of(
            job(),
            rail.getValue(),
            ref ->
                model()
                    .openProperty()
                    .get()
                    .flatMap(o -> o.assessment(ref))
                    .map(a -> a.risk().chance())
                    .orElse(0.2));
    if (!h.found().isEmpty()) {
      hunt.getChildren().add(text(Labels.of("hunt.found", h.found()), "outcome-bad"));
    }
    hunt.getChildren()
        .add(text(Labels.of("hunt.minutes", Math.round(h.expectedMinutes())), "quiet"));
    h.legs().stream()
        .limit(MOST_LEGS)
        .forEach(l -> {
          boolean wiring = l.part().equals(ShortHunt.WIRING);
          Label name =
              text(
                  Labels.of(
                      "hunt.leg",
                      wiring ? Labels.of("hunt.wiring") : l.part(),
                      l.point(),
                      Math.round(100 * l.chance()),
                      Math.round(l.minutes())));
          FlowPane answers =
              new FlowPane(
                  quiet(
                      "hunt.still",
                      () ->
                          put(SupplySign.LIFTED_STILL_SHORT, l.part(), OptionalDouble.empty(), "")),
                  quiet(
                      "hunt.gone",
                      () ->
                          put(SupplySign.LIFTED_SHORT_GONE, l.part(), OptionalDouble.empty(), "")),
                  quiet(
                      "hunt.changed",
                      () -> put(ShortHunt.CHANGED, l.part(), OptionalDouble.empty(), "")));
          answers.getStyleClass().add("check-answers");
          VBox leg = new VBox(name, answers);
          leg.getStyleClass().add("point");
          hunt.getChildren().add(leg);
        });
  }
}
