package org.yellowhearth.publishing.dossier;

import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.openpdf.text.Document;
import org.openpdf.text.Image;
import org.openpdf.text.ImgTemplate;
import org.openpdf.text.Rectangle;
import org.openpdf.text.pdf.PdfPCell;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfTemplate;
import org.openpdf.text.pdf.PdfWriter;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.folio.Pages;

/**
 * Labels to cut out: one for the set on its shelf, one for every part that is chosen and not in
 * yet, one for every bag of what came off, one for every old part that is kept. Each has a code
 * with the job and the part in it, which any telephone reads.
 */
public final class LabelSheet {
  /** What a code begins with. */
  public static final String SCHEME = "hearth:";

  private static final double POINTS_PER_MM = 72 / 25.4;
  private static final int IN_A_ROW = 2;
  private static final float HEIGHT = (float) (34 * POINTS_PER_MM);
  private static final float CODE = (float) (24 * POINTS_PER_MM);

  private final String id;
  private final Job job;
  private final Describe describe;
  private final Pages pages = new Pages();
  private final List<Label> labels = new ArrayList<>();

  private record Label(String about, String head, List<String> lines) {}

  private LabelSheet(String id, Job job) {
    this.id = id;
    this.job = job;
    this.describe = new Describe(Words.of(job.plate().dialect()), job);
  }

  /** The labels of a job as the bytes of a PDF file. */
  public static byte[] of(String id, Job job, ZonedDateTime madeAt) {
    LabelSheet s = new LabelSheet(id, job);
    s.collect();
    return s.made(madeAt);
  }

  /**
   * What the code of something about a job says; of the job itself where it is about nothing else.
   */
  public static String code(String id, String about) {
    return SCHEME + id + (about.isEmpty() ? "" : "#" + about);
  }

  private void collect() {
    labels.add(
        new Label(
            "",
            job.plate().name(),
            List.of(Describe.year(job.plate()), job.plate().place(), job.plate().complaint())));
    for (Choice c : job.items(Choice.class)) {
      Optional<Part> old = job.part(c.part());
      boolean in = job.of(c.part(), Fitting.class).stream().anyMatch(Fitting::fitted);
      if (old.isPresent() && !in) {
        labels.add(
            new Label(
                c.part().toString(),
                c.part() + "  " + Describe.choice(c),
                List.of(
                    "for " + describe.value(old.get()),
                    c.all().stream().map(Choice.Taken::title).collect(Collectors.joining(", ")))));
      }
    }
    job.items(Fitting.class).stream()
        .filter(f -> f.removed() && !f.keptAt().isEmpty())
        .forEach(f ->
            labels.add(
                new Label(
                    f.part().toString(),
                    f.part() + "  old part, kept",
                    List.of(job.part(f.part()).map(describe::part).orElse(""), f.keptAt()))));
    job.items(TakeApartStep.class).stream()
        .filter(t -> !t.kept().isEmpty() && !t.refitted())
        .forEach(t ->
            labels.add(
                new Label(
                    "step-" + t.number(),
                    t.number() + ".  " + t.count() + " × " + t.what(),
                    List.of(t.orientation(), t.kept()))));
  }

  private byte[] made(ZonedDateTime madeAt) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    Document document = Pages.document();
    PdfWriter writer = PdfWriter.getInstance(document, out);
    writer.setPageEvent(pages.foot(job.plate().name() + "  ·  " + DossierFolio.DAY.format(madeAt)));
    document.addTitle("Labels: " + job.plate().name());
    document.addCreator("Yellow Hearth");
    document.open();
    PdfPTable table = new PdfPTable(IN_A_ROW);
    table.setWidthPercentage(100);
    labels.forEach(l -> table.addCell(cell(l, writer)));
    if (labels.size() % IN_A_ROW != 0) {
      PdfPCell nothing = new PdfPCell();
      nothing.setBorder(Rectangle.NO_BORDER);
      table.addCell(nothing);
    }
    document.add(table);
    document.close();
    return out.toByteArray();
  }

  private PdfPCell cell(Label l, PdfWriter writer) {
    PdfPTable inner = new PdfPTable(new float[] {1, 2.4f});
    PdfPCell code = new PdfPCell(square(code(id, l.about), writer), false);
    code.setBorder(Rectangle.NO_BORDER);
    inner.addCell(code);
    PdfPCell text = new PdfPCell();
    text.setBorder(Rectangle.NO_BORDER);
    text.setPaddingLeft(6);
    text.addElement(pages.labelled(l.head, ""));
    l.lines.stream().filter(s -> !s.isBlank()).forEach(s -> text.addElement(pages.quietLine(s)));
    if (!l.about.isEmpty()) {
      text.addElement(pages.quietLine(job.plate().name()));
    }
    inner.addCell(text);
    PdfPCell cell = new PdfPCell(inner);
    cell.setBorder(Rectangle.BOX);
    cell.setBorderColor(Pages.RULE);
    cell.setPadding(5);
    cell.setMinimumHeight(HEIGHT);
    return cell;
  }

  /** A code as squares, sharp at any size. */
  private static Image square(String text, PdfWriter writer) {
    BitMatrix bits;
    try {
      bits =
          new QRCodeWriter()
              .encode(
                  text,
                  com.google.zxing.BarcodeFormat.QR_CODE,
                  1,
                  1,
                  Map.of(EncodeHintType.MARGIN, 4));
    } catch (WriterException e) {
      throw new IllegalStateException("a code holds this much: " + text, e);
    }
    PdfTemplate to = writer.getDirectContent().createTemplate(CODE, CODE);
    float each = CODE / bits.getWidth();
    to.setColorFill(Color.BLACK);
    for (int y = 0; y < bits.getHeight(); y++) {
      for (int x = 0; x < bits.getWidth(); x++) {
        if (bits.get(x, y)) {
          to.rectangle(x * each, CODE - (y + 1) * each, each, each);
        }
      }
    }
    to.fill();
    return new ImgTemplate(to);
  }
}
