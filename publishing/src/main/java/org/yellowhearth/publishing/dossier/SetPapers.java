package org.yellowhearth.publishing.dossier;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.arrival.Estimate;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Consent;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.fact.ThreePoint;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.learn.WorkDone;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.quantity.Money;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.folio.Folio;
import org.yellowhearth.publishing.folio.Folio.Block;

/**
 * Papers about a set as a whole: the estimate for its owner, the list by which it goes together
 * again, and what goes where.
 */
public final class SetPapers {
  private SetPapers() {}

  /** Which paper. */
  public enum Kind implements Coded {
    ESTIMATE,
    ACCOUNT,
    REASSEMBLY,
    DISPOSAL
  }

  /**
   * A paper as a folio.
   *
   * @param stock lines of drawer and catalogue by their ids, for what parts cost
   */
  public static Folio of(
      Kind kind, Job job, Knowledge knowledge, ZonedDateTime madeAt, Map<String, StockPart> stock) {
    Words words = Words.of(job.plate().dialect());
    List<Block> blocks =
        new ArrayList<>(
            List.of(
                new Block.Title(words.word(kind)),
                Folio.quiet(job.plate().name() + "  ·  " + DossierFolio.DAY.format(madeAt))));
    switch (kind) {
      case ESTIMATE -> estimate(job, words, blocks);
      case ACCOUNT -> account(job, words, stock, blocks);
      case REASSEMBLY -> reassembly(job, words, blocks);
      case DISPOSAL -> {
        Dossier dossier = new Dossier(job, List.of(), knowledge, madeAt);
        List<Block> all = new SetBlocks(dossier, words, new Describe(words, job)).disposal();
        blocks.addAll(
            all.isEmpty()
                ? List.of(Folio.words("Nothing in the parts list needs more than the usual."))
                : all);
      }
    }
    return new Folio(
        words.word(kind) + ": " + job.plate().name(),
        "",
        job.plate().name() + "  ·  " + DossierFolio.DAY.format(madeAt),
        List.of(new Folio.Part("", blocks)));
  }

  private static void estimate(Job job, Words words, List<Block> blocks) {
    Estimate e = Estimate.of(job);
    String currency = job.aspect(Budget.class).currency();
    for (Phase phase : Phase.values()) {
      List<EstimateLine> lines =
          job.items(EstimateLine.class).stream().filter(l -> l.phase() == phase).toList();
      if (lines.isEmpty()) {
        continue;
      }
      blocks.add(new Block.Head(words.word(phase), "", ""));
      blocks.add(
          Folio.figures(
              List.of("work", "hours, least – likely – most", currency + ", least – likely – most"),
              lines.stream()
                  .map(l -> List.of(l.text(), three(l.hours()), three(l.money())))
                  .toList()));
      Estimate.Sum sum = e.phases().get(phase);
      blocks.add(
          new Block.Labelled(
              "Likely",
              number(sum.hours().mean())
                  + " h, "
                  + (number(sum.money().mean()) + " " + currency).strip()
                  + ", hours paid; not more than "
                  + (number(sum.money().to()) + " " + currency).strip()
                  + " in nineteen of twenty cases"));
      job.items(Consent.class).stream()
          .filter(c -> c.phase() == phase)
          .forEach(c ->
              blocks.add(
                  new Block.Labelled(
                      "Agreed",
                      "up to " + (number(c.amount()) + " " + currency).strip() + ", " + c.how())));
    }
    blocks.add(
        new Block.Labelled(
            "In all",
            number(e.whole().hours().mean())
                + " h, "
                + (number(e.whole().money().mean()) + " " + currency).strip()));
    e.reasons().forEach(r -> blocks.add(Folio.words(words.say(r))));
    blocks.add(
        Folio.quiet("An estimate, not a price: what an old set hides shows only when it is open."));
  }

