package org.yellowhearth.desk.arrival;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.DryingHold;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.fact.ThreePoint;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.Wish;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** What the owner wants it to be, what it may take, what it will take, and whether to go on. */
final class ScopePage extends Page {
  private final Form end;
  private final Form budget;
  private final VBox wishes = column();
  private final VBox drying = column();
  private final VBox lines = column();
  private final EstimatePane estimate;

  ScopePage(DeskModel model) {
    super(model);
    end = new Form(model);
    end.area(
        "arrival.end",
        "plate-end",
        () -> job().plate().endState(),
        text -> model.changePlate(p -> p.with(d -> d.endState = text)));
    budget = new Form(model);
    estimate = new EstimatePane(model);
    fillBudget();
    VBox left =
        column(
            heading("scope.end"),
            end,
            heading("scope.wishes"),
            wishes,
            wishLine(),
            heading("scope.drying"),
            drying,
            dryingLine(),
            heading("scope.budget"),
            budget);
    VBox right =
        column(
            heading("scope.advice"),
            estimate,
            heading("scope.lines"),
            lines,
            estimateLine(),
            button("scope.from-parts", "estimate-census", this::fromCensus));
    add(columns(left, right));
  }

  private Budget budget() {
    return job().aspect(Budget.class);
  }

  private void budget(Consumer<Budget.Draft> change) {
    model().changeAspect(Budget.class, b -> b.with(change));
  }

  private void fillBudget() {
    budget.text(
        "scope.currency",
        "budget-currency",
        () -> budget().currency(),
        t -> budget(d -> d.currency = t));
    budget.figure(
        "scope.rate",
        "budget-rate",
        Measure.PLAIN,
        () -> OptionalDouble.of(budget().ratePerHour()),
        v -> budget(d -> d.ratePerHour = v.orElse(0)));
    budget.figure(
        "scope.worth",
        "budget-worth",
        Measure.PLAIN,
        () -> budget().worth(),
        v -> budget(d -> d.worth = v));
    budget.figure(
        "scope.money",
        "budget-money",
        Measure.PLAIN,
        () -> budget().moneyLimit(),
        v -> budget(d -> d.moneyLimit = v));
    budget.figure(
        "scope.hours",
        "budget-hours",
        Measure.HOURS,
        () -> budget().hoursLimit(),
        v -> budget(d -> d.hoursLimit = v));
    budget.text(
        "scope.part-price",
        "budget-part-price",
        () -> three(budget().partPrice()),
        t ->
            model()
                .made(() -> {
                  ThreePoint price = three(t);
                  budget(d -> d.partPrice = price);
                }));
    budget.text(
        "scope.part-hours",
        "budget-part-hours",
        () -> three(budget().partHours()),
        t ->
            model()
                .made(() -> {
                  ThreePoint hours = three(t);
                  budget(d -> d.partHours = hours);
                }));
  }

  private static String three(ThreePoint t) {
    return plain(t.low()) + " / " + plain(t.likely()) + " / " + plain(t.high());
  }

  private static String plain(double value) {
    return Measure.PLAIN.write(OptionalDouble.of(value));
  }

  /** Reads {@code 2 / 3 / 6}, or one figure for all three. */
  private static ThreePoint three(String text) {
    String[] pieces = text.split("[/;]", -1);
    if (pieces.length != 1 && pieces.length != 3) {
      throw new IllegalArgumentException(Labels.of("scope.three", text));
    }
    double low = Measure.PLAIN.read(pieces[0]).orElse(0);
    return pieces.length == 1
        ? new ThreePoint(low, low, low)
        : new ThreePoint(
            low, Measure.PLAIN.read(pieces[1]).orElse(0), Measure.PLAIN.read(pieces[2]).orElse(0));
  }

