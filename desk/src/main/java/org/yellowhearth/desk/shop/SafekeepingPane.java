package org.yellowhearth.desk.shop;

import java.time.format.DateTimeFormatter;
import java.util.Locale;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.storage.store.Backups.Backup;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.SafekeepingModel;
import org.yellowhearth.workshop.SafekeepingModel.InBackup;
import org.yellowhearth.workshop.SafekeepingModel.Opened;
import org.yellowhearth.workshop.words.Labels;

/** Safekeeping: the copies of the shop, what is in them, and the whole shop as open files. */
final class SafekeepingPane extends VBox {
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("EEEE d MMMM yyyy, HH:mm", Locale.ENGLISH);
  private static final double MEGABYTE = 1e6;

  private final DeskModel model;
  private final SafekeepingModel safe;
  private final VBox list = new VBox();

  SafekeepingPane(DeskModel model, FileAsk files) {
    this.model = model;
    safe = model.safekeeping();
    getStyleClass().add("agenda");
    list.getStyleClass().add("agenda-list");
    list.setId("safe-list");
    list.setMinWidth(0);
    ScrollPane scroll = new ScrollPane(list);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("page");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    FlowPane buttons =
        new FlowPane(
            Page.button("safe.now", "safe-now", safe::backUp),
            Page.button(
                "safe.out",
                "safe-out",
                () -> files.newFolder(Labels.of("safe.file")).ifPresent(safe::takeOut)));
    buttons.getStyleClass().add("line-form");
    getChildren()
        .addAll(
            Page.text(Labels.of("safe.about"), "quiet"), buttons, signature(), shared(), scroll);
    safe.backupsProperty().addListener((_, _, _) -> show());
    safe.openedProperty().addListener((_, _, _) -> show());
    sceneProperty()
        .addListener((_, _, scene) -> {
          if (scene != null) {
            safe.refresh();
            show();
          }
        });
  }

  private HBox shared() {
    TextField address =
        field("shared-address", safe.sharedAddress(), Labels.of("safe.share.prompt"));
    address.setOnAction(_ -> safe.share(address.getText()));
    HBox row = labelled(Labels.of("safe.share"), address);
    row.getChildren()
        .add(Page.button("safe.share.try", "share", () -> safe.share(address.getText())));
    return row;
  }

  private HBox signature() {
    TextField name =
        field("signature", safe.signatureProperty().get(), Labels.of("safe.signature.prompt"));
    Runnable keep =
        () -> {
          if (!name.getText().strip().equals(safe.signatureProperty().get())) {
            safe.sign(name.getText());
          }
        };
    name.setOnAction(_ -> keep.run());
    name.focusedProperty()
        .addListener((_, _, focused) -> {
          if (!focused) {
            keep.run();
          }
        });
    safe.signatureProperty().addListener((_, _, now) -> name.setText(now));
    return labelled(Labels.of("safe.signature"), name);
  }

  private static TextField field(String id, String text, String prompt) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setPromptText(prompt);
    return field;
  }

  /** A field that takes the room, with its label before it. */
  private static HBox labelled(String text, TextField field) {
    Label label = new Label(text);
    label.setLabelFor(field);
    field.setAccessibleText(text);
    label.setMinWidth(USE_PREF_SIZE);
    HBox.setHgrow(field, Priority.ALWAYS);
    HBox row = new HBox(label, field);
    row.getStyleClass().add("agenda-below");
    return row;
  }

  private void show() {
    Page.fillRows(
        list, safe.backupsProperty().get(), safe.shared() ? "safe.shared" : "safe.none", this::row);
  }

  private Node row(Backup b) {
    boolean open = safe.openedProperty().get().filter(o -> o.backup().equals(b)).isPresent();
    String id = Long.toString(b.at().getEpochSecond());
    Node head =
        Page.row(
            Page.text(
                Labels.of(
                    "safe.backup",
                    WHEN.format(b.at().atZone(model.now().getZone())),
                    String.format(Locale.ROOT, "%.1f", b.bytes() / MEGABYTE)),
                "strong-note"),
            open
                ? Page.button("safe.shut", "safe-shut-" + id, safe::shut)
                : Page.button("safe.look", "safe-look-" + id, () -> safe.look(b)));
    VBox box = new VBox(head);
    box.getStyleClass().add("renew-card");
    safe.openedProperty()
        .get()
        .filter(_ -> open)
        .map(Opened::jobs)
        .ifPresent(jobs -> jobs.forEach(j -> box.getChildren().add(job(b, j))));
    return box;
  }

  private Node job(Backup backup, InBackup j) {
    String stands =
        Labels.of(
            switch (j.stands()) {
              case SAME -> "safe.same";
              case SHELF_HAS_MORE -> "safe.more";
              case BACKUP_HAS_MORE -> "safe.less";
              case NOT_ON_SHELF -> "safe.gone";
            });
    boolean shelfLacks =
        j.stands() == SafekeepingModel.Stands.BACKUP_HAS_MORE
            || j.stands() == SafekeepingModel.Stands.NOT_ON_SHELF;
    return Page.row(
        Page.text(Labels.of("safe.job", j.kept().name(), j.kept().entries())),
        Page.text(stands, shelfLacks ? "point-against" : "quiet"),
        Page.button(
            "safe.bring", "safe-bring-" + j.kept().id(), () -> safe.bringBack(backup, j.kept())));
  }
}
