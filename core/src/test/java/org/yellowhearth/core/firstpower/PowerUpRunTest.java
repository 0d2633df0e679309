package org.yellowhearth.core.firstpower;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.PowerUpPlan.Band;
import org.yellowhearth.core.fact.PowerUpPlan.Clip;
import org.yellowhearth.core.fact.PowerUpPlan.PowerUpKind;
import org.yellowhearth.core.fact.PowerUpPlan.Shows;
import org.yellowhearth.core.fact.PowerUpPlan.Warm;
import org.yellowhearth.core.firstpower.PowerUpJudgement.PowerUpCounsel;
import org.yellowhearth.core.firstpower.PowerUpRun.PowerUpPhase;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Primary;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.TurnedUp.Loads;

/**
 * A ramp from its events; what is in a band while things settle and after; supplies that stand by
 * themselves.
 */
public class PowerUpRunTest {
  private static final Instant START = Instant.parse("2026-03-04T18:00:00Z");
  private static final Clip RAIL = new Clip("HT", Shows.DIRECT);
  private static final Clip BIAS = new Clip("bias", Shows.DIRECT);
  private static final PowerUpPlan PLAN =
      new PowerUpPlan(
          "r",
          PowerUpKind.WHOLE,
          List.of(),
          true,
          OptionalDouble.of(60),
          List.of(RAIL, BIAS),
          List.of(
              new PowerUpPlan.Step(
                  0.33,
                  76,
                  10,
                  60,
                  0.3,
                  Warm.COLD,
                  0,
                  List.of(new Band(90, 80, 100, -1, 140), new Band(-12, -14, -10, -20, 1))),
              new PowerUpPlan.Step(
                  1,
                  230,
                  45,
                  300,
                  0.95,
                  Warm.CONDUCTING,
                  0.05,
                  List.of(new Band(250, 230, 270, -1, 400), new Band(-40, -44, -36, -50, 1)))));

  private final List<Job.Happening> events = new ArrayList<>();

  private PowerUpRunTest after(double seconds, Edit.Event event) {
    events.add(new Job.Happening(START.plusMillis((long) (seconds * 1000)), event));
    return this;
  }

  private PowerUpRunTest read(double seconds, Clip clip, double value) {
    return after(seconds, new PoweringUp.PowerUpRead("r", clip, value, ""));
  }

  private static PowerUpRunTest begun() {
    return new PowerUpRunTest()
        .after(0, new Edit.PowerSwitched(Edit.Power.LIT))
        .after(0, new PoweringUp.PowerUpBegun("r"));
  }

  private PowerUpRun run() {
    return PowerUpRun.of(PLAN, events);
  }

  private PowerUpJudgement at(double seconds) {
    return run().judged(START.plusMillis((long) (seconds * 1000)));
  }

  @Test
  public void aStepSettlesIsReadHeldAndLeft() {
    assertThat(new PowerUpRunTest().run().phase()).isEqualTo(PowerUpPhase.PLANNED);
    PowerUpRunTest r = begun();
    assertThat(r.at(5).counsel()).isEqualTo(PowerUpCounsel.SETTLING);
    assertThat(r.at(11).counsel()).as("nobody has read anything").isEqualTo(PowerUpCounsel.READ);
    r.read(12, RAIL, 91);
    assertThat(r.at(13).unread()).containsExactly(BIAS);
    r.read(14, BIAS, -12.5);
    assertThat(r.at(20).counsel()).isEqualTo(PowerUpCounsel.HOLD);
    assertThat(r.at(61).counsel()).isEqualTo(PowerUpCounsel.GO_ON);
    r.after(62, new PoweringUp.PowerUpStepped("r", 1));
    assertThat(r.run().step()).isEqualTo(1);
    assertThat(r.run().seen()).as("a new step is read anew").isEmpty();
    assertThat(r.at(63).counsel()).isEqualTo(PowerUpCounsel.SETTLING);
  }

  /**
   * Common practice: before cathodes draw a rail stands higher, and rises from nothing; later the
   * same reading is a fault.
   */
  @Test
  public void whatIsRightBeforeItSettlesIsAFaultAfter() {
    PowerUpRunTest high =
        begun()
            .after(70, new PoweringUp.PowerUpStepped("r", 1))
            .read(80, RAIL, 380)
            .read(80, BIAS, -2);
    assertThat(high.at(81).off()).isEmpty();
    assertThat(high.at(130).counsel())
        .as("those readings are too early to count")
        .isEqualTo(PowerUpCounsel.READ);
    PowerUpJudgement late = high.read(131, RAIL, 380).read(131, BIAS, -2).at(132);
    assertThat(late.counsel()).isEqualTo(PowerUpCounsel.STOP);
    assertThat(late.off())
        .extracting(PowerUpJudgement.Off::high)
        .as("of a negative rail the magnitude counts")
        .containsExactly(true, false);
    assertThat(begun().read(3, RAIL, 141).at(3).counsel())
        .as("more than nothing drawn could bring")
        .isEqualTo(PowerUpCounsel.STOP);
    assertThat(begun().read(3, BIAS, 5).at(3).counsel())
        .as("the wrong way round")
        .isEqualTo(PowerUpCounsel.STOP);
  }

