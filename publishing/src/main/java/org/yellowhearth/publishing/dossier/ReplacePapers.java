package org.yellowhearth.publishing.dossier;

import java.io.ByteArrayOutputStream;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.openpdf.text.Document;
import org.openpdf.text.Paragraph;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfWriter;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.quantity.Money;
import org.yellowhearth.core.replace.FittingSheet;
import org.yellowhearth.core.replace.Shopping;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.folio.Pages;

/**
 * The papers of renewing: the sheet to work from, the record of what was removed, the list to order
 * by.
 */
public final class ReplacePapers {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
  private static final String BOX = "[  ]";
  private static final String DONE = "[x]";

  private final String foot;
  private final ZonedDateTime madeAt;
  private final Pages pages = new Pages();
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();

  private ReplacePapers(String foot, ZonedDateTime madeAt) {
    this.foot = foot;
    this.madeAt = madeAt;
  }

  /** The fitting sheet as the bytes of a PDF file. */
  public static byte[] sheet(Job job, Knowledge knowledge, ZonedDateTime madeAt) {
    ReplacePapers p = new ReplacePapers(job.plate().name(), madeAt);
    return p.made("Fitting sheet", d -> p.sheet(d, job, FittingSheet.of(job, knowledge)));
  }

  /** The record of every part that gives way. */
  public static byte[] record(Job job, Knowledge knowledge, ZonedDateTime madeAt) {
    ReplacePapers p = new ReplacePapers(job.plate().name(), madeAt);
    return p.made("What was removed, and what came in its place", d -> p.record(d, job, knowledge));
  }

  /** The list to order by. */
  public static byte[] shopping(Shopping list, ZonedDateTime madeAt) {
    ReplacePapers p = new ReplacePapers("Shopping list", madeAt);
    return p.made("Shopping list", d -> p.shopping(d, list));
  }

  private byte[] made(String title, Consumer<Document> filling) {
    Document document = Pages.document();
    PdfWriter writer = PdfWriter.getInstance(document, out);
    writer.setPageEvent(pages.foot(foot + "  ·  " + DAY.format(madeAt)));
    writer.setTagged();
    document.addTitle(title + ": " + foot);
    document.addCreator("Yellow Hearth");
    document.open();
    add(document, pages.title(title));
    add(document, pages.quietLine(foot + "  ·  " + DAY.format(madeAt)));
    filling.accept(document);
    document.close();
    return out.toByteArray();
  }

  private void sheet(Document document, Job job, FittingSheet sheet) {
    Words words = Words.of(job.plate().dialect());
    Describe describe = new Describe(words, job);
    add(
        document,
        pages.labelled(
            "Danger",
            "Before every session: unplug, keep the plug in sight, discharge every reservoir and measure below 1 V. "
                + "Keep old electrolyte, wax and dust off skin and food. A reversed electrolytic bursts."));
    if (sheet.steps().isEmpty()) {
      add(document, pages.line("Nothing is chosen yet."));
      return;
    }
    PdfPTable table =
        pages.table(
            new float[] {0.4f, 1.1f, 3.4f, 0.55f, 0.55f, 0.65f},
            "",
            "place",
            "what",
            "out",
            "in",
            "checked");
    int number = 1;
    for (FittingSheet.Step s : sheet.steps()) {
      table.addCell(pages.cell(Integer.toString(number++), pages.strong()));
      table.addCell(pages.cell(s.place(), pages.text()));
      String mind =
          s.mind().stream().map(m -> "• " + words.say(m)).collect(Collectors.joining("\n"));
      table.addCell(
          pages.cell(what(s, words, describe) + (mind.isEmpty() ? "" : "\n" + mind), pages.text()));
      boolean exchange = s.part().isPresent();
      table.addCell(pages.cell(exchange ? tick(s.fitting().removed()) : "", pages.figure()));
      table.addCell(pages.cell(exchange ? tick(s.fitting().fitted()) : "", pages.figure()));
      table.addCell(pages.cell(tick(s.state() == FittingSheet.State.DONE), pages.figure()));
    }
    document.add(table);
    add(
        document,
        pages.quietLine(
            "“Checked” means: at the first low power, with the red probe on its plus end, the meter read positive."));
  }

  private static String tick(boolean is) {
    return is ? DONE : BOX;
  }

  /** A step in one line. */
  public static String what(FittingSheet.Step s, Words words, Describe describe) {
    return s.part()
        .map(p ->
            p.ref()
                + "  "
                + describe.value(p)
                + "  →  "
                + s.choice().map(Describe::choice).orElse(""))
        .orElseGet(() -> s.task().map(t -> words.word(t.doing()) + ": " + t.what()).orElse(""));
  }

  private void record(Document document, Job job, Knowledge knowledge) {
    List<PeriodRecord> all = PeriodRecord.all(job, knowledge);
    if (all.isEmpty()) {
      add(document, pages.line("Nothing was removed yet."));
    }
    for (PeriodRecord r : all) {
      add(document, pages.heading(r.part()));
      PdfPTable table = new PdfPTable(new float[] {1, 3});
      table.setWidthPercentage(100);
      for (PeriodRecord.Entry e : r.entries()) {
        table.addCell(pages.cell(e.label(), pages.quiet()));
        table.addCell(pages.cell(e.text(), pages.text()));
      }
      document.add(table);
    }
    List<PeriodRecord.Entry> customs = PeriodRecord.customs(job, knowledge);
    if (!customs.isEmpty()) {
      add(document, pages.heading("Usual in " + job.plate().made().getAsInt() + " (from memory)"));
      customs.forEach(e -> add(document, pages.labelled(e.label(), e.text())));
    }
    List<BenchTask> tasks = job.items(BenchTask.class);
    if (!tasks.isEmpty()) {
      add(document, pages.heading("Also done"));
      Words words = Words.of(job.plate().dialect());
      tasks.forEach(t ->
          add(
              document,
              pages.line(
                  tick(t.done())
                      + "  "
                      + words.word(t.doing())
                      + ": "
                      + t.what()
                      + (t.where().isEmpty() ? "" : ", " + t.where()))));
    }
  }

  private void shopping(Document document, Shopping list) {
    PdfPTable table =
        pages.table(
            new float[] {2, 0.7f, 0.7f, 0.7f, 0.8f, 3},
            "order",
            "needed",
            "spares",
            "buy",
            "price",
            "for");
    for (Shopping.Line l : list.lines()) {
      String uses =
          l.uses().stream().map(u -> u.job() + " " + u.part()).collect(Collectors.joining(", "));
      for (String cell :
          List.of(
              l.title(),
              Integer.toString(l.needed()),
              Integer.toString(l.spares()),
              Integer.toString(l.bought()),
              l.each().isPresent() ? money(l.price()) : "not stated",
              uses)) {
        table.addCell(pages.cell(cell, pages.text()));
      }
    }
    document.add(table);
    Paragraph sum =
        pages.labelled(
            "Together",
            money(list.total())
                + " (goods "
                + money(list.goods())
                + ", postage "
                + money(list.postage())
                + ", small order "
                + money(list.extra())
                + ")");
    add(document, sum);
  }

  private static String money(double sum) {
    return Money.amount(sum);
  }

  private void add(Document document, Paragraph paragraph) {
    document.add(pages.block(paragraph));
  }
}
