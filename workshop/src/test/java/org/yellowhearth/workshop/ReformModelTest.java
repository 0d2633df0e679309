package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import biweekly.Biweekly;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.fact.ReformPlan.ReformSchool;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reform.Ending;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.reform.ReformRun.RunPhase;
import org.yellowhearth.core.reform.Schedule;
import org.yellowhearth.core.reform.Worth;
import org.yellowhearth.instruments.bench.StandInBench;
import org.yellowhearth.instruments.scpi.ScpiServer;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.InstrumentLine.How;

/** Runs without a window: over the line, by hand, stopped, lost, killed. */
public class ReformModelTest {
  private final MovedClock clock = new MovedClock();
  private Path folder;
  private Shop shop;
  private DeskModel model;

  @BeforeMethod
  public void openShop() {
    folder = Rooms.folder();
    open();
    model.arrive("Old tins");
    for (int k = 1; k <= 3; k++) {
      Rooms.type(model, "+ C" + k + " 32 MFD 450 V can electrolytic");
    }
  }

  private void open() {
    shop = Rooms.shop(folder);
    model =
        new DeskModel(
            shop,
            new PhotoStore(folder),
            Rooms.KNOWLEDGE,
            clock,
            new Background(Runnable::run, Runnable::run, Runnable::run));
  }

  @AfterMethod
  public void closeShop() {
    shop.close();
  }

  private ReformModel reform() {
    return model.reform();
  }

  private static PartRef ref(int k) {
    return PartRef.of("C" + k);
  }

  private ReformRun run(int k) {
    return reform().lane(ref(k)).flatMap(ReformModel.Lane::run).orElseThrow();
  }

  private Judgement.Counsel counsel(int k) {
    return reform().lane(ref(k)).flatMap(ReformModel.Lane::judgement).orElseThrow().counsel();
  }

  private void plan(int k) {
    assertThat(
            reform()
                .plans()
                .plan(
                    ref(k),
                    ReformSchool.CONSTANT_CURRENT,
                    OptionalDouble.empty(),
                    Optional.empty()))
        .isTrue();
  }

  private void pass(double seconds) {
    clock.goOn(Duration.ofMillis((long) (seconds * 1000)));
    reform().poll();
  }

  /**
   * A thousand times faster than life: one comes up and ends by itself, one never comes down and is
   * given up, one runs away and is stopped with its output off before anything else is said to the
   * instrument.
   */
  @Test
  public void oneComesUpOneStaysHighOneRunsAway() {
    reform().connectStandIn(1000);
    for (int k = 1; k <= 3; k++) {
      plan(k);
      reform().hang(ref(k), Optional.of(k));
      reform().begin(ref(k));
      assertThat(run(k).phase()).isEqualTo(RunPhase.RUNNING);
    }
    for (int n = 0;
        n < 1000 && (run(1).phase() == RunPhase.RUNNING || counsel(2) == Judgement.Counsel.WAIT);
        n++) {
      pass(0.1);
    }
    assertThat(run(1).phase()).isEqualTo(RunPhase.DONE);
    assertThat(run(1).readings().getLast().volts()).isGreaterThan(430);
    assertThat(counsel(2)).isIn(Judgement.Counsel.USELESS, Judgement.Counsel.LATE);
    assertThat(run(3).phase()).isEqualTo(RunPhase.STOPPED);
    assertThat(run(3).rule().orElseThrow())
        .isIn(
            Reforming.Rule.CURRENT_RISING,
            Reforming.Rule.VOLTAGE_NOT_HOLDING,
            Reforming.Rule.TOO_WARM);
    reform().abort(ref(2), "stays high");
    assertThat(run(2).phase()).isEqualTo(RunPhase.ABORTED);
    for (int k = 1; k <= 3; k++) {
      String on = "OUTP" + k + " ON";
      String off = "OUTP" + k + " OFF";
      assertThat(reform().line().lines())
          .extracting(l -> l.text())
          .filteredOn(t -> t.equals(on) || t.equals(off))
          .last()
          .isEqualTo(off);
    }
    assertThat(model.job().events())
        .filteredOn(e -> e.event() instanceof Reforming.ReformRead)
        .hasSizeGreaterThan(30);
  }

