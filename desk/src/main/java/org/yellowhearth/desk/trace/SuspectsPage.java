package org.yellowhearth.desk.trace;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Fault;
import org.yellowhearth.core.trace.Heat;
import org.yellowhearth.core.trace.MeterCheck;
import org.yellowhearth.core.trace.NextStep;
import org.yellowhearth.core.trace.SwapOrder;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Columns;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.FaultText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.TraceModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Which fault explains the readings, what it predicts beside what was measured, and what to measure
 * next.
 */
final class SuspectsPage extends Page {
  /** From here on it is said first that the description is most likely wrong. */
  private static final double LIKELY = 0.5;

  private static final int MOST_SHOWN = 8;
  private static final int MOST_HOT = 3;
  private static final int MOST_STEPS = 4;
  private static final int COMPARED = 2;
  private static final double LEAST_BITS = 0.005;
  private static final double DANGEROUS = 60;

  private final TraceModel trace;
  private final ProgressBar progress = new ProgressBar();
  private final Button ask = button("suspects.ask", "suspects-ask", this::ask);
  private final Button stop = button("suspects.stop", "suspects-stop", this::stop);
  private final VBox found = column();
  private final VBox next = column();
  private final VBox swaps = column();
  private final GridPane compared = new GridPane();
  private final Columns answer =
      columns(
          column(heading("suspects.found"), found, heading("suspects.compared"), compared),
          column(heading("suspects.next"), next));
  private final Label state = text("", "quiet");

  SuspectsPage(DeskModel model) {
    super(model);
    trace = model.trace();
    ask.getStyleClass().add("keep-button");
    progress.visibleProperty().bind(Bound.number(trace.progressProperty()).greaterThanOrEqualTo(0));
    progress.progressProperty().bind(Bound.number(trace.progressProperty()));
    stop.visibleProperty().bind(progress.visibleProperty());
    HBox head = new HBox(ask, progress, stop);
    head.getStyleClass().add("item-row");
    compared.getStyleClass().add("sums");
    compared.setId("suspects-compared");
    answer.managedProperty().bind(answer.visibleProperty());
    Label how = text(Labels.of("suspects.how"), "quiet");
    how.visibleProperty().bind(answer.visibleProperty());
    how.managedProperty().bind(answer.visibleProperty());
    add(head, state, swaps, answer, how);
    trace
        .findingsProperty()
        .addListener((_, _, _) -> {
          if (model.openProperty().get().isPresent()) {
            show(job());
          }
        });
  }

  private void ask() {
    trace.suspect();
  }

  private void stop() {
    trace.stop();
  }

  @Override
  protected void show(Job job) {
    found.getChildren().clear();
    next.getChildren().clear();
    compared.getChildren().clear();
    answer.setVisible(trace.findingsProperty().get().isPresent());
    if (trace.findingsProperty().get().isEmpty()) {
      boolean readings = !job.items(SupplyReading.class).isEmpty();
      state.setText(Labels.of(readings ? "suspects.not-asked" : "suspects.no-readings"));
      swaps.getChildren().clear();
      if (!readings) {
        swaps();
      }
      return;
    }
    swaps.getChildren().clear();
    TraceModel.Findings f = trace.findingsProperty().get().get();
    state.setText(
        f.suspicion().used().isEmpty()
            ? Labels.of("suspects.no-readings")
            : Labels.of(
                f.pairs() ? "suspects.with-pairs" : "suspects.singles",
                f.suspicion().used().size(),
                f.suspicion().leftOut().size()));
    explanations(f.explanations());
    List<NextStep> telling =
        f.next().stream().filter(n -> n.bits() >= LEAST_BITS).limit(MOST_STEPS).toList();
    telling.forEach(this::step);
    if (telling.isEmpty() && !f.next().isEmpty()) {
      next.getChildren().add(text(Labels.of("suspects.nothing-tells"), "quiet"));
    }
    compare(f);
  }

