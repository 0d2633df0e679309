package org.yellowhearth.desk.shop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.agenda.Agenda;
import org.yellowhearth.core.job.SetPlate.Dialect;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.forms.Shown;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.practice.PracticePane;
import org.yellowhearth.desk.replace.DrawerPane;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.desk.theme.HearthDrawing;
import org.yellowhearth.desk.theme.VerdictGlyph;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.archive.Digest;
import org.yellowhearth.storage.store.ShelfLine;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Shelf;
import org.yellowhearth.workshop.words.Labels;

/**
 * The shop before any job: what lies on the shelf, and how a set comes in. It stands before the
 * shop is open, so that a set's name can be typed at once; a set that arrives meanwhile is taken in
 * as soon as the shop is open.
 */
public final class ShopView extends BorderPane {
  private final TextField name = new TextField();
  private final Button arrive = new Button(Labels.of("shop.arrive"));
  private final Button bring = new Button(Labels.of("shop.bring"));
  private final Button keys = plateButton("bench.keys", "shop-keys");
  private final Button first = new Button(Labels.of("first.begin"));
  private final Label notice = new Label();
  private final StackPane place = new StackPane();
  private final List<String> early = new ArrayList<>();
  private final Map<String, Supplier<Node>> pages = new LinkedHashMap<>();

  /** The pages that were shown already; a page is built when it is first asked for. */
  private final Map<String, Node> built = new HashMap<>();

  private String page = "";
  private Optional<ListView<ShelfLine>> shelf = Optional.empty();
  private Optional<DeskModel> model = Optional.empty();
  private Optional<PageTabs> tabs = Optional.empty();

  private final ComboBox<Dialect> words = new ComboBox<>();
  private Consumer<Dialect> speak = _ -> {};

  private final Appearance appearance;
  private final HBox head = new HBox();
  private final HBox arrival = new HBox(name);

