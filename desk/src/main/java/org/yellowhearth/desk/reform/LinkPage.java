package org.yellowhearth.desk.reform;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.ReformModel;
import org.yellowhearth.instruments.link.Transcript;

/** The line to the leakage meter: a stand-in or a real one, its state, the channel of the chosen part, and what was said. */
final class LinkPage extends VBox {
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT);
    private static final List<Integer> SPEEDS = List.of(1, 10, 100, 1000, 10_000);
    private static final int NEWEST = 200;

    private final DeskModel model;
    private final ReformModel reform;
    private final Label state = Page.text("");
    private final Label hangs = Page.text("");
    private final ComboBox<Integer> channel = new ComboBox<>();
    private final TextArea said = new TextArea();
    private boolean showing;

    LinkPage(DeskModel model) {
        this.model = model;
        reform = model.reform();
        getStyleClass().add("run-page");
        state.setId("link-state");
        ComboBox<Integer> speed = new ComboBox<>();
        speed.getItems().setAll(SPEEDS);
        speed.setValue(100);
        speed.setConverter(Shown.by(n -> Labels.of("reform.link.speed", n), "1"));
        speed.setId("link-speed");
        speed.setAccessibleText(Labels.of("reform.link.speed-name"));
        FlowPane standIn = new FlowPane(Page.text(Labels.of("reform.link.stand-in")), speed,
                Page.button("reform.link.use", "link-stand-in", () -> reform.connectStandIn(speed.getValue())));
        standIn.getStyleClass().addAll("line-form", "link-line");
        TextField address = new TextField();
        address.setId("link-address");
        address.setPromptText("127.0.0.1:5026");
        address.setAccessibleText(Labels.of("reform.link.address"));
        FlowPane real = new FlowPane(Page.text(Labels.of("reform.link.real")), address,
                Page.button("reform.link.connect", "link-connect", () -> reform.connect(address.getText())),
                Page.button("reform.link.down", "link-down", reform::disconnect));
        real.getStyleClass().addAll("line-form", "link-line");
        channel.getItems().add(0);
        for (int k = 1; k <= ReformModel.CHANNELS; k++) {
            channel.getItems().add(k);
        }
        channel.setConverter(Shown.by(n -> n == 0 ? Labels.of("reform.link.by-hand") : Labels.of("reform.link.channel", n), "0"));
        channel.setId("link-channel");
        channel.setAccessibleText(Labels.of("reform.link.hangs"));
        channel.valueProperty().addListener((_, _, now) -> {
            if (!showing && now != null) {
                model.chosenProperty().get().ifPresent(ref -> reform.hang(ref, now == 0 ? Optional.empty() : Optional.of(now)));
            }
        });
        FlowPane lane = new FlowPane(hangs, channel);
        lane.getStyleClass().addAll("line-form", "link-line");
        said.setEditable(false);
        said.setId("link-said");
        said.getStyleClass().add("transcript");
        said.setAccessibleText(Labels.of("reform.link.said"));
        VBox.setVgrow(said, Priority.ALWAYS);
        VBox care = new VBox(Page.text(Labels.of("reform.link.care"), "reasons-text"));
        care.getStyleClass().addAll("caution", "caution-care");
        getChildren().addAll(state, standIn, real, lane, care, Page.text(Labels.of("reform.link.said"), "section-title"), said);
        reform.linkProperty().addListener((_, _, _) -> show());
    }

    void show() {
        ReformModel.Link link = reform.linkProperty().get();
        state.setText(switch (link.state()) {
            case NONE -> "○ " + Labels.of("reform.link.none");
            case CONNECTING -> "… " + Labels.of("reform.link.connecting", link.told());
            case OPEN -> "● " + Labels.of("reform.link.open", link.told());
            case LOST -> "■ " + Labels.of("reform.link.lost", link.told());
        });
        state.getStyleClass().setAll("label", "run-counsel", switch (link.state()) {
            case OPEN -> "run-good";
            case LOST -> "run-bad";
            case NONE, CONNECTING -> "run-off";
        });
        showing = true;
        Optional<ReformModel.Lane> lane = model.chosenProperty().get().flatMap(reform::lane);
        hangs.setText(lane.map(l -> Labels.of("reform.link.hangs-of", l.ref())).orElse(Labels.of("reform.choose")));
        channel.setDisable(lane.isEmpty());
        channel.setValue(lane.flatMap(ReformModel.Lane::channel).orElse(0));
        showing = false;
        said();
    }

    /** The newest of what was said, newest first. */
    void said() {
        List<Transcript.Line> lines = reform.transcript();
        StringBuilder text = new StringBuilder();
        for (Transcript.Line l : lines.subList(Math.max(0, lines.size() - NEWEST), lines.size()).reversed()) {
            text.append(MOMENT.format(l.at().atZone(ZoneId.systemDefault()))).append(switch (l.way()) {
                case OUT -> "  >  ";
                case IN -> "  <  ";
                case LOST -> "  !  ";
            }).append(l.text()).append('\n');
        }
        if (!said.getText().contentEquals(text)) {
            said.setText(text.toString());
        }
    }
}