  @Test
  public void aPauseKeepsItsPlaceAndItsChannelGoesOff() {
    reform().connectStandIn(100);
    plan(1);
    reform().hang(ref(1), Optional.of(1));
    reform().begin(ref(1));
    for (int n = 0; n < 20; n++) {
      pass(1);
    }
    int readings = run(1).readings().size();
    assertThat(readings).isGreaterThan(3);
    reform().pause(ref(1));
    assertThat(run(1).phase()).isEqualTo(RunPhase.PAUSED);
    pass(10);
    assertThat(run(1).readings()).as("nothing is read while it lies").hasSize(readings);
    reform().begin(ref(1));
    pass(1);
    assertThat(run(1).readings().size()).isGreaterThan(readings);
    assertThat(run(1).rested()).isPresent();
  }

  /**
   * Killed under way: the next start finds the run paused, says where it was, and drives nothing.
   */
  @Test
  public void aKilledProgramFindsItPausedAndSaysWhere() {
    plan(1);
    reform().begin(ref(1));
    String id = model.openProperty().get().orElseThrow().id();
    shop.close();
    open();
    model.shelf().refresh();
    model.openJob(id);
    assertThat(run(1).phase()).isEqualTo(RunPhase.PAUSED);
    assertThat(model.background().noticeProperty().get().text())
        .contains("C1")
        .contains("step 1 of 1");
    assertThat(model.job().events().getLast().event())
        .isEqualTo(new Reforming.ReformPaused("reform-C1", Reforming.Cause.PROGRAM_ENDED));
  }

  /**
   * One stop for all that is under voltage: driven outputs go off and say so, and what is set by
   * hand somebody has to look at.
   */
  @Test
  public void oneStopSwitchesEveryOutputOff() {
    reform().connectStandIn(100);
    for (int k = 1; k <= 3; k++) {
      plan(k);
      reform().hang(ref(k), k == 3 ? Optional.empty() : Optional.of(k));
      reform().begin(ref(k));
    }
    pass(1);
    assertThat(model.anythingOn()).isTrue();
    model.stopAll();
    assertThat(model.anythingOn()).isFalse();
    for (int k = 1; k <= 3; k++) {
      assertThat(run(k).phase()).isEqualTo(RunPhase.PAUSED);
    }
    List<String> said =
        reform().line().lines().stream()
            .map(l -> l.text())
            .filter(t -> t.matches("OUTP\\d O.*"))
            .toList();
    assertThat(said.reversed().stream().filter(t -> t.startsWith("OUTP1")).findFirst())
        .contains("OUTP1 OFF");
    assertThat(said.reversed().stream().filter(t -> t.startsWith("OUTP2")).findFirst())
        .contains("OUTP2 OFF");
    assertThat(reform().unseenProperty().get())
        .as("only the one that is set by hand")
        .containsExactly(ref(3));
    reform().seenOff();
    assertThat(reform().unseenProperty().get()).isEmpty();
    assertThat(model.job().power()).as("of the set itself nothing was said").isEmpty();
  }

  /** The line is lost: the run pauses, its place is kept, and the person is told to look. */
  @Test
  public void aLostLinePausesTheRun() throws IOException {
    StandInBench bench = StandInBench.usual(clock, 5);
    bench.clock().runAt(100);
    ScpiServer server = ScpiServer.open(bench.leakageMeter(), 0);
    reform().connect("127.0.0.1:" + server.port());
    assertThat(reform().line().howProperty().get().state()).isEqualTo(How.State.OPEN);
    plan(1);
    reform().hang(ref(1), Optional.of(1));
    reform().begin(ref(1));
    pass(1);
    assertThat(run(1).readings()).isNotEmpty();
    server.close();
    pass(1);
    assertThat(run(1).phase()).isEqualTo(RunPhase.PAUSED);
    assertThat(reform().line().howProperty().get().state()).isEqualTo(How.State.TRYING);
    assertThat(model.background().noticeProperty().get().text()).contains("lost");
    assertThat(reform().unseenProperty().get())
        .as("nobody here can see its output")
        .containsExactly(ref(1));
    clock.goOn(Duration.ofSeconds(20));
    assertThat(bench.leakageMeter().execute("OUTP1?"))
        .as("its watchdog has switched it off")
        .contains("0");
    reform().begin(ref(1));
    assertThat(run(1).phase()).as("without a line it does not go on").isEqualTo(RunPhase.PAUSED);
  }

