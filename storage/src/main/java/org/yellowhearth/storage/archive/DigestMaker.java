package org.yellowhearth.storage.archive;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.yellowhearth.core.agenda.StageDues;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.learn.JobTallies;
import org.yellowhearth.core.learn.WorkDone;
import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.archive.Digest.Card;
import org.yellowhearth.storage.archive.Digest.Count;
import org.yellowhearth.storage.archive.Digest.Thing;

/** Makes digests of jobs. */
public final class DigestMaker {
  private final Knowledge knowledge;
  private final StageDues dues;

  /** One with this knowledge. */
  public DigestMaker(Knowledge knowledge) {
    this.knowledge = knowledge;
    this.dues = new StageDues(knowledge);
  }

  /** The digest of a job as it stands. */
  public Digest of(String id, JudgedJob judged, ZonedDateTime now) {
    Job job = judged.job();
    List<Assessment> assessments = judged.assessments();
    return new Digest(
        id,
        job.journal().size(),
        card(job, assessments),
        dues.maySay(job, now),
        new Reader(job, assessments).things,
        JobTallies.of(job, assessments, knowledge, now.toLocalDate()));
  }

  private static Card card(Job job, List<Assessment> assessments) {
    SetPlate plate = job.plate();
    Words words = Words.of(plate.dialect());
    List<Count> counts =
        Arrays.stream(Verdict.values())
            .map(
                v -> new Count(v, (int) assessments.stream().filter(a -> a.verdict() == v).count()))
            .filter(c -> c.parts() > 0)
            .toList();
    SignOff signOff = SignOff.of(job);
    return new Card(
        plate.dialect(),
        facts(plate, words),
        plate.complaint(),
        assessments.size(),
        (int) assessments.stream().filter(Assessment::measured).count(),
        counts,
        signOff.owed().size(),
        signOff.blocked());
  }

  private static String facts(SetPlate plate, Words words) {
    return Stream.of(words.word(plate.kind()), Describe.year(plate), plate.place())
        .filter(s -> !s.isEmpty())
        .collect(Collectors.joining("  ·  "));
  }

  /** Reads what there is to be found in one job. */
  private final class Reader {
    private final Words words;
    private final Describe describe;
    private final String plate;
    private final List<Thing> things = new ArrayList<>();

    Reader(Job job, List<Assessment> assessments) {
      SetPlate p = job.plate();
      words = Words.of(p.dialect());
      describe = new Describe(words, job);
      plate =
          Search.folded(
              p.name()
                  + " "
                  + words.word(p.kind())
                  + " "
                  + words.word(p.technology())
                  + " "
                  + Describe.year(p)
                  + " "
                  + p.place()
                  + " "
                  + words.word(WorkDone.furthest(job)));
      add(
          Hit.Where.SET,
          Optional.empty(),
          p.name() + "  ·  " + facts(p, words) + "  ·  " + words.word(WorkDone.furthest(job)),
          p.complaint() + " " + p.endState(),
          "");
      assessments.forEach(this::part);
      for (Item item : job.items()) {
        add(
            Hit.Where.WRITTEN,
            item instanceof OfPart o ? Optional.of(o.part()) : Optional.empty(),
            describe.item(item),
            "",
            "");
      }
      for (Entry e : job.journal()) {
        if (e.act() instanceof Act.Did(Edit.NoteWritten(String text)) && job.counts(e.number())) {
          add(Hit.Where.NOTE, Optional.empty(), text, e.by(), "");
        }
      }
    }

    private void part(Assessment a) {
      Part part = a.part();
      String family =
          part instanceof Capacitor c ? words.word(knowledge.kind(c.kind()).family()) : "";
      add(
          Hit.Where.PART,
          Optional.of(part.ref()),
          part.ref() + "  " + describe.part(part) + "  " + words.word(a.verdict()),
          part.marking() + " " + family,
          values(part));
    }

    private static String values(Part part) {
      Map<Dimension, DoubleStream> all =
          switch (part) {
            case Capacitor c ->
                Map.of(
                    Dimension.CAPACITANCE,
                    DoubleStream.of(c.farads()),
                    Dimension.VOLTAGE,
                    Stream.of(c.ratedVolts(), c.workingVolts())
                        .flatMapToDouble(OptionalDouble::stream));
            case Resistor r -> Map.of(Dimension.RESISTANCE, DoubleStream.of(r.ohms()));
            default -> Map.of();
          };
      return all.entrySet().stream()
          .flatMap(e -> e.getValue().filter(v -> v > 0).mapToObj(v -> Search.step(e.getKey(), v)))
          .collect(Collectors.joining(" "));
    }

    private void add(
        Hit.Where where, Optional<PartRef> part, String text, String besides, String values) {
      things.add(
          new Thing(
              where,
              part,
              text,
              (Search.folded(text + " " + besides) + " " + values).strip(),
              plate));
    }
  }
}
