package org.yellowhearth.storage.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.yellowhearth.storage.practice.GoodHand.KNOWLEDGE;
import static org.yellowhearth.storage.practice.GoodHand.NOW;
import static org.yellowhearth.storage.practice.GoodHand.STOCK;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.benchline.BenchLine;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.finaltest.VoltageChart;
import org.yellowhearth.core.finaltest.VoltageChart.ChartVerdict;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.partslist.Colour;
import org.yellowhearth.core.partslist.ColourCode;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.ExerciseMaker;
import org.yellowhearth.core.practice.FullPower;
import org.yellowhearth.core.practice.Goal;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.core.practice.PowerSpan;
import org.yellowhearth.core.practice.PracticeRail;
import org.yellowhearth.core.practice.PracticeWords;
import org.yellowhearth.core.practice.Spent;
import org.yellowhearth.core.practice.Theme;
import org.yellowhearth.core.practice.TrueSupply;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.Suspicion;
import org.yellowhearth.core.trace.TurnedUp;

/**
 * Exercises of the stages beyond judging: what is hidden shows on the rails as the engine says, and
 * what is asked is seen in the journal.
 */
public class PracticeStagesTest {
  private static final ExerciseMaker MAKER = new ExerciseMaker(KNOWLEDGE);
  private static final PartRef C1 = PartRef.of("C1");

  private static GoodHand hand(Theme theme) {
    return new GoodHand(MAKER.make(theme, 1));
  }

  private static double target(GoodHand h, String point) {
    return h.job().items(SupplyTarget.class).stream()
        .filter(t -> t.point().equals(point))
        .findFirst()
        .orElseThrow()
        .volts();
  }

  /**
   * Every rail follows the voltage of the windings (common practice): set for 200 V on 230 V they
   * stand 15 % too high.
   */
  @Test
  public void aWrongSettingRaisesEveryRail() {
    GoodHand h = hand(Theme.WRONG_SETTING);
    double wrong = h.read("HT");
    h.asked();
    double right = h.read("HT");
    assertThat(wrong / right).isCloseTo(230 / 200.0, within(0.02));
    assertThat(FullPower.wrecks(h.exercise, h.job(), KNOWLEDGE)).isEmpty();
    assertThat(h.debrief().asked()).containsExactly(new Debrief.Asked(Goal.SET_RIGHT, true));
    GoodHand idle = hand(Theme.WRONG_SETTING).measured();
    assertThat(idle.debrief().asked()).containsExactly(new Debrief.Asked(Goal.SET_RIGHT, false));
    assertThat(idle.debrief().score()).isEqualTo(70);
    // To write down what it stands at is not to change it.
    idle.did(
        new Edit.AspectChanged(
            idle.job().aspect(MainsEntry.class),
            MainsEntry.BLANK.with(e -> e.settingVolts = OptionalDouble.of(200))));
    assertThat(idle.debrief().score()).isEqualTo(70);
    assertThat(FullPower.wrecks(idle.exercise, idle.job(), KNOWLEDGE))
        .get()
        .extracting(w -> w.why().key())
        .isEqualTo(PracticeWords.OVERVOLTED);
  }

  /**
   * Five time constants of the bleeder as marked are long over, and the rail still holds what
   * V·e^(−t/RC) leaves with the true one.
   */
  @Test
  public void byTheSumItIsEmptyAndItIsNot() {
    Exercise e = MAKER.make(Theme.OPEN_BLEEDER, 1);
    double marked = e.rail().bleederOhms().orElseThrow() * 16e-6;
    double seconds = 10 * marked;
    double truly = e.truth(PartRef.of("R1")).value() * 16e-6;
    double left =
        PracticeRail.volts(e, e.job(NOW), NOW.plusNanos((long) (seconds * 1e9)).toInstant());
    assertThat(left)
        .isCloseTo(e.charged() * Math.exp(-seconds / truly), within(1e-3))
        .isGreaterThan(200);
    GoodHand h = new GoodHand(e).measured();
    assertThat(left(h, 0)).isPositive();
    h.did(new Edit.PowerSwitched(Edit.Power.LIT));
    assertThat(left(h, 300)).as("under power").isEqualTo(e.rail().volts());
    h.did(new Edit.PowerSwitched(Edit.Power.OFF));
    assertThat(left(h, 300)).isCloseTo(e.rail().volts() * Math.exp(-300 / truly), within(1e-6));
    double clip = 50e6;
    double before = left(h, 60);
    h.did(new Edit.ClipPut("practice-ht", clip));
    double together = 1 / (1 / (clip * 16e-6) + 1 / truly);
    assertThat(left(h, 600)).isCloseTo(before * Math.exp(-600 / together), within(1e-6));
    h.did(new Edit.ClipTaken("practice-ht"));
    assertThat(h.debrief().asked()).containsExactly(new Debrief.Asked(Goal.EMPTIED, false));
    assertThat(h.asked().debrief().asked()).containsExactly(new Debrief.Asked(Goal.EMPTIED, true));
  }

