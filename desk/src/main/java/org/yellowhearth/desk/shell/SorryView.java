package org.yellowhearth.desk.shell;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Executor;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.VBox;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.storage.store.Backups;
import org.yellowhearth.storage.store.Backups.Backup;
import org.yellowhearth.storage.store.Recovery;
import org.yellowhearth.storage.store.SharedAddress;
import org.yellowhearth.storage.store.ShopException;
import org.yellowhearth.workshop.words.Labels;

/** What is seen where a shop does not open: why, and what can be done about it. */
public final class SorryView extends VBox {
  private static final Logger LOG = LoggerFactory.getLogger(SorryView.class);
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("EEEE d MMMM yyyy, HH:mm", Locale.ENGLISH);

  private final Path folder;
  private final Executor aside;
  private final Runnable again;
  private final Label said = Page.text("", "strong-note");
  private final VBox ways = new VBox();

  /**
   * The view.
   *
   * @param again opens the shop once more
   */
  public SorryView(String message, Path folder, Executor aside, Runnable again) {
    this.folder = folder;
    this.aside = aside;
    this.again = again;
    getStyleClass().add("sorry-view");
    said.setId("sorry-said");
    ways.getStyleClass().add("agenda-list");
    ScrollPane scroll = new ScrollPane(ways);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("page");
    getChildren().addAll(Page.text(message, "sorry"), said, scroll);
    offer();
  }

  private void offer() {
    if (SharedAddress.of(folder).isPresent()) {
      // It is the server that does not answer; nothing is wrong with this bench's own shop.
      ways.getChildren()
          .setAll(
              Page.button("sorry.again", "sorry-again", again),
              Page.row(
                  Page.text(Labels.of("sorry.own.how"), "quiet"),
                  Page.button(
                      "sorry.own",
                      "sorry-own",
                      () -> {
                        SharedAddress.set(folder, "");
                        again.run();
                      })));
      return;
    }
    ways.getChildren()
        .setAll(
            Page.button("sorry.again", "sorry-again", again),
            Page.row(
                Page.text(Labels.of("sorry.recover.how"), "quiet"),
                Page.button("sorry.recover", "sorry-recover", this::recover)));
    backups()
        .forEach(b ->
            ways.getChildren()
                .add(
                    Page.row(
                        Page.text(
                            WHEN.format(b.at().atZone(ZoneId.systemDefault()))
                                + "   "
                                + Labels.of("sorry.restore.how"),
                            "quiet"),
                        Page.button(
                            "sorry.restore",
                            "sorry-restore-" + b.at().getEpochSecond(),
                            () -> restore(b)))));
  }

  private List<Backup> backups() {
    try {
      return Backups.of(folder);
    } catch (IOException e) {
      LOG.error("The backups cannot be listed", e);
      said.setText(String.valueOf(e.getMessage()));
      return List.of();
    }
  }

  private void recover() {
    run(() -> {
      Recovery.Report r = Recovery.recover(folder, KnowledgeFiles.read(), Instant.now());
      return Labels.of(
          "sorry.recovered",
          r.whole().size(),
          r.cut().size(),
          r.lost().size(),
          Labels.of(r.drawer() ? "sorry.drawer" : "sorry.no-drawer"),
          r.aside());
    });
  }

  private void restore(Backup b) {
    run(() ->
        Labels.of("sorry.restore.how") + " " + Backups.restore(folder, b.file(), Instant.now()));
  }

  private void run(Supplier<String> work) {
    said.setText(Labels.of("sorry.working"));
    ways.setDisable(true);
    aside.execute(() -> {
      String result;
      boolean done = false;
      try {
        result = work.get();
        done = true;
      } catch (ShopException e) {
        LOG.error("The shop could not be mended", e);
        result = e.getMessage();
      }
      String told = result;
      boolean mended = done;
      Platform.runLater(() -> {
        said.setText(told);
        ways.setDisable(false);
        if (mended) {
          ways.getChildren().setAll(Page.button("sorry.open", "sorry-open", again));
        }
      });
    });
  }
}
