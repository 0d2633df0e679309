package org.yellowhearth.core.reform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.job.Reforming.Rule;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reform.Judgement.Counsel;

/** A run from its events: gates, stops, pauses. */
public class ReformRunTest {
  private static final Instant START = Instant.parse("2026-02-03T08:00:00Z");
  private static final ReformPlan PLAN =
      new ReformPlan(
          "p",
          PartRef.of("C1"),
          ReformPlan.ReformSchool.GENTLE,
          400,
          1e-3,
          List.of(
              new ReformPlan.Step(200, 1000, 5e-3, 1e-3, 600, 7200),
              new ReformPlan.Step(400, 1000, 5e-3, 1e-3, 1800, 7200)),
          new ReformPlan.Bounds(6e-3, 1.8, 10));

  private final List<Job.Happening> events = new ArrayList<>();

  private ReformRunTest after(double seconds, Reforming event) {
    events.add(new Job.Happening(START.plusMillis((long) (seconds * 1000)), event));
    return this;
  }

  private ReformRunTest read(double seconds, double volts, double milliamperes) {
    return after(
        seconds,
        new Reforming.ReformRead(
            "p", volts, milliamperes * 1e-3, OptionalDouble.empty(), "", OptionalDouble.empty()));
  }

  private static ReformRunTest begun() {
    return new ReformRunTest().after(0, new Reforming.ReformBegun("p", 0, OptionalDouble.empty()));
  }

  private ReformRun run() {
    return ReformRun.of(PLAN, events);
  }

  private Judgement at(double seconds) {
    return Judgement.of(run(), START.plusMillis((long) (seconds * 1000)), 22);
  }

  @Test
  public void withoutEventsNothingIsOn() {
    ReformRun run = new ReformRunTest().run();
    assertThat(run.phase()).isEqualTo(ReformRun.RunPhase.PLANNED);
    assertThat(run.output()).isInstanceOf(ReformRun.Output.Off.class);
    assertThat(new ReformRunTest().at(5).counsel()).isEqualTo(Counsel.REST);
  }

  /** The gate opens when the limit is met and the hold is over, not before. */
  @Test
  public void aGateWantsLimitAndHold() {
    ReformRunTest r = begun().read(60, 190, 4.9).read(120, 198, 2).read(300, 199, 0.9);
    assertThat(r.at(300).counsel()).isEqualTo(Counsel.WAIT);
    assertThat(r.at(601).counsel()).isEqualTo(Counsel.NEXT);
    r.after(610, new Reforming.ReformStepped("p", 1, OptionalDouble.empty())).read(650, 399, 0.8);
    assertThat(r.run().output()).isEqualTo(new ReformRun.Output.On(400, 5e-3));
    assertThat(r.at(700).counsel()).as("a new step, a new hold").isEqualTo(Counsel.WAIT);
    assertThat(r.at(610 + 1801).counsel()).isEqualTo(Counsel.FINISH);
  }

  @Test
  public void patienceHasAnEnd() {
    assertThat(begun().read(100, 199, 3).at(7201).counsel()).isEqualTo(Counsel.LATE);
  }

  /** The curve begins where the supply left its limit: until then the voltage was not constant. */
  @Test
  public void theCurveBeginsOffTheLimit() {
    ReformRun run =
        begun().read(60, 120, 5).read(120, 180, 5).read(180, 197, 3).read(240, 198, 2).run();
    assertThat(run.curve()).containsExactly(new Sampled(60, 3e-3), new Sampled(120, 2e-3));
    assertThat(run.formed()).isCloseTo(198 / 400.0, within(1e-9));
  }

  @DataProvider
  public Object[][] stops() {
    return new Object[][] {
      {Rule.CURRENT_ABOVE_BOUND, begun().read(60, 190, 6.1)},
      {
        Rule.POWER_ABOVE_BOUND,
        begun()
            .read(60, 199, 1)
            .after(601, new Reforming.ReformStepped("p", 1, OptionalDouble.empty()))
            .read(700, 370, 4.95)
      },
      {
        Rule.TOO_WARM,
        begun()
            .after(
                60,
                new Reforming.ReformRead(
                    "p", 190, 1e-3, OptionalDouble.of(32.5), "", OptionalDouble.empty()))
      },
      {Rule.VOLTAGE_NOT_HOLDING, begun().read(60, 199, 2).read(120, 180, 4.9)},
      {
        Rule.CURRENT_RISING,
        begun().read(60, 199, 1).read(120, 199, 1.1).read(180, 199, 1.2).read(240, 199, 1.35)
      },
      {Rule.CURRENT_RISING, begun().read(60, 199, 1).read(120, 199, 2).read(180, 199, 1.9)}
    };
  }