  /**
   * On a bench that runs ten times faster a second is ten; what a meter shows now counts beside
   * what is written.
   */
  @Test
  public void timeAtTheBenchMayRunFaster() {
    PowerUpRunTest r = begun().read(2, RAIL, 91);
    assertThat(r.run().judged(START.plusSeconds(7), 10, Map.of(BIAS, -12.0)).counsel())
        .isEqualTo(PowerUpCounsel.GO_ON);
    assertThat(r.run().judged(START.plusSeconds(7), 1, Map.of(BIAS, -12.0)).counsel())
        .isEqualTo(PowerUpCounsel.SETTLING);
    assertThat(r.run().judged(START.plusSeconds(7), 10, Map.of()).counsel())
        .isEqualTo(PowerUpCounsel.READ);
    assertThat(r.run().judged(START.plusSeconds(7), 10, Map.of(BIAS, -19.0)).counsel())
        .isEqualTo(PowerUpCounsel.STOP);
  }

  @Test
  public void offInAnyWayEndsIt() {
    PowerUpRun off =
        begun().read(12, RAIL, 91).after(15, new Edit.PowerSwitched(Edit.Power.OFF)).run();
    assertThat(off.phase()).isEqualTo(PowerUpPhase.STOPPED);
    assertThat(off.stopped()).contains(PoweringUp.StopCause.PERSON);
    assertThat(off.readings()).hasSize(1);
    PowerUpRunTest smoke =
        begun()
            .after(
                15,
                new PoweringUp.PowerUpStopped("r", PoweringUp.StopCause.SMOKE, "from the choke"))
            .after(15, new Edit.PowerSwitched(Edit.Power.OFF));
    assertThat(smoke.run().stopped()).contains(PoweringUp.StopCause.SMOKE);
    assertThat(smoke.run().note()).isEqualTo("from the choke");
    PowerUpRun again =
        smoke
            .after(900, new Edit.PowerSwitched(Edit.Power.LIT))
            .after(900, new PoweringUp.PowerUpBegun("r"))
            .run();
    assertThat(again.phase()).isEqualTo(PowerUpPhase.ON);
    assertThat(again.step()).isZero();
    assertThat(again.stopped()).isEmpty();
    PowerUpRun held =
        begun()
            .after(70, new PoweringUp.PowerUpStepped("r", 1))
            .after(500, new PoweringUp.PowerUpFinished("r"))
            .after(900, new Edit.PowerSwitched(Edit.Power.OFF))
            .run();
    assertThat(held.phase()).as("later it may go off").isEqualTo(PowerUpPhase.HELD);
    assertThat(begun().after(5, new PoweringUp.PowerUpStepped("other", 1)).run().step()).isZero();
    assertThat(PoweringUp.StopCause.HUM.sign()).isTrue();
    assertThat(PoweringUp.StopCause.LINK_LOST.sign()).isFalse();
  }

  @Test
  public void plansThatCannotBeAreRefused() {
    assertThatThrownBy(() -> new Band(5, 6, 4, 0, 10)).hasMessageContaining("low to high");
    assertThatThrownBy(() -> new Clip("HT", Shows.WATTS)).hasMessageContaining("mains");
    assertThatThrownBy(() ->
            new PowerUpPlan(
                "r",
                PowerUpKind.WHOLE,
                List.of(),
                true,
                OptionalDouble.empty(),
                List.of(RAIL, RAIL),
                List.of(PLAN.steps().getFirst())))
        .hasMessageContaining("same thing");
    assertThatThrownBy(() ->
            new PowerUpPlan(
                "r",
                PowerUpKind.WHOLE,
                List.of(),
                true,
                OptionalDouble.empty(),
                List.of(RAIL),
                PLAN.steps()))
        .hasMessageContaining("band");
  }

  @Test
  public void aStepSaysWhatItTellsFirst() {
    assertThat(PowerUpTells.of(PLAN, 0)).containsExactly(PowerUpTells.SHORTS, PowerUpTells.SIGN);
    PowerUpPlan out =
        new PowerUpPlan(
            "o",
            PowerUpKind.WHOLE,
            List.of(),
            false,
            OptionalDouble.empty(),
            PLAN.clips(),
            PLAN.steps());
    assertThat(PowerUpTells.of(out, 1))
        .as("with the valves out nothing draws")
        .containsExactly(PowerUpTells.HEATERS);
    assertThat(PowerUpTells.of(PLAN, 1))
        .containsExactly(PowerUpTells.HEATERS, PowerUpTells.LOADED, PowerUpTells.FULL);
  }

