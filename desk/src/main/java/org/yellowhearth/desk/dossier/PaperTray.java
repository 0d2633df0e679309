package org.yellowhearth.desk.dossier;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import javafx.geometry.Side;
import javafx.print.PageLayout;
import javafx.print.PrinterJob;
import javafx.scene.Node;
import javafx.scene.control.ContextMenu;
import javafx.scene.control.MenuItem;
import javafx.scene.image.Image;
import javafx.scene.image.ImageView;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.platform.Printers;
import org.yellowhearth.workshop.Background.Work;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Where pages come out: into a file that the person names, or onto paper. They are made beside the
 * window.
 */
public final class PaperTray {
  private static final float PRINTER_DOTS = 200;

  private final DeskModel model;
  private final FileAsk files;
  private final Node owner;

  /** The pages drawn, and how many there are in all. */
  record Preview(List<Image> pictures, int pageCount) {}

  /** A tray whose dialogs belong to the window of a node. */
  public PaperTray(DeskModel model, FileAsk files, Node owner) {
    this.model = model;
    this.files = files;
    this.owner = owner;
  }

  /** Writes a PDF into a new file. */
  public void save(String suggestedName, Work<byte[]> pdf) {
    model
        .dossier()
        .onceDrawable(() -> files.newPaper(suggestedName).ifPresent(file -> save(file, pdf)));
  }

  private void save(Path file, Work<byte[]> pdf) {
    model.background().aside(pdf, bytes -> model.save(file, bytes));
  }

  /** Asks for a printer and prints. */
  public void print(Work<byte[]> pdf) {
    model.dossier().onceDrawable(() -> printDrawable(pdf));
  }

  private void printDrawable(Work<byte[]> pdf) {
    Printers printers = files.printers();
    if (printers.commands()) {
      model
          .background()
          .aside(
              printers::names,
              names -> {
                if (names.isEmpty()) {
                  model.tell(Labels.of("dossier.no-printer"), true);
                } else {
                  ask(
                      names,
                      name ->
                          model
                              .background()
                              .aside(() -> printers.print(name, pdf.get()), this::told));
                }
              });
    } else {
      byToolkit(pdf);
    }
  }

  private void told(Optional<String> wrong) {
    model.tell(
        wrong.map(w -> Labels.of("dossier.not-printed", w)).orElse(Labels.of("dossier.printed")),
        wrong.isPresent());
  }

  /** The printers stand under the button that was pressed. */
  private void ask(List<String> names, Consumer<String> then) {
    ContextMenu menu = new ContextMenu();
    menu.setId("printers");
    names.forEach(name -> {
      MenuItem item = new MenuItem(Labels.of("dossier.print-on", name));
      item.setMnemonicParsing(false);
      item.setOnAction(_ -> then.accept(name));
      menu.getItems().add(item);
    });
    Node under = Optional.ofNullable(owner.getScene().getFocusOwner()).orElse(owner);
    menu.show(under, Side.BOTTOM, 0, 0);
  }

  /** Where there are no such commands. */
  private void byToolkit(Work<byte[]> pdf) {
    if (model.anythingOn()) {
      // The platform's dialog would take the keyboard, and no stop would be heard.
      model.tell(Labels.of("stop.no-dialog"), true);
      return;
    }
    PrinterJob job = PrinterJob.createPrinterJob();
    if (job == null) {
      model.tell(Labels.of("dossier.no-printer"), true);
      return;
    }
    if (job.showPrintDialog(owner.getScene().getWindow())) {
      model
          .background()
          .aside(
              () -> drawn(pdf.get(), Integer.MAX_VALUE, PRINTER_DOTS),
              preview -> {
                PageLayout layout = job.getJobSettings().getPageLayout();
                boolean printed = true;
                for (Image picture : preview.pictures()) {
                  ImageView view = new ImageView(picture);
                  view.setPreserveRatio(true);
                  view.setFitWidth(
                      Math.min(layout.getPrintableWidth(), picture.getWidth() * 72 / PRINTER_DOTS));
                  printed &= job.printPage(view);
                }
                told(
                    printed && job.endJob()
                        ? Optional.empty()
                        : Optional.of(job.getPrinter().getName()));
              });
    }
  }

  static Preview drawn(byte[] pdf, int mostPages, float dotsPerInch) {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      PDFRenderer renderer = new PDFRenderer(document);
      List<Image> pictures = new ArrayList<>();
      for (int i = 0; i < Math.min(mostPages, document.getNumberOfPages()); i++) {
        pictures.add(image(renderer.renderImageWithDPI(i, dotsPerInch)));
      }
      return new Preview(pictures, document.getNumberOfPages());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Image image(BufferedImage page) {
    int width = page.getWidth();
    int height = page.getHeight();
    int[] pixels = page.getRGB(0, 0, width, height, null, 0, width);
    for (int i = 0; i < pixels.length; i++) {
      pixels[i] |= 0xFF000000;
    }
    WritableImage image = new WritableImage(width, height);
    image
        .getPixelWriter()
        .setPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
    return image;
  }
}
