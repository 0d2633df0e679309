package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.BenchTask;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.fact.PowerUpPlan.PowerUpKind;
import org.yellowhearth.core.fact.PowerUpPlan.Shows;
import org.yellowhearth.core.fact.RectifierSwap;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.firstpower.FirstPowerWords;
import org.yellowhearth.core.firstpower.PowerUpPlanner;
import org.yellowhearth.core.firstpower.Readiness;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.replace.FittingSheet;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.trace.Preset;
import org.yellowhearth.core.trace.TurnedUp;
import org.yellowhearth.storage.stock.StockCsv;

/** From a job to its plan for first power, and what must be so before it. */
public class FirstPowerPlanTest {
  private static final List<StockPart> CATALOGUE =
      StockCsv.shipped(VerdictTest.KNOWLEDGE.kinds().keySet());
  private static final PartRef C1 = PartRef.of("C1");
  private static final Clip RAIL = new Clip("HT", Shows.DIRECT);

  private static void put(Bench b, Item item) {
    b.edit(new Edit.ItemChanged(b.job().item(item.id()), Optional.of(item)));
  }

  private static Bench bench(Preset preset) {
    Bench b =
        Bench.of(1950)
            .type(
                "+ C1 16 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing");
    AtomicInteger ids = new AtomicInteger();
    for (SupplySection s :
        preset.sections(b.job(), () -> "p" + String.format("%03d", ids.getAndIncrement()))) {
      put(b, s);
    }
    return b;
  }

  private static PowerUpPlanner.Bare bare(Bench b) {
    return PowerUpPlanner.bare(
            new Judge(VerdictTest.KNOWLEDGE).of(b.job(), Bench.NOW.toLocalDate()),
            VerdictTest.KNOWLEDGE)
        .orElseThrow();
  }

  private static PowerUpPlanner.Proposed plan(Bench b, PowerUpKind kind, OptionalDouble lamp) {
    return plan(b, kind, lamp, true);
  }

  private static PowerUpPlanner.Proposed plan(
      Bench b, PowerUpKind kind, OptionalDouble lamp, boolean valves) {
    PowerUpPlanner.Bare bare = bare(b);
    return PowerUpPlanner.of(
        "r",
        bare,
        new PowerUpPlanner.Wanted(
            kind,
            List.of(),
            valves,
            lamp,
            PowerUpPlanner.usualClips(bare, lamp.isPresent()),
            OptionalDouble.empty()),
        6,
        Watcher.NOBODY);
  }

  /**
   * With the valves out their heaters are no load: more of the mains gets through the lamp, at
   * every step; and the set is taken to light the lamp less (common practice).
   */
  @Test
  public void withTheValvesOutTheirHeatersDoNotLoadTheLamp() {
    Bench b = bench(Preset.VALVE_CHOKE);
    OptionalDouble none = OptionalDouble.empty();
    put(b, new SupplyMains("mains", 230, none, 50, none, OptionalDouble.of(40), none, none));
    PowerUpPlan in = plan(b, PowerUpKind.WHOLE, OptionalDouble.of(100)).plan();
    PowerUpPlan out = plan(b, PowerUpKind.WHOLE, OptionalDouble.of(100), false).plan();
    for (int k = 1; k < in.steps().size(); k++) {
      assertThat(out.band(k, Clip.BEHIND_LAMP).expected())
          .isGreaterThan(1.05 * in.band(k, Clip.BEHIND_LAMP).expected());
      assertThat(out.steps().get(k).glow()).isLessThan(0.6 * in.steps().get(k).glow());
    }
  }

  private static void fit(Bench b, String part, String title, boolean checked) {
    StockPart p = CATALOGUE.stream().filter(x -> x.title().equals(title)).findFirst().orElseThrow();
    put(b, Choice.one(PartRef.of(part), p.taken()));
    put(
        b,
        new Fitting(
            "fitting-" + part,
            PartRef.of(part),
            true,
            true,
            checked,
            Fitting.MeterSign.UNSTATED,
            Fitting.Debt.UNSTATED,
            "",
            "",
            "",
            "",
            Set.of()));
  }

  @DataProvider
  public Object[][] presets() {
    return List.of(Preset.values()).stream().map(p -> new Object[] {p}).toArray(Object[][]::new);
  }