  /** So many seconds after the last entry of the journal. */
  private static double left(GoodHand h, long seconds) {
    return PracticeRail.volts(
        h.exercise, h.job(), h.job().journal().getLast().at().plusSeconds(seconds).toInstant());
  }

  /**
   * A rectifier that emits a fifth lowers every rail alike, and Trace names it among the first from
   * three rails alone.
   */
  @Test
  public void theWeakRectifierIsFoundByTheRails() {
    GoodHand h = hand(Theme.WEAK_RECTIFIER);
    double sound = hand(Theme.WRONG_SETTING).asked().read("HT");
    assertThat(h.read("HT")).isLessThan(0.95 * sound);
    h.read("HT2");
    h.read("screen");
    Diagnosis d =
        Diagnosis.of(
                Suspicion.of(
                        h.job(),
                        SupplyModel.of(
                            h.job(), KNOWLEDGE, SupplyModel.View.AS_IT_IS, OptionalDouble.of(70)),
                        KNOWLEDGE,
                        _ -> 0.05)
                    .orElseThrow()
                    .question(),
                Watcher.NOBODY)
            .orElseThrow();
    assertThat(
            d.singles().stream().filter(x -> !x.sound()).limit(3).flatMap(x -> x.parts().stream()))
        .contains("V1");
    h.measured();
    assertThat(h.verdicts())
        .filteredOn(a -> a.part().ref().equals(PartRef.of("V1")))
        .first()
        .satisfies(a -> assertThat(a.verdict()).isEqualTo(Verdict.REPLACE));
  }

  /**
   * What the chart of Prove says is out hangs on the resistor that drifted: Ohm's law puts the
   * screens where they are read.
   */
  @Test
  public void theChartShowsTheDriftedResistor() {
    GoodHand h = hand(Theme.FALSE_CHART);
    double feed = h.exercise.truth(PartRef.of("R2")).value();
    h.asked();
    double rail = h.read("HT2");
    assertThat(h.read("screen")).isCloseTo(rail * 68e3 / (68e3 + feed), within(0.015 * rail));
    VoltageChart chart = VoltageChart.of(h.job(), Optional.empty());
    assertThat(chart.lines())
        .filteredOn(l -> l.verdict() == ChartVerdict.OUT)
        .extracting(l -> l.target().point())
        .containsExactly("screen");
    assertThat(target(h, "HT2")).isCloseTo(rail, within(0.05 * rail));
    assertThat(h.debrief().asked()).containsExactly(new Debrief.Asked(Goal.CHARTED, true));
  }

  /** The first step at which a meter of the plan is out of its band in the set as it truly is. */
  private static int leaves(GoodHand h, PowerUpPlan plan) {
    Supply truly = TrueSupply.of(h.exercise, h.job(), KNOWLEDGE).orElseThrow();
    for (int k = 0; k < plan.steps().size(); k++) {
      PowerUpPlan.Step step = plan.steps().get(k);
      Settled now =
          Settled.of(
              TurnedUp.at(truly, step.share(), step.heaters(), TurnedUp.Loads.VALVES)
                  .behind(Lamp.cold(plan.lampWatts().orElseThrow(), 230)));
      for (Clip c : plan.clips()) {
        double shows =
            switch (c.shows()) {
              case WATTS -> now.mainsWatts();
              case DIRECT -> now.waves().voltage(c.point()).mean();
              case ALTERNATING -> now.waves().voltage(c.point()).rippleRms();
            };
        if (!plan.band(k, c).holds(shows, true)) {
          return k;
        }
      }
    }
    return plan.steps().size();
  }