  /** By hand: what is typed is judged at once. */
  @Test
  public void aTypedReadingStops() {
    plan(1);
    reform().begin(ref(1));
    clock.goOn(Duration.ofMinutes(1));
    reform().read(ref(1), 200, 1e-3, OptionalDouble.empty());
    assertThat(counsel(1)).isEqualTo(Judgement.Counsel.WAIT);
    clock.goOn(Duration.ofMinutes(1));
    reform().read(ref(1), 210, 20e-3, OptionalDouble.empty());
    assertThat(run(1).phase()).isEqualTo(RunPhase.STOPPED);
    assertThat(run(1).rule()).contains(Reforming.Rule.CURRENT_ABOVE_BOUND);
    model.undo();
    assertThat(model.job().events().getLast().event())
        .as("the plan is taken back, what happened is not")
        .isEqualTo(new Reforming.ReformStopped("reform-C1", Reforming.Rule.CURRENT_ABOVE_BOUND));
    model.redo();
    assertThat(run(1).phase()).isEqualTo(RunPhase.STOPPED);
  }

  @Test
  public void whatMustNotBeIsNotPlanned() {
    model.put(VisualInspection.of(ref(1), VisualInspection.Sign.BULGED, ""));
    assertThat(reform().lane(ref(1)).orElseThrow().worth().answer()).isEqualTo(Worth.Answer.NEVER);
    assertThat(
            reform()
                .plans()
                .plan(ref(1), ReformSchool.GENTLE, OptionalDouble.empty(), Optional.empty()))
        .isFalse();
    assertThat(model.background().noticeProperty().get().text()).contains("Do not put");
    assertThat(
            reform()
                .plans()
                .plan(ref(2), ReformSchool.TANTALUM_SOAK, OptionalDouble.empty(), Optional.empty()))
        .isFalse();
    assertThat(
            reform()
                .plans()
                .plan(ref(2), ReformSchool.GENTLE, OptionalDouble.of(900), Optional.empty()))
        .isFalse();
    Rooms.type(model, "+ C8 .1 MFD 400 V paper coupling");
    assertThat(reform().lane(PartRef.of("C8"))).as("paper has no lane").isEmpty();
  }

  /** What a person says of its price and rarity moves the answer, and undo takes it back. */
  @Test
  public void priceAndRarityMoveTheAnswer() {
    Rooms.type(model, "C1 33u 3r D0.07 @100");
    assertThat(reform().lane(ref(1)).orElseThrow().worth().answer())
        .isEqualTo(Worth.Answer.PERHAPS);
    reform().plans().say(ref(1), true, OptionalDouble.of(80));
    assertThat(reform().lane(ref(1)).orElseThrow().worth().answer()).isEqualTo(Worth.Answer.YES);
    model.undo();
    assertThat(reform().lane(ref(1)).orElseThrow().worth().answer())
        .isEqualTo(Worth.Answer.PERHAPS);
    reform().plans().say(ref(1), true, OptionalDouble.of(-3));
    assertThat(model.background().noticeProperty().get().text()).contains("price");
  }

  @Test
  public void thePlanIsWorkedOut() {
    plan(1);
    model.chosenProperty().set(Optional.of(ref(1)));
    reform().plans().workOut(ref(1));
    ReformPlans.Sums sums = reform().plans().figuresProperty().get().orElseThrow();
    assertThat(sums.plan()).isEqualTo(run(1).plan());
    assertThat(sums.figures().joules()).isCloseTo(32e-6 * 450 * 450 / 2, within(1e-9));
    model.undo();
    assertThat(reform().lane(ref(1)).flatMap(ReformModel.Lane::run)).isEmpty();
  }

  /** The plan under a run is taken back: nothing stays on without a lane. */
  @Test
  public void undoOfThePlanSwitchesOff() {
    reform().connectStandIn(100);
    plan(1);
    reform().hang(ref(1), Optional.of(1));
    reform().begin(ref(1));
    model.undo();
    assertThat(reform().line().lines())
        .extracting(l -> l.text())
        .contains("OUTP1 ON")
        .endsWith("OUTP1 OFF", "OUTP1?", "0");
  }

  @Test
  public void anAddressNobodyAnswersIsSaid() {
    reform().connect("127.0.0.1:1");
    assertThat(reform().line().howProperty().get().state()).isEqualTo(How.State.LOST);
    assertThat(reform().line().howProperty().get().told()).contains("127.0.0.1:1");
    reform().connect("somewhere");
    assertThat(model.background().noticeProperty().get().text()).contains("host:port");
  }