  @Test(dataProvider = "stops")
  public void everyRuleStops(Rule rule, ReformRunTest r) {
    Judgement j = r.at(1000);
    assertThat(j.counsel()).isEqualTo(Counsel.STOP);
    assertThat(j.rule()).contains(rule);
    r.after(1001, new Reforming.ReformStopped("p", rule));
    assertThat(r.run().output()).isInstanceOf(ReformRun.Output.Off.class);
    assertThat(r.run().rule()).contains(rule);
  }

  @DataProvider
  public Object[][] calm() {
    return new Object[][] {
      {begun().read(60, 199, 1).read(120, 199, 1.9).read(180, 199, 0.98)},
      {begun().read(60, 199, 1).read(120, 199, 1.02).read(180, 199, 1.04).read(240, 199, 1.06)},
      {begun().read(60, 190, 5).read(120, 192, 5.9)},
      {
        begun()
            .after(
                60,
                new Reforming.ReformRead(
                    "p", 190, 1e-3, OptionalDouble.of(31), "", OptionalDouble.empty()))
      }
    };
  }

  /**
   * One bad contact, a drift within the noise, a current at its limit while it charges, some
   * warmth: no reason to stop.
   */
  @Test(dataProvider = "calm")
  public void whatIsNoReasonDoesNotStop(ReformRunTest r) {
    assertThat(r.at(300).counsel()).isEqualTo(Counsel.WAIT);
  }

  /**
   * Killed or paused: the output is off, the place is known, and the rest is told when it goes on.
   */
  @Test
  public void aPauseKeepsItsPlace() {
    ReformRunTest r =
        begun()
            .read(60, 199, 0.9)
            .after(610, new Reforming.ReformStepped("p", 1, OptionalDouble.empty()))
            .read(700, 398, 3)
            .after(800, new Reforming.ReformPaused("p", Reforming.Cause.PROGRAM_ENDED));
    assertThat(r.run().phase()).isEqualTo(ReformRun.RunPhase.PAUSED);
    assertThat(r.run().step()).isEqualTo(1);
    assertThat(r.run().output()).isInstanceOf(ReformRun.Output.Off.class);
    r.after(800 + 3 * 86_400, new Reforming.ReformBegun("p", 1, OptionalDouble.empty()));
    assertThat(r.run().rested()).contains(Duration.ofDays(3));
    assertThat(r.run().curve()).as("the old curve says nothing of the rested oxide").isEmpty();
    assertThat(r.run().readings()).hasSize(2);
  }

  /** Trapezoid: 1 mA falling to 0.5 mA over 100 s is 75 mC. */
  @Test
  public void chargeIsAddedUp() {
    assertThat(begun().read(0.001, 199, 1).read(100.001, 199, 0.5).run().coulombs())
        .isCloseTo(0.075, within(1e-9));
  }

  @Test
  public void eventsOfOtherPlansAreNotMine() {
    ReformRunTest r = begun().after(5, new Reforming.ReformPaused("other", Reforming.Cause.PERSON));
    assertThat(r.run().phase()).isEqualTo(ReformRun.RunPhase.RUNNING);
  }

