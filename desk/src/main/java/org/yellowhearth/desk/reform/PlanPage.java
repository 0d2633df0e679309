package org.yellowhearth.desk.reform;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.Replaceable;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reform.InSet;
import org.yellowhearth.core.reform.PlanFigures;
import org.yellowhearth.core.reform.Planner;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Durations;
import org.yellowhearth.publishing.dossier.ReformPapers;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReformModel.Lane;
import org.yellowhearth.workshop.ReformPlans;
import org.yellowhearth.workshop.words.Labels;

/**
 * Whether the chosen capacitor is worth it, its plan step by step with what each step means, and a
 * form to plan it anew.
 */
final class PlanPage extends Page {
  private final VBox worth = column();
  private final GridPane steps = new GridPane();
  private final VBox sums = column();
  private final CheckBox rare = new CheckBox(Labels.of("reform.rare"));
  private final TextField price = new TextField();
  private final GridPane rungs = new GridPane();
  private final VBox inSet = column();
  private final PaperTray tray;
  private final FlowPane papers = new FlowPane();
  private final VBox enough = column();
  private TextField target = new TextField();

  PlanPage(DeskModel model, PaperTray tray) {
    super(model);
    this.tray = tray;
    steps.getStyleClass().add("sums");
    steps.setId("plan-steps");
    worth.setId("plan-worth");
    rungs.getStyleClass().add("sums");
    rungs.setId("plan-rungs");
    papers.getStyleClass().add("line-form");
    add(
        heading("reform.worth"),
        worth,
        replaced(),
        heading("reform.plan.title"),
        form(),
        enough,
        steps,
        sums,
        papers,
        text(Labels.of("reform.plan.how"), "quiet"),
        heading("reform.in-set.title"),
        inSet,
        rungs);
    model.chosenProperty().addListener((_, _, _) -> again());
    model.reform().plans().inSetProperty().addListener((_, _, _) -> again());
    model.reform().plans().figuresProperty().addListener((_, _, _) -> again());
    model.reform().lanesProperty().addListener((_, _, _) -> again());
  }

  private void again() {
    if (getScene() != null && model().openProperty().get().isPresent()) {
      show(job());
    }
  }

  /**
   * What a new one costs, and whether one can be had: the person knows, until there is a catalogue.
   */
  private FlowPane replaced() {
    rare.setId("plan-rare");
    price.setId("plan-price");
    price.setPrefColumnCount(10);
    price.setPromptText(Labels.of("reform.price"));
    price.setAccessibleText(Labels.of("reform.price"));
    FlowPane line =
        new FlowPane(
            rare,
            price,
            button(
                "reform.price.keep",
                "plan-price-keep",
                () ->
                    model()
                        .chosenProperty()
                        .get()
                        .ifPresent(ref ->
                            model()
                                .made(() ->
                                    model()
                                        .reform()
                                        .plans()
                                        .say(
                                            ref,
                                            rare.isSelected(),
                                            Measure.PLAIN.read(price.getText()))))));
    line.getStyleClass().addAll("line-form", "link-line");
    return line;
  }