  /**
   * The shop before it is open, with no more than takes a name: whatever else stands in the first
   * picture makes one wait for it.
   */
  public ShopView(Appearance appearance) {
    this.appearance = appearance;
    getStyleClass().add("shop");
    head.getStyleClass().add("shop-head");
    name.setId("arrival-name");
    name.setPromptText(Labels.of("shop.arrive.prompt"));
    name.setAccessibleText(Labels.of("shop.arrive"));
    name.setOnAction(_ -> arrive());
    // From the name of a new set the arrows lead to those that are there.
    name.addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.getCode() == KeyCode.DOWN) {
            shelf.filter(l -> !l.getItems().isEmpty()).ifPresent(ListView::requestFocus);
            e.consume();
          }
        });
    HBox.setHgrow(name, Priority.ALWAYS);
    arrival.getStyleClass().add("shop-arrival");
    setTop(new VBox(head, arrival, notice));
  }

  /**
   * Everything else around the pages; to be called after the first picture, and again without harm.
   */
  public void complete() {
    if (getCenter() != null) {
      return;
    }
    notice.getStyleClass().add("notice");
    notice.setId("shop-notice");
    notice.setWrapText(true);
    fillHead();
    fillArrival();
    place.getChildren().add(Page.text(Labels.of("shop.opening"), "empty-state"));
    setCenter(place);
    Label caution = new Label(Labels.of("shop.caution"));
    caution.setWrapText(true);
    caution.getStyleClass().add("shop-caution");
    setBottom(caution);
  }

  /** The shop is open: its shelf and the other pages can be seen. */
  public void open(DeskModel now, FileAsk files, Runnable showSheet) {
    complete();
    model = Optional.of(now);
    keys.setOnAction(_ -> showSheet.run());
    keys.setDisable(false);
    bring.setDisable(false);
    bring.setOnAction(_ -> {
      List<Path> chosen = files.jobFiles();
      if (!chosen.isEmpty()) {
        now.shelf().bringIn(chosen);
      }
    });
    now.background()
        .noticeProperty()
        .addListener((_, _, n) -> {
          notice.setText(n.text());
          notice.getStyleClass().remove("notice-trouble");
          if (n.trouble()) {
            notice.getStyleClass().add("notice-trouble");
          }
        });
    ListView<ShelfLine> jobs = shelf();
    shelf = Optional.of(jobs);
    pages.put("shelf", () -> jobs);
    pages.put("agenda", () -> new AgendaPane(now, files));
    pages.put("drawer", () -> DrawerPane.scrolling(now, files));
    pages.put("find", () -> new FindPane(now));
    pages.put("learned", () -> new LearnedPane(now));
    pages.put("practice", () -> new PracticePane(now));
    pages.put("safekeeping", () -> new SafekeepingPane(now, files));
    PageTabs row = new PageTabs(pages.keySet(), "shop.page.", "shop-", this::show);
    tabs = Optional.of(row);
    now.agenda()
        .agendaProperty()
        .addListener((_, _, a) -> row.count("agenda", a.map(Agenda::pressing).orElse(0L)));
    Label title = new Label(Labels.of("shop.title"));
    title.getStyleClass().add("stage-title");
    title.setMinWidth(Region.USE_PREF_SIZE);
    HBox.setHgrow(row, Priority.ALWAYS);
    HBox line = new HBox(title, row);
    line.getStyleClass().add("stage-line");
    VBox middle = new VBox(line, place);
    middle.getStyleClass().add("shop-middle");
    VBox.setVgrow(place, Priority.ALWAYS);
    setCenter(middle);
    show("shelf");
    now.shelf().jobsProperty().addListener((_, _, there) -> fill(jobs, there));
    early.forEach(now::arrive);
    early.clear();
  }

  private ListView<ShelfLine> shelf() {
    ListView<ShelfLine> list = new ListView<>();
    list.setId("shelf");
    list.setAccessibleText(Labels.of("shop.page.shelf"));
    list.getStyleClass().add("shelf");
    list.setCellFactory(_ -> new JobCell());
    VBox empty = new VBox(Page.text(Labels.of("shop.empty"), "empty-state"), first);
    empty.getStyleClass().add("shelf-empty");
    list.setPlaceholder(empty);
    list.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.ENTER) {
        openSelected(list);
      }
    });
    list.setOnMouseClicked(e -> {
      if (e.getClickCount() == 2) {
        openSelected(list);
      }
    });
    return list;
  }

  /** Shows shelf, agenda, drawer, find, learned, practice or safekeeping. */
  public void show(String name) {
    page = name;
    tabs.orElseThrow().mark(name);
    place.getChildren().setAll(built.computeIfAbsent(name, p -> pages.get(p).get()));
  }

  /** What begins the first job; without it none is offered. */
  public void onFirstJob(Runnable begin) {
    first.setOnAction(_ -> begin.run());
    first.setVisible(true);
  }

  /** What lets the whole window speak otherwise. */
  public void onSpeak(Consumer<Dialect> other) {
    speak = other;
  }

  /** The page that is shown, by its name. */
  public String page() {
    return page;
  }

  private static Button plateButton(String label, String id) {
    Button button = new Button(Labels.of(label));
    button.setId(id);
    button.getStyleClass().add("plate-button");
    button.setMinWidth(Region.USE_PREF_SIZE);
    return button;
  }

  private static Button plateButton(String label, String id, Runnable action) {
    Button button = plateButton(label, id);
    button.setOnAction(_ -> action.run());
    return button;
  }

  private void fillHead() {
    HearthDrawing drawing = new HearthDrawing();
    drawing.show(ChargeState.LIT);
    Label title = new Label(Labels.of("app.name"));
    title.getStyleClass().add("shop-name");
    Label claim = new Label(Labels.of("app.claim"));
    claim.getStyleClass().add("shop-claim");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    keys.setDisable(true);
    words.setId("window-words");
    words.getItems().setAll(Dialect.values());
    words.setConverter(Shown.by(d -> Labels.of("look.words." + d.code()), ""));
    words.setAccessibleText(Labels.of("look.words"));
    words.setValue(Labels.dialect());
    words.setOnAction(_ -> {
      if (words.getValue() != Labels.dialect()) {
        speak.accept(words.getValue());
        // Where it could not be done the choice stands as it was.
        words.setValue(Labels.dialect());
      }
    });
    head.getChildren()
        .addAll(
            drawing,
            new VBox(title, claim),
            gap,
            words,
            plateButton("look.smaller", "smaller", () -> appearance.resize(-1)),
            plateButton("look.larger", "larger", () -> appearance.resize(1)),
            plateButton(
                "look.night",
                "night",
                () -> appearance.nightProperty().set(!appearance.nightProperty().get())),
            keys);
  }

  private void fillArrival() {
    arrive.setId("arrive");
    arrive.getStyleClass().add("keep-button");
    arrive.setOnAction(_ -> arrive());
    bring.setId("bring-in");
    first.setId("first-job");
    first.setVisible(false);
    bring.setDisable(true);
    arrive.setMinWidth(Region.USE_PREF_SIZE);
    bring.setMinWidth(Region.USE_PREF_SIZE);
    arrival.getChildren().addAll(arrive, bring);
  }

  private void arrive() {
    model.ifPresentOrElse(m -> m.arrive(name.getText()), () -> early.add(name.getText()));
    if (Shelf.isName(name.getText())) {
      name.clear();
    }
  }

  private void fill(ListView<ShelfLine> list, List<ShelfLine> jobs) {
    int selected = Math.max(0, list.getSelectionModel().getSelectedIndex());
    list.getItems().setAll(jobs);
    list.getSelectionModel().select(Math.min(selected, jobs.size() - 1));
    if (isVisible() && (getScene() == null || getScene().getFocusOwner() == null)) {
      focus();
    }
  }

  private void openSelected(ListView<ShelfLine> list) {
    ShelfLine job = list.getSelectionModel().getSelectedItem();
    if (job != null) {
      model.orElseThrow().openJob(job.id());
    }
  }

  /**
   * Remembers where somebody is typing the name of a new set; run after the window was built anew
   * around it, it goes on there.
   */
  public Runnable goOnTyping() {
    int anchor = name.getAnchor();
    int caret = name.getCaretPosition();
    return name.isFocused()
        ? () -> {
          name.requestFocus();
          name.selectRange(anchor, caret);
        }
        : () -> {};
  }

  /**
   * Puts the keyboard where it is wanted: on the shelf, or on the name of a new set while the shelf
   * is empty. It is never taken from somebody who types, or may be about to.
   */
  public void focus() {
    if (name.isFocused()) {
      return;
    }
    Optional<ListView<ShelfLine>> filled =
        shelf.filter(l -> !l.getItems().isEmpty() && name.getText().isEmpty());
    if (filled.isPresent()) {
      filled.get().requestFocus();
    } else {
      name.requestFocus();
      name.end();
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
      card.ifPresentOrElse(
          c -> counts(c, right), () -> right.getChildren().add(quiet(Labels.of("shop.reading"))));
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
      right
          .getChildren()
          .add(
              quiet(
                  card.parts() == 0
                      ? Labels.of("shop.noparts")
                      : Labels.of("shop.parts", card.parts(), card.measured())));
      FlowPane counts = new FlowPane();
      counts.getStyleClass().add("card-counts");
      card.verdicts()
          .forEach(c -> {
            Label count =
                new Label(
                    c.parts() + " " + Words.of(card.dialect()).word(c.verdict()),
                    new VerdictGlyph(c.verdict()));
            count.getStyleClass().add(VerdictGlyph.styleClass(c.verdict()));
            counts.getChildren().add(count);
          });
      right.getChildren().add(counts);
      if (card.owed() > 0) {
        Label owed =
            quiet(Labels.of(card.blocks() ? "shop.owed-blocks" : "shop.owed", card.owed()));
        if (card.blocks()) {
          owed.getStyleClass().setAll("point-against");
        }
        right.getChildren().add(owed);
      }
    }
  }
}