  @DataProvider
  Object[][] woken() {
    return new Object[][] {
      {Theme.FIRST_POWER, 1L},
      {Theme.FIRST_POWER, 2L},
      {Theme.REVERSED_NEW, 1L},
      {Theme.REVERSED_NEW, 2L}
    };
  }

  /**
   * Behind a lamp and with meters clipped the reversed new part shows before full line and before
   * anything breaks; fitted anew it goes up.
   */
  @Test(dataProvider = "woken")
  public void firstPowerTellsTheReversedPart(Theme theme, long seed) {
    GoodHand h = new GoodHand(MAKER.make(theme, seed));
    PowerUpPlan plan = h.plan();
    int stopped = leaves(h, plan);
    if (theme == Theme.FIRST_POWER) {
      assertThat(stopped).isEqualTo(plan.steps().size());
    } else {
      assertThat(stopped).isLessThan(plan.steps().size() - 1);
      assertThat(Spent.of(h.exercise, h.job(), STOCK))
          .as("what somebody else fitted")
          .isEqualTo(new Spent(0, 0, 0));
      h.job().items(Fitting.class).forEach(f -> h.put(f.with(d -> d.checked = true)));
      h.ramp(plan, stopped);
      PowerSpan span = PowerSpan.last(h.job()).orElseThrow();
      assertThat(span.share())
          .as("a tick cures nothing, and the lamp is on")
          .isEqualTo(plan.steps().get(stopped).share());
      assertThat(span.lampWatts()).hasValue(100);
      assertThat(span.to()).isPresent();
      assertThat(
              FullPower.wrecks(
                  h.exercise, h.job(), KNOWLEDGE, PowerSpan.last(h.job()).orElseThrow())
                  .stream())
          .allMatch(w -> w.afterSeconds() > 15);
      assertThat(FullPower.wrecks(h.exercise, h.job(), KNOWLEDGE))
          .get()
          .extracting(w -> w.why().key())
          .isIn(PracticeWords.BURST, PracticeWords.BURNT);
      assertThat(h.debrief().asked())
          .as("stopped is not woken")
          .containsExactly(new Debrief.Asked(Goal.WOKEN, false));
      h.refit();
      assertThat(leaves(h, h.plan())).isEqualTo(plan.steps().size());
    }
    h.ramp(h.plan(), Integer.MAX_VALUE);
    assertThat(
            FullPower.wrecks(h.exercise, h.job(), KNOWLEDGE, PowerSpan.last(h.job()).orElseThrow()))
        .isEmpty();
    assertThat(h.debrief().asked()).containsExactly(new Debrief.Asked(Goal.WOKEN, true));
    assertThat(h.debrief().remarks()).extracting(m -> m.key()).contains(PracticeWords.PLAYS);
  }

  /** A rating below what the place sees is never acceptable (common practice), whoever chose it. */
  @Test
  public void substitutesAreJudged() {
    GoodHand h = hand(Theme.CHOOSE_WISELY).asked();
    Debrief good = h.debrief();
    assertThat(good.substitutes())
        .hasSize(3)
        .allSatisfy(s -> assertThat(s.refused()).isEmpty())
        .allSatisfy(s -> assertThat(s.price()).isPositive());
    Capacitor c1 = h.job().capacitor(C1).orElseThrow();
    StockPart low =
        STOCK.stream()
            .filter(p ->
                p.ware() instanceof org.yellowhearth.core.fact.CapacitorWare w
                    && w.kind().startsWith("electrolytic")
                    && w.volts() < c1.ratedVolts().orElseThrow() / 2)
            .findFirst()
            .orElseThrow();
    h.put(Choice.one(C1, low.taken()));
    Debrief bad = h.debrief();
    assertThat(bad.substitutes())
        .filteredOn(s -> s.part().equals(C1))
        .first()
        .satisfies(s -> assertThat(s.refused()).isPresent());
    assertThat(bad.asked()).containsExactly(new Debrief.Asked(Goal.CHOSEN, false));
    assertThat(bad.score()).isEqualTo(good.score() - 30 - 15);
  }

