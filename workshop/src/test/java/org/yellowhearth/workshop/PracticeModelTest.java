package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.prefs.BackingStoreException;
import java.util.prefs.Preferences;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.ReformPlan.ReformSchool;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyReading.Kind;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.practice.Ailment;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.ExerciseMaker;
import org.yellowhearth.core.practice.FullPower;
import org.yellowhearth.core.practice.Goal;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.core.practice.PracticeWords;
import org.yellowhearth.core.practice.Theme;
import org.yellowhearth.core.practice.Truth;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.Shop;

/**
 * An exercise through the very models of real work: solved well, solved in a hurry, and with real
 * consequences.
 */
public class PracticeModelTest {
  private static final ExerciseMaker MAKER = new ExerciseMaker(Rooms.KNOWLEDGE);
  private final MovedClock clock = new MovedClock();
  private Shop shop;

  @BeforeMethod
  public void openShop() {
    shop = Rooms.shop(Rooms.folder());
  }

  @AfterMethod
  public void closeShop() {
    shop.close();
  }

  private PracticeSession begin(Theme theme) {
    DeskModel model =
        new DeskModel(
            shop,
            new PhotoStore(Rooms.folder()),
            Rooms.KNOWLEDGE,
            clock,
            new Background(Runnable::run, Runnable::run, Runnable::run));
    return new PracticeSession(model, shop, MAKER.make(theme, 1), clock::goOn);
  }

  private static void measure(PracticeSession s, PartRef ref, Measuring... how) {
    s.model().chosenProperty().set(Optional.of(ref));
    for (Measuring m : how) {
      s.measure(m);
    }
  }

  private static Debrief end(PracticeSession s) {
    s.handIn();
    return s.debriefProperty().get().orElseThrow();
  }

  /** Who puts the meter on a rail that still holds its charge ends there, and is told why. */
  @Test
  public void touchingAChargedRailEndsIt() {
    PracticeSession s = begin(Theme.CHARGED_TRANSMITTER);
    assertThat(s.exercise().charged()).isGreaterThan(100);
    measure(s, s.exercise().rail().parts().getFirst(), Measuring.LCR);
    Debrief d = s.debriefProperty().get().orElseThrow();
    assertThat(d.ended()).isTrue();
    assertThat(d.score()).isZero();
    assertThat(d.remarks()).extracting(m -> m.key()).contains(PracticeWords.TOUCHED);
    assertThat(s.model().job().readings()).as("nothing was read").isEmpty();
  }

  /**
   * Measured, discharged through a resistor for five time constants and more, measured again: now
   * it may be touched.
   */
  @Test
  public void dischargedFirstItMayBeMeasured() {
    PracticeSession s = begin(Theme.CHARGED_TRANSMITTER);
    Exercise e = s.exercise();
    DeskModel model = s.model();
    s.measureRail();
    assertThat(model.background().noticeProperty().get().trouble()).isTrue();
    model.happened(new Edit.ClipPut(e.rail().id(), 10_000));
    clock.goOn(Duration.ofSeconds(5));
    model.happened(new Edit.ClipTaken(e.rail().id()));
    s.measureRail();
    assertThat(model.background().noticeProperty().get().trouble()).isFalse();
    for (Part p : e.parts()) {
      measure(s, p.ref(), Measuring.LCR, Measuring.LEAKAGE);
    }
    Debrief d = end(s);
    assertThat(d.ended()).isFalse();
    assertThat(d.lines())
        .noneMatch(l -> l.mark() == Debrief.Mark.MISSED || l.mark() == Debrief.Mark.NEEDLESS);
    assertThat(d.score()).isGreaterThan(40);
    assertThat(d.readings()).isEqualTo(model.job().readings().size());
    // After the end nothing counts any more.
    s.hint();
    measure(s, e.parts().getLast().ref(), Measuring.LCR);
    assertThat(model.job().readings()).hasSize(d.readings());
  }

  /**
   * Full mains before anything was looked at, past the real gate: a short on the rail burns the
   * supply, and that is told with its part.
   */
  @Test
  public void aRushedWakeWrecksTheSet() {
    for (Theme theme : Theme.values()) {
      PracticeSession s = begin(theme);
      Optional<FullPower.Wreck> wreck =
          FullPower.wrecks(s.exercise(), s.model().job(), Rooms.KNOWLEDGE);
      s.model().power(Edit.Power.LIT);
      s.model()
          .gateProperty()
          .get()
          .ifPresent(g -> g.goOn().accept("to hear whether it still plays"));
      assertThat(s.model().job().power()).contains(Edit.Power.LIT);
      s.poll();
      assertThat(s.debriefProperty().get()).as("it takes a moment").isEmpty();
      clock.goOn(Duration.ofSeconds(59));
      s.poll();
      clock.goOn(Duration.ofSeconds(2));
      s.poll();
      assertThat(s.debriefProperty().get().isPresent())
          .as(theme.code())
          .isEqualTo(wreck.isPresent());
      if (wreck.isPresent()) {
        Debrief d = s.debriefProperty().get().orElseThrow();
        assertThat(d.ended()).isTrue();
        assertThat(d.score()).isZero();
      } else {
        assertThat(end(s).remarks()).extracting(m -> m.key()).contains(PracticeWords.PLAYS);
      }
    }
  }

