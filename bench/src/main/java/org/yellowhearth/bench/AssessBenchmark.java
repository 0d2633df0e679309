package org.yellowhearth.bench;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.benchline.BenchLine;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.partslist.PartsListLine;
import org.yellowhearth.core.partslist.Thousand;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.reading.ReadingParser;
import org.yellowhearth.knowledge.KnowledgeFiles;

/**
 * How long a census takes to be judged, and one line to be understood and judged while it is typed.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 1)
@Measurement(iterations = 5, time = 1)
public class AssessBenchmark {
  private static final String[] PARTS = {
    "32 MFD 450 V can reservoir",
    ".05 MFD 400 V waxed paper coupling",
    "500 pF silver mica tuned",
    "25 MFD 25 V electrolytic cathode bypass sees 12 V",
    "10n ceramic rf bypass"
  };
  private static final String[] READINGS = {
    "29u D0.2 @100", "IR40M @250V", "503p D0.001 @1k", "21u 20r @100", "9.4n @1k"
  };
  private static final LocalDate TODAY = LocalDate.of(2026, 6, 1);

  private final Knowledge knowledge = KnowledgeFiles.read();

  @Param({"500", "10000"})
  private int parts;

  private Job job;
  private JudgedJob judged;
  private Reading another;

  /** A census of parts of five kinds, each read once. */
  @Setup
  public void census() {
    Instant at = Instant.parse("2026-05-05T12:00:00Z");
    PartsListLine line = new PartsListLine(knowledge.vocabulary(), Thousand.MEGOHM);
    List<Edit> edits = new ArrayList<>();
    for (int i = 0; i < parts; i++) {
      String marking = PARTS[i % PARTS.length];
      Part part = line.read(PartRef.of("C" + (i + 1)), Token.of(marking), marking, "").getFirst();
      ReadingParser parser = new ReadingParser(part.sort());
      parser.read(Token.of(READINGS[i % READINGS.length]));
      edits.add(new Edit.PartAdded(part));
      edits.add(
          new Edit.ReadingKept(
              new Reading("r" + i, part.ref(), at, parser.figures(), parser.conditions(), "")));
    }
    job =
        Job.of(
            List.of(
                new Entry(
                    0,
                    at.atZone(ZoneOffset.UTC),
                    new Act.Did(new Edit.Arrived(SetPlate.named("Bench"), Policy.USUAL))),
                new Entry(1, at.atZone(ZoneOffset.UTC), new Act.Did(new Edit.Together(edits)))));
    judged = new Judge(knowledge).of(job, TODAY);
    another = job.readings().getFirst();
  }

  /** Every part judged. */
  @Benchmark
  public List<Assessment> judgesTheCensus() {
    return new Judge(knowledge).of(job, TODAY).assessments();
  }

  /** One typed line understood. */
  @Benchmark
  public BenchOutcome understandsALine() {
    return new BenchLine(job, PartRef.parse("C1"), knowledge.vocabulary())
        .read("C1 9.1u 400r D2.4 @100");
  }

  /** One part judged, as the echo of a line does. */
  @Benchmark
  public Assessment judgesOnePart() {
    return judged.with(job.part(another.part()).orElseThrow(), another);
  }
}
