package org.yellowhearth.desk.arrival;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.arrival.Estimate;
import org.yellowhearth.core.arrival.Pert;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.Consent;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.charts.RangeScale;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What it will take phase by phase, the scale of go and no-go, and what the owner has agreed to.
 */
final class EstimatePane extends VBox {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

  private final DeskModel model;
  private final Label advice = Page.text("", "advice");
  private final VBox reasons = new VBox();
  private final RangeScale scale = new RangeScale();
  private final GridPane sums = new GridPane();
  private final VBox consents = new VBox();

  EstimatePane(DeskModel model) {
    this.model = model;
    getStyleClass().add("page-column");
    advice.setId("advice");
    sums.getStyleClass().add("sums");
    consents.getStyleClass().add("page-column");
    getChildren()
        .addAll(
            advice,
            scale,
            reasons,
            sums,
            Page.text(Labels.of("scope.consents"), "section-title"),
            consents,
            consentLine());
  }

  private AddLine consentLine() {
    List<TextField> f = new ArrayList<>();
    List<ComboBox<Phase>> phase = new ArrayList<>();
    AddLine line =
        new AddLine(
            model,
            () ->
                model.made(() -> {
                  OptionalDouble amount = Measure.PLAIN.read(f.getFirst().getText());
                  if (amount.isEmpty()) {
                    throw new IllegalArgumentException(Labels.of("scope.consent.needs-amount"));
                  }
                  model.put(
                      new Consent(
                          model.newId(),
                          phase.getFirst().getValue(),
                          amount.getAsDouble(),
                          f.get(1).getText().strip(),
                          model.now().toInstant()));
                }));
    phase.add(line.choice("scope.line.phase", "consent-phase", List.of(Phase.values())));
    f.add(line.field("scope.consent.amount", "consent-amount", 5));
    f.add(line.field("scope.consent.how", "consent-how", 11));
    return line.button("scope.consent.add", "consent-add");
  }

  void show(Job job) {
    Estimate e = Estimate.of(job);
    Budget budget = job.aspect(Budget.class);
    advice.setText(model.words().word(e.advice()));
    advice.getStyleClass().removeIf(c -> c.startsWith("advice-"));
    advice.getStyleClass().add("advice-" + e.advice().code());
    reasons
        .getChildren()
        .setAll(e.reasons().stream().map(r -> Page.text(model.words().say(r))).toList());
    boolean any = e.whole().lines() > 0;
    scale.setVisible(any);
    scale.setManaged(any);
    List<RangeScale.Mark> marks = new ArrayList<>();
    budget.worth().ifPresent(w -> marks.add(new RangeScale.Mark(w, Labels.of("scope.worth.mark"))));
    budget
        .moneyLimit()
        .ifPresent(w -> marks.add(new RangeScale.Mark(w, Labels.of("scope.limit.mark"))));
    scale.show(
        e.whole().money().from(),
        e.whole().money().mean(),
        e.whole().money().to(),
        budget.currency(),
        marks);
    sums(job, e, budget.currency());
    Page.fillRows(
        consents,
        job.items(Consent.class),
        "scope.consents.none",
        c ->
            Page.row(
                Page.text(
                    Labels.of(
                        "scope.consent.said",
                        model.words().word(c.phase()),
                        amount(c.amount(), budget.currency()),
                        c.how(),
                        DAY.format(c.at().atZone(ZoneId.systemDefault())))),
                Page.quiet("form.take-out", () -> model.take(c))));
  }

  private void sums(Job job, Estimate e, String currency) {
    sums.getChildren().clear();
    if (e.whole().lines() == 0) {
      return;
    }
    sums.addRow(
        0,
        Page.text("", "findings-head"),
        Page.text(Labels.of("scope.sum.hours"), "findings-head"),
        Page.text(Labels.of("scope.sum.money", currency), "findings-head"));
    int row = 1;
    for (Phase p : Phase.values()) {
      Estimate.Sum sum = e.phases().get(p);
      if (sum.lines() > 0) {
        sums.addRow(
            row++,
            Page.text(model.words().word(p) + agreed(Estimate.consented(job, p), sum, currency)),
            figures(sum.hours()),
            figures(sum.money()));
      }
    }
    sums.addRow(
        row,
        Page.text(Labels.of("scope.sum.whole"), "strong-note"),
        figures(e.whole().hours()),
        figures(e.whole().money()));
    sums.add(Page.text(Labels.of("scope.sum.how"), "reasons-source"), 0, row + 1, 3, 1);
  }

  /** What the owner agreed to for a phase, and whether it may not be enough. */
  private static String agreed(OptionalDouble consent, Estimate.Sum sum, String currency) {
    if (consent.isEmpty()) {
      return "";
    }
    boolean enough = sum.money().to() <= consent.getAsDouble();
    return Labels.of(
        enough ? "scope.agreed" : "scope.agreed.short", amount(consent.getAsDouble(), currency));
  }

  private static Label figures(Pert p) {
    return Page.text(
        Quantity.ratio(p.mean())
            + "  ("
            + Quantity.ratio(p.from())
            + "–"
            + Quantity.ratio(p.to())
            + ")",
        "figure");
  }

  private static String amount(double amount, String currency) {
    return (Quantity.ratio(amount) + " " + currency).strip();
  }
}
