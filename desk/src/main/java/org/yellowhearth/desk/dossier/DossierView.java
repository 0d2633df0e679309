package org.yellowhearth.desk.dossier;

import java.nio.file.Path;
import java.util.EnumMap;
import java.util.Map;
import javafx.beans.binding.Bindings;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.MenuButton;
import javafx.scene.control.MenuItem;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.DossierScope.Section;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.publishing.dossier.SetPapers;
import org.yellowhearth.publishing.folio.WebFolio;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.DossierModel;
import org.yellowhearth.workshop.words.Labels;

/** Dossier: which sections it tells, the pages themselves, and the ways out of the shop. */
public final class DossierView extends BorderPane {
  private static final float SCREEN_DOTS = 96;

  /** More pages than these are in the file but not drawn here. */
  private static final int MOST_PREVIEWED = 12;

  private static final double MARGIN = 60;

  private final DeskModel model;
  private final DossierModel dossier;
  private final Path folder;
  private final VBox pages = new VBox();
  private final Label count = new Label();
  private final Map<Section, CheckBox> sections = new EnumMap<>(Section.class);
  private int wanted;

  /** A view of the model's open job; saved dossiers go into the folder. */
  public DossierView(DeskModel model, FileAsk files, Path folder) {
    this.model = model;
    this.dossier = model.dossier();
    this.folder = folder;
    getStyleClass().add("stage");
    Label title = new Label(Labels.of("dossier.title"));
    title.getStyleClass().add("stage-title");
    count.getStyleClass().add("stage-count");
    ProgressBar progress = new ProgressBar();
    progress.progressProperty().bind(Bound.number(dossier.progressProperty()));
    Button stop = Page.quiet("dossier.stop", dossier::stop);
    stop.setId("dossier-stop");
    for (Node n : new Node[] {progress, stop}) {
      n.visibleProperty().bind(Bound.number(dossier.progressProperty()).greaterThanOrEqualTo(0));
      n.managedProperty().bind(n.visibleProperty());
    }
    Button save = Page.button("dossier.save", "save-pdf", this::save);
    save.getStyleClass().add("keep-button");
    PaperTray tray = new PaperTray(model, files, this);
    HBox head = new HBox(title, count, progress, stop);
    head.getStyleClass().addAll("stage-head", "dossier-head");
    FlowPane buttons =
        new FlowPane(
            save,
            Page.button("dossier.web", "dossier-web", () -> web(files, WebFolio.Form.HTML)),
            Page.button(
                "dossier.markdown", "dossier-markdown", () -> web(files, WebFolio.Form.MARKDOWN)),
            Page.button(
                "dossier.out",
                "take-out",
                () ->
                    files
                        .newJobFile(model.job().plate().name() + ".hearthjob")
                        .ifPresent(model::takeOut)),
            Page.button("dossier.print", "print", () -> tray.print(dossier.pdf())));
    MenuButton papers = new MenuButton(Labels.of("dossier.papers"));
    papers.setId("dossier-papers");
    for (SetPapers.Kind kind : SetPapers.Kind.values()) {
      papers
          .getItems()
          .add(
              paper(
                  model.words().word(kind),
                  () -> tray.save(model.words().word(kind) + ".pdf", dossier.paper(kind))));
    }
    papers
        .getItems()
        .add(
            paper(
                Labels.of("dossier.labels"),
                () -> tray.save(Labels.of("dossier.labels-file"), dossier.labels())));
    buttons.getChildren().add(papers);
    buttons.getStyleClass().add("dossier-buttons");
    setTop(new VBox(head, buttons));
    pages.getStyleClass().add("pages");
    ScrollPane scroll = new ScrollPane(pages);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("pages-scroll");
    setCenter(scroll);
    setLeft(choice());
    model
        .openProperty()
        .addListener((_, _, now) -> {
          if (now.isPresent() && getScene() != null) {
            refresh();
          }
        });
  }

  private static MenuItem paper(String label, Runnable action) {
    MenuItem item = new MenuItem(label);
    item.setOnAction(_ -> action.run());
    return item;
  }

  private ScrollPane choice() {
    VBox box =
        new VBox(
            Page.button(
                "dossier.for-owner",
                "dossier-for-owner",
                () -> dossier.tell(DossierScope.forOwner())),
            Page.button(
                "dossier.for-next", "dossier-for-next", () -> dossier.tell(DossierScope.BLANK)));
    for (Section s : Section.values()) {
      CheckBox told = new CheckBox(model.words().word(s));
      told.setId("section-" + s.code());
      told.setWrapText(true);
      told.setOnAction(_ -> dossier.tell(s, told.isSelected()));
      sections.put(s, told);
      box.getChildren().add(told);
    }
    box.getStyleClass().add("dossier-sections");
    box.setMinWidth(Region.USE_PREF_SIZE);
    ScrollPane scroll = new ScrollPane(box);
    scroll.getStyleClass().add("page");
    scroll.setFitToWidth(true);
    scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
    return scroll;
  }

  private void web(FileAsk files, WebFolio.Form form) {
    files.newFolder(model.job().plate().name() + " dossier").ifPresent(f -> dossier.web(f, form));
  }

  /** Sets the pages anew from the job as it stands. */
  public void refresh() {
    if (model.openProperty().get().isEmpty()) {
      return;
    }
    int mine = ++wanted;
    DossierScope scope = dossier.scope();
    sections.forEach((s, box) -> box.setSelected(scope.tells(s)));
    count.setText(Labels.of("dossier.making"));
    dossier.pdf(pdf ->
        model
            .background()
            .aside(
                () -> PaperTray.drawn(pdf, MOST_PREVIEWED, SCREEN_DOTS),
                preview -> {
                  if (mine == wanted) {
                    count.setText(Labels.of("dossier.pages", preview.pageCount()));
                    pages
                        .getChildren()
                        .setAll(preview.pictures().stream().map(this::sheet).toList());
                  }
                }));
  }

  private Node sheet(Image picture) {
    ImageView view = new ImageView(picture);
    view.setPreserveRatio(true);
    view.setSmooth(true);
    // Where large text leaves less room the sheet is smaller, and never cut off.
    view.fitWidthProperty()
        .bind(Bindings.min(picture.getWidth(), pages.widthProperty().subtract(MARGIN)));
    HBox paper = new HBox(view);
    paper.getStyleClass().add("paper");
    paper.setMaxWidth(HBox.USE_PREF_SIZE);
    return paper;
  }

  /** Writes the PDF beside the shop and says where. */
  public void save() {
    dossier.save(folder);
  }
}
