package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.testng.annotations.Test;
import org.yellowhearth.core.agenda.Due;
import org.yellowhearth.core.agenda.DueSource;
import org.yellowhearth.core.agenda.StageDues;
import org.yellowhearth.core.fact.AgendaMark;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Consent;
import org.yellowhearth.core.fact.DryingHold;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.ThreePoint;
import org.yellowhearth.core.fact.Wish;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reform.Planner;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.stock.StockCsv;

/** What each stage asks for, as it comes and goes with the job and the clock. */
public class StageDuesTest {
  private static final Instant T = Bench.NOW.toInstant();
  private final StageDues dues = new StageDues(VerdictTest.KNOWLEDGE);

  private static void put(Bench b, Item item) {
    b.edit(new Edit.ItemChanged(b.job().item(item.id()), Optional.of(item)));
  }

  private List<Due> at(Bench b, Duration later) {
    return dues.of(b.job(), Bench.NOW.plus(later), Map.of());
  }

  private List<Due> of(Bench b, Duration later, DueSource source) {
    return at(b, later).stream().filter(d -> d.source() == source).toList();
  }

  @Test
  public void anEmptyJobAsksForNothing() {
    assertThat(at(Bench.of(1950), Duration.ZERO)).isEmpty();
  }

  /**
   * Dense first, then sparse; what is read or past is not asked for; a stopped one asks for
   * nothing.
   */
  @Test
  public void aBurnInAsksForItsReadings() {
    Bench b = Bench.of(1950);
    BurnIn burn =
        new BurnIn(
            "b1",
            T,
            24,
            List.of(new BurnIn.BurnChannel("HT", "V", OptionalDouble.of(250), 8)),
            BurnIn.BurnEnd.UNDECIDED,
            "");
    put(b, burn);
    List<Due> all = of(b, Duration.ZERO, DueSource.BURN_IN);
    assertThat(all).hasSize(13);
    assertThat(all.getFirst().at()).contains(T.plusSeconds(300));
    assertThat(all.getLast().at()).contains(T.plusSeconds(24 * 3600));
    put(
        b,
        new BurnReading(
            "r1", "b1", T.plusSeconds(310), List.of(new BurnReading.BurnShown("HT", 250)), ""));
    assertThat(of(b, Duration.ofMinutes(6), DueSource.BURN_IN)).hasSize(12);
    assertThat(of(b, Duration.ofHours(7), DueSource.BURN_IN))
        .extracting(Due::key)
        .first()
        .isEqualTo("burn-b1-9");
    put(b, burn.ended(BurnIn.BurnEnd.FAILED, "smoke"));
    assertThat(at(b, Duration.ofHours(7))).isEmpty();
  }

  @Test
  public void warmUpsDryingAndWhatIsAwaitedAreAskedFor() {
    Bench b = Bench.of(1950);
    put(b, new CalibrationHold("w", "the oven", Optional.of(T), OptionalDouble.of(8), false));
    put(
        b,
        new CalibrationHold("x", "the crystal", Optional.empty(), OptionalDouble.empty(), false));
    put(b, new DryingHold("d", T, 48, "chassis"));
    assertThat(of(b, Duration.ZERO, DueSource.WARM_UP))
        .singleElement()
        .satisfies(d -> assertThat(d.at()).contains(T.plusSeconds(8 * 3600)));
    assertThat(of(b, Duration.ZERO, DueSource.WAITING))
        .singleElement()
        .satisfies(d -> assertThat(d.at()).isEmpty());
    assertThat(of(b, Duration.ZERO, DueSource.DRYING))
        .singleElement()
        .satisfies(d -> assertThat(d.at()).contains(T.plusSeconds(48 * 3600)));
    assertThat(of(b, Duration.ofDays(4), DueSource.DRYING)).isEmpty();
    put(b, new CalibrationHold("w", "the oven", Optional.of(T), OptionalDouble.of(8), true));
    assertThat(of(b, Duration.ZERO, DueSource.WARM_UP)).isEmpty();
  }

