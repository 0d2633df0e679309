package org.yellowhearth.desk.shop;

import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.agenda.Agenda;
import org.yellowhearth.core.safety.HearthState;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.practice.PracticePane;
import org.yellowhearth.desk.renew.DrawerPane;
import org.yellowhearth.desk.shell.FileAsk;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.desk.theme.HearthDrawing;
import org.yellowhearth.desk.theme.VerdictGlyph;
import org.yellowhearth.records.archive.Digest;
import org.yellowhearth.records.store.ShelfLine;
import org.yellowhearth.records.words.Words;

/** The shop before any job: what lies on the shelf, and how a set comes in. */
public final class ShopView extends BorderPane {
    private final DeskModel model;
    private final ListView<ShelfLine> shelf = new ListView<>();
    private final TextField name = new TextField();
    private final PageTabs tabs;
    private final Consumer<String> show;

    /** A view of the model's shelf. */
    public ShopView(DeskModel model, FileAsk files, Appearance appearance, Runnable showSheet) {
        this.model = model;
        getStyleClass().add("shop");
        Label notice = new Label();
        notice.getStyleClass().add("notice");
        notice.setId("shop-notice");
        notice.setWrapText(true);
        model.background().noticeProperty().addListener((_, _, n) -> {
            notice.setText(n.text());
            notice.getStyleClass().remove("notice-trouble");
            if (n.trouble()) {
                notice.getStyleClass().add("notice-trouble");
            }
        });
        setTop(new VBox(head(appearance, showSheet), arrivalRow(files), notice));
        shelf.setId("shelf");
        shelf.getStyleClass().add("shelf");
        shelf.setCellFactory(_ -> new JobCell());
        Label empty = new Label(Labels.of("shop.empty"));
        empty.setWrapText(true);
        empty.getStyleClass().add("empty-state");
        shelf.setPlaceholder(empty);
        shelf.setOnKeyPressed(e -> {
            if (e.getCode() == KeyCode.ENTER) {
                openSelected();
            }
        });
        shelf.setOnMouseClicked(e -> {
            if (e.getClickCount() == 2) {
                openSelected();
            }
        });
        Label title = new Label(Labels.of("shop.title"));
        title.getStyleClass().add("stage-title");
        ScrollPane drawer = DrawerPane.scrolling(model, files);
        StackPane place = new StackPane(shelf);
        AgendaPane agenda = new AgendaPane(model, files);
        Map<String, Node> pages = new LinkedHashMap<>();
        pages.put("shelf", shelf);
        pages.put("agenda", agenda);
        pages.put("drawer", drawer);
        pages.put("find", new FindPane(model));
        pages.put("learned", new LearnedPane(model));
        pages.put("practice", new PracticePane(model));
        pages.put("safekeeping", new SafekeepingPane(model, files));
        show = page -> place.getChildren().setAll(pages.get(page));
        tabs = new PageTabs(pages.keySet(), "shop.page.", "shop-", show);
        tabs.mark("shelf");
        model.agenda().agendaProperty().addListener((_, _, now) -> tabs.count("agenda", now.map(Agenda::pressing).orElse(0L)));
        title.setMinWidth(Region.USE_PREF_SIZE);
        HBox.setHgrow(tabs, Priority.ALWAYS);
        HBox line = new HBox(title, tabs);
        line.getStyleClass().add("stage-line");
        VBox middle = new VBox(line, place);
        middle.getStyleClass().add("shop-middle");
        VBox.setVgrow(place, Priority.ALWAYS);
        setCenter(middle);
        Label caution = new Label(Labels.of("shop.caution"));
        caution.setWrapText(true);
        caution.getStyleClass().add("shop-caution");
        setBottom(caution);
        model.shelf().jobsProperty().addListener((_, _, jobs) -> fill(jobs));
    }

    /** Shows shelf, agenda, drawer, find, learned, practice or safekeeping. */
    public void show(String page) {
        tabs.mark(page);
        show.accept(page);
    }

    private static Button plateButton(String label, String id, Runnable action) {
        Button button = new Button(Labels.of(label));
        button.setId(id);
        button.getStyleClass().add("plate-button");
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setOnAction(_ -> action.run());
        return button;
    }

    private static HBox head(Appearance appearance, Runnable showSheet) {
        HearthDrawing drawing = new HearthDrawing();
        drawing.show(HearthState.LIT);
        Label name = new Label(Labels.of("app.name"));
        name.getStyleClass().add("shop-name");
        Label claim = new Label(Labels.of("app.claim"));
        claim.getStyleClass().add("shop-claim");
        Region gap = new Region();
        HBox.setHgrow(gap, Priority.ALWAYS);
        HBox head = new HBox(drawing, new VBox(name, claim), gap,
                plateButton("look.smaller", "smaller", () -> appearance.resize(-1)),
                plateButton("look.larger", "larger", () -> appearance.resize(1)),
                plateButton("look.night", "night", () -> appearance.nightProperty().set(!appearance.nightProperty().get())),
                plateButton("bench.keys", "shop-keys", showSheet));
        head.getStyleClass().add("shop-head");
        return head;
    }

