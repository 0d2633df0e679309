package org.yellowhearth.publishing.dossier;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.Anachronism;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;

/**
 * What is written down of a part that is removed: what it was, what a repairer of the set's day
 * would have put in, what was done now and why, how to take it back, and where the old part is
 * kept.
 *
 * @param part by its reference and value
 */
public record PeriodRecord(String part, List<Entry> entries) {
  /** One thing that is said. */
  public record Entry(String label, String text) {}

  public PeriodRecord {
    entries = List.copyOf(entries);
  }

  /** Every part of a job that something was chosen for, or that was removed. */
  public static List<PeriodRecord> all(Job job, Knowledge knowledge) {
    return job.census().stream()
        .filter(p ->
            !job.of(p.ref(), Choice.class).isEmpty() || !job.of(p.ref(), Fitting.class).isEmpty())
        .map(p -> of(job, p, knowledge))
        .toList();
  }

  /** The record of one part. */
  public static PeriodRecord of(Job job, Part part, Knowledge knowledge) {
    Words words = Words.of(job.plate().dialect());
    Describe describe = new Describe(words, job);
    List<Entry> all = new ArrayList<>();
    all.add(new Entry("It was", describe.part(part)));
    if (!part.marking().isEmpty()) {
      all.add(new Entry("Marked", "“" + part.marking() + "”"));
    }
    first(job, part, Place.class)
        .filter(p -> !p.where().isEmpty())
        .ifPresent(p -> all.add(new Entry("Place", p.where())));
    Optional<Fitting> fitting = first(job, part, Fitting.class);
    String seen =
        job.of(part.ref(), VisualInspection.class).stream()
            .map(l -> words.word(l.sign()))
            .collect(Collectors.joining(", "));
    String condition = fitting.map(Fitting::condition).orElse("");
    if (!seen.isEmpty() || !condition.isEmpty()) {
      all.add(
          new Entry(
              "Condition",
              condition.isEmpty() ? seen : seen.isEmpty() ? condition : seen + "; " + condition));
    }
    job.readingsOf(part.ref())
        .forEach(r -> all.add(new Entry("Read", describe.reading(r.figures(), r.conditions()))));
    if (part instanceof Capacitor c && job.plate().made().isPresent()) {
      ofItsDay(c, job.plate().made().getAsInt(), knowledge, words, all);
    }
    first(job, part, Choice.class).ifPresent(c -> now(job, c, describe, words, all));
    fitting.ifPresent(f -> kept(f, words, all));
    return new PeriodRecord(part.ref() + "  " + describe.value(part), all);
  }

  private static <T extends OfPart> Optional<T> first(Job job, Part part, Class<T> type) {
    return job.of(part.ref(), type).stream().findFirst();
  }

  private static void ofItsDay(
      Capacitor c, int year, Knowledge knowledge, Words words, List<Entry> all) {
    Anachronism.ofItsDay(c, year, knowledge)
        .ifPresent(d ->
            all.add(
                new Entry(
                    "A repairer of " + year + " would have fitted",
                    Quantity.farads(d.farads()) + " " + words.capacitorKind(d.kind()))));
    Anachronism.of(c, year, knowledge).forEach(m -> all.add(new Entry("Note", words.say(m))));
  }

  private static void now(Job job, Choice c, Describe describe, Words words, List<Entry> all) {
    String wares =
        c.all().stream()
            .map(t -> t.title() + ": " + describe.ware(t.ware()))
            .collect(Collectors.joining("; "));
    all.add(
        new Entry(
            "Now",
            Describe.choice(c)
                + "  ("
                + wares
                + ")"
                + (c.balanceOhms().isPresent()
                    ? ", balanced with "
                        + Quantity.ohms(c.balanceOhms().getAsDouble())
                        + " across each"
                    : "")));
    all.add(
        new Entry(
            "Appearance",
            words.word(job.policy().appearance())
                + (c.way() == Choice.Way.UNSTATED ? "" : "; " + words.word(c.way()))));
    if (!c.reason().isEmpty()) {
      all.add(new Entry("Why", c.reason()));
    }
  }

  private static void kept(Fitting f, Words words, List<Entry> all) {
    String reversal =
        f.reversal().isEmpty()
            ? "unsolder the new part and put the old one back in the same joints"
            : f.reversal();
    all.add(new Entry("To reverse it", reversal));
    if (!f.keptAt().isEmpty()) {
      all.add(new Entry("The old part", f.keptAt()));
    }
    if (f.debt() != Fitting.Debt.UNSTATED) {
      all.add(new Entry("Outstanding", words.word(f.debt()) + ": " + f.debtReason()));
    }
  }

  /**
   * What was usual in the set's year: wire, sleeving, colours, units; nothing where its year is not
   * known.
   */
  public static List<Entry> customs(Job job, Knowledge knowledge) {
    Words words = Words.of(job.plate().dialect());
    if (job.plate().made().isEmpty()) {
      return List.of();
    }
    int year = job.plate().made().getAsInt();
    return knowledge.period().customs().stream()
        .filter(c -> c.usualIn(year))
        .map(c ->
            new Entry(
                words.word(c.subject()),
                words.term("Custom." + c.id())
                    + (c.region().isEmpty() ? "" : " (" + c.region() + ")")))
        .toList();
  }
}
