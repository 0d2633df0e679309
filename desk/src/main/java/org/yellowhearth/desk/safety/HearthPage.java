package org.yellowhearth.desk.safety;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.safety.ChargeReading;
import org.yellowhearth.core.trace.SupplyRails;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.workshop.ChargeText;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** What the set holds, rail by rail, what happened to it, and how one of them is discharged. */
final class HearthPage extends Page {

  private final Label state = text("", "hearth-big");
  private final Label line = text("");
  private final VBox stores = column();
  private final Button fromSupply =
      button("safety.rail.supply", "rails-of-supply", this::takeRails);
  private final Label unlisted = text("", "strong-note");
  private final Map<String, StoreRow> rows = new LinkedHashMap<>();
  private final PlannerPane planner;

  HearthPage(DeskModel model, FileAsk files) {
    super(model);
    planner = new PlannerPane(model, files);
    state.setId("hearth-big");
    state.setMinWidth(USE_PREF_SIZE);
    FlowPane power =
        new FlowPane(
            button("safety.lit", "power-lit", () -> model.power(Edit.Power.LIT)),
            button("safety.off", "power-off", () -> model.power(Edit.Power.OFF)));
    power.getStyleClass().add("form-buttons");
    FlowPane head = new FlowPane(column(state, line), power);
    head.getStyleClass().add("hearth-head");
    head.setMinWidth(0);
    fromSupply.managedProperty().bind(fromSupply.visibleProperty());
    add(
        head,
        planner.curve(),
        heading("safety.stores"),
        stores,
        unlisted,
        fromSupply,
        railLine(),
        text(Labels.of("safety.rail.note"), "quiet"),
        heading("safety.planner"),
        planner);
    model.hearthProperty().addListener((_, _, now) -> update(now));
  }

  private AddLine railLine() {
    List<TextField> f = new ArrayList<>();
    List<ComboBox<Rail.Bleeder>> bleeder = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() -> {
                      OptionalDouble volts = Measure.VOLTS.read(f.get(1).getText());
                      if (volts.isEmpty()) {
                        throw new IllegalArgumentException(Labels.of("safety.rail.needs-volts"));
                      }
                      rail(
                          f.get(0).getText().strip(),
                          volts.getAsDouble(),
                          f.get(2).getText().strip(),
                          bleeder.getFirst().getValue(),
                          Measure.OHMS.read(f.get(3).getText()));
                    }));
    f.add(line.field("safety.rail.name", "rail-name", 5));
    f.add(line.field("safety.rail.volts", "rail-volts", 5));
    f.add(line.field("safety.rail.capacitors", "rail-capacitors", 10));
    bleeder.add(line.choice("safety.rail.bleeder", "rail-bleeder", List.of(Rail.Bleeder.values())));
    f.add(line.field("safety.rail.ohms", "rail-ohms", 6));
    return line.button("safety.rail.add", "rail-add");
  }

  /** The rails that Trace knows of, all at once. */
  private void takeRails() {
    Job job = job();
    model()
        .background()
        .aside(
            () -> SupplyRails.of(job, model().knowledge(), model()::newId),
            rails -> {
              if (rails.isEmpty()) {
                model().tell(Labels.of("safety.rail.supply.none"), true);
              } else {
                model().putAll(rails);
              }
            });
  }

  private void rail(
      String name, double volts, String capacitors, Rail.Bleeder bleeder, OptionalDouble ohms) {
    List<PartRef> parts = new ArrayList<>();
    double other = 0;
    boolean series = false;
    for (String word : capacitors.split("[\\s,;+]+", -1)) {
      if (word.equalsIgnoreCase("series")) {
        series = true;
        continue;
      }
      Optional<PartRef> ref = PartRef.parse(word);
      if (ref.isPresent() && job().part(ref.get()).isPresent()) {
        parts.add(ref.get());
      } else if (ref.isPresent()) {
        throw new IllegalArgumentException(Labels.of("safety.rail.no-part", word));
      } else if (!word.isEmpty()) {
        other += Measure.FARADS.read(word).orElse(0);
      }
    }
    if (job().items(Rail.class).stream().anyMatch(r -> r.name().equalsIgnoreCase(name))) {
      throw new IllegalArgumentException(Labels.of("safety.rail.twice", name));
    }
    Rail.Bleeder known =
        ohms.isPresent() && bleeder == Rail.Bleeder.NONE ? Rail.Bleeder.MARKED : bleeder;
    model()
        .put(
            new Rail(
                model().newId(),
                name,
                volts,
                parts,
                other > 0 ? OptionalDouble.of(other) : OptionalDouble.empty(),
                Rail.USUAL_KIND,
                known,
                ohms,
                series));
  }

  @Override
  protected void show(Job job) {
    ChargeReading now = model().hearthProperty().get();
    rows.keySet().removeIf(id -> now.stores().stream().noneMatch(s -> s.store().id().equals(id)));
    now.stores()
        .forEach(
            s -> rows.computeIfAbsent(s.store().id(), _ -> new StoreRow(model(), planner::choose)));
    fillRows(stores, List.copyOf(rows.values()), "safety.stores.none", r -> r);
    List<PartRef> listed = job.items(Rail.class).stream().flatMap(r -> r.parts().stream()).toList();
    String missing =
        String.join(
            ", ",
            job.capacitors().stream()
                .filter(HearthPage::stores)
                .map(Capacitor::ref)
                .filter(ref -> !listed.contains(ref))
                .map(PartRef::toString)
                .toList());
    unlisted.setText(missing.isEmpty() ? "" : Labels.of("safety.unlisted", missing));
    unlisted.setVisible(!missing.isEmpty());
    unlisted.setManaged(!missing.isEmpty());
    fromSupply.setVisible(!job.items(SupplySection.class).isEmpty());
    planner.show(job, now);
    update(now);
  }

  /** A part that holds the charge of a supply. */
  private static boolean stores(Capacitor part) {
    return Stream.of(Role.RESERVOIR, Role.SMOOTHING, Role.BIAS_FILTER, Role.BOOST)
        .anyMatch(r -> r == part.role());
  }

  private void update(ChargeReading now) {
    if (model().openProperty().get().isEmpty()) {
      return;
    }
    state.setText(ChargeText.state(now, model().words().word(now.state())));
    state.getStyleClass().removeIf(c -> c.startsWith("state-"));
    state.getStyleClass().add("state-" + now.state().code());
    line.setText(ChargeText.line(now, model().openProperty().get().get().hearth().since()));
    now.stores()
        .forEach(s ->
            Optional.ofNullable(rows.get(s.store().id())).ifPresent(r -> r.show(s, now.state())));
  }
}