  private void ready(PracticeSession s) {
    FirstPowerModel wake = s.model().wake();
    s.measureRail();
    s.model().happened(new Edit.ClipPut(s.exercise().rail().id(), 10_000));
    for (int k = 0; k < 8 && s.model().hearthProperty().get().state() != ChargeState.COLD; k++) {
      s.pass();
      s.measureRail();
    }
    s.model().happened(new Edit.ClipTaken(s.exercise().rail().id()));
    for (Check c : wake.ready()) {
      if (c.blocks() && c.automatic().isEmpty()) {
        wake.answer(c, "");
      }
    }
    assertThat(wake.ready())
        .extracting(c -> c.code() + " " + c.blocks())
        .noneMatch(t -> t.endsWith("true"));
  }

  /** Up the plan of Wake on the stand-ins of Wake, ten times faster than life. */
  private void ramp(PracticeSession s) {
    FirstPowerModel wake = s.model().wake();
    s.model().stageProperty().set(Stage.FIRST_POWER);
    wake.keepPlan();
    ready(s);
    wake.lines().useStandIns(10);
    wake.begin();
    while (wake.on()) {
      double hold = wake.runProperty().get().orElseThrow().now().holdSeconds() + 20;
      for (int k = 0; k < hold / 10 && wake.on(); k++) {
        clock.goOn(Duration.ofSeconds(1));
        wake.poll();
        s.poll();
      }
      wake.next();
    }
  }

  /**
   * Ready and sound it goes up the real plan on the real stage, is read under full mains, and
   * nothing breaks.
   */
  @Test
  public void firstPowerThroughWake() {
    PracticeSession s = begin(Theme.FIRST_POWER);
    ramp(s);
    assertThat(s.model().wake().runProperty().get().orElseThrow().phase())
        .isEqualTo(PowerUpRun.PowerUpPhase.HELD);
    s.readPoint("HT", false);
    s.readPoint("HT", true);
    s.readPoint("mains", false);
    assertThat(s.model().job().items(SupplyReading.class))
        .extracting(SupplyReading::kind)
        .containsExactlyInAnyOrder(Kind.DIRECT, Kind.TRUE_RMS, Kind.WATTS);
    assertThat(s.spent().minutes()).isGreaterThan(10);
    Debrief d = end(s);
    assertThat(d.ended()).isFalse();
    assertThat(d.asked()).containsExactly(new Debrief.Asked(Goal.WOKEN, true));
    assertThat(d.score()).isGreaterThanOrEqualTo(90);
    assertThat(s.model().wake().lines().source().open())
        .as("the transformer is put down with the exercise")
        .isFalse();
  }

  /**
   * The reversed new part stops the ramp before full line; looked at, taken out and fitted anew the
   * set goes up.
   */
  @Test
  public void aReversedNewPartStopsTheRamp() {
    PracticeSession s = begin(Theme.REVERSED_NEW);
    DeskModel model = s.model();
    PartRef c1 = PartRef.of("C1");
    Fitting fitting = model.job().of(c1, Fitting.class).getFirst();
    model.put(fitting.with(f -> f.checked = true));
    ramp(s);
    PowerUpRun run = model.wake().runProperty().get().orElseThrow();
    assertThat(run.stopped()).contains(PoweringUp.StopCause.METER_OFF);
    assertThat(run.last()).isFalse();
    assertThat(s.debriefProperty().get()).as("nothing broke").isEmpty();
    model.chosenProperty().set(Optional.of(c1));
    s.look();
    assertThat(model.job().of(c1, VisualInspection.class))
        .extracting(VisualInspection::sign)
        .containsExactly(VisualInspection.Sign.REVERSED);
    model.put(fitting.with(f -> f.fitted = false));
    model.put(fitting.with(f -> f.checked = true));
    for (VisualInspection l : model.job().of(c1, VisualInspection.class)) {
      model.take(l);
    }
    ramp(s);
    assertThat(end(s).asked()).containsExactly(new Debrief.Asked(Goal.WOKEN, true));
  }

