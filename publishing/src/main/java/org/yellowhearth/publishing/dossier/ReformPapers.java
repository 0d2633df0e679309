package org.yellowhearth.publishing.dossier;

import java.io.ByteArrayOutputStream;
import java.time.Duration;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.openpdf.text.Document;
import org.openpdf.text.Paragraph;
import org.openpdf.text.Rectangle;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfWriter;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.PlanFigures;
import org.yellowhearth.core.safety.DischargePlan;
import org.yellowhearth.knowledge.words.Durations;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.folio.Pages;

/**
 * The papers of forming: the card of a plan, to work from with a pencil, and the label that goes
 * onto a capacitor afterwards.
 */
public final class ReformPapers {
  private static final DateTimeFormatter DAY =
      DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
  private static final double POINTS_PER_MM = 72 / 25.4;
  private static final int LINES_TO_WRITE_ON = 26;

  private final Job job;
  private final Words words;
  private final ZonedDateTime madeAt;
  private final Pages pages = new Pages();
  private final ByteArrayOutputStream out = new ByteArrayOutputStream();

  private ReformPapers(Job job, ZonedDateTime madeAt) {
    this.job = job;
    this.words = Words.of(job.plate().dialect());
    this.madeAt = madeAt;
  }

  /** The card of a plan as the bytes of a PDF file. */
  public static byte[] card(Job job, ReformPlan plan, PlanFigures figures, ZonedDateTime madeAt) {
    return new ReformPapers(job, madeAt).made(plan, figures);
  }

  /** The label of a capacitor whose forming has come to its upshot, 90 by 40 mm. */
  public static byte[] label(Job job, ReformPlan plan, Ending ending, ZonedDateTime madeAt) {
    return new ReformPapers(job, madeAt).made(plan, ending);
  }

  private String what(ReformPlan plan) {
    Optional<Capacitor> part = job.capacitor(plan.part());
    return plan.part() + "  " + part.map(Capacitor::marking).orElse("");
  }

  private byte[] made(ReformPlan plan, PlanFigures figures) {
    Document document = Pages.document();
    PdfWriter writer = PdfWriter.getInstance(document, out);
    writer.setPageEvent(pages.foot(job.plate().name() + "  ·  " + DAY.format(madeAt)));
    writer.setTagged();
    document.addTitle("Reforming " + plan.part() + ": " + job.plate().name());
    document.addCreator("Yellow Hearth");
    document.open();
    add(document, pages.title("Reforming " + what(plan)));
    add(
        document,
        pages.quietLine(
            job.plate().name()
                + "  ·  "
                + words.word(plan.school())
                + "  ·  to "
                + Quantity.volts(plan.targetVolts())
                + " and "
                + Quantity.amperes(plan.limitAmperes())));
    double farads = figures.coulombs() / plan.targetVolts();
    DischargePlan empty = DischargePlan.ofElectrolytic(farads, plan.targetVolts());
    add(
        document,
        pages.labelled(
            "Danger",
            "High voltage and stored charge can kill. Charged it holds "
                + Quantity.joules(figures.joules())
                + ". Positive of the supply to the PLUS terminal of the capacitor; one hand, insulated clips, a guard over the can, goggles. "
                + "Afterwards discharge it through "
                + Quantity.ohms(empty.ohms())
                + " for "
                + Durations.text(Math.ceil(empty.secondsTo(1)))
                + " and measure less than 1 V before you touch it."));
    add(
        document,
        pages.labelled(
            "Switch off at once",
            "above "
                + Quantity.amperes(plan.bounds().amperes())
                + ", above "
                + Quantity.watts(plan.bounds().watts())
                + " in the can, when it is more than "
                + Math.round(plan.bounds().warmKelvin())
                + " °C warmer than the room, when the current rises at a constant voltage, when the voltage does not hold, at a hiss or a smell."));
    add(document, pages.heading("Steps"));
    document.add(steps(plan, figures));
    if (figures.leastSeconds().isPresent()) {
      add(
          document,
          pages.quietLine(
              "Played through with a simulated oxide it takes "
                  + Durations.text(figures.leastSeconds().getAsDouble())
                  + " to "
                  + Durations.text(figures.mostSeconds().orElseThrow())
                  + "; the charge at the target is "
                  + Quantity.of(1000 * figures.coulombs(), Unit.RATIO)
                  + " mC."));
    }
    add(document, pages.heading("Readings"));
    PdfPTable log =
        pages.table(
            new float[] {1.4f, 0.7f, 1, 1, 1, 3},
            "date and time",
            "step",
            "volts",
            "milliamperes",
            "°C",
            "remarks");
    for (int k = 0; k < 6 * LINES_TO_WRITE_ON; k++) {
      log.addCell(pages.cell(" ", pages.text()));
    }
    document.add(log);
    document.close();
    return out.toByteArray();
  }