  @Test
  public void unansweredQuestionsToTheOwnerAreAskedFor() {
    Bench b = Bench.of(1950);
    put(
        b,
        new EstimateLine(
            "e", Phase.SUPPLY, "capacitors", new ThreePoint(2, 4, 12), new ThreePoint(10, 20, 30)));
    put(b, new Wish("k", Wish.Kind.COSMETIC, "polish the knobs", Wish.Wanted.UNDECIDED));
    assertThat(of(b, Duration.ZERO, DueSource.OWNER))
        .extracting(Due::key)
        .containsExactly("consent-supply", "wish-k");
    Words words = Words.of(b.job().plate().dialect());
    assertThat(of(b, Duration.ZERO, DueSource.OWNER))
        .extracting(d -> words.say(d.what()))
        .last()
        .isEqualTo("Call the owner: polish the knobs – wanted or not?");
    put(b, new Consent("c", Phase.SUPPLY, 400, "by telephone", T));
    put(b, new Wish("k", Wish.Kind.COSMETIC, "polish the knobs", Wish.Wanted.NOT_WANTED));
    assertThat(at(b, Duration.ZERO)).isEmpty();
  }

  /**
   * What was chosen from the catalogue is awaited until it is in; what lies in the drawer is not.
   */
  @Test
  public void chosenPartsAreAwaitedUntilTheyAreIn() {
    Bench b = Bench.of(1950);
    b.type("+ C1 16 MFD 450 V electrolytic reservoir; + C2 16 MFD 450 V electrolytic decoupling");
    StockPart ware = StockCsv.shipped(VerdictTest.KNOWLEDGE.kinds().keySet()).getFirst();
    put(b, Choice.one(PartRef.of("C1"), ware.taken()));
    put(
        b,
        Choice.one(
            PartRef.of("C2"), new Choice.Taken("d-1", "a bag", Choice.Whence.DRAWER, ware.ware())));
    assertThat(of(b, Duration.ZERO, DueSource.PARTS))
        .singleElement()
        .satisfies(d ->
            assertThat(Words.of(b.job().plate().dialect()).say(d.what()))
                .isEqualTo("Parts to be ordered or awaited: 1, for C1"));
    put(b, Fitting.of(PartRef.of("C1")).with(f -> f.fitted = true));
    assertThat(of(b, Duration.ZERO, DueSource.PARTS)).isEmpty();
  }

  /**
   * A set that was unplugged with a charge in it: with a measured bleeder it has a time, without
   * one it has none and stays.
   */
  @Test
  public void aChargedSetIsNotForgotten() {
    Bench b = Bench.of(1950);
    b.type("+ C1 16 MFD 450 V electrolytic reservoir");
    put(
        b,
        new Rail(
            "HT",
            "HT",
            300,
            List.of(PartRef.of("C1")),
            OptionalDouble.empty(),
            "",
            Rail.Bleeder.MEASURED,
            OptionalDouble.of(220e3)));
    assertThat(of(b, Duration.ZERO, DueSource.CHARGE)).isEmpty();
    b.edit(new Edit.PowerSwitched(Edit.Power.LIT));
    assertThat(of(b, Duration.ofMinutes(2), DueSource.CHARGE)).isEmpty();
    b.edit(new Edit.PowerSwitched(Edit.Power.OFF));
    b.edit(new Edit.VoltsMeasured("HT", 300));
    assertThat(of(b, Duration.ofSeconds(1), DueSource.CHARGE)).hasSize(1);
  }

  /**
   * Plan, steps, end, rest: what forming asks for follows the run, within the hours at the bench.
   */
  @Test
  public void formingIsAskedForStepByStep() {
    Bench b = Bench.of(1950);
    b.type("+ C1 16 MFD 450 V electrolytic reservoir");
    ReformPlan plan =
        Planner.plan(
            new Planner.Request(
                PartRef.of("C1"),
                16e-6,
                450,
                450,
                1e-3,
                Planner.Can.usual(16e-6, 450),
                ReformPlan.ReformSchool.GENTLE));
    put(b, plan);
    List<Due> planned = of(b, Duration.ZERO, DueSource.REFORM);
    assertThat(planned)
        .extracting(Due::key)
        .contains("reform-C1-begin-0", "reform-C1-next-step-1")
        .doesNotHaveDuplicates();
    // 5 May 2026 is a Tuesday; the bench is manned from six in the evening.
    assertThat(planned.getFirst().at()).contains(Instant.parse("2026-05-05T18:00:00Z"));
    b.edit(new Reforming.ReformBegun(plan.id(), 0, OptionalDouble.empty()));
    assertThat(of(b, Duration.ofMinutes(1), DueSource.REFORM))
        .extracting(Due::key)
        .doesNotContain("reform-C1-begin-0")
        .contains("reform-C1-next-step-1");
    b.edit(new Reforming.ReformFinished(plan.id()));
    assertThat(of(b, Duration.ofMinutes(5), DueSource.REFORM))
        .extracting(Due::key)
        .contains("reform-C1-rested");
    assertThat(of(b, Duration.ofMinutes(5), DueSource.REFORM))
        .allSatisfy(d -> assertThat(d.part()).contains(PartRef.of("C1")));
  }

