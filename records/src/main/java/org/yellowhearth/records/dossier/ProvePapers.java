package org.yellowhearth.records.dossier;

import java.io.ByteArrayOutputStream;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

import org.openpdf.text.Document;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfWriter;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.prove.Adjusting;
import org.yellowhearth.core.prove.BeforeAfter;
import org.yellowhearth.core.prove.HeadroomCheck;
import org.yellowhearth.core.prove.VoltageChart;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.renew.SignOff;
import org.yellowhearth.records.words.Describe;
import org.yellowhearth.records.words.Words;

/** The evidence that a set is good: the drawing's table with what was measured beside it, pairs of before and after, functions, what is open. */
public final class ProvePapers {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private ProvePapers() {
    }

    /** The papers as the bytes of a PDF file. */
    public static byte[] evidence(Job job, VoltageChart chart, List<SignOff.Owed> open, ZonedDateTime madeAt) {
        Words words = Words.of(job.plate().dialect());
        Pages pages = new Pages();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        Document d = Pages.document();
        PdfWriter writer = PdfWriter.getInstance(d, out);
        writer.setPageEvent(pages.foot(job.plate().name() + "  ·  " + DAY.format(madeAt)));
        writer.setTagged();
        d.addTitle("What it measures now: " + job.plate().name());
        d.addCreator("Yellow Hearth");
        d.open();
        d.add(pages.title("What it measures now"));
        if (chart.lines().isEmpty()) {
            d.add(pages.line("The drawing promises nothing that was written down."));
        } else {
            d.add(chart(pages, words, chart));
            d.add(pages.quietLine(
                    "Readings are brought to the line and the meter that the drawing speaks of; what was shown stands in brackets."));
        }
        pairs(d, pages, words, BeforeAfter.of(job), new Describe(words));
        settings(d, pages, words, job, madeAt.toInstant());
        functions(d, pages, words, job.items(FunctionCheck.class));
        d.add(pages.heading("What stands against handing it back"));
        if (open.isEmpty()) {
            d.add(pages.line("Nothing."));
        }
        open.forEach(o -> d.add(pages.line((o.blocks() ? "!  " : "·  ") + (o.about() + "  " + words.say(o.why())).strip())));
        d.close();
        return out.toByteArray();
    }

    private static PdfPTable chart(Pages pages, Words words, VoltageChart chart) {
        PdfPTable table = pages.table(new float[]{14, 14, 10, 20, 20, 10, 12}, "point", "drawing", "within", "before", "after",
                "off by",
                "");
        for (VoltageChart.Line l : chart.lines()) {
            table.addCell(pages.cell(l.target().point(), pages.strong()));
            table.addCell(pages.cell(Quantity.volts(l.target().volts()).toString(), pages.figure()));
            table.addCell(pages.cell("±" + Quantity.percent(l.tolerance()), pages.figure()));
            table.addCell(pages.cell(measured(l.before()), pages.figure()));
            table.addCell(pages.cell(measured(l.after()), pages.figure()));
            table.addCell(pages.cell(off(l.deviation()), pages.figure()));
            table.addCell(pages.cell(words.word(l.verdict()), pages.text()));
        }
        return table;
    }

    /** A reading as it comes to the drawing's conditions, and as it was. */
    public static String measured(Optional<VoltageChart.Measured> m) {
        return m.map(x -> Quantity.volts(x.volts()) + (Math.abs(x.volts() - x.reading().volts()) < 1e-3 * Math.abs(x.volts())
                ? ""
                : "  (" + Quantity.volts(x.reading().volts()) + ")")).orElse("—");
    }

    /** A deviation with its sign. */
    public static String off(OptionalDouble deviation) {
        return deviation.isEmpty() ? "—" : String.format(Locale.ROOT, "%+.1f %%", 100 * deviation.getAsDouble());
    }

