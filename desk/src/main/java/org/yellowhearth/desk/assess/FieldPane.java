package org.yellowhearth.desk.assess;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import org.yellowhearth.core.assess.Ageing;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.charts.AgeingPane;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.publishing.drawing.AgeingField;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.OpenJob;
import org.yellowhearth.workshop.words.Labels;

/** The ageing field of the open job, with a chip for each family of capacitor that is in it. */
final class FieldPane extends BorderPane {
  private static final double SVG_WIDTH = 900;
  private static final double SVG_HEIGHT = 560;

  private final DeskModel model;
  private final AgeingPane pane;
  private final FlowPane families = new FlowPane();
  private final HBox tools;
  private final Map<Family, ToggleButton> chips = new EnumMap<>(Family.class);
  private final Set<Family> hidden = EnumSet.noneOf(Family.class);

  FieldPane(DeskModel model, FileAsk files) {
    this.model = model;
    this.pane = new AgeingPane(this::readOut);
    pane.setId("ageing-field");
    pane.onChosen(ref -> model.chosenProperty().set(Optional.of(ref)));
    pane.onPicked(model.parts()::pick);
    families.getStyleClass().addAll("chips", "field-families");
    Button save =
        Page.quiet(
            "assess.field.save",
            () ->
                pane.field()
                    .ifPresent(f ->
                        files
                            .newPicture("ageing-field.svg")
                            .ifPresent(file -> model.save(file, f.svg(SVG_WIDTH, SVG_HEIGHT)))));
    save.setId("field-save");
    tools = new HBox(families, save);
    tools.getStyleClass().add("item-row");
    tools.visibleProperty().bind(sceneProperty().isNotNull());
    tools.managedProperty().bind(tools.visibleProperty());
    setCenter(pane);
    setMinHeight(0);
    model.openProperty().addListener((_, _, _) -> show());
    model.chosenProperty().addListener((_, _, _) -> show());
    model.parts().pickedProperty().addListener((_, _, _) -> show());
    visibleProperty().addListener((_, _, _) -> show());
  }

  /** The chips and the button that go with the field, which stand above it. */
  HBox tools() {
    return tools;
  }

  private Family family(Ageing a) {
    return model.knowledge().kind(a.part().kind()).family();
  }

  private void show() {
    Optional<OpenJob> open = model.openProperty().get();
    if (open.isEmpty() || !isVisible()) {
      return;
    }
    List<Ageing> all = open.get().ageing();
    chips(all);
    List<Ageing> shown = all.stream().filter(a -> !hidden.contains(family(a))).toList();
    pane.show(
        new AgeingField(
            Labels.of("assess.field"),
            Labels.of("assess.field.across"),
            Labels.of("assess.field.up"),
            shown,
            shown.stream()
                .flatMap(a -> open.get().assessment(a.part().ref()).stream())
                .collect(Collectors.toMap(a -> a.part().ref(), Assessment::verdict)),
            ground(open.get(), shown)),
        model.chosenProperty().get(),
        model.parts().pickedProperty().get());
  }

  /** The limits of the part that is chosen; else of the kind that is there most often. */
  private Optional<Ageing.Ground> ground(OpenJob open, List<Ageing> shown) {
    Optional<Capacitor> chosen =
        model
            .chosenProperty()
            .get()
            .flatMap(open.job()::capacitor)
            .filter(c -> !c.kind().equals(Capacitor.UNSTATED_KIND));
    Optional<Capacitor> common =
        shown.stream()
            .map(Ageing::part)
            .collect(Collectors.groupingBy(Capacitor::kind, TreeMap::new, Collectors.toList()))
            .values()
            .stream()
            .max((a, b) -> Integer.compare(a.size(), b.size()))
            .map(List::getFirst);
    return chosen.or(() -> common).flatMap(c -> Ageing.ground(open.job(), c, model.knowledge()));
  }

  private void chips(List<Ageing> all) {
    Map<Family, Long> counts =
        all.stream()
            .collect(
                Collectors.groupingBy(
                    this::family, () -> new EnumMap<>(Family.class), Collectors.counting()));
    if (!chips.keySet().equals(counts.keySet())) {
      chips.clear();
      hidden.retainAll(counts.keySet());
      counts.keySet().forEach(f -> chips.put(f, chip(f)));
      families.getChildren().setAll(chips.values());
    }
    counts.forEach((f, n) ->
        chips.get(f).setText((hidden.contains(f) ? "" : "✓ ") + model.words().word(f) + " " + n));
  }

  private ToggleButton chip(Family family) {
    ToggleButton chip = new ToggleButton();
    chip.setId("family-" + family.code());
    chip.getStyleClass().add("chip");
    chip.setSelected(!hidden.contains(family));
    chip.setOnAction(_ -> {
      if (chip.isSelected()) {
        hidden.remove(family);
      } else {
        hidden.add(family);
      }
      show();
    });
    return chip;
  }

  private String readOut(PartRef ref) {
    return model
        .openProperty()
        .get()
        .flatMap(open ->
            open.ageing().stream()
                .filter(a -> a.part().ref().equals(ref))
                .findFirst()
                .map(a ->
                    Labels.of(
                        "assess.field.read",
                        ref,
                        open.assessment(ref).map(x -> model.words().word(x.verdict())).orElse(""),
                        percent(a.now()),
                        times(a.now()))))
        .orElse("");
  }

  private static String percent(Ageing.Spot spot) {
    return spot.kept().isPresent() ? Quantity.percent(spot.kept().getAsDouble()).toString() : "—";
  }

  private static String times(Ageing.Spot spot) {
    return spot.times().isPresent() ? Quantity.ratio(spot.times().getAsDouble()) + "×" : "—";
  }
}