  /** Keys stand in files as ids, and marks find what they mean again: put off, done, and back. */
  @Test
  public void marksStandOnWhatTheyMean() {
    Bench b = Bench.of(1950);
    put(b, new CalibrationHold("w", "the oven", Optional.of(T), OptionalDouble.of(8), false));
    Due due = at(b, Duration.ZERO).getFirst();
    Instant later = T.plusSeconds(99_000);
    put(b, new AgendaMark(AgendaMark.idOf(due.key()), Optional.of(later), false));
    assertThat(at(b, Duration.ZERO))
        .singleElement()
        .satisfies(d -> {
          assertThat(d.at()).contains(later);
          assertThat(d.moved()).isTrue();
          assertThat(d.done()).isFalse();
        });
    put(b, new AgendaMark(AgendaMark.idOf(due.key()), Optional.empty(), true));
    assertThat(at(b, Duration.ZERO))
        .singleElement()
        .satisfies(d -> {
          assertThat(d.at()).isEqualTo(due.at());
          assertThat(d.done()).isTrue();
        });
  }

  /**
   * Two o'clock stays two o'clock when clocks change between now and then: another instant in
   * winter than in summer.
   */
  @Test
  public void ownTasksKeepToTheClockOnTheWall() {
    Bench b = Bench.of(1950);
    put(
        b,
        new OwnTask(
            "a",
            OwnTask.TaskKind.CALL,
            "call",
            Optional.of(LocalDateTime.of(2026, 7, 1, 14, 0)),
            false,
            false));
    put(
        b,
        new OwnTask(
            "b",
            OwnTask.TaskKind.PARTS,
            "valves",
            Optional.of(LocalDateTime.of(2026, 12, 1, 14, 0)),
            false,
            false));
    put(b, new OwnTask("c", OwnTask.TaskKind.TASK, "solder", Optional.empty(), false, true));
    ZonedDateTime now = Bench.NOW.withZoneSameInstant(ZoneId.of("Europe/Berlin"));
    List<Due> all = dues.of(b.job(), now, Map.of());
    assertThat(all)
        .extracting(Due::source)
        .containsExactly(DueSource.OWNER, DueSource.PARTS, DueSource.TASK);
    assertThat(all.get(0).at()).contains(Instant.parse("2026-07-01T12:00:00Z"));
    assertThat(all.get(1).at()).contains(Instant.parse("2026-12-01T13:00:00Z"));
    assertThat(all.get(2).done()).isTrue();
  }

  /** Everything at once: every key is its own and can stand in a file. */
  @Test
  public void keysAreTheirOwn() {
    Bench b = Bench.of(1950);
    for (int k = 1; k < 3; k++) {
      b.type("+ C" + k + " 16 MFD 450 V electrolytic reservoir");
      put(
          b,
          Planner.plan(
              new Planner.Request(
                  PartRef.of("C" + k),
                  16e-6,
                  450,
                  450,
                  1e-3,
                  Planner.Can.usual(16e-6, 450),
                  ReformPlan.ReformSchool.GENTLE)));
    }
    put(
        b,
        new BurnIn(
            "b1",
            T,
            48,
            List.of(new BurnIn.BurnChannel("HT", "V", OptionalDouble.of(250), 8)),
            BurnIn.BurnEnd.UNDECIDED,
            ""));
    List<String> keys = at(b, Duration.ZERO).stream().map(Due::key).toList();
    Set<String> own = new HashSet<>(keys);
    assertThat(keys.stream().filter(k -> !own.contains(k)).toList()).isEmpty();
    assertThat(
            keys.stream()
                .collect(Collectors.groupingBy(k -> k, Collectors.counting()))
                .entrySet()
                .stream()
                .filter(e -> e.getValue() > 1)
                .toList())
        .isEmpty();
    keys.forEach(k -> assertThat(AgendaMark.idOf(k)).matches("[A-Za-z0-9-]{1,64}"));
  }
}