    private static void pairs(Document d, Pages pages, Words words, BeforeAfter all, Describe describe) {
        d.add(pages.heading("Before and after"));
        if (all.readings().isEmpty() && all.parts().isEmpty()) {
            d.add(pages.line("Nothing was read both before and after the work."));
        }
        all.readings().forEach(p -> d.add(pages.labelled(p.point() + " " + words.word(p.kind()), pair(p))));
        all.parts().forEach(p -> d.add(pages.labelled(p.ref().toString(),
                p.read().map(r -> describe.reading(r.figures(), r.conditions())).orElse("not measured") + "  →  "
                        + (p.fitted().isEmpty() ? "a new part" : p.fitted()))));
    }

    /** A pair in one line. */
    public static String pair(BeforeAfter.Pair p) {
        boolean watts = p.kind() == SupplyReading.Kind.WATTS;
        Quantity was = watts ? Quantity.watts(p.before().volts()) : Quantity.volts(p.before().volts());
        Quantity is = watts ? Quantity.watts(p.after().volts()) : Quantity.volts(p.after().volts());
        String db = p.decibels().isEmpty() ? "" : String.format(Locale.ROOT, "  (%+.0f dB)", p.decibels().getAsDouble());
        return was + "  →  " + is + db + (p.changedBy().isEmpty() ? "" : "  after " + p.changedBy());
    }

    /** What was set to a target, what regulators have to spare, and figures of other instruments, as far as there are any. */
    private static void settings(Document d, Pages pages, Words words, Job job, Instant now) {
        List<Adjustment> set = job.items(Adjustment.class);
        if (!set.isEmpty()) {
            d.add(pages.heading("What was set"));
        }
        set.forEach(a -> d.add(pages.labelled(words.word(a.kind()) + " " + a.point(),
                set(a) + words.word(Adjusting.of(a, job.events(), now).state()))));
        List<HeadroomCheck> spare = HeadroomCheck.newest(job,
                job.plate().mains().map(SetPlate.Mains::volts).orElse(HeadroomCheck.USUAL_MAINS), List.of());
        if (!spare.isEmpty()) {
            d.add(pages.heading("What regulators have to spare"));
        }
        spare.forEach(
                h -> d.add(pages.labelled(h.reading().regulator(), Quantity.volts(h.spare()) + " at the line it was read at, "
                        + Quantity.volts(h.spareLow()) + " at low line: " + words.word(h.state()))));
        List<ProofFigure> figures = job.items(ProofFigure.class);
        if (!figures.isEmpty()) {
            d.add(pages.heading("Figures of other instruments"));
        }
        figures.forEach(f -> d.add(pages.labelled(words.word(f.measurand()) + ", " + f.how(), figure(f))));
    }

    private static String set(Adjustment a) {
        String goal = "target " + Quantity.ratio(a.target()) + " ± " + Quantity.ratio(a.tolerance()) + " " + a.unit() + ", ";
        return a.turns().isEmpty()
                ? goal
                : goal + Quantity.ratio(a.turns().getFirst().before()) + " → " + Quantity.ratio(a.turns().getLast().after()) + " "
                        + a.unit() + ", ";
    }

    /** A figure of another instrument in one line. */
    public static String figure(ProofFigure f) {
        return plain(f.before()) + "  →  " + plain(f.after()) + " " + f.unit()
                + (f.bound().isPresent() ? "  (promised " + plain(f.bound()) + ")" : "");
    }

    private static String plain(OptionalDouble value) {
        return value.isPresent() ? Quantity.ratio(value.getAsDouble()).toString() : "—";
    }

    private static void functions(Document d, Pages pages, Words words, List<FunctionCheck> all) {
        d.add(pages.heading("What it does"));
        if (all.isEmpty()) {
            d.add(pages.line("No list was made."));
        }
        all.stream().filter(f -> f.outcome() != FunctionCheck.FunctionOutcome.NOT_THERE).forEach(f -> d.add(
                pages.line(f.what() + ": " + words.word(f.outcome()) + (f.note().isEmpty() ? "" : ", " + f.note()))));
    }
}