  /**
   * Every arrangement of supply gets a plan: rails rise with the mains and end where the whole
   * supply stands.
   */
  @Test(dataProvider = "presets")
  public void everyArrangementGetsAPlan(Preset preset) {
    Bench b = bench(preset);
    if (preset == Preset.REGULATED || preset == Preset.SPLIT) {
      b.edit(
          new Edit.PlateChanged(
              b.job().plate(),
              b.job().plate().with(p -> p.technology = SetPlate.Technology.TRANSISTOR)));
    }
    PowerUpPlanner.Proposed p = plan(b, PowerUpKind.WHOLE, OptionalDouble.empty());
    assertThat(p.plan().clips()).isNotEmpty();
    for (Clip c : p.plan().clips()) {
      double full = p.plan().band(4, c).expected();
      assertThat(Math.abs(full))
          .as(c.toString())
          .isGreaterThan(Math.abs(p.plan().band(1, c).expected()));
      assertThat(p.plan().band(4, c).holds(full, true)).isTrue();
    }
    assertThat(p.notes()).extracting(m -> m.key()).contains(FirstPowerWords.NOTE_NO_LAMP);
    assertThat(plan(b, PowerUpKind.POLARITY, OptionalDouble.empty()).plan().steps())
        .singleElement()
        .satisfies(s -> assertThat(s.share()).isLessThanOrEqualTo(0.5));
  }

  /**
   * The plan is of the set as it is now: with the new capacitor in, not the dried one that was
   * measured.
   */
  @Test
  public void whatIsFittedCounts() {
    Bench b = bench(Preset.VALVE_CHOKE).type("C1 2u D0.8 @100");
    Parameter c1 = new Parameter("C1", Parameter.Which.CAPACITANCE);
    assertThat(Parameter.all(bare(b).supply()).get(c1)).isCloseTo(2e-6, within(1e-12));
    fit(b, "C1", "AE-22-450", false);
    assertThat(Parameter.all(bare(b).supply()).get(c1)).isCloseTo(22e-6, within(1e-12));
    assertThat(bare(b).ratedVolts()).containsEntry(C1, 450.0);
    SupplyRectifier rectifier = b.job().items(SupplyRectifier.class).getFirst();
    RectifierSwap swap =
        new RectifierSwap(
            RectifierSwap.idOf(rectifier), rectifier.name(), true, OptionalDouble.of(100), "");
    put(b, swap);
    assertThat(bare(b).supply().sections()).as("decided, not done").anyMatch(TurnedUp::vacuum);
    put(b, new BenchTask(FittingSheet.stepOf(swap), BenchTask.Doing.OTHER, "V1", "silicon", true));
    assertThat(bare(b).supply().sections()).noneMatch(TurnedUp::vacuum);
    b.edit(new Edit.ItemChanged(Optional.of(swap), Optional.empty()));
    double dried =
        plan(
                bench(Preset.VALVE_CHOKE).type("C1 2u D0.8 @100"),
                PowerUpKind.WHOLE,
                OptionalDouble.empty())
            .plan()
            .band(4, RAIL)
            .expected();
    assertThat(plan(b, PowerUpKind.WHOLE, OptionalDouble.empty()).plan().band(4, RAIL).expected())
        .isGreaterThan(dried + 5);
  }

  /**
   * A lamp that was on trial in Trace is no lamp of the plan; a rail above what its capacitor
   * stands is told; a lamp starves or hides.
   */
  @Test
  public void whatIsToBeMindedIsTold() {
    Bench b = bench(Preset.VALVE_CHOKE);
    put(
        b,
        new SupplyMains(
            "m",
            230,
            OptionalDouble.empty(),
            50,
            OptionalDouble.of(20),
            OptionalDouble.of(30),
            OptionalDouble.of(25),
            OptionalDouble.empty()));
    assertThat(bare(b).supply().primary().lamp()).isEmpty();
    assertThat(plan(bench(Preset.VALVE_CHOKE), PowerUpKind.WHOLE, OptionalDouble.of(60)).notes())
        .extracting(n -> n.key())
        .contains(FirstPowerWords.NOTE_NO_HEATERS);
    assertThat(plan(b, PowerUpKind.WHOLE, OptionalDouble.of(15)).notes())
        .extracting(n -> n.key())
        .contains(FirstPowerWords.NOTE_LAMP_STARVES)
        .doesNotContain(FirstPowerWords.NOTE_NO_HEATERS, FirstPowerWords.NOTE_NO_LAMP);
    assertThat(plan(b, PowerUpKind.WHOLE, OptionalDouble.of(500)).notes())
        .extracting(n -> n.key())
        .contains(FirstPowerWords.NOTE_LAMP_LARGE);
    Bench weak = Bench.of(1950).type("+ C1 16 MFD 250 V electrolytic reservoir");
    AtomicInteger ids = new AtomicInteger();
    Preset.VALVE_CHOKE
        .sections(weak.job(), () -> "q" + ids.getAndIncrement())
        .forEach(s -> put(weak, s));
    assertThat(plan(weak, PowerUpKind.WHOLE, OptionalDouble.empty()).notes())
        .extracting(n -> n.key())
        .contains(FirstPowerWords.NOTE_RATING);
  }

