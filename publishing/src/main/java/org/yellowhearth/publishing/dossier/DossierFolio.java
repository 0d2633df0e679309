package org.yellowhearth.publishing.dossier;

import java.nio.file.Path;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Supplier;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.DossierScope.Section;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.core.safety.Caution;
import org.yellowhearth.core.safety.Caution.CautionWords;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.folio.Folio;
import org.yellowhearth.publishing.folio.Folio.Block;
import org.yellowhearth.publishing.folio.Folio.Cell;
import org.yellowhearth.publishing.folio.Folio.Face;

/** The dossier of a job as a folio, section by section; what has nothing to say is left out. */
public final class DossierFolio {
  static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH);
  static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);

  private final Dossier dossier;
  private final Job job;
  private final Words words;
  private final Describe describe;
  private final Function<Photograph, Optional<Path>> pictures;

  private final Supplier<SupplyProof> supply;

  private DossierFolio(
      Dossier dossier,
      Function<Photograph, Optional<Path>> pictures,
      Supplier<SupplyProof> supply) {
    this.supply = supply;
    this.dossier = dossier;
    this.job = dossier.job();
    this.words = Words.of(job.plate().dialect());
    this.describe = new Describe(words, job);
    this.pictures = pictures;
  }

  /**
   * The folio of a dossier.
   *
   * @param pictures the file of a photograph as it is to be shown; none where it is not at hand
   * @param supply what the model of the supply gives; asked for only where a section tells it
   */
  public static Folio of(
      Dossier dossier,
      DossierScope scope,
      Function<Photograph, Optional<Path>> pictures,
      Supplier<SupplyProof> supply) {
    return new DossierFolio(dossier, pictures, supply).made(scope);
  }

  private Folio made(DossierScope scope) {
    SetPlate plate = job.plate();
    List<Folio.Part> parts = new ArrayList<>();
    parts.add(
        new Folio.Part(
            "",
            List.of(
                new Block.Title(plate.name()),
                Folio.quiet("Dossier of " + DAY.format(dossier.madeAt())))));
    ProofBlocks proof = new ProofBlocks(dossier, words, describe, supply);
    SetBlocks set = new SetBlocks(dossier, words, describe);
    Map<Section, Supplier<List<Block>>> sections = new EnumMap<>(Section.class);
    sections.put(Section.PLATE, set::plate);
    sections.put(Section.PHOTOGRAPHS, this::photographs);
    sections.put(Section.FOUND, set::found);
    sections.put(Section.OWED, this::owed);
    sections.put(Section.PARTS, this::overview);
    sections.put(Section.RENEWED, this::renewed);
    sections.put(Section.READINGS, this::readings);
    sections.put(Section.SUPPLY, proof::supply);
    sections.put(Section.REFORMED, proof::reformed);
    sections.put(Section.WOKEN, proof::woken);
    sections.put(Section.PROVED, proof::proved);
    sections.put(Section.BURNED_IN, proof::burnedIn);
    sections.put(Section.WATCH, set::watch);
    sections.put(Section.KEPT, set::kept);
    sections.put(Section.DISPOSAL, set::disposal);
    sections.put(Section.JOURNAL, this::journal);
    sections.put(Section.SOURCES, this::sources);
    sections.forEach((section, blocks) -> {
      List<Block> made = scope.tells(section) ? blocks.get() : List.of();
      if (!made.isEmpty()) {
        parts.add(new Folio.Part(words.word(section), made));
      }
    });
    return new Folio(
        "Dossier: " + plate.name(),
        words.word(plate.kind()) + ", " + Describe.year(plate),
        plate.name() + "  ·  " + DAY.format(dossier.madeAt()),
        parts);
  }

  private List<Block> photographs() {
    List<Block> all = new ArrayList<>();
    for (Photograph p : job.items(Photograph.class)) {
      String shows = p.caption().isEmpty() ? words.word(p.side()) : p.caption();
      pictures
          .apply(p)
          .ifPresentOrElse(
              file -> all.add(new Block.Picture(file, shows + ", " + words.word(p.side()), shows)),
              () -> all.add(Folio.quiet(shows + ": the picture is not at hand.")));
    }
    return all;
  }

  /** What is owed on the set; a set that must not go back says so before anything else is read. */
  private List<Block> owed() {
    SignOff signOff = SignOff.of(job);
    List<Block> all = new ArrayList<>();
    if (signOff.blocked()) {
      all.add(new Block.Labelled("Not to be handed back", "before what is marked [!] is settled."));
    }
    signOff
        .owed()
        .forEach(o ->
            all.add(
                new Block.Labelled((o.blocks() ? "[!] " : "") + o.about(), words.say(o.why()))));
    return all;
  }

  private List<Block> overview() {
    if (dossier.items().isEmpty()) {
      return List.of(Folio.words("No parts are in the parts list yet."));
    }
    Map<Verdict, Integer> counts = new EnumMap<>(Verdict.class);
    dossier.items().forEach(i -> counts.merge(i.assessment().verdict(), 1, Integer::sum));
    List<List<Cell>> rows =
        dossier.items().stream()
            .map(item -> {
              Assessment a = item.assessment();
              return List.of(
                  new Cell(a.part().ref().toString(), Face.STRONG),
                  new Cell(describe.part(a.part()), Face.PLAIN),
                  new Cell(glyph(a.verdict()), Face.FIGURE),
                  new Cell(words.word(a.verdict()), Face.STRONG),
                  new Cell(instead(item), Face.PLAIN));
            })
            .toList();
    return List.of(
        Folio.words(
            dossier.items().size()
                + " parts: "
                + String.join(
                    ", ",
                    counts.entrySet().stream()
                        .map(e -> e.getValue() + " " + words.word(e.getKey()))
                        .toList())),
        new Block.Table(
            List.of(0.7, 3.2, 0.25, 0.95, 3.0),
            List.of("part", "what it is", "", "verdict", "in its place"),
            rows));
  }

  /** What was chosen, and whether it is in; what is proposed where nothing was chosen yet. */
  private String instead(Dossier.Item item) {
    PartRef ref = item.assessment().part().ref();
    boolean in = job.of(ref, Fitting.class).stream().anyMatch(Fitting::fitted);
    return job.of(ref, Choice.class).stream()
        .findFirst()
        .map(c -> (in ? "fitted: " : "chosen: ") + Describe.choice(c))
        .orElseGet(
            () -> describe.replacement(item.replacement()).map(r -> "proposed: " + r).orElse("—"));
  }

  private List<Block> renewed() {
    List<Block> all = new ArrayList<>();
    for (PeriodRecord r : PeriodRecord.all(job, dossier.knowledge())) {
      all.add(new Block.Head(r.part(), "", ""));
      all.add(
          Folio.pairs(
              r.entries().stream()
                  .filter(e -> !e.label().equals("Read"))
                  .map(e -> List.of(e.label(), e.text()))
                  .toList()));
    }
    return all;
  }

  /** A sign for each verdict that reads without colour. */
  static String glyph(Verdict verdict) {
    return switch (verdict) {
      case KEEP -> "●";
      case WATCH -> "○";
      case REFORM -> "▲";
      case REPLACE -> "◆";
      case RECHECK -> "?";
    };
  }

  private List<Block> readings() {
    List<Block> all = new ArrayList<>();
    if (!dossier.items().isEmpty()) {
      all.add(
          Folio.quiet(
              "Old capacitors hold charge, and mains and high voltage can kill: unplug, discharge through a resistor, and measure "
                  + "below 1 V before you touch or measure a part."));
      dossier.items().forEach(i -> part(i, all));
    }
    return all;
  }

  private void part(Dossier.Item item, List<Block> all) {
    Assessment a = item.assessment();
    Part part = a.part();
    all.add(
        new Block.Head(
            part.ref() + "  " + describe.part(part), glyph(a.verdict()), words.word(a.verdict())));
    if (!part.marking().isEmpty()) {
      all.add(new Block.Labelled("Marked", part.marking()));
    }
    for (Reading r : job.readingsOf(part.ref())) {
      all.add(
          new Block.Labelled(
              "Read " + MOMENT.format(r.at().atZone(dossier.madeAt().getZone())),
              describe.reading(r.figures(), r.conditions())));
    }
    for (OfPart written : job.of(part.ref(), OfPart.class)) {
      all.add(new Block.Labelled("Written", describe.item(written)));
    }
    all.add(new Block.Labelled("Why", words.say(a.because())));
    a.overruled()
        .ifPresent(o ->
            all.add(
                new Block.Labelled(
                    "Rules", words.word(o.verdict()) + ": " + words.say(o.because()))));
    a.next().ifPresent(n -> all.add(new Block.Labelled("Next", words.say(n))));
    if (!a.findings().isEmpty()) {
      all.add(findings(a.findings()));
    }
    String proposed = describe.replacement(item.replacement()).map(p -> p + ". ").orElse("");
    all.add(
        new Block.Labelled(
            "Replacement",
            proposed
                + String.join(
                    " ", item.replacement().reasons().stream().map(words::say).toList())));
    Caution.forPart(ChargeState.UNKNOWN, part, dossier.knowledge()).stream()
        .filter(c -> c.level() == Caution.Level.DANGER)
        .filter(c -> c.words().key() != CautionWords.CHARGED)
        .forEach(c -> all.add(new Block.Labelled(words.word(c.level()), words.say(c.words()))));
  }

  private Block findings(List<Finding> findings) {
    return new Block.Table(
        List.of(1.6, 1.0, 1.1, 0.9, 4.0),
        List.of("criterion", "read", "limit", "outcome", "working and source"),
        findings.stream()
            .map(f ->
                List.of(
                    new Cell(words.word(f.criterion()), Face.PLAIN),
                    new Cell(f.measured().map(Object::toString).orElse("—"), Face.FIGURE),
                    new Cell(f.limit().map(Object::toString).orElse("—"), Face.FIGURE),
                    new Cell(words.word(f.outcome()), Face.PLAIN),
                    new Cell(
                        words.say(f.words())
                            + " "
                            + f.working().map(w -> words.say(w) + " ").orElse("")
                            + "["
                            + f.source()
                            + "]",
                        Face.PLAIN)))
            .toList());
  }

  private List<Block> journal() {
    return List.of(
        new Block.Table(
            List.of(1.3, 5.0),
            List.of("when", "what"),
            job.journal().stream().map(this::entry).toList()));
  }

  private List<Cell> entry(Entry e) {
    return List.of(
        new Cell(MOMENT.format(e.at()), Face.FIGURE),
        new Cell(
            describe.entry(job, e) + (e.by().isEmpty() ? "" : "  (" + e.by() + ")"), Face.PLAIN));
  }

  private List<Block> sources() {
    TreeSet<String> cited = new TreeSet<>();
    dossier.items().forEach(i -> i.assessment().findings().forEach(f -> cited.add(f.source())));
    List<Block> all = new ArrayList<>();
    for (String id : cited) {
      Source s = dossier.knowledge().source(id);
      all.add(
          new Block.Labelled("[" + id + "]", s.title() + " (" + words.word(s.standing()) + ")."));
    }
    all.add(
        Folio.quiet(
            "Advice for trained people. Where work touches mains wiring, high voltage or disposal, local codes and "
                + "licensed practice decide."));
    return all;
  }
}
