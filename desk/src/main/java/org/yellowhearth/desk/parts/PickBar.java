package org.yellowhearth.desk.parts;

import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.PartsModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What can be done to all parts that are picked together; it shows itself only while several are.
 */
public final class PickBar extends FlowPane {
  private final DeskModel model;
  private final Label count = new Label();
  private final TextField sees = new TextField();

  /** A bar over what is picked. */
  public PickBar(DeskModel model) {
    this.model = model;
    getStyleClass().add("pick-bar");
    setId("pick-bar");
    count.getStyleClass().add("form-title");
    PartsModel parts = model.parts();
    sees.setId("pick-sees");
    sees.setPrefColumnCount(5);
    sees.setPromptText(Labels.of("pick.sees"));
    sees.setAccessibleText(Labels.of("pick.sees"));
    sees.setOnAction(_ ->
        model.made(() -> {
          OptionalDouble volts = Measure.VOLTS.read(sees.getText());
          parts.change(c -> with(c, c.kind(), c.role(), c.polarity(), volts));
          sees.clear();
        }));
    List<CapacitorKind> kinds =
        model.knowledge().kinds().values().stream()
            .filter(k -> !k.id().equals(Capacitor.UNSTATED_KIND))
            .sorted(Comparator.comparing(CapacitorKind::family).thenComparing(CapacitorKind::id))
            .toList();
    Button remove = Page.button("pick.remove", "pick-remove", parts::remove);
    Button none = Page.quiet("pick.none", () -> parts.pick(Set.of()));
    getChildren()
        .addAll(
            count,
            choice(
                "pick-kind",
                "pick.kind",
                kinds,
                k -> model.words().capacitorKind(k.id()),
                k -> parts.change(c -> with(c, k.id(), c.role(), c.polarity(), c.workingVolts()))),
            choice(
                "pick-role",
                "pick.role",
                List.of(Role.values()),
                r -> model.words().word(r),
                r -> parts.change(c -> with(c, c.kind(), r, c.polarity(), c.workingVolts()))),
            choice(
                "pick-polarity",
                "pick.polarity",
                List.of(Polarity.values()),
                p -> model.words().word(p),
                p -> parts.change(c -> with(c, c.kind(), c.role(), p, c.workingVolts()))),
            sees,
            choice(
                "pick-look",
                "pick.look",
                List.of(VisualInspection.Sign.values()),
                l -> model.words().word(l),
                parts::seen),
            remove,
            none);
    parts.pickedProperty().addListener((_, _, _) -> show());
    show();
  }

  private static Capacitor with(
      Capacitor c, String kind, Role role, Polarity polarity, OptionalDouble sees) {
    return new Capacitor(
        c.ref(),
        c.marking(),
        kind,
        c.farads(),
        c.tolerance(),
        c.ratedVolts(),
        c.ratedForMains(),
        role,
        polarity,
        sees,
        c.canMark(),
        c.dateCode(),
        c.remark());
  }

  /** A choice that acts at once and goes back to its name. */
  private static <T> ComboBox<T> choice(
      String id, String label, List<T> options, Function<T, String> words, Consumer<T> action) {
    ComboBox<T> box = new ComboBox<>();
    box.setId(id);
    box.getItems().add(null);
    box.getItems().addAll(options);
    box.setConverter(Shown.by(words, Labels.of(label)));
    box.setAccessibleText(Labels.of(label));
    box.setOnAction(_ -> {
      T chosen = box.getValue();
      if (chosen != null) {
        action.accept(chosen);
        box.setValue(null);
      }
    });
    return box;
  }

  private void show() {
    int picked = model.parts().pickedProperty().get().size();
    boolean several = picked > 1;
    setVisible(several);
    setManaged(several);
    count.setText(Labels.of("pick.count", picked));
  }
}
