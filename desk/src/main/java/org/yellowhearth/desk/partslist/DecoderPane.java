package org.yellowhearth.desk.partslist;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import javafx.scene.shape.Circle;
import org.yellowhearth.core.partslist.Colour;
import org.yellowhearth.core.partslist.ColourCode;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.desk.parts.PartDrawing;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Bands and dots clicked in their order: the part draws itself, and every meaning stands beside it,
 * the likelier first.
 */
final class DecoderPane extends FlowPane {
  private final DeskModel model;
  private final ComboBox<ColourCode.Scheme> scheme = new ComboBox<>();
  private final PartDrawing drawing = new PartDrawing();
  private final Label named = Page.text("", "quiet");
  private final VBox meanings = new VBox();
  private final List<Colour> colours = new ArrayList<>();

  DecoderPane(DeskModel model) {
    this.model = model;
    getStyleClass().add("decoder");
    setId("decoder");
    scheme.setId("decoder-scheme");
    scheme.getItems().setAll(List.of(ColourCode.Scheme.values()));
    scheme.setConverter(Shown.by(s -> model.words().word(s), ""));
    scheme.setAccessibleText(Labels.of("decoder.scheme"));
    scheme.setValue(ColourCode.Scheme.RESISTOR_BANDS);
    scheme.setOnAction(_ -> {
      while (colours.size() > scheme.getValue().most()) {
        colours.removeLast();
      }
      show();
    });
    FlowPane palette = new FlowPane();
    palette.getStyleClass().add("palette");
    for (Colour colour : List.of(Colour.values())) {
      palette.getChildren().add(swatch(colour));
    }
    HBox buttons =
        new HBox(
            scheme,
            Page.button(
                "decoder.back",
                "decoder-back",
                () -> {
                  if (!colours.isEmpty()) {
                    colours.removeLast();
                  }
                  show();
                }),
            Page.button(
                "decoder.clear",
                "decoder-clear",
                () -> {
                  colours.clear();
                  show();
                }));
    buttons.getStyleClass().add("form-buttons");
    VBox left = new VBox(buttons, palette);
    left.getStyleClass().add("decoder-left");
    left.setMinWidth(0);
    meanings.getStyleClass().add("decoder-meanings");
    meanings.setMinWidth(0);
    getChildren().addAll(left, new VBox(drawing, named), meanings);
    model.openProperty().addListener((_, _, _) -> show());
    show();
  }

  private Button swatch(Colour colour) {
    Circle dot = new Circle(8, PartDrawing.paint(colour));
    dot.getStyleClass().add("drawing-body");
    Button button = new Button("", dot);
    button.setId("colour-" + colour.code());
    button.getStyleClass().add("swatch");
    button.setTooltip(new Tooltip(model.words().word(colour)));
    button.setAccessibleText(model.words().word(colour));
    button.setOnAction(_ -> {
      if (colours.size() < scheme.getValue().most()) {
        colours.add(colour);
        show();
      }
    });
    return button;
  }

  private void show() {
    drawing.show(scheme.getValue(), colours);
    named.setText(
        colours.isEmpty()
            ? Labels.of("decoder.order." + scheme.getValue().code())
            : colours.stream().map(c -> model.words().word(c)).collect(Collectors.joining(" ")));
    List<ColourCode.Reading> read = ColourCode.decode(scheme.getValue(), colours);
    meanings.getChildren().clear();
    if (read.isEmpty() && colours.size() >= scheme.getValue().least()) {
      meanings.getChildren().add(Page.text(Labels.of("decoder.none"), "quiet"));
    }
    read.forEach(r -> meanings.getChildren().add(meaning(r)));
  }

  private HBox meaning(ColourCode.Reading r) {
    String value = Quantity.of(r.value(), r.unit()).toString();
    String all =
        value
            + r.tolerance().map(t -> " " + t).orElse("")
            + (r.volts().isPresent() ? " " + Quantity.volts(r.volts().getAsDouble()) : "")
            + (r.ppm().isPresent() ? " " + r.ppm().getAsInt() + " ppm/K" : "");
    Button take =
        Page.quiet(
            "decoder.take",
            () -> {
              String line =
                  value.replace(" ", "")
                      + r.tolerance().map(t -> " " + t.toString().replace(" ", "")).orElse("")
                      + (r.volts().isPresent()
                          ? " "
                              + Quantity.volts(r.volts().getAsDouble()).toString().replace(" ", "")
                          : "");
              model
                  .benchLine()
                  .lineProperty()
                  .set(
                      "+ "
                          + (r.scheme() == ColourCode.Scheme.RESISTOR_BANDS
                                  || r.scheme() == ColourCode.Scheme.BODY_END_DOT
                              ? "R"
                              : "C")
                          + " "
                          + line);
            });
    return Page.row(
        new VBox(Page.text(all, "figure"), Page.text(model.words().say(r.why()), "quiet")), take);
  }
}