  /**
   * Of two capacitors at one point the weaker sets the limit; polarity is read where every rail
   * shows a volt, and not below.
   */
  @Test
  public void theWeakerOfTwoCapacitorsSetsTheLimit() {
    Bench b = bench(Preset.VALVE_CHOKE).type("+ C9 8 MFD 360 V electrolytic decoupling");
    SupplyFilter first =
        b.job().items(SupplyFilter.class).stream()
            .filter(f -> f.from().equals(f.to()))
            .findFirst()
            .orElseThrow();
    put(
        b,
        new SupplyFilter(
            "p900",
            first.to(),
            Optional.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            first.to(),
            Optional.of(PartRef.of("C9")),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            "0"));
    assertThat(plan(b, PowerUpKind.WHOLE, OptionalDouble.empty()).notes())
        .extracting(n -> n.key())
        .contains(FirstPowerWords.NOTE_RATING);
    PowerUpPlan polarity =
        plan(bench(Preset.SILICON_BRIDGE), PowerUpKind.POLARITY, OptionalDouble.empty()).plan();
    polarity
        .steps()
        .getFirst()
        .bands()
        .forEach(x -> assertThat(Math.abs(x.expected())).isGreaterThanOrEqualTo(1));
    PowerUpPlanner.Proposed valve =
        plan(bench(Preset.VALVE_CHOKE), PowerUpKind.POLARITY, OptionalDouble.empty());
    assertThat(valve.plan().steps().getFirst().share())
        .as("a valve rectifier wants some warmth")
        .isGreaterThan(0.1);
    assertThat(valve.notes())
        .extracting(n -> n.key())
        .contains(FirstPowerWords.NOTE_VALVE_RECTIFIER);
  }

  /** Switched off at its own switch nothing is live and nothing is taken. */
  @Test
  public void aStaticDrainExpectsNothing() {
    Bench b = bench(Preset.VALVE_CHOKE);
    PowerUpPlan p = plan(b, PowerUpKind.STATIC_DRAIN, OptionalDouble.of(40)).plan();
    assertThat(p.switchedOn()).isFalse();
    assertThat(p.band(0, RAIL).holds(0.2, false)).isTrue();
    assertThat(p.band(0, RAIL).holds(12, true)).isFalse();
    assertThat(p.band(0, Clip.BEHIND_LAMP).holds(229, true)).isTrue();
    assertThat(p.band(0, Clip.BEHIND_LAMP).holds(150, true))
        .as("something draws through the lamp")
        .isFalse();
  }

  private static List<Check> ready(Bench b, ChargeState hearth) {
    PowerUpPlan p = plan(b, PowerUpKind.WHOLE, OptionalDouble.of(60)).plan();
    return Readiness.of(
        b.job(),
        p,
        List.of(b.assess("C1"), b.assess("C2")),
        hearth,
        Bench.NOW.plusHours(1).toInstant());
  }

  private static List<String> blocking(Bench b, ChargeState hearth) {
    return ready(b, hearth).stream().filter(Check::blocks).map(Check::code).toList();
  }

  private static void answer(Bench b, String code, CheckResult.Outcome outcome, String note) {
    put(
        b,
        new CheckResult(
            "a" + b.job().journal().size(),
            code,
            outcome,
            OptionalDouble.empty(),
            note,
            Bench.NOW.plusMinutes(b.job().journal().size()).toInstant()));
  }

