package org.yellowhearth.records.dossier;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.format.DateTimeFormatter;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import org.openpdf.text.Chunk;
import org.openpdf.text.Document;
import org.openpdf.text.Paragraph;
import org.openpdf.text.Phrase;
import org.openpdf.text.pdf.PdfDestination;
import org.openpdf.text.pdf.PdfOutline;
import org.openpdf.text.pdf.PdfPTable;
import org.openpdf.text.pdf.PdfWriter;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.renew.SignOff;
import org.yellowhearth.core.safety.Caution;
import org.yellowhearth.core.safety.Caution.CautionWords;
import org.yellowhearth.core.safety.HearthState;
import org.yellowhearth.records.words.Describe;
import org.yellowhearth.records.words.Words;

/** The dossier as a PDF with real text, for the owner and the next restorer. */
public final class DossierPdf {
    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

    private final Dossier dossier;
    private final Words words;
    private final Describe describe;
    private final Pages pages = new Pages();
    private final Document document = Pages.document();
    private PdfWriter writer;

    private DossierPdf(Dossier dossier) {
        this.dossier = dossier;
        this.words = Words.of(dossier.job().plate().dialect());
        this.describe = new Describe(words, dossier.job());
    }

    /** The whole dossier as the bytes of a PDF file. */
    public static byte[] bytes(Dossier dossier) {
        return new DossierPdf(dossier).made();
    }

    /**
     * Writes the dossier into a folder under a name that is not taken yet, and returns the file. The file appears whole or not at
     * all.
     */
    public static Path writeInto(Path folder, Dossier dossier) throws IOException {
        byte[] pdf = bytes(dossier);
        Files.createDirectories(folder);
        Path temporary = Files.createTempFile(folder, ".dossier", ".tmp");
        Files.write(temporary, pdf);
        for (int i = 1;; i++) {
            Path file = folder.resolve(fileName(dossier, i));
            if (!Files.exists(file)) {
                return Files.move(temporary, file, StandardCopyOption.ATOMIC_MOVE);
            }
        }
    }

    private static String fileName(Dossier dossier, int copy) {
        String name = dossier.job().plate().name().replaceAll("[^\\p{L}\\p{N} .-]", "").strip();
        String shortName = name.isEmpty() ? "set" : name.substring(0, Math.min(60, name.length())).strip();
        String number = copy == 1 ? "" : " (" + copy + ")";
        return shortName + " dossier " + dossier.madeAt().toLocalDate() + number + ".pdf";
    }