    private HBox arrivalRow(FileAsk files) {
        name.setId("arrival-name");
        name.setPromptText(Labels.of("shop.arrive.prompt"));
        name.setAccessibleText(Labels.of("shop.arrive"));
        HBox.setHgrow(name, Priority.ALWAYS);
        Button arrive = new Button(Labels.of("shop.arrive"));
        arrive.setId("arrive");
        arrive.getStyleClass().add("keep-button");
        name.setOnAction(_ -> arrive());
        arrive.setOnAction(_ -> arrive());
        Button bring = new Button(Labels.of("shop.bring"));
        bring.setId("bring-in");
        bring.setOnAction(_ -> {
            List<Path> chosen = files.jobFiles();
            if (!chosen.isEmpty()) {
                model.shelf().bringIn(chosen);
            }
        });
        arrive.setMinWidth(Region.USE_PREF_SIZE);
        bring.setMinWidth(Region.USE_PREF_SIZE);
        HBox row = new HBox(name, arrive, bring);
        row.getStyleClass().add("shop-arrival");
        return row;
    }

    private void arrive() {
        model.arrive(name.getText());
        name.clear();
    }

    private void fill(List<ShelfLine> jobs) {
        int selected = Math.max(0, shelf.getSelectionModel().getSelectedIndex());
        shelf.getItems().setAll(jobs);
        shelf.getSelectionModel().select(Math.min(selected, jobs.size() - 1));
        if (isVisible()) {
            focus();
        }
    }

    private void openSelected() {
        ShelfLine job = shelf.getSelectionModel().getSelectedItem();
        if (job != null) {
            model.openJob(job.id());
        }
    }

    /** Puts the keyboard where it is wanted: on the shelf, or on the name while the shelf is empty. */
    public void focus() {
        if (shelf.getItems().isEmpty()) {
            name.requestFocus();
        } else {
            shelf.requestFocus();
        }
    }

    /** One job on the shelf. */
    private static final class JobCell extends ListCell<ShelfLine> {
        @Override
        protected void updateItem(ShelfLine job, boolean empty) {
            super.updateItem(job, empty);
            setGraphic(empty || job == null ? null : card(job));
        }

        private HBox card(ShelfLine line) {
            Label name = new Label(line.name());
            name.getStyleClass().add("card-name");
            Optional<Digest.Card> card = line.card();
            Label facts = new Label(card.map(Digest.Card::facts).orElse(line.place()));
            facts.getStyleClass().add("card-facts");
            Label complaint = new Label(card.map(Digest.Card::complaint).orElse(""));
            complaint.getStyleClass().add("card-complaint");
            VBox left = new VBox(name, facts, complaint);
            left.setMinWidth(0);
            HBox.setHgrow(left, Priority.ALWAYS);
            VBox right = new VBox();
            card.ifPresentOrElse(c -> counts(c, right),
                    () -> right.getChildren().add(quiet(Labels.of("shop.reading"))));
            right.getStyleClass().add("card-right");
            HBox box = new HBox(left, right);
            box.getStyleClass().add("card");
            box.setMaxWidth(Double.MAX_VALUE);
            box.prefWidthProperty().bind(getListView().widthProperty().subtract(44));
            return box;
        }

        private static Label quiet(String text) {
            Label label = new Label(text);
            label.getStyleClass().add("card-facts");
            return label;
        }

        private static void counts(Digest.Card card, VBox right) {
            right.getChildren().add(quiet(card.parts() == 0
                    ? Labels.of("shop.noparts")
                    : Labels.of("shop.parts", card.parts(), card.measured())));
            FlowPane counts = new FlowPane();
            counts.getStyleClass().add("card-counts");
            card.verdicts().forEach(c -> {
                Label count = new Label(c.parts() + " " + Words.of(card.dialect()).word(c.verdict()),
                        new VerdictGlyph(c.verdict()));
                count.getStyleClass().add(VerdictGlyph.styleClass(c.verdict()));
                counts.getChildren().add(count);
            });
            right.getChildren().add(counts);
            if (card.owed() > 0) {
                Label owed = quiet(Labels.of(card.blocks() ? "shop.owed-blocks" : "shop.owed", card.owed()));
                if (card.blocks()) {
                    owed.getStyleClass().setAll("point-against");
                }
                right.getChildren().add(owed);
            }
        }
    }
}
