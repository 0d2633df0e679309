package org.yellowhearth.workshop;

import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.assess.AgreementCriterion;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.fact.MeterSettings;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reading.Agreement;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.workshop.words.Labels;

/** Puts into words how a bench line was understood, with the verdict as it would be. */
final class EchoWords {
  private final Words words;
  private final Describe describe;
  private final OpenJob open;
  private final ZonedDateTime now;

  EchoWords(Words words, OpenJob open, ZonedDateTime now) {
    this.words = words;
    this.describe = new Describe(words);
    this.open = open;
    this.now = now;
  }

  Echo of(BenchOutcome outcome) {
    return switch (outcome) {
      case BenchOutcome.Empty _ -> Echo.NOTHING;
      case BenchOutcome.Question q ->
          new Echo("", words.say(q.question()), Optional.empty(), q.choices(), false);
      case BenchOutcome.Refused r ->
          new Echo(
              r.soFar().map(e -> describe.reading(e.figures(), e.conditions())).orElse(""),
              words.say(r.problem()),
              Optional.empty(),
              List.of(),
              false);
      case BenchOutcome.Understood u -> understood(u.entry());
    };
  }

  private Echo understood(BenchEntry entry) {
    return switch (entry) {
      case BenchEntry.AddParts e ->
          plain(
              e.parts().stream()
                  .map(p -> Labels.of("echo.add", p.ref(), describe.part(p)))
                  .collect(Collectors.joining("   ")));
      case BenchEntry.WriteDown e ->
          plain(
              Labels.of(
                  "echo.written",
                  e.items().stream().map(describe::item).collect(Collectors.joining("; "))));
      case BenchEntry.TakeOut e -> plain(Labels.of("echo.taken-out", describe.item(e.item())));
      case BenchEntry.CorrectPart e ->
          plain(Labels.of("echo.correct", e.after().ref(), describe.part(e.after())));
      case BenchEntry.RemovePart e ->
          plain(
              Labels.of(
                  "echo.remove",
                  e.part().ref(),
                  describe.part(e.part()),
                  open.job().readingsOf(e.part().ref()).size()));
      case BenchEntry.KeepReading e -> reading(e);
      case BenchEntry.HoldSettings e ->
          plain(
              e.settings().equals(MeterSettings.BLANK)
                  ? Labels.of("echo.hold-nothing")
                  : Labels.of("echo.hold", describe.conditions(e.settings().conditions())));
      case BenchEntry.WriteNote e -> plain(Labels.of("echo.note", e.text()));
      case BenchEntry.Happened e -> plain(new Describe(words, open.job()).edit(e.event()));
      case BenchEntry.SwitchPower e ->
          plain(Labels.of(e.power() == Edit.Power.LIT ? "echo.lit" : "echo.off"));
      case BenchEntry.ReadSupply e ->
          plain(
              Labels.of(
                  "echo.supply",
                  e.point(),
                  Stream.concat(
                          e.shown().stream()
                              .map(x ->
                                  words.word(x.kind())
                                      + " "
                                      + Quantity.of(
                                          x.value(),
                                          x.kind() == SupplyReading.Kind.WATTS
                                              ? Unit.WATT
                                              : Unit.VOLT)),
                          e.drawn().stream()
                              .map(d ->
                                  Labels.of(
                                      "echo.drawn",
                                      Quantity.volts(d.volts())
                                          + d.tolerance().stream()
                                              .mapToObj(t -> " ± " + Quantity.percent(t))
                                              .collect(Collectors.joining()))))
                      .collect(Collectors.joining(", ")),
                  Stream.of(
                          e.lineVolts().isPresent()
                              ? Labels.of(
                                  "readings.at-line", Quantity.volts(e.lineVolts().getAsDouble()))
                              : "",
                          e.state() == SupplyReading.State.UNSTATED ? "" : words.word(e.state()))
                      .filter(t -> !t.isEmpty())
                      .collect(Collectors.joining(", "))));
      case BenchEntry.Notice e ->
          plain(
              Labels.of(
                  e.place().isEmpty() ? "echo.noticed" : "echo.noticed-at",
                  words.term("FaultSign." + e.sign()) + figure(e),
                  e.place()));
      case BenchEntry.KeepRail e ->
          plain(
              Labels.of(
                  e.listed(open.job()).isPresent() ? "echo.rail-again" : "echo.rail",
                  describe.item(e.rail(e.listed(open.job()), "new"))));
      case BenchEntry.Exchange e ->
          plain(
              e.fitted().isPresent()
                  ? Labels.of(
                      "echo.exchanged", e.old().ref(), describe.part(e.fitted().orElseThrow()))
                  : Labels.of("echo.exchanged-chosen", e.old().ref()));
      case BenchEntry.ShowPart e -> plain(Labels.of("echo.show", e.part()));
    };
  }

  /** After how many minutes; the other signs that have a figure are not typed with one. */
  private static String figure(BenchEntry.Notice e) {
    return e.figure().stream()
        .mapToObj(v -> ": " + Quantity.of(v, Unit.MINUTE))
        .collect(Collectors.joining());
  }

  private static Echo plain(String text) {
    return new Echo(text, "", Optional.empty(), List.of(), true);
  }

  private Echo reading(BenchEntry.KeepReading e) {
    Reading reading = reading(e, open.job().readings().size(), now);
    Optional<Verdict> verdict =
        open.job().part(e.part()).map(part -> open.judged().with(part, reading).verdict());
    String trouble =
        AgreementCriterion.finding(Agreement.of(e.figures(), e.conditions()))
            .filter(f -> f.outcome() == Finding.Outcome.BAD)
            .map(f -> words.say(f.words()))
            .orElse("");
    String lit =
        open.hearth().at(now.toInstant()).state() == ChargeState.LIT
            ? Labels.of("echo.while-lit")
            : "";
    return new Echo(
        e.part() + "  " + describe.reading(e.figures(), e.conditions()),
        (lit + " " + trouble).strip(),
        verdict,
        List.of(),
        true);
  }

  /**
   * The reading that an entry asks for; ids count up within a job and carry the moment, so that
   * none comes twice.
   */
  static Reading reading(BenchEntry.KeepReading e, int count, ZonedDateTime now) {
    String id = "r" + (count + 1) + "-" + Long.toString(now.toInstant().toEpochMilli(), 36);
    return new Reading(id, e.part(), now.toInstant(), e.figures(), e.conditions(), e.typed());
  }
}
