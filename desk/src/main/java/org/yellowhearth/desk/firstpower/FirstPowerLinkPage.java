package org.yellowhearth.desk.firstpower;

import java.util.List;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.forms.LineState;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.FirstPowerLines;
import org.yellowhearth.workshop.InstrumentLine;
import org.yellowhearth.workshop.words.Labels;

/**
 * The lines to the variable transformer and to the multimeter, stand-ins or real ones; without them
 * a person turns, reads and types.
 */
final class FirstPowerLinkPage extends VBox {
  private static final List<Integer> SPEEDS = List.of(1, 5, 20, 100);

  private final DeskModel model;
  private final FirstPowerLines lines;
  private final Label source = Page.text("");
  private final Label meter = Page.text("");
  private final Label channels = Page.text("", "quiet");
  private final TextArea said = new TextArea();
  private final PageTabs which;
  private String shown = "source";

  FirstPowerLinkPage(DeskModel model) {
    this.model = model;
    lines = model.wake().lines();
    getStyleClass().add("run-page");
    source.setId("source-state");
    meter.setId("meter-state");
    channels.setId("meter-channels");
    said.setEditable(false);
    said.getStyleClass().add("transcript");
    said.setId("wake-said");
    said.setAccessibleText(Labels.of("reform.link.said"));
    VBox.setVgrow(said, Priority.ALWAYS);
    which =
        new PageTabs(
            List.of("source", "meter"),
            "firstpower.link.which.",
            "wake-link-",
            name -> {
              shown = name;
              tick();
            });
    ComboBox<Integer> speed = new ComboBox<>();
    speed.getItems().setAll(SPEEDS);
    speed.setValue(5);
    speed.setConverter(Shown.by(n -> Labels.of("reform.link.speed", n), "1"));
    speed.setId("wake-speed");
    speed.setAccessibleText(Labels.of("reform.link.speed-name"));
    TextField to = address("source-address", "127.0.0.1:5028");
    TextField at = address("meter-address", "127.0.0.1:5027");
    VBox care = new VBox(Page.text(Labels.of("firstpower.link.care"), "reasons-text"));
    care.getStyleClass().addAll("caution", "caution-care");
    getChildren()
        .addAll(
            line(
                Page.text(Labels.of("firstpower.link.stand-in")),
                speed,
                Page.button(
                    "reform.link.use", "wake-stand-in", () -> lines.useStandIns(speed.getValue()))),
            Page.text(Labels.of("firstpower.link.which.source"), "section-title"),
            source,
            line(
                Page.text(Labels.of("firstpower.link.source")),
                to,
                Page.button(
                    "reform.link.connect",
                    "source-connect",
                    () -> lines.connectSource(to.getText()))),
            Page.text(Labels.of("firstpower.link.which.meter"), "section-title"),
            meter,
            channels,
            line(
                Page.text(Labels.of("firstpower.link.meter")),
                at,
                Page.button(
                    "reform.link.connect", "meter-connect", () -> lines.connectMeter(at.getText())),
                Page.button("firstpower.link.down", "wake-down", lines::disconnect)),
            care,
            Page.text(Labels.of("reform.link.said"), "section-title"),
            which,
            said);
    lines.source().howProperty().addListener((_, _, _) -> tick());
    lines.meter().howProperty().addListener((_, _, _) -> tick());
    model.wake().runProperty().addListener((_, _, _) -> tick());
    tick();
  }

  private static FlowPane line(Node... nodes) {
    FlowPane line = new FlowPane(nodes);
    line.getStyleClass().addAll("line-form", "link-line");
    return line;
  }

  private static TextField address(String id, String prompt) {
    TextField field = new TextField();
    field.setId(id);
    field.setPromptText(prompt);
    field.setPrefColumnCount(11);
    field.setAccessibleText(Labels.of("reform.link.address"));
    return field;
  }

  /** Shows the lines as they are now. */
  void tick() {
    which.mark(shown);
    LineState.show(source, lines.source().howProperty().get(), "firstpower.link.none.source");
    LineState.show(meter, lines.meter().howProperty().get(), "firstpower.link.none.meter");
    channels.setText(
        model
            .wake()
            .runProperty()
            .get()
            .map(r ->
                Labels.of(
                    "firstpower.link.channels",
                    FirstPowerRunPage.channels(r.plan(), new Describe(model.words()))))
            .orElse(Labels.of("firstpower.run.none")));
    InstrumentLine<?> line = shown.equals("source") ? lines.source() : lines.meter();
    LineState.said(said, line);
  }
}
