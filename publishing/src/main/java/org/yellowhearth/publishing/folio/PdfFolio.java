package org.yellowhearth.publishing.folio;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.List;
import org.openpdf.text.Document;
import org.openpdf.text.Element;
import org.openpdf.text.Font;
import org.openpdf.text.Image;
import org.openpdf.text.ImgTemplate;
import org.openpdf.text.Paragraph;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfDestination;
import org.openpdf.text.pdf.PdfName;
import org.openpdf.text.pdf.PdfObject;
import org.openpdf.text.pdf.PdfOutline;
import org.openpdf.text.pdf.PdfPCell;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfString;
import org.openpdf.text.pdf.PdfStructureElement;
import org.openpdf.text.pdf.PdfTemplate;
import org.openpdf.text.pdf.PdfWriter;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.publishing.drawing.Plot;
import org.yellowhearth.publishing.folio.Folio.Block;

/**
 * A folio as a PDF with real text, bookmarks, embedded typefaces and drawings as lines; it reads in
 * black and white.
 */
public final class PdfFolio {
  private static final float ABOVE_HEADING = 30;
  private static final float PICTURE_HEIGHT = 250;
  private static final float PICTURE_GAP = 6;
  private static final float LETTERS = 8;
  private static final float THIN = 0.6f;
  private static final float THICK = 1.4f;

  private final Folio folio;
  private final Watcher watcher;
  private final Pages pages = new Pages();
  private final Document document = Pages.document();
  private PdfWriter writer;
  private PdfStructureElement structure;

  private PdfFolio(Folio folio, Watcher watcher) {
    this.folio = folio;
    this.watcher = watcher;
  }

  /** The whole folio as the bytes of a PDF file. */
  public static byte[] bytes(Folio folio) {
    return bytes(folio, Watcher.NOBODY);
  }

  /**
   * The same, watched.
   *
   * @throws StoppedException where the watcher stops it
   */
  public static byte[] bytes(Folio folio, Watcher watcher) {
    return new PdfFolio(folio, watcher).made();
  }

  /** Tells how far it is, and ends it where it shall not go on. */
  static void tell(Watcher watcher, int done, int of) {
    if (!watcher.goOn(of == 0 ? 1 : done / (double) of)) {
      throw new StoppedException();
    }
  }

  private byte[] made() {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    writer = PdfWriter.getInstance(document, out);
    writer.setPageEvent(pages.foot(folio.foot()));
    writer.setTagged();
    document.addTitle(folio.title());
    document.addSubject(folio.subject());
    document.addCreator("Yellow Hearth");
    document.open();
    writer.getExtraCatalog().put(PdfName.LANG, new PdfString("en"));
    structure = new PdfStructureElement(writer.getStructureTreeRoot(), new PdfName("Document"));
    int all = folio.parts().stream().mapToInt(p -> p.blocks().size()).sum();
    int done = 0;
    for (Folio.Part part : folio.parts()) {
      if (!part.heading().isEmpty()) {
        add(pages.heading(part.heading()));
        new PdfOutline(
            writer.getDirectContent().getRootOutline(),
            new PdfDestination(
                PdfDestination.FITH, writer.getVerticalPosition(false) + ABOVE_HEADING),
            part.heading());
      }
      for (Block block : part.blocks()) {
        set(block);
        tell(watcher, ++done, all);
      }
    }
    document.close();
    return out.toByteArray();
  }

  private void add(Paragraph paragraph) {
    document.add(pages.block(paragraph));
  }

  private void set(Block block) {
    switch (block) {
      case Block.Title t -> add(pages.title(t.text()));
      case Block.Words w -> {
        switch (w.tone()) {
          case PLAIN -> add(pages.line(w.text()));
          case QUIET -> add(pages.quietLine(w.text()));
          case CAUTION -> add(pages.labelled("!", w.text()));
        }
      }
      case Block.Labelled l -> add(pages.labelled(l.label(), l.text()));
      case Block.Head h -> add(head(h));
      case Block.Table t -> document.add(table(t));
      case Block.Picture p -> picture(p);
      case Block.Drawing d -> drawing(d);
    }
  }

  private Paragraph head(Block.Head h) {
    Paragraph head = pages.paragraph(15);
    head.setSpacingBefore(8);
    head.setSpacingAfter(2);
    Typefaces.set(head, h.text() + "   ", pages.strong());
    if (!h.word().isEmpty()) {
      Typefaces.set(head, h.mark() + " ", pages.glyph());
      Typefaces.set(head, h.word(), pages.strong());
    }
    return head;
  }

  private PdfPTable table(Block.Table t) {
    float[] widths = new float[t.widths().size()];
    for (int k = 0; k < widths.length; k++) {
      widths[k] = t.widths().get(k).floatValue();
    }
    PdfPTable table =
        t.heads().isEmpty()
            ? new PdfPTable(widths)
            : pages.table(widths, t.heads().toArray(String[]::new));
    table.setWidthPercentage(100);
    for (List<Folio.Cell> row : t.rows()) {
      for (Folio.Cell cell : row) {
        table.addCell(
            pages.cell(
                cell.text(),
                switch (cell.face()) {
                  case PLAIN -> pages.text();
                  case STRONG -> pages.strong();
                  case FIGURE -> pages.figure();
                  case QUIET -> pages.quiet();
                }));
      }
    }
    return table;
  }