  /** Minutes by the list of the bench, at 30 an hour; parts at what the stock says they cost. */
  @Test
  public void timeAndMoneyAreAddedUp() {
    GoodHand h = hand(Theme.CHOOSE_WISELY);
    assertThat(Spent.of(h.exercise, h.job(), STOCK))
        .as("what others did costs nothing")
        .isEqualTo(new Spent(0, 0, 0));
    h.measure(C1, Measuring.LCR)
        .measure(C1, Measuring.LEAKAGE)
        .choose(h.job().capacitor(C1).orElseThrow());
    double price = h.debrief().substitutes().getFirst().price();
    Spent spent = Spent.of(h.exercise, h.job(), STOCK);
    assertThat(spent.minutes()).isEqualTo(8);
    assertThat(spent.parts()).isEqualTo(price, within(1e-9)).isPositive();
    assertThat(spent.money()).isCloseTo(8 / 60.0 * 30 + price, within(1e-9));
    assertThat(h.debrief().remarks()).extracting(m -> m.key()).contains(PracticeWords.OVER_TIME);
    GoodHand woken = hand(Theme.FIRST_POWER);
    PowerUpPlan plan = woken.plan();
    woken.ramp(plan, Integer.MAX_VALUE);
    double held = plan.steps().stream().mapToDouble(PowerUpPlan.Step::holdSeconds).sum() / 60;
    assertThat(Spent.of(woken.exercise, woken.job(), STOCK).minutes())
        .isEqualTo((int) Math.ceil(held));
  }

  /**
   * What is printed, typed as the bench line reads it: colour bands (IEC 60062, from memory) and
   * the older body, end and dot (common practice). A part that is missing, or in the census with
   * another value, is not listed.
   */
  @Test
  public void aSetIsListedByWhatIsPrinted() {
    GoodHand h = hand(Theme.UNLISTED);
    assertThat(h.job().census()).isEmpty();
    assertThat(h.debrief().lines()).hasSize(6).allMatch(l -> l.mark() == Debrief.Mark.UNDECIDED);
    List<String> typed =
        List.of(
            "+ C1 8 MFD 450 V electrolytic reservoir",
            "+ C2 16 MFD 450 V electrolytic smoothing",
            "+ C3 .05 MFD 400 V waxed paper grid coupling",
            "+ C4 500 MMFD mica tuned",
            "+ R5 47k 10% anode load",
            "+ R6 1 meg grid leak");
    for (String line : typed) {
      assertThat(h.debrief().asked())
          .as("before %s", line)
          .containsExactly(new Debrief.Asked(Goal.LISTED, false));
      BenchOutcome read =
          new BenchLine(h.job(), Optional.empty(), KNOWLEDGE.vocabulary()).read(line);
      assertThat(read).as(line).isInstanceOf(BenchOutcome.Understood.class);
      BenchEntry entry = ((BenchOutcome.Understood) read).entry();
      h.did(new Edit.PartAdded(((BenchEntry.AddParts) entry).parts().getFirst()));
    }
    assertThat(h.debrief().asked()).containsExactly(new Debrief.Asked(Goal.LISTED, true));
    assertThat(
            ColourCode.decode(
                    ColourCode.Scheme.RESISTOR_BANDS,
                    List.of(Colour.YELLOW, Colour.VIOLET, Colour.ORANGE, Colour.SILVER))
                .getFirst()
                .value())
        .isEqualTo(47_000);
    assertThat(
            ColourCode.decode(
                    ColourCode.Scheme.BODY_END_DOT,
                    List.of(Colour.BROWN, Colour.BLACK, Colour.GREEN))
                .getFirst()
                .value())
        .isEqualTo(1_000_000);
    Part r5 = h.job().part(PartRef.of("R5")).orElseThrow();
    assertThat(((Resistor) r5).ohms()).isEqualTo(47_000);
    h.did(new Edit.PartChanged(r5, resistor(4700)));
    assertThat(h.debrief().asked()).containsExactly(new Debrief.Asked(Goal.LISTED, false));
  }

  private static Part resistor(double ohms) {
    return new Resistor(
        PartRef.of("R5"),
        "4k7",
        ohms,
        Optional.empty(),
        OptionalDouble.empty(),
        Resistor.Make.UNSTATED,
        Resistor.Task.ANODE_LOAD,
        "",
        "");
  }

  /** Each stage of the path from Arrival to Prove is what some exercise is about. */
  @Test
  public void everyStageIsPractised() {
    List<Exercise> all = MAKER.graded();
    assertThat(all.stream().flatMap(e -> e.theme().goals().stream()).distinct())
        .containsExactlyInAnyOrder(Goal.values());
  }
}