  /**
   * The line comes back: it is opened again by itself, the run stays paused until somebody goes on,
   * its output off.
   */
  @Test
  public void aLostLineIsTriedAgain() throws IOException {
    StandInBench bench = StandInBench.usual(clock, 5);
    ScpiServer server = ScpiServer.open(bench.leakageMeter(), 0);
    int port = server.port();
    reform().connect("127.0.0.1:" + port);
    plan(1);
    reform().hang(ref(1), Optional.of(1));
    reform().begin(ref(1));
    server.close();
    pass(1);
    pass(2);
    assertThat(reform().line().howProperty().get().state()).isEqualTo(How.State.TRYING);
    try (ScpiServer again = ScpiServer.open(bench.leakageMeter(), port)) {
      pass(1);
      assertThat(reform().line().howProperty().get().state())
          .as("not yet: it waits longer each time")
          .isEqualTo(How.State.TRYING);
      pass(5);
      assertThat(reform().line().howProperty().get().state()).isEqualTo(How.State.OPEN);
      assertThat(again.port()).isEqualTo(port);
      assertThat(run(1).phase()).isEqualTo(RunPhase.PAUSED);
      assertThat(bench.leakageMeter().execute("OUTP1?")).contains("0");
      reform().begin(ref(1));
      assertThat(run(1).phase()).isEqualTo(RunPhase.RUNNING);
      reform().disconnect();
    }
  }

  private Ending ending(int k) {
    return reform().lane(ref(k)).flatMap(ReformModel.Lane::ending).orElseThrow();
  }

  private void untilDone(int k) {
    for (int n = 0; n < 1500 && run(k).phase().on(); n++) {
      pass(0.2);
    }
    assertThat(run(k).phase()).isEqualTo(RunPhase.DONE);
  }

  /**
   * From the last gate to the label, all of it on the stand-ins: discharged, rested, measured,
   * judged.
   */
  @Test
  public void theEndIsDischargedRestedMeasuredAndJudged() {
    reform().connectStandIn(1000);
    model.instruments().useStandIn();
    plan(1);
    reform().hang(ref(1), Optional.of(1));
    reform().begin(ref(1));
    untilDone(1);
    assertThat(ending(1).chores()).containsExactly(Ending.Chore.values());
    model.instruments().take(ref(1), 100);
    assertThat(model.background().noticeProperty().get().text())
        .as("the meter refuses what is charged")
        .contains("charged");
    reform().discharging(ref(1), 10e3);
    pass(5);
    reform().readCharge(ref(1));
    assertThat(ending(1).chores())
        .doesNotContain(Ending.Chore.DISCHARGE)
        .contains(Ending.Chore.REST);
    clock.goOn(Duration.ofHours(25));
    model.instruments().take(ref(1), 100);
    assertThat(model.job().readingsOf(ref(1)))
        .last()
        .satisfies(r -> {
          assertThat(r.figures().values().get(Figure.CAPACITANCE)).isCloseTo(32e-6, within(0.5e-6));
          assertThat(r.conditions().instrument()).contains("stand-in LCR meter");
          assertThat(r.conditions().uncertainty()).hasValue(0.002);
          assertThat(r.conditions().frequencyHertz()).hasValue(100);
        });
    reform().prove(ref(1));
    assertThat(run(1).phase()).isEqualTo(RunPhase.PROVING);
    untilDone(1);
    assertThat(ending(1).measured().get(Figure.LEAKAGE).rested())
        .isGreaterThan(Duration.ofHours(24));
    assertThat(
            ending(1).measured().get(Figure.LEAKAGE).conditions().minutesAtVoltage().orElseThrow())
        .isGreaterThanOrEqualTo(5);
    assertThat(ending(1).chores())
        .as("under voltage again: it is charged again")
        .containsExactly(Ending.Chore.DISCHARGE);
    pass(5);
    reform().readCharge(ref(1));
    assertThat(ending(1).chores()).isEmpty();
    assertThat(ending(1).upshot()).isEqualTo(Ending.Upshot.GOOD);
  }

  /**
   * By hand: twelve volts are not empty, and what was read without a rest counts with how long it
   * had rested.
   */
  @Test
  public void byHandTheMeterDecidesWhetherItIsEmpty() {
    plan(1);
    reform().begin(ref(1));
    clock.goOn(Duration.ofMinutes(40));
    reform().read(ref(1), 449, 0.5e-3, OptionalDouble.empty());
    reform().finish(ref(1));
    reform().discharging(ref(1), 10e3);
    reform().discharged(ref(1), 12);
    assertThat(ending(1).chores()).contains(Ending.Chore.DISCHARGE);
    reform().discharged(ref(1), 0.4);
    clock.goOn(Duration.ofMinutes(1));
    Rooms.type(model, "C1 33u 3r D0.07 @100");
    Rooms.type(model, "C1 9mA @450V @5min");
    assertThat(ending(1).chores()).isEmpty();
    assertThat(ending(1).upshot())
        .as("nine milliamperes are too much")
        .isEqualTo(Ending.Upshot.BAD);
    reform().discharging(ref(1), -5);
    assertThat(model.background().noticeProperty().get().text()).contains("discharge resistor");
  }

