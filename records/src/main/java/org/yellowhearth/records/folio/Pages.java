package org.yellowhearth.records.folio;

import java.awt.Color;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;

import org.openpdf.text.Chunk;
import org.openpdf.text.Document;
import org.openpdf.text.Element;
import org.openpdf.text.Font;
import org.openpdf.text.PageSize;
import org.openpdf.text.Paragraph;
import org.openpdf.text.Phrase;
import org.openpdf.text.Rectangle;
import org.openpdf.text.pdf.BaseFont;
import org.openpdf.text.pdf.ColumnText;
import org.openpdf.text.pdf.PdfPCell;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfPageEventHelper;
import org.openpdf.text.pdf.PdfWriter;

/** The look of printed pages: typefaces, headings, tables, page numbers. It must read in black and white. */
public final class Pages {
    static final Color INK = new Color(0x1F1B16);
    static final Color QUIET = new Color(0x6E6450);
    public static final Color RULE = new Color(0xCFC4A8);
    static final Color GROUND = new Color(0xEFE8D8);
    static final Color BRIGHT = new Color(0xF7D978);
    private static final float MARGIN = 48;

    private final BaseFont plain = face("Lato-Regular.ttf");
    private final BaseFont bold = face("Lato-Bold.ttf");
    private final BaseFont figures = face("DejaVuSansMono.ttf");

    private static BaseFont face(String name) {
        try (InputStream in = Pages.class.getResourceAsStream("/org/yellowhearth/records/fonts/" + name)) {
            return BaseFont.createFont(name, BaseFont.IDENTITY_H, BaseFont.EMBEDDED, true, in.readAllBytes(), null);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The typeface of plain text. */
    BaseFont plainFace() {
        return plain;
    }

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
        Paragraph p = new Paragraph(27, text, new Font(bold, 22, Font.NORMAL, INK));
        p.setSpacingAfter(7);
        return p;
    }

    public Paragraph heading(String text) {
        Paragraph p = new Paragraph(text, new Font(bold, 14, Font.NORMAL, INK));
        p.setSpacingBefore(16);
        p.setSpacingAfter(5);
        return p;
    }

    public Paragraph line(String text) {
        return spaced(new Paragraph(13, text, text()));
    }

    public Paragraph quietLine(String text) {
        return spaced(new Paragraph(12, text, quiet()));
    }

    /** A short label in strong type and the text that belongs to it. */
    public Paragraph labelled(String label, String text) {
        Paragraph p = paragraph(13);
        p.add(new Chunk(label + "  ", strong()));
        p.add(new Chunk(text, text()));
        return spaced(p);
    }

    private static Paragraph spaced(Paragraph p) {
        p.setSpacingAfter(2);
        return p;
    }

    /**
     * A paragraph as a table of one cell. Paragraphs and tables are drawn into different layers of a page, so that only tables alone
     * keep the text in the order in which it is read.
     */
    public PdfPTable block(Paragraph paragraph) {
        PdfPCell cell = new PdfPCell();
        cell.setBorder(Rectangle.NO_BORDER);
        cell.setPadding(0);
        cell.setUseAscender(true);
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
        return cell(new Phrase(12, text, font));
    }

    public PdfPCell cell(Phrase phrase) {
        PdfPCell cell = new PdfPCell(phrase);
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
                ColumnText.showTextAligned(writer.getDirectContent(), Element.ALIGN_LEFT, new Phrase(left, font), document.left(),
                        document.bottom() - 18, 0);
                ColumnText.showTextAligned(writer.getDirectContent(), Element.ALIGN_RIGHT,
                        new Phrase(Integer.toString(writer.getPageNumber()), font), document.right(), document.bottom() - 18, 0);
            }
        };
    }
}