    private byte[] made() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        writer = PdfWriter.getInstance(document, out);
        SetPlate plate = dossier.job().plate();
        writer.setPageEvent(pages.foot(plate.name() + "  ·  " + DAY.format(dossier.madeAt())));
        writer.setTagged();
        document.addTitle("Dossier: " + plate.name());
        document.addSubject(words.word(plate.kind()) + ", " + Describe.year(plate));
        document.addCreator("Yellow Hearth");
        document.open();
        setPlate(plate);
        policy();
        owed();
        overview();
        removed();
        parts();
        journal();
        sources();
        document.close();
        return out.toByteArray();
    }

    private void add(Paragraph paragraph) {
        document.add(pages.block(paragraph));
    }

    private void section(String name) {
        add(pages.heading(name));
        new PdfOutline(writer.getDirectContent().getRootOutline(),
                new PdfDestination(PdfDestination.FITH, writer.getVerticalPosition(false) + 30), name);
    }

    private void setPlate(SetPlate plate) {
        add(pages.title(plate.name()));
        add(pages.quietLine("Dossier of " + DAY.format(dossier.madeAt())));
        section("Set plate");
        PdfPTable table = pages.table(new float[]{1, 3}, "", "");
        row(table, "Kind", words.word(plate.kind()));
        row(table, "Built of", words.word(plate.technology()));
        row(table, "Made", Describe.year(plate));
        row(table, "Place", plate.place().isEmpty() ? "—" : plate.place());
        row(table, "Made for mains", describe.mains(plate));
        row(table, "Chassis", words.word(plate.chassis()));
        row(table, "Purpose", words.word(plate.purpose()));
        row(table, "Complaint", plate.complaint().isEmpty() ? "—" : plate.complaint());
        row(table, "End state", plate.endState().isEmpty() ? "—" : plate.endState());
        document.add(table);
    }

    private void row(PdfPTable table, String label, String text) {
        table.addCell(pages.cell(label, pages.quiet()));
        table.addCell(pages.cell(text, pages.text()));
    }

    private void policy() {
        section("Policy");
        add(pages.line(String.join("  ·  ", Describe.schools(dossier.job().policy()).stream().map(words::word).toList())));
    }

    private void overview() {
        section("Parts");
        if (dossier.items().isEmpty()) {
            add(pages.line("No parts are in the census yet."));
            return;
        }
        Map<Verdict, Integer> counts = new EnumMap<>(Verdict.class);
        dossier.items().forEach(i -> counts.merge(i.assessment().verdict(), 1, Integer::sum));
        add(pages.line(dossier.items().size() + " parts: " + String.join(", ",
                counts.entrySet().stream().map(e -> e.getValue() + " " + words.word(e.getKey())).toList())));
        PdfPTable table = pages.table(new float[]{0.7f, 3.2f, 1.2f, 3}, "part", "what it is", "verdict", "in its place");
        for (Dossier.Item item : dossier.items()) {
            Assessment a = item.assessment();
            table.addCell(pages.cell(a.part().ref().toString(), pages.strong()));
            table.addCell(pages.cell(describe.part(a.part()), pages.text()));
            table.addCell(pages.cell(verdict(a.verdict())));
            table.addCell(pages.cell(instead(item), pages.text()));
        }
        document.add(table);
    }

    /** What was chosen, and whether it is in; what is proposed where nothing was chosen yet. */
    private String instead(Dossier.Item item) {
        PartRef ref = item.assessment().part().ref();
        boolean in = dossier.job().of(ref, Fitting.class).stream().anyMatch(Fitting::fitted);
        return dossier.job().of(ref, Choice.class).stream().findFirst()
                .map(c -> (in ? "fitted: " : "chosen: ") + Describe.choice(c))
                .orElseGet(() -> describe.replacement(item.replacement()).map(r -> "proposed: " + r).orElse("—"));
    }

    /** What is owed on the set; a set that must not go back says so before anything else is read. */
    private void owed() {
        SignOff signOff = SignOff.of(dossier.job());
        if (signOff.owed().isEmpty()) {
            return;
        }
        section("Still owed");
        if (signOff.blocked()) {
            add(pages.labelled("Not to be handed back", "before what is marked [!] is settled."));
        }
        signOff.owed().forEach(o -> add(pages.labelled((o.blocks() ? "[!] " : "") + o.about(), words.say(o.why()))));
    }

    private void removed() {
        List<PeriodRecord> all = PeriodRecord.all(dossier.job(), dossier.knowledge());
        if (all.isEmpty()) {
            return;
        }
        section("What gave way, and to what");
        for (PeriodRecord r : all) {
            add(pages.labelled(r.part(), ""));
            PdfPTable table = new PdfPTable(new float[]{1, 3});
            table.setWidthPercentage(100);
            r.entries().stream().filter(e -> !e.label().equals("Read")).forEach(e -> row(table, e.label(), e.text()));
            document.add(table);
        }
    }

    private Phrase verdict(Verdict verdict) {
        Phrase phrase = pages.phrase();
        phrase.add(new Chunk(glyph(verdict) + " ", pages.glyph()));
        phrase.add(new Chunk(words.word(verdict), pages.strong()));
        return phrase;
    }

    /** A sign for each verdict that reads without colour. */
    static String glyph(Verdict verdict) {
        return switch (verdict) {
            case KEEP -> "●";
            case WATCH -> "○";
            case REFORM -> "▲";
            case RENEW -> "◆";
            case RECHECK -> "?";
        };
    }

    private void parts() {
        if (!dossier.items().isEmpty()) {
            section("Readings, verdicts and reasons");
            add(pages.quietLine(
                    "Old capacitors hold charge, and mains and high voltage can kill: unplug, discharge through a resistor, and see less "
                            + "than 1 V on the meter before a part is touched or measured."));
            dossier.items().forEach(this::part);
        }
    }

    private void part(Dossier.Item item) {
        Assessment a = item.assessment();
        Part part = a.part();
        Paragraph head = pages.paragraph(15);
        head.setSpacingBefore(8);
        head.setSpacingAfter(2);
        head.add(new Chunk(part.ref() + "  ", pages.strong()));
        head.add(new Chunk(describe.part(part) + "   ", pages.text()));
        head.add(verdict(a.verdict()));
        add(head);
        if (!part.marking().isEmpty()) {
            add(pages.labelled("Marked", part.marking()));
        }
        for (Reading r : dossier.job().readingsOf(part.ref())) {
            add(pages.labelled("Read " + MOMENT.format(r.at().atZone(dossier.madeAt().getZone())),
                    describe.reading(r.figures(), r.conditions())));
        }
        for (OfPart written : dossier.job().of(part.ref(), OfPart.class)) {
            add(pages.labelled("Written", describe.item(written)));
        }
        add(pages.labelled("Why", words.say(a.because())));
        a.overruled().ifPresent(o -> add(pages.labelled("Rules", words.word(o.verdict()) + ": " + words.say(o.because()))));
        a.next().ifPresent(n -> add(pages.labelled("Next", words.say(n))));
        if (!a.findings().isEmpty()) {
            findings(a.findings());
        }
        List<String> reasons = item.replacement().reasons().stream().map(words::say).toList();
        String proposed = describe.replacement(item.replacement()).map(p -> p + ". ").orElse("");
        add(pages.labelled("Replacement", proposed + String.join(" ", reasons)));
        Caution.forPart(HearthState.UNKNOWN, part, dossier.knowledge()).stream().filter(c -> c.level() == Caution.Level.DANGER)
                .filter(c -> c.words().key() != CautionWords.CHARGED)
                .forEach(c -> add(pages.labelled(words.word(c.level()), words.say(c.words()))));
    }

    private void findings(List<Finding> findings) {
        PdfPTable table = pages.table(new float[]{1.6f, 1, 1.1f, 0.9f, 4}, "criterion", "read", "limit", "outcome",
                "working and source");
        for (Finding f : findings) {
            table.addCell(pages.cell(words.word(f.criterion()), pages.text()));
            table.addCell(pages.cell(f.measured().map(Object::toString).orElse("—"), pages.figure()));
            table.addCell(pages.cell(f.limit().map(Object::toString).orElse("—"), pages.figure()));
            table.addCell(pages.cell(words.word(f.outcome()), pages.text()));
            Phrase why = pages.phrase();
            why.add(new Chunk(words.say(f.words()) + " ", pages.text()));
            f.working().ifPresent(w -> why.add(new Chunk(words.say(w) + " ", pages.figure())));
            why.add(new Chunk("[" + f.source() + "]", pages.quiet()));
            table.addCell(pages.cell(why));
        }
        document.add(table);
    }

    private void journal() {
        section("Journal");
        PdfPTable table = pages.table(new float[]{1.3f, 5}, "when", "what");
        for (Entry e : dossier.job().journal()) {
            table.addCell(pages.cell(MOMENT.format(e.at()), pages.figure()));
            table.addCell(pages.cell(describe.entry(dossier.job(), e), pages.text()));
        }
        document.add(table);
    }

    private void sources() {
        section("Methods and sources");
        TreeSet<String> cited = new TreeSet<>();
        dossier.items().forEach(i -> i.assessment().findings().forEach(f -> cited.add(f.source())));
        for (String id : cited) {
            Source s = dossier.knowledge().source(id);
            add(pages.labelled("[" + id + "]", s.title() + " (" + words.word(s.standing()) + ")."));
        }
        add(pages.quietLine(
                "Advice for trained people. Where work touches mains wiring, high voltage or disposal, local codes and "
                        + "licensed practice decide."));
    }

    /** Where a dossier of a shop goes when nobody says otherwise. */
    public static Path usualFolder(Path shop) {
        return shop.resolve("dossiers");
    }
}