  /** Which parts to change first where nothing is measured. */
  private void swaps() {
    List<Assessment> order =
        SwapOrder.of(model().openProperty().get().orElseThrow().judged().assessments());
    if (order.isEmpty()) {
      return;
    }
    swaps.getChildren().add(text(Labels.of("suspects.swap"), "strong-note"));
    Describe describe = new Describe(model().words());
    for (int k = 0; k < Math.min(MOST_SHOWN, order.size()); k++) {
      Assessment a = order.get(k);
      swaps
          .getChildren()
          .add(
              text(
                  Labels.of(
                      "suspects.swap.one",
                      k + 1,
                      a.part().ref(),
                      describe.part(a.part()),
                      a.risk().chanceShown())));
    }
    swaps.getChildren().add(text(Labels.of("suspects.off-first"), "outcome-doubtful"));
  }

  private String nothing() {
    return Labels.of("suspects.sound");
  }

  private void explanations(List<Diagnosis.Explanation> all) {
    FaultText text = new FaultText(model().words());
    List<Diagnosis.Explanation> alike = all.stream().filter(Diagnosis.Explanation::alike).toList();
    boolean none = !all.isEmpty() && all.stream().noneMatch(Diagnosis.Explanation::passes);
    if (none || Diagnosis.unexplained(all) > LIKELY) {
      found
          .getChildren()
          .add(
              text(
                  Labels.of("suspects.none-explains", percent(Diagnosis.unexplained(all))),
                  "strong-note"));
    }
    if (alike.size() > 1) {
      found.getChildren().add(text(Labels.of("suspects.alike", alike.size()), "strong-note"));
    }
    all.stream()
        .limit(MOST_SHOWN)
        .filter(e -> e.alike() || e.probability() >= 0.005)
        .forEach(e -> {
          ProgressBar bar = new ProgressBar(e.probability());
          bar.getStyleClass().add("chance-bar");
          bar.setMinWidth(60);
          bar.setAccessibleText(percent(e.probability()));
          Label name = text(text.of(e, nothing()), e.alike() ? "strong-note" : "suspect");
          Label percent = text(percent(e.probability()), "figure");
          percent.setMinWidth(USE_PREF_SIZE);
          percent.getStyleClass().add("chance");
          HBox row = row(name, bar, percent);
          if (!e.sound()) {
            row.setOnMouseClicked(_ -> trace.chosenProperty().set(e.parts().getFirst()));
          }
          found.getChildren().add(row);
          heat(e);
        });
    all.stream()
        .filter(Diagnosis.Explanation::alike)
        .flatMap(e ->
            IntStream.range(0, e.parts().size())
                .mapToObj(k -> Map.entry(e.parts().get(k), e.faults().get(k).mode())))
        .distinct()
        .forEach(e -> inside(e.getKey(), e.getValue()));
  }

  /** What would get hot, and whether that was noticed. */
  private void heat(Diagnosis.Explanation e) {
    if (!e.hot().isEmpty() || e.heat() == Heat.Says.AGAINST) {
      String hot =
          e.hot().stream().limit(MOST_HOT).map(this::heat).collect(Collectors.joining(" · "));
      String says =
          switch (e.heat()) {
            case NOTHING -> Labels.of("suspects.heat.look", hot);
            case AGREES -> Labels.of("suspects.heat.agrees", hot);
            case AGAINST ->
                e.hot().isEmpty()
                    ? Labels.of("suspects.heat.none")
                    : Labels.of("suspects.heat.against", hot);
          };
      found.getChildren().add(text(says, "quiet"));
    }
  }

  private String heat(Heat h) {
    return h.ratedWatts().isPresent()
        ? Labels.of(
            h.burns() ? "suspects.heat.burns" : "suspects.heat.rated",
            h.part(),
            Quantity.watts(h.watts()),
            Quantity.watts(h.ratedWatts().getAsDouble()))
        : Labels.of("suspects.heat.part", h.part(), Quantity.watts(h.watts()));
  }