  private PdfPTable steps(ReformPlan plan, PlanFigures figures) {
    boolean inSet = plan.steps().getFirst().mainsVolts().isPresent();
    PdfPTable table =
        pages.table(
            new float[] {0.5f, 1, 1.1f, 1, 1, 1, 1, 1, 1.2f},
            "step",
            inSet ? "mains" : "supply",
            inSet ? "rail" : "resistor",
            inSet ? "" : "its wattage",
            "limit",
            "go on below",
            "hold",
            "patience",
            "done at");
    for (int k = 0; k < plan.steps().size(); k++) {
      ReformPlan.Step s = plan.steps().get(k);
      PlanFigures.StepFigures f = figures.steps().get(k);
      String watts =
          f.resistorWatts().isPresent()
              ? Quantity.watts(f.resistorWatts().getAsDouble()).toString()
              : "none made";
      String[] row = {
        Integer.toString(k + 1),
        Quantity.volts(s.mainsVolts().orElse(s.volts())).toString(),
        inSet ? Quantity.volts(s.volts()).toString() : Quantity.ohms(s.ohms()).toString(),
        inSet ? "" : watts,
        Quantity.amperes(s.limitAmperes()).toString(),
        Quantity.amperes(s.gateAmperes()).toString(),
        Durations.text(s.holdSeconds()),
        Durations.text(s.patienceSeconds()),
        " "
      };
      for (String cell : row) {
        table.addCell(pages.cell(cell, pages.figure()));
      }
    }
    return table;
  }

  private byte[] made(ReformPlan plan, Ending ending) {
    float width = (float) (90 * POINTS_PER_MM);
    float height = (float) (40 * POINTS_PER_MM);
    Document document = new Document(new Rectangle(width, height), 8, 8, 6, 6);
    PdfWriter.getInstance(document, out);
    document.addTitle("Label " + plan.part() + ": " + job.plate().name());
    document.open();
    add(
        document,
        pages.labelled(
            plan.part().toString(), job.capacitor(plan.part()).map(Capacitor::marking).orElse("")));
    if (ending.upshot() == Ending.Upshot.GOOD) {
      Map<Figure, Ending.Measured> m = ending.measured();
      Ending.Measured leak = m.get(Figure.LEAKAGE);
      add(
          document,
          pages.labelled(
              "Formed", "to " + Quantity.volts(plan.targetVolts()) + ", " + DAY.format(madeAt)));
      add(
          document,
          pages.line(
              "Leakage "
                  + Quantity.amperes(leak.value())
                  + " of "
                  + Quantity.amperes(plan.limitAmperes())
                  + " allowed, "
                  + rested(leak.rested())));
      add(
          document,
          pages.line(
              "C "
                  + Quantity.farads(m.get(Figure.CAPACITANCE).value())
                  + "  ESR "
                  + Quantity.ohms(m.get(Figure.ESR).value())
                  + "  D "
                  + Quantity.ratio(m.get(Figure.DISSIPATION).value())));
      add(
          document,
          pages.quietLine("Form again after a year without voltage. " + job.plate().name()));
    } else {
      add(
          document,
          pages.labelled("Do not use", words.word(ending.upshot()) + ", " + DAY.format(madeAt)));
      add(document, pages.quietLine("Kept for its shell and marking. " + job.plate().name()));
    }
    document.close();
    return out.toByteArray();
  }

  private static String rested(Duration rest) {
    return rest.toHours() < 1
        ? "without a rest"
        : "after a rest of " + Durations.text(rest.toMillis() / 1000.0);
  }

  private void add(Document document, Paragraph paragraph) {
    document.add(pages.block(paragraph));
  }
}
