package org.yellowhearth.desk.firstpower;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.fact.PowerUpPlan.PowerUpKind;
import org.yellowhearth.core.fact.PowerUpPlan.Shows;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.firstpower.LampChoice;
import org.yellowhearth.core.firstpower.PowerUpPlanner.Proposed;
import org.yellowhearth.core.firstpower.PowerUpPlanner.Wanted;
import org.yellowhearth.core.firstpower.PowerUpTells;
import org.yellowhearth.core.firstpower.SeparateSupplies;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.charts.MarkPane;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Grid;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Durations;
import org.yellowhearth.publishing.drawing.StairsChart;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.FirstPowerModel;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/**
 * The plan of a ramp: what is wanted of it, the staircase, and what each meter should show at each
 * step.
 */
final class PowerUpPage extends Page {
  private final FirstPowerModel wake;
  private final ComboBox<PowerUpKind> kind = new ComboBox<>();
  private final CheckBox valves = new CheckBox();
  private final ComboBox<Double> lamp = new ComboBox<>();
  private final Label lampSays = text("", "quiet");
  private final FlowPane fed = new FlowPane();
  private final FlowPane clips = new FlowPane();
  private final TextField heaters = new TextField();
  private final ProgressBar bar = new ProgressBar();
  private final Button stop =
      button("suspects.stop", "ramp-stop", () -> model().wake().stopPlanning());
  private final MarkPane stairs = new MarkPane("stairs");
  private final ComboBox<Clip> looked = new ComboBox<>();
  private final Grid table = new Grid("ramp-table");
  private final VBox notes = column();
  private final VBox tells = column();
  private final VBox what;
  private final Button keep;
  private final Button elsewhere;
  private final Label state = text("", "strong-note");
  private boolean showing;

