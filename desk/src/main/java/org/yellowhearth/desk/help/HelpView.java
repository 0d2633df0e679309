package org.yellowhearth.desk.help;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.help.Article;
import org.yellowhearth.publishing.help.Article.Chapter;
import org.yellowhearth.publishing.help.HelpBook;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The help on F1: what belongs to the stage one is on, every key, the guide, the bench line, words
 * of the trade, and the method; all of it can be searched.
 */
public final class HelpView extends StackPane {
  private static final String HERE = "here";
  private static final double LIST_SHARE = 0.3;

  private final DeskModel model;
  private final TextField search = new TextField();
  private final ListView<Article> titles = new ListView<>();
  private final ScrollPane text = new ScrollPane();
  private final BorderPane body = new BorderPane();
  private final Button first = Page.button("help.first", "help-first", this::firstJob);
  private final Map<String, Runnable> pages = new LinkedHashMap<>();
  private final PageTabs tabs;
  private Optional<HelpBook> book = Optional.empty();
  private Optional<SetPlate.Dialect> dialect = Optional.empty();
  private Optional<Runnable> onFirstJob = Optional.empty();
  private String page = HERE;

  /**
   * The help, closed.
   *
   * @param here what the guide calls the place one is at
   */
  public HelpView(DeskModel model, Supplier<String> here, Runnable closed) {
    this.model = model;
    getStyleClass().add("sheet-ground");
    pages.put(
        HERE, () -> one(book.flatMap(b -> b.guideTo(here.get())).map(List::of).orElse(List.of())));
    pages.put("keys", () -> text.setContent(column(grid(SheetTexts.keys()))));
    pages.put(
        "line",
        () -> {
          list(Chapter.LINE);
          if (titles.getItems().isEmpty()) {
            text.setContent(column(grid(SheetTexts.line())));
          }
        });
    pages.put("guide", () -> list(Chapter.GUIDE));
    pages.put("words", () -> one(book.map(b -> b.in(Chapter.WORDS)).orElse(List.of())));
    pages.put("method", () -> list(Chapter.METHOD));
    pages.put("licences", () -> text.setContent(column(Page.text(SheetTexts.licences(), "quiet"))));
    tabs = new PageTabs(pages.keySet(), "help.page.", "help-", this::turnTo);
    search.setId("help-search");
    search.setPromptText(Labels.of("help.search"));
    search.setAccessibleText(Labels.of("help.search"));
    search.textProperty().addListener((_, _, _) -> show());
    search.setOnKeyPressed(e -> {
      if (e.getCode() == KeyCode.DOWN && !titles.getItems().isEmpty()) {
        titles.requestFocus();
        e.consume();
      }
    });
    titles.setId("help-titles");
    titles.getStyleClass().add("shelf");
    titles.setAccessibleText(Labels.of("help.titles"));
    titles.setCellFactory(_ -> new TitleCell());
    titles
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, a) -> {
          if (a != null) {
            read(List.of(a));
          }
        });
    titles.prefWidthProperty().bind(body.widthProperty().multiply(LIST_SHARE));
    text.setId("help-text");
    text.setFitToWidth(true);
    text.getStyleClass().add("page");
    body.setCenter(text);
    body.setMinHeight(0);
    VBox.setVgrow(body, Priority.ALWAYS);
    Label title = new Label(Labels.of("help.title"));
    title.getStyleClass().add("sheet-title");
    title.setMinWidth(USE_PREF_SIZE);
    HBox.setHgrow(search, Priority.ALWAYS);
    Button close =
        Page.button(
            "sheet.close",
            "help-close",
            () -> {
              close();
              closed.run();
            });
    HBox head = new HBox(title, search, first, close);
    head.getStyleClass().add("help-head");
    VBox sheet = new VBox(head, tabs, body);
    sheet.getStyleClass().addAll("sheet", "help");
    sheet.setMaxHeight(Double.MAX_VALUE);
    getChildren().add(sheet);
    first.setVisible(false);
    first.managedProperty().bind(first.visibleProperty());
    setVisible(false);
  }

  /** What begins the first job; without it none is offered. */
  public void onFirstJob(Runnable begin) {
    onFirstJob = Optional.of(begin);
    first.setVisible(true);
  }

  private void firstJob() {
    close();
    onFirstJob.ifPresent(Runnable::run);
  }

  /** Shows what belongs to the place one is at. */
  public void open() {
    search.clear();
    setVisible(true);
    turnTo(HERE);
    search.requestFocus();
    SetPlate.Dialect now =
        model
            .openProperty()
            .get()
            .map(o -> o.job().plate().dialect())
            .orElse(SetPlate.Dialect.BRITISH);
    if (!dialect.equals(Optional.of(now))) {
      dialect = Optional.of(now);
      model
          .background()
          .aside(
              () -> HelpBook.of(model.knowledge(), Words.of(now)),
              read -> {
                book = Optional.of(read);
                show();
              });
    }
  }

  /** Puts it away. */
  public void close() {
    setVisible(false);
  }

  private void turnTo(String name) {
    page = name;
    search.clear();
    show();
  }

  private void show() {
    if (search.getText().isBlank()) {
      tabs.mark(page);
      titles.getItems().clear();
      body.setLeft(null);
      text.setContent(column(Page.text(Labels.of("help.reading"), "empty-state")));
      pages.get(page).run();
    } else {
      tabs.unmark();
      list(book.map(b -> b.find(search.getText())).orElse(List.of()));
      if (titles.getItems().isEmpty()) {
        text.setContent(
            column(Page.text(Labels.of("help.nothing", search.getText().strip()), "empty-state")));
      }
    }
    text.setVvalue(0);
  }

  private void list(Chapter chapter) {
    list(book.map(b -> b.in(chapter)).orElse(List.of()));
  }

  private void list(List<Article> articles) {
    titles.getItems().setAll(articles);
    body.setLeft(articles.isEmpty() ? null : titles);
    titles.getSelectionModel().selectFirst();
  }

  private void one(List<Article> articles) {
    if (!articles.isEmpty()) {
      read(articles);
    }
  }

  private void read(List<Article> articles) {
    VBox box = column();
    articles.forEach(a -> box.getChildren().add(new ArticleView(a, this::follow)));
    text.setContent(box);
    text.setVvalue(0);
  }

  /** Goes where a link leads; one that leads out of the help goes nowhere. */
  private void follow(String anchor) {
    book.flatMap(b -> b.at(anchor))
        .ifPresent(a -> {
          page =
              a.chapter() == Chapter.METHOD
                  ? "method"
                  : a.chapter() == Chapter.LINE ? "line" : "guide";
          search.clear();
          show();
          titles.getSelectionModel().select(a);
          titles.scrollTo(a);
        });
  }

  private static VBox column(Region... content) {
    VBox box = new VBox(content);
    box.getStyleClass().add("help-text");
    return box;
  }

  private static GridPane grid(List<SheetTexts.Line> lines) {
    GridPane grid = new GridPane();
    grid.getStyleClass().add("sheet-grid");
    int row = 0;
    for (SheetTexts.Line l : lines) {
      Label typed = new Label(l.typed());
      typed.getStyleClass().add("sheet-typed");
      typed.setMinWidth(Region.USE_PREF_SIZE);
      Label meaning = new Label(l.meaning());
      meaning.setWrapText(true);
      grid.addRow(row++, typed, meaning);
    }
    return grid;
  }

  /** The title of an article. */
  private static final class TitleCell extends ListCell<Article> {
    @Override
    protected void updateItem(Article a, boolean empty) {
      super.updateItem(a, empty);
      setText(empty || a == null ? null : a.title());
      setWrapText(true);
      prefWidthProperty().bind(getListView().widthProperty().subtract(30));
    }
  }
}