  /** What was done and what it comes to, beside what had been estimated and agreed. */
  private static void account(
      Job job, Words words, Map<String, StockPart> stock, List<Block> blocks) {
    Budget budget = job.aspect(Budget.class);
    String currency = budget.currency();
    double parts = 0;
    int unpriced = 0;
    List<List<String>> rows = new ArrayList<>();
    for (Choice c : job.items(Choice.class)) {
      if (job.of(c.part(), Fitting.class).stream().anyMatch(Fitting::fitted)) {
        for (Choice.Taken t : c.all()) {
          OptionalDouble each =
              Optional.ofNullable(stock.get(t.stock()))
                  .map(StockPart::price)
                  .orElse(OptionalDouble.empty());
          parts += each.orElse(0);
          unpriced += each.isEmpty() ? 1 : 0;
          rows.add(
              List.of(
                  c.part().toString(),
                  t.title(),
                  each.isEmpty() ? "—" : money(each.getAsDouble())));
        }
      }
    }
    if (!rows.isEmpty()) {
      blocks.add(new Block.Head("Parts fitted", "", ""));
      blocks.add(Folio.figures(List.of("part", "new", currency), rows));
    }
    Map<WorkDone.Work, Duration> worked = WorkDone.of(job);
    double hours = worked.values().stream().mapToLong(Duration::toSeconds).sum() / 3600.0;
    if (!worked.isEmpty()) {
      blocks.add(new Block.Head("Work", "", ""));
      blocks.add(
          Folio.figures(
              List.of("work", "hours"),
              worked.entrySet().stream()
                  .map(e ->
                      List.of(words.word(e.getKey()), money(e.getValue().toSeconds() / 3600.0)))
                  .toList()));
    }
    double labour = hours * budget.ratePerHour();
    blocks.add(
        new Block.Labelled(
            "Parts",
            (money(parts) + " " + currency).strip()
                + (unpriced > 0 ? ", and " + unpriced + " whose price nobody wrote down" : "")));
    blocks.add(
        new Block.Labelled(
            "Work",
            money(hours)
                + " h"
                + (budget.ratePerHour() > 0
                    ? " at "
                        + money(budget.ratePerHour())
                        + ": "
                        + (money(labour) + " " + currency).strip()
                    : ", not charged")));
    blocks.add(new Block.Labelled("In all", (money(parts + labour) + " " + currency).strip()));
    Estimate.Sum estimated = Estimate.of(job).whole();
    if (estimated.lines() > 0) {
      blocks.add(
          new Block.Labelled(
              "Estimated",
              number(estimated.hours().mean())
                  + " h, "
                  + (number(estimated.money().mean()) + " " + currency).strip()
                  + " in all"));
    }
    job.items(Consent.class)
        .forEach(c ->
            blocks.add(
                new Block.Labelled(
                    "Agreed",
                    words.word(c.phase())
                        + ": up to "
                        + (number(c.amount()) + " " + currency).strip()
                        + ", "
                        + c.how())));
    blocks.add(
        Folio.quiet(
            "Hours are those that the journal shows: from one entry to the next, without pauses of more than "
                + WorkDone.PAUSE.toMinutes()
                + " minutes. They are the least that was worked."));
  }

  private static String money(double value) {
    return Money.amount(value);
  }

  private static String three(ThreePoint t) {
    return number(t.low()) + " – " + number(t.likely()) + " – " + number(t.high());
  }

  private static String number(double value) {
    return Quantity.ratio(value).toString();
  }

  /** What came off last goes on first. */
  private static void reassembly(Job job, Words words, List<Block> blocks) {
    List<TakeApartStep> steps =
        job.items(TakeApartStep.class).stream()
            .sorted(Comparator.comparingInt(TakeApartStep::number).reversed())
            .toList();
    if (steps.isEmpty()) {
      blocks.add(Folio.words("Nothing was written down of taking it apart."));
      return;
    }
    blocks.add(
        Folio.figures(
            List.of("", "what", "how it sat", "lies in", "done"),
            steps.stream()
                .map(t ->
                    List.of(
                        t.number() + ".",
                        t.count() + " × " + t.what() + ", " + words.word(t.fixing()),
                        t.orientation(),
                        t.kept(),
                        t.refitted() ? "[x]" : "[  ]"))
                .toList()));
    blocks.add(
        Folio.quiet(
            "Count what is left over: it should be nothing. No lead under tension, nothing under a screw that was not there."));
  }
}
