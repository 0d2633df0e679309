package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.stage.PopupWindow;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;
import org.yellowhearth.workshop.Rooms;
import org.yellowhearth.workshop.Stage;

/**
 * Printing through the commands of a desktop; {@code lp -d printer -t title} with the pages on its
 * standard input is POSIX.
 */
public class PrintingFlowTest extends Window {
  private void command(String name, String script) throws IOException {
    Path file = Path.of(commands, name);
    Files.writeString(file, "#!/bin/sh\n" + script + "\n");
    assertThat(file.toFile().setExecutable(true)).isTrue();
  }

  private void press() {
    robot.interact(() -> model.stageProperty().set(Stage.DOSSIER));
    settle();
    click("print");
  }

  private String told() {
    return model.background().noticeProperty().get().text();
  }

  private ContextMenu menu() {
    until(() ->
        javafx.stage.Window.getWindows().stream()
            .anyMatch(w -> w instanceof ContextMenu m && "printers".equals(m.getId())));
    return javafx.stage.Window.getWindows().stream()
        .filter(ContextMenu.class::isInstance)
        .map(ContextMenu.class::cast)
        .filter(m -> "printers".equals(m.getId()))
        .findFirst()
        .orElseThrow();
  }

  private void printers(String lp) throws IOException {
    commands = Rooms.folder().toString();
    command("lpstat", "[ \"$1\" = -e ] && printf 'Paper_room\\nLabels\\n'");
    command("lp", lp);
    openJob("Brindlecote");
  }

  /**
   * Each printer stands under the button; the chosen one gets the pages as PDF, and only then is it
   * said that they were sent.
   */
  @Test
  public void thePagesGoToThePrinterThatIsChosen() throws IOException {
    Path out = Rooms.folder();
    printers(
        "echo \"$@\" > \""
            + out.resolve("told")
            + "\"; cat > \""
            + out.resolve("pages.pdf")
            + "\"");
    press();
    assertThat(menu().getItems())
        .extracting(MenuItem::getText)
        .containsExactly("Print on Paper_room", "Print on Labels");
    robot.interact(() -> {
      menu().getItems().get(1).fire();
      menu().hide();
    });
    until(() -> told().startsWith("Sent"));
    assertThat(Files.readString(out.resolve("told"))).startsWith("-d Labels -t Yellow Hearth");
    try (PDDocument pages = Loader.loadPDF(out.resolve("pages.pdf").toFile())) {
      assertThat(new PDFTextStripper().getText(pages)).contains("Brindlecote");
    }
  }

  @Test
  public void whatThePrinterRefusesIsTold() throws IOException {
    printers("cat > /dev/null; echo 'lp: the queue is shut' >&2; exit 1");
    press();
    robot.interact(() -> {
      menu().getItems().getFirst().fire();
      menu().hide();
    });
    until(() -> told().contains("the queue is shut"));
  }

  @Test
  public void withoutAPrinterItSaysSo() throws IOException {
    printers("exit 1");
    command("lpstat", "exit 0");
    press();
    until(() -> told().startsWith("No printer"));
    assertThat(javafx.stage.Window.getWindows()).noneMatch(PopupWindow.class::isInstance);
  }
}