  /**
   * On the stand-in leakage meter of Reform lie the parts of this very set: one comes up, one does
   * not.
   */
  @Test
  public void whatComesUpComesUp() {
    PracticeSession s = begin(Theme.FORM_OR_RENEW);
    ReformModel reform = s.model().reform();
    s.model().stageProperty().set(Stage.REFORM);
    reform.connectStandIn(1000);
    List<Truth> faults = s.exercise().faults();
    for (Truth t : faults) {
      assertThat(
              reform
                  .plans()
                  .plan(
                      t.part(),
                      ReformSchool.CONSTANT_CURRENT,
                      OptionalDouble.empty(),
                      Optional.empty()))
          .isTrue();
      assertThat(reform.lane(t.part()).flatMap(ReformModel.Lane::channel))
          .isEqualTo(s.channel(t.part()));
      reform.begin(t.part());
    }
    for (int n = 0; n < 1000; n++) {
      clock.goOn(Duration.ofMillis(100));
      reform.poll();
    }
    for (Truth t : faults) {
      assertThat(
              reform.lane(t.part()).flatMap(ReformModel.Lane::run).orElseThrow().phase()
                  == ReformRun.RunPhase.DONE)
          .as(t.ailment().code())
          .isEqualTo(t.ailment() == Ailment.UNFORMED);
    }
    assertThat(s.model().job().readings()).as("before it was measured again").hasSize(8);
    PartRef up =
        faults.stream()
            .filter(t -> t.ailment() == Ailment.UNFORMED)
            .findFirst()
            .orElseThrow()
            .part();
    measure(s, up, Measuring.LEAKAGE);
    assertThat(s.model().openProperty().get().orElseThrow().assessment(up).orElseThrow().verdict())
        .isEqualTo(Verdict.KEEP);
    assertThat(end(s).asked()).containsExactly(new Debrief.Asked(Goal.FORMED, true));
  }

  /**
   * Eyes see what the voltage stands at; the meter is put down where the set is off, and never on
   * one that is on.
   */
  @Test
  public void theMainsSideIsLookedAtAndALiveSetIsNotTouched() {
    PracticeSession s = begin(Theme.WRONG_SETTING);
    s.lookAtMains();
    assertThat(s.model().job().aspect(MainsEntry.class).settingVolts()).hasValue(200);
    s.readPoint("HT", false);
    assertThat(s.model().job().items(SupplyReading.class)).as("it is off").isEmpty();
    s.model().power(Edit.Power.LIT);
    s.model().gateProperty().get().ifPresent(g -> g.goOn().accept("to hear it"));
    measure(s, PartRef.of("C4"), Measuring.LCR);
    assertThat(s.debriefProperty().get().orElseThrow().remarks())
        .extracting(m -> m.key())
        .contains(PracticeWords.TOUCHED);
  }

  @Test
  public void hintsHelpAndCost() {
    PracticeSession plain = begin(Theme.HUMMING_RECEIVER);
    int without = end(plain).score();
    PracticeSession s = begin(Theme.HUMMING_RECEIVER);
    s.hint();
    PartRef hinted = s.model().chosenProperty().get().orElseThrow();
    assertThat(s.model().background().noticeProperty().get().text()).contains(hinted.toString());
    assertThat(end(s).score()).isEqualTo(Math.max(0, without - 6));
  }

  @Test
  public void scoresAreRemembered() throws BackingStoreException {
    Preferences node = Preferences.userRoot().node("org/yellowhearth-test/" + UUID.randomUUID());
    DeskModel model = begin(Theme.NOTHING_WRONG).model();
    model.practice().rememberIn(node);
    List<Exercise> begun = new java.util.ArrayList<>();
    model.practice().onBegin(begun::add);
    model.practice().begin(Theme.MANY_FAULTS, 42);
    assertThat(begun).containsExactly(MAKER.make(Theme.MANY_FAULTS, 42));
    model.practice().scored(Theme.MANY_FAULTS, 70);
    model.practice().scored(Theme.MANY_FAULTS, 55);
    assertThat(model.practice().best(Theme.MANY_FAULTS)).isEqualTo(70);
    assertThat(model.practice().history(Theme.MANY_FAULTS)).containsExactly(70, 55);
    for (int k = 0; k < 12; k++) {
      model.practice().scored(Theme.SHORT_RASTER, k);
    }
    assertThat(model.practice().history(Theme.SHORT_RASTER))
        .as("the last ten, the oldest first")
        .hasSize(10)
        .startsWith(2)
        .endsWith(11);
    assertThat(model.practice().times(Theme.MANY_FAULTS)).isEqualTo(2);
    assertThat(model.practice().times(Theme.LEAKY_COUPLER)).isZero();
    node.removeNode();
  }
}
