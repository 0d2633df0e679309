package org.yellowhearth.publishing.folio;

import java.awt.Color;
import org.openpdf.text.Document;
import org.openpdf.text.Element;
import org.openpdf.text.Font;
import org.openpdf.text.PageSize;
import org.openpdf.text.Paragraph;
import org.openpdf.text.Phrase;
import org.openpdf.text.Rectangle;
import org.openpdf.text.pdf.BaseFont;
import org.openpdf.text.pdf.ColumnText;
import org.openpdf.text.pdf.PdfContentByte;
import org.openpdf.text.pdf.PdfPCell;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfPageEventHelper;
import org.openpdf.text.pdf.PdfWriter;

/**
 * The look of printed pages: typefaces, headings, tables, page numbers. It must read in black and
 * white.
 */
public final class Pages {
  static final Color INK = new Color(0x1F1B16);
  static final Color QUIET = new Color(0x6E6450);
  public static final Color RULE = new Color(0xCFC4A8);
  static final Color GROUND = new Color(0xEFE8D8);
  static final Color BRIGHT = new Color(0xF7D978);
  private static final float MARGIN = 48;

  private final BaseFont plain = Typefaces.face("Lato-Regular.ttf");
  private final BaseFont bold = Typefaces.face("Lato-Bold.ttf");
  private final BaseFont figures = Typefaces.face("DejaVuSansMono.ttf");

  public static Document document() {
    return new Document(PageSize.A4, MARGIN, MARGIN, MARGIN, MARGIN + 12);
  }

  public Font text() {
    return new Font(plain, 9.5f, Font.NORMAL, INK);
  }

  public Font strong() {
    return new Font(bold, 9.5f, Font.NORMAL, INK);
  }

  public Font quiet() {
    return new Font(plain, 8.5f, Font.NORMAL, QUIET);
  }

  public Font figure() {
    return new Font(figures, 8.5f, Font.NORMAL, INK);
  }

  public Font glyph() {
    return new Font(figures, 10, Font.NORMAL, INK);
  }

  public Paragraph title(String text) {
    Paragraph p = set(27, text, new Font(bold, 22, Font.NORMAL, INK));
    p.setSpacingAfter(7);
    return p;
  }

  public Paragraph heading(String text) {
    Paragraph p = set(21, text, new Font(bold, 14, Font.NORMAL, INK));
    p.setSpacingBefore(16);
    p.setSpacingAfter(5);
    return p;
  }

  public Paragraph line(String text) {
    return spaced(set(13, text, text()));
  }

  public Paragraph quietLine(String text) {
    return spaced(set(12, text, quiet()));
  }

  /** A short label in strong type and the text that belongs to it. */
  public Paragraph labelled(String label, String text) {
    Paragraph p = paragraph(13);
    Typefaces.set(p, label + "  ", strong());
    Typefaces.set(p, text, text());
    return spaced(p);
  }

  private static Paragraph set(float leading, String text, Font font) {
    Paragraph p = new Paragraph(leading, "", font);
    Typefaces.set(p, text, font);
    return p;
  }

  private static Paragraph spaced(Paragraph p) {
    p.setSpacingAfter(2);
    return p;
  }

  /**
   * A paragraph as a table of one cell. Paragraphs and tables are drawn into different layers of a
   * page, so that only tables alone keep the text in the order in which it is read.
   */
  public PdfPTable block(Paragraph paragraph) {
    PdfPCell cell = new PdfPCell();
    cell.setBorder(Rectangle.NO_BORDER);
    cell.setPadding(0);
    cell.setUseAscender(true);
    turned(cell, paragraph.getContent());
    cell.addElement(paragraph);
    PdfPTable table = new PdfPTable(1);
    table.setWidthPercentage(100);
    table.setSpacingBefore(paragraph.getSpacingBefore());
    table.setSpacingAfter(paragraph.getSpacingAfter() + 2);
    paragraph.setSpacingBefore(0);
    paragraph.setSpacingAfter(0);
    table.addCell(cell);
    return table;
  }

  /** An empty paragraph in our own typeface, to be filled with pieces. */
  public Paragraph paragraph(float leading) {
    return new Paragraph(leading, "", text());
  }

  /** An empty phrase in our own typeface, to be filled with pieces. */
  public Phrase phrase() {
    return new Phrase(12, "", text());
  }

  /** A table over the whole width with a head row that repeats on every page. */
  public PdfPTable table(float[] widths, String... heads) {
    PdfPTable table = new PdfPTable(widths);
    table.setWidthPercentage(100);
    table.setSpacingBefore(3);
    table.setSpacingAfter(6);
    table.setHeaderRows(1);
    for (String head : heads) {
      table.addCell(cell(head, quiet()));
    }
    return table;
  }

  public PdfPCell cell(String text, Font font) {
    Phrase phrase = new Phrase(12, "", font);
    Typefaces.set(phrase, text, font);
    return cell(phrase);
  }

  /**
   * What runs from right to left is put into its order within lines that run from left to right.
   */
  private static void turned(PdfPCell cell, String text) {
    if (Typefaces.turns(text)) {
      cell.setRunDirection(PdfWriter.RUN_DIRECTION_LTR);
    }
  }

  public PdfPCell cell(Phrase phrase) {
    PdfPCell cell = new PdfPCell(phrase);
    turned(cell, phrase.getContent());
    cell.setBorder(Rectangle.BOTTOM);
    cell.setBorderColor(RULE);
    cell.setPaddingLeft(0);
    cell.setPaddingRight(6);
    cell.setPaddingBottom(4);
    return cell;
  }

  /** The set's name and the page number at the foot of every page. */
  public PdfPageEventHelper foot(String left) {
    Font font = quiet();
    return new PdfPageEventHelper() {
      @Override
      public void onEndPage(PdfWriter writer, Document document) {
        aligned(
            writer.getDirectContent(),
            Element.ALIGN_LEFT,
            left,
            font,
            document.left(),
            document.bottom() - 18);
        aligned(
            writer.getDirectContent(),
            Element.ALIGN_RIGHT,
            Integer.toString(writer.getPageNumber()),
            font,
            document.right(),
            document.bottom() - 18);
      }
    };
  }

  /** A line of text at a place. */
  static void aligned(PdfContentByte to, int alignment, String text, Font font, float x, float y) {
    Phrase phrase = new Phrase("", font);
    Typefaces.set(phrase, text, font);
    ColumnText.showTextAligned(
        to,
        alignment,
        phrase,
        x,
        y,
        0,
        Typefaces.turns(text) ? PdfWriter.RUN_DIRECTION_LTR : PdfWriter.RUN_DIRECTION_NO_BIDI,
        0);
  }
}