  /**
   * A picture with its caption, which a page never parts, and its description for whoever has the
   * page read out.
   */
  private void framed(Image image, String alt, String caption) {
    PdfPTable table = new PdfPTable(1);
    table.setWidthPercentage(100);
    table.setKeepTogether(true);
    PdfPCell cell = new PdfPCell();
    cell.setBorder(PdfPCell.NO_BORDER);
    cell.setFixedHeight(image.getScaledHeight() + PICTURE_GAP);
    cell.setCellEvent((_, place, canvases) -> {
      PdfContentByte to = canvases[PdfPTable.TEXTCANVAS];
      PdfStructureElement figure = new PdfStructureElement(structure, new PdfName("Figure"));
      figure.put(new PdfName("Alt"), new PdfString(alt, PdfObject.TEXT_UNICODE));
      to.beginMarkedContentSequence(figure);
      image.setAbsolutePosition(place.getLeft(), place.getBottom());
      to.addImage(image);
      to.endMarkedContentSequence();
    });
    table.addCell(cell);
    if (!caption.isEmpty()) {
      PdfPCell under = pages.cell(caption, pages.quiet());
      under.setBorder(PdfPCell.NO_BORDER);
      under.setPaddingLeft(0);
      table.addCell(under);
    }
    document.add(table);
  }

  private void picture(Block.Picture p) {
    try {
      Image image = Image.getInstance(Files.readAllBytes(p.file()));
      image.scaleToFit(document.right() - document.left(), PICTURE_HEIGHT);
      framed(image, p.alt(), p.caption());
    } catch (IOException e) {
      throw new UncheckedIOException("the picture " + p.file() + " cannot be read", e);
    }
  }

  private void drawing(Block.Drawing d) {
    float width = document.right() - document.left();
    float scale = width / (float) d.width();
    float height = scale * (float) d.height();
    PdfTemplate to = writer.getDirectContent().createTemplate(width, height);
    d.marks().forEach(m -> draw(m, to, scale, height));
    framed(new ImgTemplate(to), d.alt(), d.alt());
  }

  private void draw(Plot.Mark mark, PdfTemplate to, float scale, float height) {
    to.saveState();
    to.setColorStroke(Pages.INK);
    to.setLineWidth(THIN);
    switch (mark) {
      case Plot.Mark.Area a -> {
        to.setColorFill(Pages.GROUND);
        to.rectangle(
            scale * (float) a.left(),
            height - scale * (float) (a.top() + a.height()),
            scale * (float) a.width(),
            scale * (float) a.height());
        to.fill();
      }
      case Plot.Mark.Stroke s -> {
        style(s.style(), to);
        path(s.pixels(), to, scale, height);
        to.stroke();
      }
      case Plot.Mark.Shape s -> {
        to.setColorFill(fill(s.style()));
        path(s.pixels(), to, scale, height);
        to.closePathFillStroke();
      }
      case Plot.Mark.Token t -> {
        to.circle(scale * (float) t.x(), height - scale * (float) t.y(), 2);
        to.stroke();
      }
      case Plot.Mark.Words w -> {
        Font letters = pages.text();
        letters.setSize(LETTERS);
        Pages.aligned(
            to,
            switch (w.anchor()) {
              case START -> Element.ALIGN_LEFT;
              case MIDDLE -> Element.ALIGN_CENTER;
              case END -> Element.ALIGN_RIGHT;
            },
            w.text(),
            letters,
            scale * (float) w.x(),
            height - scale * (float) w.y());
      }
    }
    to.restoreState();
  }

  /** What is drawn in colours on screen is told apart by width and dashes on paper. */
  private static void style(String style, PdfTemplate to) {
    if (style.contains("grid") || style.contains("axis")) {
      to.setColorStroke(Pages.RULE);
    } else if (style.contains("level") || style.contains("likely") || style.contains("limit")) {
      to.setLineDash(4, 3, 0);
    } else if (style.contains("curve")
        || style.contains("now")
        || style.contains("post")
        || style.contains("read")) {
      to.setLineWidth(THICK);
    }
  }

  private static Color fill(String style) {
    return style.contains("now")
        ? Pages.BRIGHT
        : style.contains("knob") ? Color.WHITE : Pages.GROUND;
  }

  private static void path(List<Double> pixels, PdfTemplate to, float scale, float height) {
    for (int k = 0; k + 1 < pixels.size(); k += 2) {
      float x = scale * pixels.get(k).floatValue();
      float y = height - scale * pixels.get(k + 1).floatValue();
      if (k == 0) {
        to.moveTo(x, y);
      } else {
        to.lineTo(x, y);
      }
    }
  }
}