  /** What inside a regulator would make it do that, and what to measure there. */
  private void inside(String part, Fault.Mode does) {
    job().items(SupplyRegulator.class).stream()
        .filter(r -> r.name().equals(part) && r.kind() == SupplyRegulator.Kind.SERIES)
        .forEach(r ->
            model()
                .knowledge()
                .supply()
                .inside(does.code())
                .forEach(i -> {
                  Optional<PartRef> named =
                      switch (i.place()) {
                        case PASS -> r.part();
                        case DRIVER -> r.driver();
                        case REFERENCE -> r.reference();
                        case COMPENSATION -> r.compensation();
                      };
                  found
                      .getChildren()
                      .add(
                          text(
                              named.map(ref -> ref + ": ").orElse("")
                                  + model().words().term("Inside." + i.id()),
                              "quiet"));
                }));
  }

  private static String percent(double share) {
    return Quantity.percent(
            Math.clamp(Math.round(100 * share), share > 0.005 ? 1 : 0, share < 0.995 ? 99 : 100)
                / 100.0)
        .toString();
  }

  /** One bit halves the number of causes that are left. */
  private static String worth(double bits) {
    return bits >= 0.8
        ? "suspects.worth.much"
        : bits >= 0.25 ? "suspects.worth.some" : "suspects.worth.little";
  }

  private void step(NextStep s) {
    String at =
        s.kind().isPresent() && s.way() == NextStep.Way.READ
            ? s.at() + ", " + model().words().word(s.kind().get())
            : s.at();
    VBox box =
        new VBox(
            text(model().words().word(s.way()) + ": " + at, "strong-note"),
            text(Labels.of(worth(s.bits()), Math.round(s.minutes())), "quiet"));
    box.getStyleClass().add("point");
    s.shows().stream()
        .filter(x -> x.probability() > 0.01)
        .forEach(x ->
            box.getChildren()
                .add(
                    text(
                        Labels.of(
                            "suspects.shows",
                            FaultText.parts(x.parts(), nothing()),
                            Readings.figure(s.kind().orElse(SupplyReading.Kind.DIRECT), x.volts()),
                            Readings.figure(
                                s.kind().orElse(SupplyReading.Kind.DIRECT), x.spread())))));
    if (s.way() == NextStep.Way.BRIDGE) {
      box.getChildren().add(text(Labels.of("suspects.bridge"), "quiet"));
    }
    if (s.way() == NextStep.Way.BRIDGE
        || s.way() == NextStep.Way.LIFT
        || s.way() == NextStep.Way.UNLOAD) {
      box.getChildren().add(text(Labels.of("suspects.off-first"), "outcome-doubtful"));
    } else if (s.volts() > DANGEROUS) {
      box.getChildren()
          .add(text(Labels.of("trace.lethal", Quantity.volts(s.volts())), "outcome-doubtful"));
    }
    if (s.way() == NextStep.Way.READ || s.way() == NextStep.Way.BRIDGE) {
      MeterCheck.of(job().plate(), s.volts())
          .forEach(m -> box.getChildren().add(text(model().words().say(m), "outcome-doubtful")));
    }
    next.getChildren().add(box);
  }

  /** Predicted against measured, for the likeliest and the runner-up. */
  private void compare(TraceModel.Findings f) {
    List<Diagnosis.Explanation> leaders = f.explanations().stream().limit(COMPARED).toList();
    if (leaders.isEmpty()) {
      return;
    }
    compared.add(text(Labels.of("readings.point"), "quiet"), 0, 0);
    compared.add(text(Labels.of("readings.kind"), "quiet"), 1, 0);
    compared.add(text(Labels.of("readings.read"), "quiet"), 2, 0);
    for (int k = 0; k < leaders.size(); k++) {
      compared.add(text(FaultText.parts(leaders.get(k).parts(), nothing()), "quiet"), 3 + k, 0);
    }
    for (int r = 0; r < f.suspicion().used().size(); r++) {
      SupplyReading reading = f.suspicion().used().get(r);
      compared.add(text(reading.point(), "strong-note"), 0, r + 1);
      compared.add(text(model().words().word(reading.kind())), 1, r + 1);
      compared.add(
          text(Readings.figure(reading.kind(), reading.volts()).toString(), "figure"), 2, r + 1);
      for (int k = 0; k < leaders.size(); k++) {
        compared.add(
            text(
                Readings.figure(reading.kind(), leaders.get(k).predicted().get(r)).toString(),
                "figure"),
            3 + k,
            r + 1);
      }
    }
  }
}
