package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.RandomAccessFile;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Pane;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.DossierScope.Section;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.desk.shell.SorryView;
import org.yellowhearth.storage.store.Backups;
import org.yellowhearth.storage.store.ShelfLine;

/**
 * Safekeeping in the real window: a backup made and looked into, the whole shop out and back, a
 * damaged shop mended; and the dossier's ways out.
 */
public class SafekeepingFlowTest extends Window {
  private String text(Pane pane) {
    StringBuilder text = new StringBuilder();
    pane.lookupAll(".label").forEach(n -> text.append(((Label) n).getText()).append('\n'));
    return text.toString();
  }

  private void safekeeping() {
    robot.interact(() -> find("shop-safekeeping", ToggleButton.class).fire());
    settle();
  }

  private String told() {
    return model.background().noticeProperty().get().text();
  }

  @Test
  public void aBackupIsMadeLookedIntoAndBroughtBack() throws IOException {
    safekeeping();
    click("safe-now");
    until(() -> told().startsWith("Backed up: 2 jobs"));
    settle();
    Backups.Backup made = Backups.of(folder).getFirst();
    click("safe-look-" + made.at().getEpochSecond());
    until(() -> text(find("safe-list", VBox.class)).contains("as on the shelf"));
    String id =
        model.safekeeping().openedProperty().get().orElseThrow().jobs().getFirst().kept().id();
    click("safe-bring-" + id);
    until(() -> model.shelf().jobsProperty().get().size() == 3);
    assertThat(told()).startsWith("Brought back beside what is there");
    robot.interact(() -> model.safekeeping().backUpWhenDue());
    settle();
    assertThat(Backups.of(folder)).hasSize(1);
  }

  /** Out as files and into an empty shop: the same journals, photographs and all. */
  @Test
  public void theWholeShopGoesOutAsFilesAndComesBack() throws IOException {
    List<Integer> entries =
        model.shelf().jobsProperty().get().stream().map(ShelfLine::entries).sorted().toList();
    safekeeping();
    click("safe-out");
    Path out = folder.resolve("shop as files");
    until(() -> told().contains("2 jobs written"));
    assertThat(out.resolve("drawer.csv")).exists();
    List<Path> files;
    try (var all = Files.list(out)) {
      files = all.filter(f -> f.toString().endsWith(".json")).toList();
    }
    assertThat(files).hasSize(3);
    robot.interact(() -> model.shelf().bringIn(files));
    settle();
    until(() -> model.shelf().jobsProperty().get().size() == 4);
    assertThat(
            model.shelf().jobsProperty().get().stream().map(ShelfLine::entries).sorted().toList())
        .containsExactly(entries.get(0), entries.get(0), entries.get(1), entries.get(1));
    click("safe-out");
    until(() -> told().contains("it is there already"));
  }

  @Test
  public void theDossierTellsWhatIsChosenAndGoesOutAsAPage() throws IOException {
    openJob("Brindlecote");
    press(KeyCode.CONTROL, KeyCode.DIGIT0);
    settle();
    robot.interact(() -> find("section-journal", CheckBox.class).fire());
    settle();
    assertThat(job().aspect(DossierScope.class).tells(Section.JOURNAL)).isFalse();
    click("dossier-for-owner");
    until(() -> job().aspect(DossierScope.class).equals(DossierScope.forOwner()));
    settle();
    assertThat(find("section-readings", CheckBox.class).isSelected()).isFalse();
    click("dossier-web");
    Path page = folder.resolve("Brindlecote 51 dossier").resolve("index.html");
    until(() -> Files.exists(page));
    assertThat(Files.readString(page))
        .contains("<h1>Brindlecote 51</h1>")
        .doesNotContain("<h2>Journal</h2>");
    try (var all = Files.list(page.getParent())) {
      assertThat(all.filter(f -> f.getFileName().toString().startsWith("picture")))
          .hasSameSizeAs(job().items(Photograph.class));
    }
    until(() -> told().startsWith("Saved"));
    click("dossier-web");
    until(() -> told().contains("choose another name"));
  }

  /**
   * A shop whose pages were overwritten does not open, says why, and is mended from what is left
   * and the backup.
   */
  @Test
  public void aDamagedShopIsMended() throws IOException, InterruptedException {
    safekeeping();
    click("safe-now");
    until(() -> told().startsWith("Backed up"));
    close();
    Path file = folder.resolve("shop.sqlite");
    try (RandomAccessFile f = new RandomAccessFile(file.toFile(), "rw")) {
      f.write(new byte[64 * 1024]);
    }
    AtomicInteger again = new AtomicInteger();
    robot.interact(() ->
        stage.setScene(
            new Scene(
                new StackPane(
                    new SorryView(
                        "The shop cannot be opened.",
                        folder,
                        Executors.newVirtualThreadPerTaskExecutor(),
                        again::incrementAndGet)),
                900,
                520)));
    robot.interact(() -> find("sorry-recover", Button.class).fire());
    until(() ->
        find("sorry-said", Label.class)
            .getText()
            .startsWith("Recovered: 0 jobs whole, 2 shortened or from the backup"));
    robot.interact(() -> find("sorry-open", Button.class).fire());
    assertThat(again.get()).isEqualTo(1);
    open();
    assertThat(model.shelf().jobsProperty().get()).hasSize(2);
  }
}
