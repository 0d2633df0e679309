package org.yellowhearth.knowledge;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Criterion;
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
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Reading;

/**
 * A job built by the lines a restorer types, and judged; the set was made in 1950 and stands on the
 * bench in 2026.
 */
final class Bench {
  static final LocalDate TODAY = LocalDate.of(2026, 6, 1);
  static final ZonedDateTime NOW = Instant.parse("2026-05-05T12:00:00Z").atZone(ZoneOffset.UTC);
  private static final Judge JUDGE = new Judge(VerdictTest.KNOWLEDGE);

  private Job job;

  private Bench(Policy policy, SetPlate plate) {
    job = Job.of(List.of(new Entry(0, NOW, new Act.Did(new Edit.Arrived(plate, policy)))));
  }

  static Bench with(Policy policy) {
    return new Bench(policy, VerdictTest.plate(SetPlate.Purpose.USE));
  }

  /** A bench with a set of another year. */
  static Bench of(int year) {
    return new Bench(
        Policy.USUAL,
        VerdictTest.plate(SetPlate.Purpose.USE).with(p -> p.made = OptionalInt.of(year)));
  }

  Job job() {
    return job;
  }

  /** Types lines parted by semicolons; each must be understood. */
  Bench type(String lines) {
    for (String line : lines.split(";", -1)) {
      if (!line.isBlank()) {
        did(understood(line.strip()));
      }
    }
    return this;
  }

  BenchOutcome read(String line) {
    Optional<PartRef> chosen =
        job.census().isEmpty() ? Optional.empty() : Optional.of(job.census().getFirst().ref());
    return new BenchLine(job, chosen, VerdictTest.KNOWLEDGE.vocabulary()).read(line);
  }

  private BenchEntry understood(String line) {
    BenchOutcome outcome = read(line);
    if (outcome instanceof BenchOutcome.Understood(BenchEntry entry)) {
      return entry;
    }
    throw new AssertionError("\"" + line + "\" was not understood: " + outcome);
  }

  private void did(BenchEntry entry) {
    switch (entry) {
      case BenchEntry.AddParts e -> e.parts().forEach(p -> edit(new Edit.PartAdded(p)));
      case BenchEntry.CorrectPart e -> edit(new Edit.PartChanged(e.before(), e.after()));
      case BenchEntry.WriteDown e ->
          e.items().forEach(i -> edit(new Edit.ItemChanged(job.item(i.id()), Optional.of(i))));
      case BenchEntry.TakeOut e ->
          edit(new Edit.ItemChanged(Optional.of(e.item()), Optional.empty()));
      case BenchEntry.KeepReading e -> readAt(e, NOW.plusMinutes(job.journal().size()).toInstant());
      case BenchEntry.SwitchPower e -> edit(new Edit.PowerSwitched(e.power()));
      default -> throw new AssertionError("not for this bench: " + entry);
    }
  }

  private void readAt(BenchEntry.KeepReading e, Instant at) {
    edit(
        new Edit.ReadingKept(
            new Reading(
                "r" + job.journal().size(), e.part(), at, e.figures(), e.conditions(), e.typed())));
  }

  /** A reading taken so many days ago. */
  Bench readEarlier(String line, int daysAgo) {
    readAt(
        (BenchEntry.KeepReading) understood(line),
        TODAY.minusDays(daysAgo).atStartOfDay(ZoneOffset.UTC).toInstant());
    return this;
  }

  Bench edit(Edit edit) {
    job =
        job.after(
            new Entry(
                job.journal().size(), NOW.plusMinutes(job.journal().size()), new Act.Did(edit)));
    return this;
  }

  Assessment assess(String ref) {
    return JUDGE.of(job, TODAY).assessment(PartRef.of(ref)).orElseThrow();
  }

  Finding finding(String ref, Criterion criterion) {
    return assess(ref).findings().stream()
        .filter(f -> f.criterion() == criterion)
        .findFirst()
        .orElseThrow();
  }
}
