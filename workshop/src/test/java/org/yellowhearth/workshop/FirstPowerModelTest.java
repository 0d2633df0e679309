package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.fact.PowerUpPlan.PowerUpKind;
import org.yellowhearth.core.fact.PowerUpPlan.Shows;
import org.yellowhearth.core.firstpower.PowerUpJudgement.PowerUpCounsel;
import org.yellowhearth.core.firstpower.PowerUpPlanner.Wanted;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.firstpower.PowerUpRun.PowerUpPhase;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Checks;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.trace.Fault;
import org.yellowhearth.instruments.bench.StandInBench;
import org.yellowhearth.instruments.scpi.ScpiServer;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.Shop;

/** First power without a window: gated, run by hand and on the stand-ins, stopped, lost, killed. */
public class FirstPowerModelTest {
  private static final Clip HT = new Clip("HT", Shows.DIRECT);

  private final MovedClock clock = new MovedClock();
  private Path folder;
  private Shop shop;
  private DeskModel model;

  @BeforeMethod
  public void openShop() {
    folder = Rooms.folder();
    open();
    model.shelf().bringIn(List.of(Rooms.demo("mess-receiver.json")));
    openJob();
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

  private void openJob() {
    model.shelf().refresh();
    model.openJob(model.shelf().jobsProperty().get().getFirst().id());
    model.stageProperty().set(Stage.FIRST_POWER);
  }

  @AfterMethod
  public void closeShop() {
    shop.close();
  }

  private FirstPowerModel wake() {
    return model.wake();
  }

  private PowerUpRun run() {
    return wake().runProperty().get().orElseThrow();
  }

  private String told() {
    return model.background().noticeProperty().get().text();
  }

  private void planned() {
    wake().keepPlan();
    assertThat(run().phase()).isEqualTo(PowerUpPhase.PLANNED);
  }

  private void ready() {
    for (Check c : Checks.blocking(model.job(), model.now().toInstant())) {
      model.put(
          new CheckResult(
              model.newId(),
              c.code(),
              CheckResult.Outcome.OVERRIDDEN,
              OptionalDouble.empty(),
              "looked at",
              model.now().toInstant()));
    }
    model
        .hearthProperty()
        .get()
        .stores()
        .forEach(s -> model.happened(new Edit.VoltsMeasured(s.store().id(), 0.1, true)));
    clock.goOn(Duration.ofSeconds(1));
    model.tick();
    for (Check c : wake().ready()) {
      if (c.blocks()) {
        wake().answer(c, c.automatic().isPresent() ? "for this test" : "");
      }
    }
    assertThat(wake().ready()).noneMatch(Check::blocks);
  }

  private void pass(double seconds) {
    clock.goOn(Duration.ofMillis((long) (1000 * seconds)));
    wake().poll();
  }

  /** So many seconds of the bench, ten times faster than life. */
  private void settle(double seconds) {
    for (int k = 0; k < seconds / 10 && wake().on(); k++) {
      pass(1);
    }
  }

  /** The watts of the plate, entered while the plan is looked at, make another plan at once. */
  @Test
  public void whatIsEnteredOfAnUndescribedSetSharpensItsPlan() {
    model.toShop();
    model.arrive("Galley set");
    model.changePlate(p -> p.with(d -> d.mains = Optional.of(new SetPlate.Mains(230, 50))));
    model.stageProperty().set(Stage.FIRST_POWER);
    double before = wake().wantedProperty().get().orElseThrow().lampWatts().orElseThrow();
    assertThat(wake().basisProperty().get().orElseThrow().lamps().watts()).isBetween(25.0, 110.0);
    model.changeAspect(Build.class, b -> b.with(d -> d.watts = OptionalDouble.of(200)));
    assertThat(wake().basisProperty().get().orElseThrow().lamps().watts()).isBetween(190.0, 210.0);
    assertThat(before).isBetween(60.0, 200.0);
  }

  /**
   * Read and typed by hand; a step is held before the next, a figure out of its band switches off
   * and names the part.
   */
  @Test
  public void byHandAStepIsReadAndHeldAndAWrongFigureStops() {
    planned();
    ready();
    wake().begin();
    assertThat(model.job().power()).contains(Edit.Power.LIT);
    wake().next();
    assertThat(told()).startsWith("Not yet");
    pass(15);
    PowerUpPlan plan = run().plan();
    plan.clips().forEach(c -> wake().read(c, plan.band(0, c).expected()));
    assertThat(wake().judgement().orElseThrow().counsel()).isEqualTo(PowerUpCounsel.HOLD);
    pass(50);
    wake().next();
    assertThat(run().step()).isEqualTo(1);
    model.toShop();
    assertThat(model.openProperty().get()).as("nobody goes away from a set that is on").isPresent();
    pass(61);
    plan.clips().forEach(c -> wake().read(c, plan.band(1, c).expected()));
    wake().next();
    pass(50);
    plan.clips().stream()
        .filter(c -> !c.equals(HT))
        .forEach(c -> wake().read(c, plan.band(2, c).expected()));
    wake().read(HT, 9);
    assertThat(run().phase()).isEqualTo(PowerUpPhase.STOPPED);
    assertThat(run().stopped()).contains(PoweringUp.StopCause.METER_OFF);
    assertThat(model.job().power())
        .as("turned by hand: nobody has said that it is off")
        .contains(Edit.Power.LIT);
    assertThat(wake().unseenProperty().get()).contains(FirstPowerModel.Unseen.BY_HAND);
    wake().seenOff();
    assertThat(model.job().power()).contains(Edit.Power.OFF);
    assertThat(wake().unseenProperty().get()).isEmpty();
    assertThat(wake().causesProperty().get()).as("what it means is asked").isNotEmpty();
    assertThat(model.job().events())
        .filteredOn(e -> e.event() instanceof PoweringUp.PowerUpStopped)
        .hasSize(1);
  }

  /**
   * On the stand-ins a sound set goes all the way, its figures written down as they come; the
   * transformer really turns.
   */
  @Test
  public void onTheStandInsASoundSetWakes() {
    planned();
    ready();
    wake().lines().useStandIns(10);
    wake().begin();
    for (int k = 0; k < run().plan().steps().size(); k++) {
      assertThat(run().step()).isEqualTo(k);
      settle(run().now().holdSeconds() + 20);
      assertThat(wake().judgement().orElseThrow().counsel())
          .as("step " + k + " " + wake().lines().liveProperty().get())
          .isEqualTo(PowerUpCounsel.GO_ON);
      wake().next();
    }
    assertThat(run().phase()).isEqualTo(PowerUpPhase.HELD);
    assertThat(run().readings())
        .hasSizeGreaterThan(4 * 5)
        .allSatisfy(r -> assertThat(r.instrument()).contains("stand-in"));
    assertThat(model.job().power()).contains(Edit.Power.LIT);
    assertThat(wake().lines().source().lines())
        .extracting(l -> l.text())
        .contains("OUTP ON", "SOUR:VOLT 230.000");
    model.power(Edit.Power.OFF);
    assertThat(wake().lines().source().lines())
        .extracting(l -> l.text())
        .filteredOn(t -> t.startsWith("OUTP O"))
        .last()
        .isEqualTo("OUTP OFF");
  }

  /**
   * A reservoir that shorts: stopped by its meters with the transformer off before full line, and
   * the part is named.
   */
  @Test
  public void onTheStandInsAFaultIsStoppedBeforeFullLine() {
    planned();
    ready();
    String rail =
        wake().basisProperty().get().orElseThrow().bare().supply().sections().stream()
            .filter(Section.Filter.class::isInstance)
            .map(s -> ((Section.Filter) s).shunt())
            .flatMap(c -> c.stream())
            .findFirst()
            .orElseThrow()
            .part();
    wake()
        .lines()
        .hide(
            new Fault(
                    new Parameter(rail, Parameter.Which.LEAKAGE_RESISTANCE), Fault.Mode.SHORTED, 20)
                ::in);
    wake().lines().useStandIns(10);
    wake().begin();
    for (int k = 0; k < 5 && wake().on(); k++) {
      settle(run().now().holdSeconds() + 20);
      wake().next();
    }
    assertThat(run().phase()).isEqualTo(PowerUpPhase.STOPPED);
    assertThat(run().stopped()).contains(PoweringUp.StopCause.METER_OFF);
    assertThat(run().step()).isLessThan(4);
    assertThat(model.job().power())
        .as("the transformer told that it is off")
        .contains(Edit.Power.OFF);
    assertThat(wake().unseenProperty().get()).isEmpty();
    assertThat(wake().lines().source().lines())
        .extracting(l -> l.text())
        .filteredOn(t -> t.startsWith("OUTP O"))
        .last()
        .isEqualTo("OUTP OFF");
    assertThat(wake().causesProperty().get().stream().limit(4).flatMap(e -> e.parts().stream()))
        .contains(rail);
  }

  /**
   * Nothing gets power before it is ready; a sign stops, F9 stops, a lost line stops and says that
   * the transformer has to be switched off by hand; killed under power, the set comes back under
   * power: nobody pretends that it is off.
   */
  @Test
  public void everyWayToEndIsWrittenDown() throws IOException {
    wake().begin();
    assertThat(model.job().power()).isEmpty();
    planned();
    wake().begin();
    assertThat(told()).startsWith("Not ready");
    assertThat(model.job().power()).isEmpty();
    ready();
    wake().begin();
    wake().stop(PoweringUp.StopCause.SMOKE, "");
    assertThat(run().stopped()).contains(PoweringUp.StopCause.SMOKE);
    assertThat(model.job().power()).contains(Edit.Power.OFF);
    assertThat(wake().unseenProperty().get())
        .as("by hand, so somebody has to look")
        .contains(FirstPowerModel.Unseen.BY_HAND);
    wake().seenOn();
    assertThat(model.job().power())
        .as("who looked and saw it on is believed")
        .contains(Edit.Power.LIT);
    assertThat(wake().on()).isFalse();
    wake().seenOff();
    assertThat(model.job().power()).contains(Edit.Power.OFF);
    wake().begin();
    assertThat(told()).as("what was looked at counts for one run").startsWith("Not ready");
    ready();
    wake().begin();
    assertThat(wake().on()).isTrue();
    model.power(Edit.Power.OFF);
    assertThat(run().stopped()).contains(PoweringUp.StopCause.PERSON);
    lostLine();
    ready();
    wake().begin();
    shop.close();
    open();
    openJob();
    assertThat(wake().on()).isTrue();
    assertThat(run().step()).isZero();
    wake().stop(PoweringUp.StopCause.PERSON, "");
    assertThat(model.job().power()).contains(Edit.Power.OFF);
  }

  /**
   * A stop while power is on its way, and while a question is open: nothing goes on afterwards,
   * whatever was asked for before it.
   */
  @Test
  public void aStopOvertakesWhatIsOnItsWay() {
    planned();
    ready();
    shop.close();
    Deque<Runnable> disk = new ArrayDeque<>();
    shop = Rooms.shop(folder);
    model =
        new DeskModel(
            shop,
            new PhotoStore(folder),
            Rooms.KNOWLEDGE,
            clock,
            new Background(disk::add, Runnable::run, Runnable::run));
    Runnable settle =
        () -> {
          while (!disk.isEmpty()) {
            disk.removeFirst().run();
          }
        };
    model.shelf().refresh();
    settle.run();
    model.openJob(model.shelf().jobsProperty().get().getFirst().id());
    settle.run();
    model.stageProperty().set(Stage.FIRST_POWER);
    wake().lines().useStandIns(10);
    wake().begin();
    assertThat(model.anythingOn()).as("power is on its way").isTrue();
    // The set is written down as under power; the run's beginning still waits.
    disk.removeFirst().run();
    model.stopAll();
    settle.run();
    assertThat(wake().on()).isFalse();
    assertThat(model.job().power()).contains(Edit.Power.OFF);
    assertThat(said()).as("it never went on").doesNotContain("OUTP ON");
    // The same while somebody stands at a question, with more edits waiting behind it.
    model.power(Edit.Power.LIT);
    settle.run();
    model.gateProperty().get().ifPresent(g -> g.goOn().accept("looked at"));
    settle.run();
    assertThat(model.job().power()).contains(Edit.Power.LIT);
    Rooms.type(model, "C1 500p @1k");
    model.changePlate(p -> p.with(d -> d.place = "mess"));
    settle.run();
    assertThat(model.gateProperty().get()).isPresent();
    int readings = model.job().readings().size();
    model.stopAll();
    assertThat(model.gateProperty().get()).as("a stop goes past every question").isEmpty();
    settle.run();
    assertThat(model.job().power()).contains(Edit.Power.OFF);
    assertThat(model.job().readings()).as("what was asked about is not kept").hasSize(readings);
    assertThat(model.job().plate().place())
        .as("what else was entered is not lost")
        .isEqualTo("mess");
  }

  private List<String> said() {
    return wake().lines().source().lines().stream().map(l -> l.text()).toList();
  }

  private void lostLine() throws IOException {
    ready();
    StandInBench bench = StandInBench.usual(() -> clock.instant(), 1);
    try (ScpiServer server = ScpiServer.open(bench.mainsBench(), 0)) {
      wake().lines().connectSource("127.0.0.1:" + server.port());
      wake().begin();
      assertThat(wake().on()).isTrue();
    }
    pass(15);
    run().plan().clips().forEach(c -> wake().read(c, run().plan().band(0, c).expected()));
    pass(60);
    wake().next();
    assertThat(run().stopped()).contains(PoweringUp.StopCause.LINK_LOST);
    assertThat(told()).contains("by hand");
    assertThat(model.job().power())
        .as("a transformer that was lost may still be on")
        .contains(Edit.Power.LIT);
    assertThat(wake().unseenProperty().get()).contains(FirstPowerModel.Unseen.LINK_GONE);
    wake().seenOff();
    assertThat(model.job().power()).contains(Edit.Power.OFF);
    wake().seenOn();
    assertThat(model.job().power())
        .as("what was looked at stays looked at")
        .contains(Edit.Power.OFF);
    wake().lines().disconnect();
  }

  /**
   * Another lamp, another kind, other clips: each makes another plan; none takes the place of one
   * that is being run.
   */
  @Test
  public void whatIsWantedMakesThePlan() {
    Wanted w = wake().wantedProperty().get().orElseThrow();
    assertThat(w.lampWatts()).isPresent();
    wake()
        .want(
            new Wanted(
                PowerUpKind.POLARITY,
                List.of(),
                true,
                OptionalDouble.empty(),
                List.of(HT),
                OptionalDouble.empty()));
    planned();
    assertThat(run().plan().kind()).isEqualTo(PowerUpKind.POLARITY);
    assertThat(run().plan().valves()).isFalse();
    assertThat(run().plan().steps()).hasSize(1);
    wake()
        .want(
            new Wanted(
                PowerUpKind.WHOLE,
                List.of(),
                true,
                OptionalDouble.of(60),
                List.of(HT, Clip.HEATERS, Clip.TAKEN),
                OptionalDouble.of(6.3)));
    planned();
    assertThat(run().plan().clips()).hasSize(3);
    ready();
    wake().lines().useStandIns(10);
    wake().begin();
    settle(40);
    assertThat(wake().lines().liveProperty().get()).containsOnlyKeys(HT, Clip.HEATERS, Clip.TAKEN);
    wake().keepPlan();
    assertThat(told()).contains("stop the run");
    assertThat(Map.copyOf(run().seen())).isNotEmpty();
  }
}
