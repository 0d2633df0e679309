package org.yellowhearth.desk.reform;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.scene.Node;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.forms.LineState;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.InstrumentLine;
import org.yellowhearth.workshop.ReformModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The lines to the instruments, stand-ins or real ones: the leakage meter and the LCR meter, each
 * with its state and what was said.
 */
final class LinkPage extends VBox {
  private static final List<Integer> SPEEDS = List.of(1, 10, 100, 1000, 10_000);
  private static final List<Double> HERTZ = List.of(100.0, 120.0, 1000.0);

  private final DeskModel model;
  private final ReformModel reform;
  private final Label state = Page.text("");
  private final Label hangs = Page.text("");
  private final ComboBox<Integer> channel = new ComboBox<>();
  private final TextArea said = new TextArea();
  private final VBox leakage;
  private final VBox lcr;
  private final PageTabs which;
  private String shown = "leakage";
  private boolean showing;

  LinkPage(DeskModel model) {
    this.model = model;
    reform = model.reform();
    getStyleClass().add("run-page");
    state.setId("link-state");
    said.setEditable(false);
    said.setId("link-said");
    said.getStyleClass().add("transcript");
    said.setAccessibleText(Labels.of("reform.link.said"));
    VBox.setVgrow(said, Priority.ALWAYS);
    which = new PageTabs(List.of("leakage", "lcr"), "reform.link.which.", "link-", this::show);
    leakage = leakage();
    lcr = lcr();
    getChildren()
        .addAll(
            which,
            state,
            leakage,
            lcr,
            Page.text(Labels.of("reform.link.said"), "section-title"),
            said);
    reform.line().howProperty().addListener((_, _, _) -> show());
    model.instruments().lcr().howProperty().addListener((_, _, _) -> show());
    show("leakage");
  }

  private static FlowPane line(Node... nodes) {
    FlowPane line = new FlowPane(nodes);
    line.getStyleClass().addAll("line-form", "link-line");
    return line;
  }

  private static TextField address(String id, String prompt) {
    TextField address = new TextField();
    address.setId(id);
    address.setPromptText(prompt);
    address.setPrefColumnCount(11);
    address.setAccessibleText(Labels.of("reform.link.address"));
    return address;
  }

  private static VBox box(Node... nodes) {
    VBox box = new VBox(nodes);
    box.getStyleClass().add("link-box");
    box.managedProperty().bind(box.visibleProperty());
    return box;
  }

  private VBox leakage() {
    ComboBox<Integer> speed = new ComboBox<>();
    speed.getItems().setAll(SPEEDS);
    speed.setValue(100);
    speed.setConverter(Shown.by(n -> Labels.of("reform.link.speed", n), "1"));
    speed.setId("link-speed");
    speed.setAccessibleText(Labels.of("reform.link.speed-name"));
    TextField address = address("link-address", "127.0.0.1:5026");
    channel.getItems().add(0);
    for (int k = 1; k <= ReformModel.CHANNELS; k++) {
      channel.getItems().add(k);
    }
    channel.setConverter(
        Shown.by(
            n -> n == 0 ? Labels.of("reform.link.by-hand") : Labels.of("reform.link.channel", n),
            "0"));
    channel.setId("link-channel");
    channel.setAccessibleText(Labels.of("reform.link.hangs"));
    channel
        .valueProperty()
        .addListener((_, _, now) -> {
          if (!showing && now != null) {
            model
                .chosenProperty()
                .get()
                .ifPresent(ref -> reform.hang(ref, now == 0 ? Optional.empty() : Optional.of(now)));
          }
        });
    VBox care = new VBox(Page.text(Labels.of("reform.link.care"), "reasons-text"));
    care.getStyleClass().addAll("caution", "caution-care");
    return box(
        line(
            Page.text(Labels.of("reform.link.stand-in")),
            speed,
            Page.button(
                "reform.link.use", "link-stand-in", () -> reform.connectStandIn(speed.getValue()))),
        line(
            Page.text(Labels.of("reform.link.real")),
            address,
            Page.button(
                "reform.link.connect", "link-connect", () -> reform.connect(address.getText())),
            Page.button("reform.link.down", "link-down", reform::disconnect)),
        line(hangs, channel),
        care);
  }

  private VBox lcr() {
    TextField address = address("lcr-address", "127.0.0.1:5025");
    TextField percent = new TextField();
    percent.setId("lcr-uncertainty");
    percent.setPrefColumnCount(8);
    percent.setPromptText(Labels.of("reform.link.uncertainty"));
    percent.setAccessibleText(Labels.of("reform.link.uncertainty"));
    ComboBox<Double> hertz = new ComboBox<>();
    hertz.getItems().setAll(HERTZ);
    hertz.setValue(HERTZ.getFirst());
    hertz.setConverter(Shown.by(f -> Math.round(f) + " Hz", "100 Hz"));
    hertz.setId("lcr-hertz");
    hertz.setAccessibleText(Labels.of("reform.link.hertz"));
    return box(
        line(
            Page.text(Labels.of("reform.link.lcr.stand-in")),
            Page.button("reform.link.use", "lcr-stand-in", model.instruments()::useStandIn)),
        line(
            Page.text(Labels.of("reform.link.lcr.real")),
            address,
            percent,
            Page.button(
                "reform.link.connect",
                "lcr-connect",
                () ->
                    model.made(() -> {
                      OptionalDouble stated = Measure.PLAIN.read(percent.getText());
                      model.instruments().connect(address.getText(), stated);
                    })),
            Page.button("reform.link.down", "lcr-down", model.instruments().lcr()::disconnect)),
        line(
            Page.text(Labels.of("reform.link.lcr.take")),
            hertz,
            Page.button(
                "reform.link.lcr.read",
                "lcr-read",
                () ->
                    model
                        .chosenProperty()
                        .get()
                        .ifPresent(ref -> model.instruments().take(ref, hertz.getValue())))));
  }

  private void show(String instrument) {
    shown = instrument;
    which.mark(instrument);
    leakage.setVisible(instrument.equals("leakage"));
    lcr.setVisible(instrument.equals("lcr"));
    show();
  }

  private InstrumentLine<?> instrument() {
    return shown.equals("leakage") ? reform.line() : model.instruments().lcr();
  }

  void show() {
    LineState.show(state, instrument().howProperty().get(), "reform.link.none." + shown);
    showing = true;
    Optional<ReformModel.Lane> lane = model.chosenProperty().get().flatMap(reform::lane);
    hangs.setText(
        lane.map(l -> Labels.of("reform.link.hangs-of", l.ref()))
            .orElse(Labels.of("reform.choose")));
    channel.setDisable(lane.isEmpty());
    channel.setValue(lane.flatMap(ReformModel.Lane::channel).orElse(0));
    showing = false;
    said();
  }

  /** The newest of what was said, newest first. */
  void said() {
    LineState.said(said, instrument());
  }
}
