package org.yellowhearth.desk.forms;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.FlowPane;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.workshop.DeskModel;

/** A set of words of the trade, each of which is so or is not. */
public final class Chips<T extends Enum<T> & Coded> extends FlowPane {
  private final DeskModel model;
  private final Map<T, ToggleButton> chips;
  private boolean showing;

  /** Chips for every constant; each change hands on the whole set. */
  public Chips(DeskModel model, Class<T> type, Consumer<Set<T>> keep) {
    this.model = model;
    this.chips = new EnumMap<>(type);
    getStyleClass().add("chips");
    for (T constant : List.of(type.getEnumConstants())) {
      ToggleButton chip = new ToggleButton();
      chip.setId("chip-" + constant.code());
      chip.getStyleClass().add("chip");
      chip.selectedProperty()
          .addListener((_, _, _) -> {
            if (!showing) {
              Set<T> chosen = EnumSet.noneOf(type);
              chips.forEach((c, b) -> {
                if (b.isSelected()) {
                  chosen.add(c);
                }
              });
              keep.accept(chosen);
            }
          });
      chips.put(constant, chip);
      getChildren().add(chip);
    }
  }

  /** Shows which are so. */
  public void show(Set<T> chosen) {
    showing = true;
    chips.forEach((constant, chip) -> {
      chip.setText((chosen.contains(constant) ? "✓ " : "") + model.words().word(constant));
      chip.setSelected(chosen.contains(constant));
    });
    showing = false;
  }
}