  private AddLine form() {
    List<TextField> f = new ArrayList<>();
    List<ComboBox<ReformPlan.ReformSchool>> school = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () -> {
              Optional<PartRef> ref = model().chosenProperty().get();
              return ref.isPresent()
                  && model()
                      .made(() -> {
                        OptionalDouble across = Measure.MILLIMETRES.read(f.get(1).getText());
                        OptionalDouble high = Measure.MILLIMETRES.read(f.get(2).getText());
                        if (across.isPresent() != high.isPresent()) {
                          throw new IllegalArgumentException(Labels.of("reform.can-both"));
                        }
                        Optional<Planner.Can> can =
                            across.isEmpty()
                                ? Optional.empty()
                                : Optional.of(
                                    new Planner.Can(
                                        across.getAsDouble() / 1000, high.getAsDouble() / 1000));
                        model()
                            .reform()
                            .plans()
                            .plan(
                                ref.get(),
                                school.getFirst().getValue(),
                                Measure.VOLTS.read(f.getFirst().getText()),
                                can);
                      });
            });
    school.add(
        line.choice("reform.school", "plan-school", List.of(ReformPlan.ReformSchool.values())));
    target = line.field("reform.target", "plan-target", 6);
    f.add(target);
    f.add(line.field("reform.can-across", "plan-across", 4));
    f.add(line.field("reform.can-high", "plan-high", 4));
    return line.button("reform.make", "plan-make");
  }

  @Override
  protected void show(Job job) {
    worth.getChildren().clear();
    steps.getChildren().clear();
    sums.getChildren().clear();
    papers.getChildren().clear();
    enough.getChildren().clear();
    inSet.getChildren().clear();
    rungs.getChildren().clear();
    Optional<Lane> lane = model().chosenProperty().get().flatMap(model().reform()::lane);
    if (lane.isEmpty()) {
      worth.getChildren().add(text(Labels.of("reform.choose"), "quiet"));
      return;
    }
    Lane l = lane.get();
    Optional<Replaceable> how = model().reform().plans().replaceable(l.ref());
    rare.setSelected(how.map(Replaceable::rare).orElse(false));
    if (!price.isFocused()) {
      price.setText(
          Measure.PLAIN.write(how.map(Replaceable::price).orElse(OptionalDouble.empty())));
    }
    worth
        .getChildren()
        .add(text(l.ref() + ": " + model().words().word(l.worth().answer()), "worth-answer"));
    l.worth().reasons().forEach(r -> worth.getChildren().add(text("· " + model().words().say(r))));
    target(l);
    l.run()
        .map(ReformRun::plan)
        .ifPresentOrElse(
            this::plan, () -> sums.getChildren().add(text(Labels.of("reform.no-plan"), "quiet")));
    model()
        .reform()
        .plans()
        .inSetProperty()
        .get()
        .filter(t -> t.part().equals(l.ref()))
        .ifPresent(this::inSet);
  }

  /** Its rating, unless it is known what it works at: then a tenth above that is enough. */
  private void target(Lane l) {
    OptionalDouble rated = l.part().ratedVolts();
    OptionalDouble works = l.part().workingVolts();
    target.setPromptText(rated.isPresent() ? Quantity.volts(rated.getAsDouble()).toString() : "");
    if (rated.isPresent() && works.isPresent()) {
      double volts = Planner.target(rated.getAsDouble(), Optional.of(works.getAsDouble()));
      enough
          .getChildren()
          .add(
              new FlowPane(
                  text(
                      Labels.of(
                              "reform.target.enough",
                              Quantity.volts(works.getAsDouble()),
                              Quantity.volts(volts))
                          + "  "),
                  button(
                      "reform.target.take",
                      "plan-enough",
                      () -> target.setText(Quantity.volts(volts).toString()))));
    }
  }

  private static String threshold(InSet set) {
    InSet.Rung first =
        set.rungs().stream().filter(InSet.Rung::conducts).findFirst().orElse(set.rungs().getLast());
    int cold = (int) Math.round(100 * first.share()) - 10;
    return Labels.of(
        "reform.in-set.valve",
        cold,
        Quantity.volts(first.volts()),
        Quantity.volts(set.rungs().getLast().volts()));
  }

  /** What turning up the variable transformer really does to it. */
  private void inSet(ReformPlans.Turned turned) {
    if (turned.set().isEmpty()) {
      inSet.getChildren().add(text(Labels.of("reform.in-set.unknown"), "quiet"));
      return;
    }
    inSet
        .getChildren()
        .add(
            text(
                turned.behindValve()
                    ? threshold(turned.set().get())
                    : Labels.of("reform.in-set.junction")));
    int column = 0;
    for (String key : List.of("mains", "share", "emission", "rail")) {
      rungs.add(text(Labels.of("reform.in-set." + key), "quiet"), column++, 0);
    }
    int row = 1;
    for (InSet.Rung r : turned.set().get().rungs()) {
      String emission = Math.round(100 * r.emission()) + " %";
      rungs.addRow(
          row++,
          figure(Quantity.volts(r.mainsVolts()).toString()),
          figure(Math.round(100 * r.share()) + " %"),
          figure(
              !turned.behindValve()
                  ? "—"
                  : r.conducts() ? emission : Labels.of("reform.in-set.cold")),
          figure(Quantity.volts(r.volts()).toString()));
    }
    inSet.getChildren().add(text(Labels.of("reform.in-set.how"), "quiet"));
  }

  private void plan(ReformPlan plan) {
    Optional<PlanFigures> figures =
        model()
            .reform()
            .plans()
            .figuresProperty()
            .get()
            .filter(s -> s.plan().equals(plan))
            .map(ReformPlans.Sums::figures);
    int column = 0;
    for (String key :
        List.of("step", "supply", "resistor", "wattage", "limit", "gate", "hold", "patience")) {
      steps.add(text(Labels.of("reform.column." + key), "quiet"), column++, 0);
    }
    for (int k = 0; k < plan.steps().size(); k++) {
      ReformPlan.Step s = plan.steps().get(k);
      int at = k;
      Optional<PlanFigures.StepFigures> of = figures.map(f -> f.steps().get(at));
      steps.addRow(
          k + 1,
          figure(Integer.toString(k + 1)),
          figure(
              (s.mainsVolts().isPresent()
                      ? Quantity.volts(s.mainsVolts().getAsDouble()) + " → "
                      : "")
                  + Quantity.volts(s.volts())),
          figure(Quantity.ohms(s.ohms()).toString()),
          figure(
              of.map(x ->
                      x.resistorWatts().isPresent()
                          ? Quantity.watts(x.resistorWatts().getAsDouble()).toString()
                          : Labels.of("reform.not-made"))
                  .orElse("…")),
          figure(Quantity.amperes(s.limitAmperes()).toString()),
          figure(Quantity.amperes(s.gateAmperes()).toString()),
          figure(Durations.text(s.holdSeconds())),
          figure(Durations.text(s.patienceSeconds())));
    }
    sums.getChildren()
        .add(
            text(
                Labels.of(
                    "reform.bounds",
                    Quantity.amperes(plan.bounds().amperes()),
                    Quantity.watts(plan.bounds().watts()),
                    Quantity.of(plan.bounds().warmKelvin(), Unit.CELSIUS))));
    figures.ifPresent(f -> papers(plan, f));
    figures.ifPresentOrElse(
        this::sums, () -> sums.getChildren().add(text(Labels.of("reform.working"), "quiet")));
  }

  private void papers(ReformPlan plan, PlanFigures f) {
    Job job = job();
    ZonedDateTime now = model().now();
    papers
        .getChildren()
        .addAll(
            button(
                "reform.card.save",
                "plan-card",
                () ->
                    tray.save(
                        Labels.of("reform.card.file", plan.part()),
                        () -> ReformPapers.card(job, plan, f, now))),
            button(
                "reform.card.print",
                "plan-print",
                () -> tray.print(() -> ReformPapers.card(job, plan, f, now))));
  }

  private void sums(PlanFigures f) {
    sums.getChildren()
        .add(
            text(
                Labels.of(
                    "reform.charge",
                    Quantity.of(1000 * f.coulombs(), Unit.RATIO),
                    Quantity.joules(f.joules()))));
    if (f.rehearsals().isEmpty()) {
      sums.getChildren().add(text(Labels.of("reform.no-rehearsal"), "quiet"));
      return;
    }
    sums.getChildren()
        .add(
            text(
                Labels.of(
                    "reform.takes",
                    Durations.text(f.leastSeconds().orElse(0)),
                    Durations.text(f.mostSeconds().orElse(0)))));
  }

  private static javafx.scene.control.Label figure(String text) {
    return text(text, "figure");
  }
}