  private static Supply split() {
    return new Supply(
        Supply.Mains.of(230, 50),
        new Primary(20, 30, Optional.empty()),
        List.of(
            new Section.Winding("w1", 250, 120, true),
            new Section.Winding("w2", 40, 20, false),
            new Section.Winding("w3", 6.3, 0.1, false),
            Section.Rectify.of(
                "V1",
                "w1",
                Section.Scheme.FULL_WAVE,
                RectifierModel.of(RectifierTechnology.SILICON),
                "HT"),
            Section.Filter.at("f1", "HT", new Section.Cap("C1", 32e-6, 2, 1e7)),
            new Section.Load("set", "HT", Section.Load.Kind.RESISTANCE, 5000),
            Section.Rectify.of(
                    "D1",
                    "w2",
                    Section.Scheme.HALF_WAVE,
                    RectifierModel.of(RectifierTechnology.SILICON),
                    "bias")
                .negativeSide(),
            Section.Filter.at("f2", "bias", new Section.Cap("C2", 100e-6, 1, 1e7)),
            new Section.Load("grids", "bias", Section.Load.Kind.RESISTANCE, 10_000)));
  }

  /**
   * Common practice: a doubler from 195 V AC shows, at 40 V of 115 V mains and in standby, about
   * 200 V DC and 2.6 V on its 6.3 V heater line; half of that is no longer in the band.
   */
  @Test
  public void theDoublerOfTheTradeOnASlowRise() {
    Supply doubler =
        new Supply(
            Supply.Mains.of(115, 60),
            Primary.NONE,
            List.of(
                new Section.Winding("w", 195, 45, false),
                new Section.Doubler(
                    "D",
                    "w",
                    false,
                    RectifierModel.of(RectifierTechnology.SILICON),
                    "HT",
                    new Section.Cap("C1", 120e-6, 0.3, 1e8),
                    new Section.Cap("C2", 120e-6, 0.3, 1e8)),
                new Section.Load("set", "HT", Section.Load.Kind.CURRENT, 0.25)));
    PowerUp standby =
        PowerUp.of(
            doubler,
            new PowerUp.Setup(
                Optional.empty(),
                Loads.OUT,
                List.of(RAIL, Clip.HEATERS),
                List.of(40 / 115.0),
                OptionalDouble.of(6.3),
                Map.of()),
            Map.of(new Parameter(Parameter.MAINS, Parameter.Which.MAINS_VOLTS), 0.02),
            60,
            Watcher.NOBODY);
    assertThat(standby.band(0, RAIL).holds(200, true)).isTrue();
    assertThat(standby.band(0, RAIL).holds(100, true)).isFalse();
    assertThat(standby.band(0, Clip.HEATERS).holds(2.6, true)).isTrue();
    assertThat(standby.band(0, Clip.HEATERS).holds(3.2, true)).isFalse();
  }

  /**
   * Alone a supply shows what it shows beside the other, but for what they share in the primary;
   * bands end at the weakest part.
   */
  @Test
  public void suppliesThatStandByThemselves() {
    assertThat(SeparateSupplies.of(split()))
        .extracting(SeparateSupplies.Part::rails)
        .containsExactly(List.of("HT"), List.of("bias"));
    Supply stacked =
        split()
            .with(
                Section.Rectify.of(
                        "D9",
                        "w3",
                        Section.Scheme.HALF_WAVE,
                        RectifierModel.of(RectifierTechnology.SILICON),
                        "top")
                    .from("HT"));
    assertThat(SeparateSupplies.of(stacked))
        .extracting(SeparateSupplies.Part::rails)
        .as("one stands on the other")
        .containsExactly(List.of("HT", "top"), List.of("bias"));
    Supply bias = SeparateSupplies.only(split(), List.of("bias"));
    assertThat(bias.sections()).hasSize(4);
    PowerUp.Setup setup =
        new PowerUp.Setup(
            Optional.empty(),
            Loads.VALVES,
            List.of(BIAS, Clip.HEATERS, Clip.TAKEN),
            List.of(0.5, 1.0),
            OptionalDouble.of(6.3),
            Map.of("bias", 60.0));
    PowerUp alone = PowerUp.of(bias, setup, Map.of(), 1, Watcher.NOBODY);
    PowerUp beside = PowerUp.of(split(), setup, Map.of(), 1, Watcher.NOBODY);
    double volts = alone.band(1, BIAS).expected();
    assertThat(volts).isLessThan(beside.band(1, BIAS).expected()).isGreaterThan(-40 * Math.sqrt(2));
    assertThat(alone.band(1, BIAS).settlingLow())
        .as("C2 is made for 60 V")
        .isGreaterThanOrEqualTo(-66);
    assertThat(alone.band(1, Clip.HEATERS))
        .as("common practice: 6.3 V within a tenth")
        .satisfies(b -> {
          assertThat(b.expected()).isEqualTo(6.3);
          assertThat(b.holds(6.9, true)).isTrue();
          assertThat(b.holds(7.1, true)).isFalse();
          assertThat(b.holds(5.5, true)).isFalse();
        });
    // 30 W of heaters, and U²/R of what hangs on the rail: 57² / 10 kΩ is a third of a watt.
    assertThat(alone.band(1, Clip.TAKEN).expected()).isBetween(28.0, 32.0);
    assertThatThrownBy(() ->
            new PowerUp.Setup(Optional.empty(), Loads.VALVES, List.of(Clip.HEATERS), List.of(1.0)))
        .hasMessageContaining("6.3 V");
  }
}
