package org.yellowhearth.publishing.help;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.benchline.BenchLine;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.help.Article.Block;
import org.yellowhearth.publishing.help.Article.Chapter;

/**
 * The formulas behind verdicts with numbers put in, worked by the rules themselves: lines that are
 * typed, and what the verdict shows for them.
 */
final class WorkedExamples {
  private static final int YEAR = 1955;
  private static final ZonedDateTime THEN =
      ZonedDateTime.of(2026, 5, 5, 12, 0, 0, 0, ZoneOffset.UTC);
  private static final List<List<String>> TYPED =
      List.of(
          List.of(
              "+ C1 8 MFD 450 V electrolytic reservoir sees 300 V",
              "C1 9.1u D0.12 @100",
              "C1 0.4mA @450V @5min"),
          List.of("+ C1 25 MFD 25 V electrolytic cathode bypass sees 12 V", "C1 24u 12r @100"),
          List.of(
              "+ C1 .05 MFD 400 V waxed paper grid coupling sees 110 V",
              "C1 .052u D0.02 @1k",
              "C1 IR30M @400V"),
          List.of("+ C1 10 MFD 35 V solid tantalum smoothing sees 15 V", "C1 9.8u 1r2 @100"),
          List.of("+ C1 16 MFD 450 V electrolytic smoothing sees 260 V", "C1 16u 400r D0.2 @100"),
          List.of("+ R1 47k 10% carbon screen feed", "R1 61k"));

  private final Knowledge knowledge;
  private final Words words;

  WorkedExamples(Knowledge knowledge, Words words) {
    this.knowledge = knowledge;
    this.words = words;
  }

  List<Article> articles() {
    return TYPED.stream().map(this::article).toList();
  }

  private Article article(List<String> typed) {
    Job job =
        Job.of(
            List.of(
                new Entry(
                    0,
                    THEN,
                    new Act.Did(
                        new Edit.Arrived(
                            SetPlate.named("Worked example")
                                .with(p -> p.made = OptionalInt.of(YEAR)),
                            Policy.USUAL.with(Policy.WhenToRenew.MEASURED_ONLY))))));
    for (String line : typed) {
      job = after(job, line);
    }
    Assessment a = new Judge(knowledge).of(job, LocalDate.from(THEN)).assessments().getFirst();
    List<List<String>> rows =
        new ArrayList<>(
            List.of(List.of("what is looked at", "what it says", "worked out", "source")));
    a.findings().forEach(f -> rows.add(row(f)));
    List<Block> blocks = new ArrayList<>();
    blocks.add(Article.words("Typed for a set of " + YEAR + ", in " + THEN.getYear() + ":"));
    typed.forEach(t -> blocks.add(Article.words(t)));
    blocks.add(new Block.Table(rows));
    blocks.add(Article.words("So: " + words.word(a.verdict()) + ". " + words.say(a.because())));
    return new Article(Chapter.METHOD, "Worked example: " + typed.getFirst().substring(2), blocks);
  }

  private List<String> row(Finding f) {
    String source =
        Optional.ofNullable(knowledge.sources().get(f.source())).map(Source::title).orElse("");
    return List.of(
        words.word(f.criterion()),
        words.say(f.words()),
        f.working().map(words::say).orElse(""),
        source);
  }

  private Job after(Job job, String line) {
    Optional<PartRef> chosen = job.census().stream().findFirst().map(p -> p.ref());
    BenchOutcome outcome = new BenchLine(job, chosen, knowledge.vocabulary()).read(line);
    Edit edit =
        switch (outcome) {
          case BenchOutcome.Understood(BenchEntry.AddParts e) ->
              new Edit.PartAdded(e.parts().getFirst());
          case BenchOutcome.Understood(BenchEntry.KeepReading e) ->
              new Edit.ReadingKept(
                  new Reading(
                      "r" + job.journal().size(),
                      e.part(),
                      THEN.toInstant(),
                      e.figures(),
                      e.conditions(),
                      e.typed()));
          default ->
              throw new IllegalStateException(
                  "the example \"" + line + "\" was not understood: " + outcome);
        };
    return job.after(new Entry(job.journal().size(), THEN, new Act.Did(edit)));
  }
}
