package org.yellowhearth.desk.dossier;

import java.io.IOException;
import java.nio.file.Path;

import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ProgressIndicator;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.model.Background;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.OpenJob;
import org.yellowhearth.desk.shell.FileAsk;
import org.yellowhearth.records.dossier.Dossier;
import org.yellowhearth.records.dossier.DossierPdf;

/** Dossier: the pages themselves, and the ways out of the shop. */
public final class DossierView extends BorderPane {
    private static final float SCREEN_DOTS = 96;
    /** More pages than these are in the file but not drawn here. */
    private static final int MOST_PREVIEWED = 12;

    private final DeskModel model;
    private final Path folder;
    private final VBox pages = new VBox();
    private final Label count = new Label();
    private final ProgressIndicator progress = new ProgressIndicator();
    private int wanted;

    /** A view of the model's open job; saved dossiers go into the folder. */
    public DossierView(DeskModel model, FileAsk files, Path folder) {
        this.model = model;
        this.folder = folder;
        getStyleClass().add("stage");
        Label title = new Label(Labels.of("dossier.title"));
        title.getStyleClass().add("stage-title");
        count.getStyleClass().add("stage-count");
        progress.getStyleClass().add("small-progress");
        progress.setVisible(false);
        progress.managedProperty().bind(progress.visibleProperty());
        Button save = new Button(Labels.of("dossier.save"));
        save.setId("save-pdf");
        save.getStyleClass().add("keep-button");
        save.setOnAction(_ -> save());
        Button out = new Button(Labels.of("dossier.out"));
        out.setId("take-out");
        out.setOnAction(_ -> files.newJobFile(open().job().plate().name() + ".json").ifPresent(model::takeOut));
        Button print = new Button(Labels.of("dossier.print"));
        print.setId("print");
        PaperTray tray = new PaperTray(model, files, this);
        print.setOnAction(_ -> {
            Dossier dossier = dossier();
            tray.print(() -> DossierPdf.bytes(dossier));
        });
        HBox head = new HBox(title, count, progress);
        head.getStyleClass().add("stage-head");
        FlowPane buttons = new FlowPane(save, out, print);
        buttons.getStyleClass().add("dossier-buttons");
        setTop(new VBox(head, buttons));
        pages.getStyleClass().add("pages");
        ScrollPane scroll = new ScrollPane(pages);
        scroll.setFitToWidth(true);
        scroll.getStyleClass().add("pages-scroll");
        setCenter(scroll);
        model.openProperty().addListener((_, _, now) -> {
            if (now.isPresent() && getScene() != null) {
                refresh();
            }
        });
    }

    private OpenJob open() {
        return model.openProperty().get().orElseThrow();
    }

    private Dossier dossier() {
        return Dossier.of(open().job(), model.knowledge(), model.now());
    }

    /** Sets the pages anew from the job as it stands. */
    public void refresh() {
        if (model.openProperty().get().isEmpty()) {
            return;
        }
        int mine = ++wanted;
        progress.setVisible(true);
        count.setText(Labels.of("dossier.making"));
        Dossier dossier = dossier();
        model.background().aside(() -> PaperTray.drawn(DossierPdf.bytes(dossier), MOST_PREVIEWED, SCREEN_DOTS), preview -> {
            if (mine == wanted) {
                progress.setVisible(false);
                count.setText(Labels.of("dossier.pages", preview.pageCount()));
                pages.getChildren().setAll(preview.pictures().stream().map(DossierView::sheet).toList());
            }
        });
    }

    private static Node sheet(Image picture) {
        ImageView view = new ImageView(picture);
        view.setPreserveRatio(true);
        view.setSmooth(true);
        HBox paper = new HBox(view);
        paper.getStyleClass().add("paper");
        paper.setMaxWidth(HBox.USE_PREF_SIZE);
        return paper;
    }

    /** Writes the PDF beside the shop and says where. */
    public void save() {
        Dossier dossier = dossier();
        model.background().aside(() -> {
            try {
                return new Background.Notice(Labels.of("dossier.saved", DossierPdf.writeInto(folder, dossier)), false);
            } catch (IOException e) {
                return new Background.Notice(Labels.of("dossier.not-saved", folder, e.toString()), true);
            }
        }, n -> model.tell(n.text(), n.trouble()));
    }
}