  /**
   * A hundred capacitors of random history (five hundred in the long runs) under a plan: once a
   * rule asks for it the output is off before anything is read again, parts that run away are
   * stopped or given up, and sound ones come through.
   */
  @Test
  public void noOutputStaysOnAfterAStop() {
    int stopped = 0;
    int done = 0;
    int count = Boolean.getBoolean("hearth.long") ? 500 : 40;
    for (int k = 0; k < count; k++) {
      Random random = new Random(31L * k + 5);
      FormingCapacitor.Make make = TrialDecay.someCapacitor(random);
      double limit = Math.min(10e-3, 0.04 * make.farads() + 0.3e-3);
      ReformPlan plan =
          Planner.plan(
              new Planner.Request(
                  PartRef.of("C1"),
                  make.farads(),
                  make.ratedVolts(),
                  make.ratedVolts(),
                  limit,
                  Planner.Can.usual(make.farads(), make.ratedVolts()),
                  ReformPlan.ReformSchool.CONSTANT_CURRENT));
      Rehearsal played =
          Rehearsal.of(
              plan, new FormingCapacitor(make), new Rehearsal.Meter(60, 900, 0.02), random);
      assertThat(played.onAfterStop()).isZero();
      Optional<Instant> off =
          played.events().stream()
              .filter(e -> e.event() instanceof Reforming.ReformStopped)
              .map(Job.Happening::at)
              .findFirst();
      off.ifPresent(at -> assertThat(played.events().getLast().at()).isEqualTo(at));
      stopped += off.isPresent() ? 1 : 0;
      done += played.end() == ReformRun.RunPhase.DONE ? 1 : 0;
    }
    assertThat(stopped).as("some of them run away").isBetween(1, count / 3);
    assertThat(done).as("most of those that do not run away come up").isGreaterThan(2 * count / 5);
  }

  /**
   * V = V0·e^(−t/RC): 32 µF and 100 kΩ from 400 V are at 1 V after RC·ln 400 = 19.2 s; only a meter
   * says that it is empty.
   */
  @Test
  public void whatIsLeftFallsThroughItsResistorAndIsMeasured() {
    ReformRunTest r = begun().read(60, 400, 0.9).after(70, new Reforming.ReformFinished("p"));
    ReformRun.Charge held = r.run().charge().orElseThrow();
    assertThat(held.expected(32e-6, START.plusSeconds(3600))).isEqualTo(400);
    assertThat(held.secondsTo(1, 32e-6, START)).isEmpty();
    r.after(80, new Reforming.ReformDischarging("p", 100e3));
    ReformRun.Charge falling = r.run().charge().orElseThrow();
    assertThat(falling.secondsTo(1, 32e-6, START.plusSeconds(80)).orElseThrow())
        .isCloseTo(19.17, within(0.01));
    assertThat(falling.expected(32e-6, START.plusMillis(83_200)))
        .isCloseTo(400 / Math.E, within(0.5));
    assertThat(falling.expected(32e-6, START.plusSeconds(900))).isLessThan(1e-3);
    assertThat(falling.empty()).isFalse();
    r.after(90, new Reforming.ReformDischarged("p", 12));
    assertThat(r.run().charge().orElseThrow().empty()).as("12 V are not empty").isFalse();
    r.after(95, new Reforming.ReformDischarged("p", 0.3));
    assertThat(r.run().charge().orElseThrow().empty()).isTrue();
    assertThat(
            r.after(100, new Reforming.ReformBegun("p", 0, OptionalDouble.empty())).run().charge())
        .isEmpty();
  }

  /**
   * After its rest it is under voltage again under the same rules; a pause there leaves it formed,
   * not half done.
   */
  @Test
  public void theLeakageIsMeasuredUnderTheSameRules() {
    ReformRunTest r =
        begun()
            .after(10, new Reforming.ReformStepped("p", 1, OptionalDouble.empty()))
            .read(60, 399, 0.9)
            .after(70, new Reforming.ReformFinished("p"))
            .after(90_000, new Reforming.ReformProving("p", OptionalDouble.empty()));
    assertThat(r.run().output()).isEqualTo(new ReformRun.Output.On(400, 5e-3));
    r.read(90_060, 398, 0.7);
    assertThat(r.at(90_200).counsel()).isEqualTo(Counsel.WAIT);
    assertThat(r.at(90_301).counsel()).as("five minutes").isEqualTo(Counsel.FINISH);
    r.after(90_310, new Reforming.ReformPaused("p", Reforming.Cause.PERSON));
    assertThat(r.run().phase()).isEqualTo(ReformRun.RunPhase.DONE);
    assertThat(r.run().ended()).hasValue(START.plusSeconds(70));
    r.after(90_400, new Reforming.ReformProving("p", OptionalDouble.empty())).read(90_460, 398, 9);
    assertThat(r.at(90_461).rule()).hasValue(Rule.CURRENT_ABOVE_BOUND);
  }
}