  private AddLine wishLine() {
    List<TextField> f = new ArrayList<>();
    List<ComboBox<Wish.Kind>> kind = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() ->
                        model()
                            .put(
                                new Wish(
                                    model().newId(),
                                    kind.getFirst().getValue(),
                                    f.getFirst().getText().strip(),
                                    Wish.Wanted.UNDECIDED))));
    kind.add(line.choice("scope.wish.kind", "wish-kind", List.of(Wish.Kind.values())));
    f.add(line.field("scope.wish.text", "wish-text", 17));
    return line.button("form.add-line", "wish-add");
  }

  private AddLine dryingLine() {
    List<TextField> f = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() -> {
                      OptionalDouble hours = Measure.HOURS.read(f.get(1).getText());
                      if (hours.isEmpty()) {
                        throw new IllegalArgumentException(Labels.of("scope.drying.needs-hours"));
                      }
                      model()
                          .put(
                              new DryingHold(
                                  model().newId(),
                                  model().now().toInstant(),
                                  hours.getAsDouble(),
                                  f.getFirst().getText().strip()));
                    }));
    f.add(line.field("scope.drying.text", "drying-text", 18));
    f.add(line.field("scope.drying.hours", "drying-hours", 5));
    return line.button("scope.drying.add", "drying-add");
  }

  private AddLine estimateLine() {
    List<TextField> f = new ArrayList<>();
    List<ComboBox<Phase>> phase = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() ->
                        model()
                            .put(
                                new EstimateLine(
                                    model().newId(),
                                    phase.getFirst().getValue(),
                                    f.get(0).getText().strip(),
                                    three(f.get(1).getText()),
                                    three(f.get(2).getText())))));
    phase.add(line.choice("scope.line.phase", "estimate-phase", List.of(Phase.values())));
    f.add(line.field("scope.line.text", "estimate-text", 12));
    f.add(line.field("scope.line.hours", "estimate-hours", 7));
    f.add(line.field("scope.line.money", "estimate-money", 7));
    return line.button("form.add-line", "estimate-add");
  }

  /**
   * One line for what is to be renewed in the supply and one for the rest, at the budget's usual
   * price and time for a part.
   */
  private void fromCensus() {
    model()
        .openProperty()
        .get()
        .ifPresent(open -> {
          for (boolean supply : new boolean[] {true, false}) {
            double count =
                open.assessments().stream()
                    .filter(a -> a.verdict() == Verdict.REPLACE)
                    .filter(a -> supply == (a.part() instanceof Capacitor c && inSupply(c.role())))
                    .count();
            if (count > 0) {
              model()
                  .put(
                      new EstimateLine(
                          model().newId(),
                          supply ? Phase.SUPPLY : Phase.REST,
                          Labels.of(
                              supply ? "scope.parts.supply" : "scope.parts.rest",
                              Math.round(count)),
                          budget().partHours().times(count),
                          budget().partPrice().times(count)));
            }
          }
          if (open.assessments().stream().noneMatch(a -> a.verdict() == Verdict.REPLACE)) {
            model().tell(Labels.of("scope.parts.none"), false);
          }
        });
  }

  private static Label whole(Label label) {
    label.setMinWidth(USE_PREF_SIZE);
    return label;
  }

  private static boolean inSupply(Role role) {
    return role.duty() == Role.Duty.SUPPLY || role.duty() == Role.Duty.MAINS;
  }

  @Override
  protected void show(Job job) {
    end.show();
    budget.show();
    Describe describe = new Describe(model().words());
    fill(
        wishes,
        job.items(Wish.class),
        "scope.wishes.none",
        w -> {
          ComboBox<Wish.Wanted> wanted = new ComboBox<>();
          wanted.getItems().addAll(Wish.Wanted.values());
          wanted.setConverter(Form.words(model()));
          wanted.setValue(w.wanted());
          wanted.setAccessibleText(w.text());
          wanted.setMinWidth(USE_PREF_SIZE);
          wanted.setOnAction(_ -> model().put(w.decided(wanted.getValue())));
          wishes
              .getChildren()
              .add(
                  row(
                      text(model().words().word(w.kind()) + ": " + w.text()),
                      wanted,
                      quiet("form.take-out", () -> model().take(w))));
        });
    fill(
        drying,
        job.items(DryingHold.class),
        "scope.drying.none",
        d ->
            drying
                .getChildren()
                .add(row(text(describe.item(d)), quiet("form.take-out", () -> model().take(d)))));
    fill(
        lines,
        job.items(EstimateLine.class),
        "scope.lines.none",
        e ->
            lines
                .getChildren()
                .add(
                    row(
                        text(model().words().word(e.phase()) + ": " + e.text()),
                        whole(
                            text(
                                Labels.of("scope.line.figures", three(e.hours()), three(e.money())),
                                "figure")),
                        quiet("form.take-out", () -> model().take(e)))));
    estimate.show(job);
  }
}
