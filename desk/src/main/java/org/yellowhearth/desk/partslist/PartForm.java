package org.yellowhearth.desk.partslist;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.HBox;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.desk.parts.LineForm;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** A part, field by field, for hands on the mouse. */
final class PartForm {
  private final DeskModel model;
  private final LineForm form;
  private final TextField reference;
  private final TextField marking;
  private final ComboBox<CapacitorKind> kind;
  private final ComboBox<Role> role;
  private final ComboBox<Polarity> polarity;
  private final TextField sees;
  private final TextField dated;

  PartForm(DeskModel model) {
    this.model = model;
    form = new LineForm(model);
    reference = form.field("form.ref", "part-ref", 4);
    marking = form.field("form.marking", "part-marking", 11);
    marking.setPromptText(Labels.of("form.marking.prompt"));
    List<CapacitorKind> kinds =
        model.knowledge().kinds().values().stream()
            .filter(k -> !k.id().equals(Capacitor.UNSTATED_KIND))
            .sorted(Comparator.comparing(CapacitorKind::family).thenComparing(CapacitorKind::id))
            .toList();
    kind = form.choice("form.kind", "part-kind", kinds, k -> model.words().capacitorKind(k.id()));
    role =
        form.choice(
            "form.role",
            "part-role",
            List.of(Role.values()).subList(1, Role.values().length),
            r -> model.words().word(r));
    polarity =
        form.choice(
            "form.polarity",
            "part-polarity",
            List.of(Polarity.values()).subList(1, Polarity.values().length),
            p -> model.words().word(p));
    sees = form.field("form.sees", "part-sees", 4);
    dated = form.field("form.dated", "part-dated", 4);
    Button add = new Button(Labels.of("form.add"));
    add.setId("part-add");
    add.getStyleClass().add("keep-button");
    add.setOnAction(_ -> model.benchLine().enter());
    Button remove = new Button(Labels.of("form.remove"));
    remove.setId("part-remove");
    remove.setOnAction(_ ->
        model
            .chosenProperty()
            .get()
            .ifPresent(ref -> model.benchLine().lineProperty().set("- " + ref)));
    HBox buttons = new HBox(add, remove);
    buttons.getStyleClass().add("form-buttons");
    form.getChildren().add(buttons);
    model.benchLine().echoProperty().addListener((_, _, e) -> add.setDisable(!e.ready()));
    add.setDisable(true);
    reference
        .textProperty()
        .addListener(
            (_, _, _) -> add.setText(Labels.of(known().isPresent() ? "form.correct" : "form.add")));
    form.writes(this::line);
  }

  /** The form itself. */
  Node node() {
    return form;
  }

  private Optional<PartRef> known() {
    return PartRef.parse(reference.getText())
        .filter(ref -> model.openProperty().get().flatMap(o -> o.job().part(ref)).isPresent());
  }

  private String line() {
    StringBuilder said = new StringBuilder();
    said.append(' ').append(marking.getText().strip());
    if (kind.getValue() != null) {
      said.append(' ').append(kind.getValue().words().getFirst());
    }
    if (role.getValue() != null) {
      said.append(' ').append(role.getValue().code().replace('-', ' '));
    }
    if (polarity.getValue() != null) {
      said.append(' ').append(polarity.getValue().code().replace('-', ' '));
    }
    String volts = sees.getText().strip();
    if (!volts.isEmpty()) {
      said.append(" sees ")
          .append(volts)
          .append(Character.isDigit(volts.charAt(volts.length() - 1)) ? "V" : "");
    }
    if (!dated.getText().isBlank()) {
      said.append(" dated ").append(dated.getText().strip());
    }
    String ref = reference.getText().strip();
    String text = said.toString().strip();
    if (ref.isEmpty() && text.isEmpty()) {
      return "";
    }
    return known().isPresent() ? ref + " = " + text : ("+ " + ref + " " + text).strip();
  }
}