  PowerUpPage(DeskModel model) {
    super(model);
    wake = model.wake();
    kind.getItems().addAll(PowerUpKind.values());
    kind.setConverter(Form.words(model));
    labelled(kind, "ramp-kind", "firstpower.kind");
    kind.valueProperty().addListener((_, _, _) -> want());
    valves.setText(Labels.of("firstpower.valves"));
    valves.setId("ramp-valves");
    valves.selectedProperty().addListener((_, _, _) -> want());
    lamp.setConverter(
        Shown.by(
            w -> w > 0 ? Quantity.watts(w).toString() : Labels.of("firstpower.lamp.none"), ""));
    labelled(lamp, "ramp-lamp", "firstpower.lamp");
    lamp.valueProperty().addListener((_, _, _) -> want());
    lampSays.setId("ramp-lamp-says");
    heaters.setPromptText("6.3 V");
    heaters.setPrefColumnCount(5);
    labelled(heaters, "ramp-heaters", "firstpower.heaters");
    heaters.setOnAction(_ -> want());
    heaters
        .focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) {
            want();
          }
        });
    for (FlowPane p : List.of(fed, clips)) {
      p.getStyleClass().add("line-form");
    }
    clips.setId("ramp-clips");
    HBox working = new HBox(bar, stop);
    working.getStyleClass().add("item-row");
    working.managedProperty().bind(working.visibleProperty());
    working.visibleProperty().bind(Bound.number(wake.progressProperty()).greaterThanOrEqualTo(0));
    bar.progressProperty().bind(Bound.number(wake.progressProperty()));
    // Where nothing came of it, nothing else says that it is over.
    working.visibleProperty().addListener((_, _, _) -> state(wake.basisProperty().get()));
    stairs.setMinHeight(210);
    stairs.setPrefHeight(250);
    labelled(looked, "ramp-looked", "firstpower.looked");
    looked.setConverter(Shown.by(c -> new Describe(model.words()).clip(c), ""));
    looked.valueProperty().addListener((_, _, _) -> draw());
    keep = button("firstpower.keep", "ramp-keep", wake::keepPlan);
    keep.getStyleClass().add("keep-button");
    state.setId("ramp-state");
    FlowPane first =
        new FlowPane(box("firstpower.kind", kind), box("firstpower.lamp", lamp), valves);
    first.getStyleClass().add("line-form");
    VBox left = column(first, lampSays, fed, heading("firstpower.clips"), clips, working, notes);
    VBox right = column(row(text(Labels.of("firstpower.looked"), "form-label"), looked), stairs);
    elsewhere =
        button(
            "firstpower.to-arrival",
            "ramp-elsewhere",
            () -> {
              boolean described = !job().items(SupplySection.class).isEmpty();
              model.stageProperty().set(described ? Stage.TRACE : Stage.ARRIVAL);
            });
    FlowPane end = new FlowPane(keep, state, elsewhere);
    end.getStyleClass().add("line-form");
    what = column(columns(left, right), table, heading("firstpower.tells"), tells);
    add(end, what);
    wake.basisProperty().addListener((_, _, _) -> again());
    wake.wantedProperty().addListener((_, _, _) -> again());
    wake.proposedProperty().addListener((_, _, _) -> again());
  }

  private static void labelled(javafx.scene.control.Control control, String id, String label) {
    control.setId(id);
    control.setAccessibleText(Labels.of(label));
  }

  private static VBox box(String label, javafx.scene.Node node) {
    return new VBox(text(Labels.of(label), "form-label"), node);
  }

  private void again() {
    if (model().openProperty().get().isPresent()) {
      show(job());
    }
  }

  @Override
  protected void show(Job job) {
    Optional<FirstPowerModel.Basis> basis = wake.basisProperty().get();
    what.setVisible(basis.isPresent());
    what.setManaged(basis.isPresent());
    state(basis);
    if (basis.isEmpty()) {
      return;
    }
    showing = true;
    wake.wantedProperty().get().ifPresent(w -> wanted(basis.get(), w));
    showing = false;
    Optional<PowerUpPlan> plan = shown();
    plan.ifPresent(p -> {
      Clip was = looked.getValue();
      looked.getItems().setAll(p.clips());
      looked.setValue(
          was != null && p.clips().contains(was)
              ? was
              : p.clips().stream()
                  .filter(c -> c.shows() == Shows.DIRECT)
                  .findFirst()
                  .orElse(p.clips().isEmpty() ? null : p.clips().getFirst()));
    });
    draw();
    fillRows(
        notes,
        wake.proposedProperty().get().map(Proposed::notes).orElse(List.of()),
        "firstpower.notes.none",
        m -> text("!  " + model().words().say(m), "point-against"));
  }

  /** The plan that is looked at: the one that is proposed, else the one that stands. */
  private Optional<PowerUpPlan> shown() {
    return wake.proposedProperty().get().map(Proposed::plan);
  }

  private void state(Optional<FirstPowerModel.Basis> basis) {
    Optional<PowerUpPlan> stands = wake.runProperty().get().map(r -> r.plan());
    boolean working = wake.progressProperty().get() >= 0;
    boolean same =
        stands.isPresent()
            && wake.proposedProperty()
                .get()
                .map(p ->
                    p.plan().steps().equals(stands.get().steps())
                        && p.plan().clips().equals(stands.get().clips())
                        && p.plan().kind() == stands.get().kind())
                .orElse(false);
    boolean described = !job().items(SupplySection.class).isEmpty();
    boolean stuck = basis.isEmpty() && !working;
    elsewhere.setText(Labels.of(described ? "firstpower.to-trace" : "firstpower.to-arrival"));
    elsewhere.setVisible(stuck);
    elsewhere.setManaged(stuck);
    state.setText(
        basis.isEmpty()
            ? Labels.of(
                working
                    ? "firstpower.working"
                    : described ? "firstpower.not-worked-out" : "firstpower.describe")
            : same
                ? Labels.of("firstpower.stands")
                : stands
                    .map(p -> Labels.of("firstpower.other", model().words().word(p.kind())))
                    .orElse(Labels.of("firstpower.none")));
    keep.setDisable(same || wake.proposedProperty().get().isEmpty() || wake.on());
    keep.setVisible(basis.isPresent());
    keep.setManaged(basis.isPresent());
  }

  // --- what is wanted
  // --------------------------------------------------------------------------------------------------------

  private void wanted(FirstPowerModel.Basis basis, Wanted w) {
    kind.setValue(w.kind());
    valves.setSelected(w.valves());
    valves.setDisable(w.kind() == PowerUpKind.POLARITY || w.kind() == PowerUpKind.STATIC_DRAIN);
    List<Double> lamps = new ArrayList<>(List.of(0.0));
    basis.lamps().tried().forEach(t -> lamps.add(t.watts()));
    lamp.getItems().setAll(lamps);
    lamp.setValue(w.lampWatts().orElse(0));
    lampSays.setText(lampSays(basis.lamps(), w.lampWatts()));
    List<SeparateSupplies.Part> parts = SeparateSupplies.of(basis.bare().supply());
    boolean choose = w.kind() == PowerUpKind.ONE_SUPPLY;
    fed.setVisible(choose);
    fed.setManaged(choose);
    fed.getChildren()
        .setAll(
            parts.size() < 2
                ? List.of(text(Labels.of("firstpower.fed.one"), "quiet"))
                : parts.stream()
                    .map(p ->
                        tick(
                            String.join(", ", p.rails()),
                            "fed-" + p.rails().getFirst(),
                            p.rails().stream().anyMatch(w.fed()::contains),
                            on -> fed(w, p, on)))
                    .toList());
    clips(basis, w);
  }

  private static String lampSays(LampChoice lamps, OptionalDouble watts) {
    String takes =
        Labels.of(
            "firstpower.lamp.takes",
            Quantity.watts(lamps.watts()),
            lamps.best().map(t -> Quantity.watts(t.watts()).toString()).orElse("—"));
    return takes
        + lamps.tried().stream()
            .filter(t -> t.watts() == watts.orElse(-1))
            .findFirst()
            .map(t ->
                " "
                    + Labels.of(
                        "firstpower.lamp.this",
                        Quantity.percent(t.left()),
                        Quantity.percent(t.glow()),
                        Quantity.amperes(t.shortAmperes())))
            .orElse("");
  }

  private interface Ticked {
    void to(boolean on);
  }

  private CheckBox tick(String label, String id, boolean on, Ticked then) {
    CheckBox box = new CheckBox(label);
    box.setId(id);
    box.setSelected(on);
    box.selectedProperty()
        .addListener((_, _, now) -> {
          if (!showing) {
            then.to(now);
          }
        });
    return box;
  }

  private void fed(Wanted w, SeparateSupplies.Part part, boolean on) {
    List<String> rails = new ArrayList<>(w.fed());
    rails.removeAll(part.rails());
    if (on) {
      rails.addAll(part.rails());
    }
    List<Clip> there =
        w.clips().stream()
            .filter(
                c -> c.point().startsWith("mains") || rails.isEmpty() || rails.contains(c.point()))
            .toList();
    wake.want(new Wanted(w.kind(), rails, w.valves(), w.lampWatts(), there, w.heaterVolts()));
  }

  private void clips(FirstPowerModel.Basis basis, Wanted w) {
    Describe describe = new Describe(model().words());
    List<Clip> all = new ArrayList<>(List.of(Clip.BEHIND_LAMP, Clip.TAKEN));
    for (String p : basis.bare().points()) {
      if (w.fed().isEmpty() || w.fed().contains(p)) {
        all.add(new Clip(p, Shows.DIRECT));
        all.add(new Clip(p, Shows.ALTERNATING));
      }
    }
    clips
        .getChildren()
        .setAll(
            all.stream()
                .map(c ->
                    tick(
                        describe.clip(c),
                        "clip-" + c.point().replace('.', '-') + "-" + c.shows().code(),
                        w.clips().contains(c),
                        on -> clip(c, on)))
                .toList());
    if (!heaters.isFocused()) {
      heaters.setText(Measure.VOLTS.write(w.heaterVolts()));
    }
    CheckBox heater =
        tick(
            describe.clip(Clip.HEATERS),
            "clip-heaters",
            w.clips().contains(Clip.HEATERS),
            on -> clip(Clip.HEATERS, on));
    heater.setDisable(w.heaterVolts().isEmpty());
    clips
        .getChildren()
        .addAll(heater, text(Labels.of("firstpower.heaters"), "form-label"), heaters);
  }

  private void clip(Clip clip, boolean on) {
    wake.wantedProperty()
        .get()
        .ifPresent(w -> {
          List<Clip> now = new ArrayList<>(w.clips());
          now.remove(clip);
          if (on) {
            now.add(clip);
          }
          wake.want(new Wanted(w.kind(), w.fed(), w.valves(), w.lampWatts(), now, w.heaterVolts()));
        });
  }

  private void want() {
    if (showing
        || wake.wantedProperty().get().isEmpty()
        || kind.getValue() == null
        || lamp.getValue() == null) {
      return;
    }
    Wanted w = wake.wantedProperty().get().get();
    model()
        .made(() -> {
          OptionalDouble volts = Measure.VOLTS.read(heaters.getText());
          OptionalDouble watts =
              lamp.getValue() > 0 ? OptionalDouble.of(lamp.getValue()) : OptionalDouble.empty();
          List<Clip> there = new ArrayList<>(w.clips());
          if (volts.isEmpty()) {
            there.remove(Clip.HEATERS);
          }
          List<String> rails = kind.getValue() == PowerUpKind.ONE_SUPPLY ? w.fed() : List.of();
          Wanted now = new Wanted(kind.getValue(), rails, valves.isSelected(), watts, there, volts);
          if (!now.equals(w)) {
            wake.want(now);
          }
        });
  }

  // --- the plan
  // --------------------------------------------------------------------------------------------------------------

  private void draw() {
    Optional<PowerUpPlan> plan = shown();
    table.setVisible(plan.isPresent());
    table.setManaged(plan.isPresent());
    if (plan.isEmpty()
        || looked.getValue() == null
        || !plan.get().clips().contains(looked.getValue())) {
      stairs.show((_, _, _) -> List.of());
    } else {
      Clip clip = looked.getValue();
      stairs.show(
          (w, h, em) -> StairsChart.marks(plan.get(), clip, Optional.empty(), List.of(), w, h, em));
    }
    plan.ifPresent(this::table);
    tells.getChildren().clear();
    plan.ifPresent(p -> {
      for (int k = 0; k < p.steps().size(); k++) {
        String said =
            PowerUpTells.of(p, k).stream()
                .map(model().words()::word)
                .collect(Collectors.joining(" "));
        if (!said.isEmpty()) {
          tells.getChildren().add(text((k + 1) + ".  " + said));
        }
      }
    });
  }

  private void table(PowerUpPlan p) {
    Describe describe = new Describe(model().words());
    List<String> heads =
        new ArrayList<>(
            List.of(
                "",
                Labels.of("firstpower.table.mains"),
                Labels.of("firstpower.table.heaters"),
                Labels.of("firstpower.table.lamp"),
                Labels.of("firstpower.table.hold")));
    p.clips().forEach(c -> heads.add(describe.clip(c)));
    table.head(heads);
    for (int k = 0; k < p.steps().size(); k++) {
      PowerUpPlan.Step s = p.steps().get(k);
      String glow =
          p.lampWatts().isEmpty()
              ? "—"
              : s.glow() < 0.01 ? "< 1 %" : Math.round(100 * s.glow()) + " %";
      List<String> cells =
          new ArrayList<>(
              List.of(
                  (k + 1) + ".",
                  Quantity.volts(s.mainsVolts()) + "  " + Quantity.percent(s.share()),
                  Quantity.percent(s.heaters()) + "  " + model().words().word(s.warm()),
                  glow,
                  Durations.text(s.holdSeconds())));
      for (int c = 0; c < p.clips().size(); c++) {
        Clip clip = p.clips().get(c);
        cells.add(
            Describe.shown(clip, s.bands().get(c).expected())
                + "\n"
                + range(clip, s.bands().get(c)));
      }
      table.row(cells, "figure");
    }
  }

  /**
   * From where to where is no reason to stop; a meter that shows a little on the wrong side of
   * nothing shows nothing.
   */
  static String range(Clip clip, PowerUpPlan.Band b) {
    double low = b.expected() > 0 ? Math.max(0, b.low()) : b.low();
    double high = b.expected() < 0 ? Math.min(0, b.high()) : b.high();
    return Describe.shown(clip, low) + " … " + Describe.shown(clip, high);
  }
}