  /**
   * Three lanes over one channel in the evenings; the calendar has what the list has, and a longer
   * step moves it.
   */
  @Test
  public void lanesArePackedIntoTheHours() {
    for (int k = 1; k <= 3; k++) {
      plan(k);
    }
    reform().schedule().say("daily 18-22", 1, 0.05);
    reform().schedule().workOut();
    Schedule first = reform().schedule().scheduleProperty().get().orElseThrow();
    assertThat(first.sittings())
        .allSatisfy(
            s -> assertThat(s.from().atZone(model.now().getZone()).getHour()).isBetween(18, 21));
    assertThat(first.dues())
        .extracting(Schedule.Due::deed)
        .contains(Schedule.Deed.BEGIN, Schedule.Deed.DISCHARGE, Schedule.Deed.MEASURE);
    String calendar = reform().schedule().calendar();
    assertThat(Biweekly.parse(calendar).first().getEvents())
        .hasSameSizeAs(first.dues())
        .allSatisfy(e ->
            assertThat(first.dues())
                .extracting(d -> d.at().truncatedTo(ChronoUnit.SECONDS))
                .contains(e.getDateStart().getValue().toInstant()));
    reform().schedule().say("daily 18-22", 3, 0.05);
    reform().schedule().workOut();
    assertThat(reform().schedule().scheduleProperty().get().orElseThrow().end().orElseThrow())
        .isBefore(first.end().orElseThrow());
    reform().schedule().say("whenever", 1, 1);
    assertThat(model.background().noticeProperty().get().text()).contains("Mon-Fri");
  }

  /**
   * In the set: only once its supply is described; the plan goes by the mains and cannot hang on a
   * channel.
   */
  @Test
  public void inTheSetTheSupplyDecides() {
    assertThat(
            reform()
                .plans()
                .plan(ref(1), ReformSchool.IN_SET, OptionalDouble.empty(), Optional.empty()))
        .isTrue();
    assertThat(model.background().noticeProperty().get().text()).contains("describe it first");
    assertThat(reform().lane(ref(1)).flatMap(ReformModel.Lane::run)).isEmpty();
    model.shelf().bringIn(List.of(Rooms.demo("mess-receiver.json")));
    model.toShop();
    model.openJob(
        model.shelf().jobsProperty().get().stream()
            .filter(j -> j.name().startsWith("Brindlecote"))
            .findFirst()
            .orElseThrow()
            .id());
    PartRef can = PartRef.of("C16b");
    reform().plans().plan(can, ReformSchool.IN_SET, OptionalDouble.empty(), Optional.empty());
    ReformPlan plan = reform().lane(can).flatMap(ReformModel.Lane::run).orElseThrow().plan();
    assertThat(plan.steps()).allSatisfy(s -> assertThat(s.mainsVolts()).isPresent());
    assertThat(plan.steps().getFirst().mainsVolts().orElseThrow())
        .as("below that its valve does not conduct")
        .isGreaterThan(60);
    reform().connectStandIn(100);
    reform().hang(can, Optional.of(1));
    reform().begin(can);
    assertThat(model.background().noticeProperty().get().text()).contains("by hand");
    assertThat(reform().lane(can).flatMap(ReformModel.Lane::run).orElseThrow().phase())
        .isEqualTo(RunPhase.PLANNED);
  }

  /** Tried over small fleets, watched and stopped. */
  @Test
  public void theForecastsAreTriedHere() {
    List<Double> seen = new ArrayList<>();
    reform().quality().progressProperty().addListener((_, _, now) -> seen.add(now.doubleValue()));
    reform().quality().run(6);
    assertThat(reform().quality().trialsProperty().get())
        .hasSize(5)
        .allSatisfy(t -> assertThat(t.coverage()).isBetween(0.3, 1.0));
    assertThat(seen).contains(0.2).endsWith(-1.0);
    reform()
        .quality()
        .progressProperty()
        .addListener((_, _, now) -> {
          if (now.doubleValue() > 0.2) {
            reform().quality().stop();
          }
        });
    reform().quality().run(6);
    assertThat(reform().quality().trialsProperty().get()).hasSize(1);
  }
}