  /**
   * Safety and Renew stand before power; a reason passes what it was written for and nothing else;
   * looking counts for one run.
   */
  @Test
  public void nothingGetsPowerBeforeItIsReady() {
    Bench b = bench(Preset.VALVE_CHOKE).type("C1 2u D0.8 @100; C2 33u D0.08 @100");
    assertThat(blocking(b, ChargeState.BANKED))
        .contains(
            "wake-checks",
            "wake-empty",
            "wake-condemned-C1",
            "wake-meters",
            "wake-lamp",
            "wake-hands");
    assertThat(blocking(b, ChargeState.COLD)).doesNotContain("wake-empty");
    answer(
        b,
        "wake-condemned-C1",
        CheckResult.Outcome.OVERRIDDEN,
        "bridged from outside for this test");
    assertThat(blocking(b, ChargeState.COLD)).doesNotContain("wake-condemned-C1");
    b.type("C2 1u D0.9 @100");
    assertThat(blocking(b, ChargeState.COLD))
        .as("another part, another reason")
        .contains("wake-condemned-C1-C2");
    put(
        b,
        new Fitting(
            "fitting-C2",
            PartRef.of("C2"),
            true,
            false,
            false,
            Fitting.MeterSign.UNSTATED,
            Fitting.Debt.UNSTATED,
            "",
            "",
            "",
            "",
            Set.of()));
    assertThat(blocking(b, ChargeState.COLD))
        .as("what is out is not in")
        .doesNotContain("wake-condemned-C1-C2");
    fit(b, "C1", "AE-22-450", false);
    fit(b, "C2", "AE-47-450", true);
    assertThat(blocking(b, ChargeState.COLD))
        .contains("wake-sheet-C1")
        .doesNotContain("wake-condemned-C1-C2", "wake-condemned-C1");
    fit(b, "C1", "AE-22-450", true);
    assertThat(blocking(b, ChargeState.COLD))
        .containsExactly("wake-checks", "wake-meters", "wake-lamp", "wake-hands");
    answer(b, "wake-checks", CheckResult.Outcome.OVERRIDDEN, "no time");
    assertThat(blocking(b, ChargeState.COLD))
        .as("the checks are passed or overridden where they stand")
        .contains("wake-checks");
    answer(b, "wake-meters", CheckResult.Outcome.PASSED, "");
    assertThat(blocking(b, ChargeState.COLD)).doesNotContain("wake-meters");
    b.edit(new Edit.PowerSwitched(Edit.Power.LIT)).edit(new Edit.PowerSwitched(Edit.Power.OFF));
    assertThat(blocking(b, ChargeState.COLD))
        .as("clips may have been moved since")
        .contains("wake-meters");
    answer(b, "wake-empty", CheckResult.Outcome.OVERRIDDEN, "the clips never came off");
    assertThat(blocking(b, ChargeState.BANKED)).doesNotContain("wake-empty");
    b.edit(new Edit.PowerSwitched(Edit.Power.LIT)).edit(new Edit.PowerSwitched(Edit.Power.OFF));
    assertThat(blocking(b, ChargeState.BANKED))
        .as("another run, another charge")
        .contains("wake-empty");
    put(b, new BenchTask("t", BenchTask.Doing.OPEN_LINK, "HT link", "lifted to test", false));
    assertThat(blocking(b, ChargeState.COLD)).contains("wake-owed-HTlink");
    put(
        b,
        new Fitting(
            "fitting-C2",
            PartRef.of("C2"),
            true,
            true,
            false,
            Fitting.MeterSign.REVERSED,
            Fitting.Debt.UNSTATED,
            "",
            "",
            "",
            "",
            Set.of()));
    answer(b, "wake-reversed", CheckResult.Outcome.OVERRIDDEN, "surely not");
    assertThat(blocking(b, ChargeState.COLD))
        .as("no reason passes a reversed electrolytic")
        .contains("wake-reversed");
  }

  /**
   * A chassis that can be live wants an isolating transformer; a run of one supply says what is
   * connected; the valves out are looked at.
   */
  @Test
  public void whatIsLookedAtFollowsFromThePlan() {
    Bench b = bench(Preset.VALVE_CHOKE);
    b.edit(
        new Edit.PlateChanged(
            b.job().plate(), b.job().plate().with(p -> p.chassis = SetPlate.Chassis.LIVE)));
    assertThat(blocking(b, ChargeState.COLD))
        .contains("wake-isolated")
        .doesNotContain("wake-valves", "wake-fed", "wake-switch");
    b.edit(
        new Edit.PlateChanged(
            b.job().plate(), b.job().plate().with(p -> p.chassis = SetPlate.Chassis.PRIMARY_SIDE)));
    assertThat(blocking(b, ChargeState.COLD)).contains("wake-isolated");
    b.edit(
        new Edit.PlateChanged(
            b.job().plate(), b.job().plate().with(p -> p.chassis = SetPlate.Chassis.ISOLATED)));
    assertThat(blocking(b, ChargeState.COLD)).doesNotContain("wake-isolated");
    PowerUpPlan out =
        new PowerUpPlan(
            "r",
            PowerUpKind.ONE_SUPPLY,
            List.of("HT"),
            false,
            OptionalDouble.empty(),
            List.of(),
            List.of(
                new PowerUpPlan.Step(0.1, 23, 5, 30, 0.1, PowerUpPlan.Warm.COLD, 0, List.of())));
    assertThat(Readiness.of(b.job(), out, List.of(), ChargeState.COLD, Bench.NOW.toInstant()))
        .extracting(Check::code)
        .contains("wake-valves", "wake-fed", "wake-lamp")
        .doesNotContain("wake-meters", "wake-switch");
    assertThat(
            Readiness.of(
                b.job(),
                plan(b, PowerUpKind.STATIC_DRAIN, OptionalDouble.empty()).plan(),
                List.of(),
                ChargeState.COLD,
                Bench.NOW.toInstant()))
        .extracting(Check::code)
        .contains("wake-switch");
  }
}
