package org.yellowhearth.core.wake;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.Transient.Watcher;
import org.yellowhearth.core.fact.RampPlan;
import org.yellowhearth.core.fact.RampPlan.Band;
import org.yellowhearth.core.fact.RampPlan.Clip;
import org.yellowhearth.core.fact.RampPlan.RampKind;
import org.yellowhearth.core.fact.RampPlan.Shows;
import org.yellowhearth.core.fact.RampPlan.Warm;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Waking;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.supply.Knob;
import org.yellowhearth.core.supply.Primary;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.TurnedUp.Loads;
import org.yellowhearth.core.wake.RampJudgement.RampCounsel;
import org.yellowhearth.core.wake.RampRun.RampPhase;

/** A ramp from its events; what is in a band while things settle and after; supplies that stand by themselves. */
public class RampRunTest {
    private static final Instant START = Instant.parse("2026-03-04T18:00:00Z");
    private static final Clip RAIL = new Clip("HT", Shows.DIRECT);
    private static final Clip BIAS = new Clip("bias", Shows.DIRECT);
    private static final RampPlan PLAN = new RampPlan("r", RampKind.WHOLE, List.of(), true, OptionalDouble.of(60),
            List.of(RAIL, BIAS), List.of(
                    new RampPlan.Step(0.33, 76, 10, 60, 0.3, Warm.COLD, 0,
                            List.of(new Band(90, 80, 100, -1, 140), new Band(-12, -14, -10, -20, 1))),
                    new RampPlan.Step(1, 230, 45, 300, 0.95, Warm.CONDUCTING, 0.05,
                            List.of(new Band(250, 230, 270, -1, 400), new Band(-40, -44, -36, -50, 1)))));

    private final List<Job.Happening> events = new ArrayList<>();

    private RampRunTest after(double seconds, Edit.Event event) {
        events.add(new Job.Happening(START.plusMillis((long) (seconds * 1000)), event));
        return this;
    }

    private RampRunTest read(double seconds, Clip clip, double value) {
        return after(seconds, new Waking.RampRead("r", clip, value, ""));
    }

    private static RampRunTest begun() {
        return new RampRunTest().after(0, new Edit.PowerSwitched(Edit.Power.LIT)).after(0, new Waking.RampBegun("r"));
    }

    private RampRun run() {
        return RampRun.of(PLAN, events);
    }

    private RampJudgement at(double seconds) {
        return run().judged(START.plusMillis((long) (seconds * 1000)));
    }

    @Test
    public void aStepSettlesIsReadHeldAndLeft() {
        assertThat(new RampRunTest().run().phase()).isEqualTo(RampPhase.PLANNED);
        RampRunTest r = begun();
        assertThat(r.at(5).counsel()).isEqualTo(RampCounsel.SETTLING);
        assertThat(r.at(11).counsel()).as("nobody has read anything").isEqualTo(RampCounsel.READ);
        r.read(12, RAIL, 91);
        assertThat(r.at(13).unread()).containsExactly(BIAS);
        r.read(14, BIAS, -12.5);
        assertThat(r.at(20).counsel()).isEqualTo(RampCounsel.HOLD);
        assertThat(r.at(61).counsel()).isEqualTo(RampCounsel.GO_ON);
        r.after(62, new Waking.RampStepped("r", 1));
        assertThat(r.run().step()).isEqualTo(1);
        assertThat(r.run().seen()).as("a new step is read anew").isEmpty();
        assertThat(r.at(63).counsel()).isEqualTo(RampCounsel.SETTLING);
    }

    /** Common practice: before cathodes draw a rail stands higher, and rises from nothing; later the same reading is a fault. */
    @Test
    public void whatIsRightBeforeItSettlesIsAFaultAfter() {
        RampRunTest high = begun().after(70, new Waking.RampStepped("r", 1)).read(80, RAIL, 380).read(80, BIAS, -2);
        assertThat(high.at(81).off()).isEmpty();
        assertThat(high.at(130).counsel()).as("those readings are too early to count").isEqualTo(RampCounsel.READ);
        RampJudgement late = high.read(131, RAIL, 380).read(131, BIAS, -2).at(132);
        assertThat(late.counsel()).isEqualTo(RampCounsel.STOP);
        assertThat(late.off()).extracting(RampJudgement.Off::high).as("of a negative rail the magnitude counts").containsExactly(
                true,
                false);
        assertThat(begun().read(3, RAIL, 141).at(3).counsel()).as("more than nothing drawn could bring")
                .isEqualTo(RampCounsel.STOP);
        assertThat(begun().read(3, BIAS, 5).at(3).counsel()).as("the wrong way round").isEqualTo(RampCounsel.STOP);
    }

    /** On a bench that runs ten times faster a second is ten; what a meter shows now counts beside what is written. */
    @Test
    public void timeAtTheBenchMayRunFaster() {
        RampRunTest r = begun().read(2, RAIL, 91);
        assertThat(r.run().judged(START.plusSeconds(7), 10, Map.of(BIAS, -12.0)).counsel()).isEqualTo(RampCounsel.GO_ON);
        assertThat(r.run().judged(START.plusSeconds(7), 1, Map.of(BIAS, -12.0)).counsel()).isEqualTo(RampCounsel.SETTLING);
        assertThat(r.run().judged(START.plusSeconds(7), 10, Map.of()).counsel()).isEqualTo(RampCounsel.READ);
        assertThat(r.run().judged(START.plusSeconds(7), 10, Map.of(BIAS, -19.0)).counsel()).isEqualTo(RampCounsel.STOP);
    }

    @Test
    public void offInAnyWayEndsIt() {
        RampRun off = begun().read(12, RAIL, 91).after(15, new Edit.PowerSwitched(Edit.Power.OFF)).run();
        assertThat(off.phase()).isEqualTo(RampPhase.STOPPED);
        assertThat(off.stopped()).contains(Waking.StopCause.PERSON);
        assertThat(off.readings()).hasSize(1);
        RampRunTest smoke = begun().after(15, new Waking.RampStopped("r", Waking.StopCause.SMOKE, "from the choke"))
                .after(15, new Edit.PowerSwitched(Edit.Power.OFF));
        assertThat(smoke.run().stopped()).contains(Waking.StopCause.SMOKE);
        assertThat(smoke.run().note()).isEqualTo("from the choke");
        RampRun again = smoke.after(900, new Edit.PowerSwitched(Edit.Power.LIT)).after(900, new Waking.RampBegun("r")).run();
        assertThat(again.phase()).isEqualTo(RampPhase.ON);
        assertThat(again.step()).isZero();
        assertThat(again.stopped()).isEmpty();
        RampRun held = begun().after(70, new Waking.RampStepped("r", 1)).after(500, new Waking.RampFinished("r"))
                .after(900, new Edit.PowerSwitched(Edit.Power.OFF)).run();
        assertThat(held.phase()).as("later it may go off").isEqualTo(RampPhase.HELD);
        assertThat(begun().after(5, new Waking.RampStepped("other", 1)).run().step()).isZero();
        assertThat(Waking.StopCause.HUM.sign()).isTrue();
        assertThat(Waking.StopCause.LINK_LOST.sign()).isFalse();
    }

    @Test
    public void plansThatCannotBeAreRefused() {
        assertThatThrownBy(() -> new Band(5, 6, 4, 0, 10)).hasMessageContaining("low to high");
        assertThatThrownBy(() -> new Clip("HT", Shows.WATTS)).hasMessageContaining("mains");
        assertThatThrownBy(() -> new RampPlan("r", RampKind.WHOLE, List.of(), true, OptionalDouble.empty(), List.of(RAIL, RAIL),
                List.of(PLAN.steps().getFirst()))).hasMessageContaining("same thing");
        assertThatThrownBy(() -> new RampPlan("r", RampKind.WHOLE, List.of(), true, OptionalDouble.empty(), List.of(RAIL),
                PLAN.steps())).hasMessageContaining("band");
    }

    @Test
    public void aStepSaysWhatItTellsFirst() {
        assertThat(RampTells.of(PLAN, 0)).containsExactly(RampTells.SHORTS, RampTells.SIGN);
        RampPlan out = new RampPlan("o", RampKind.WHOLE, List.of(), false, OptionalDouble.empty(), PLAN.clips(), PLAN.steps());
        assertThat(RampTells.of(out, 1)).as("with the valves out nothing draws").containsExactly(RampTells.HEATERS);
        assertThat(RampTells.of(PLAN, 1)).containsExactly(RampTells.HEATERS, RampTells.LOADED, RampTells.FULL);
    }

    private static Supply split() {
        return new Supply(Supply.Mains.of(230, 50), new Primary(20, 30, Optional.empty()), List.of(
                new Section.Winding("w1", 250, 120, true), new Section.Winding("w2", 40, 20, false),
                new Section.Winding("w3", 6.3, 0.1, false),
                Section.Rectify.of("V1", "w1", Section.Scheme.FULL_WAVE, RectifierModel.of(RectifierTechnology.SILICON), "HT"),
                Section.Filter.at("f1", "HT", new Section.Cap("C1", 32e-6, 2, 1e7)),
                new Section.Load("set", "HT", Section.Load.Kind.RESISTANCE, 5000),
                Section.Rectify.of("D1", "w2", Section.Scheme.HALF_WAVE, RectifierModel.of(RectifierTechnology.SILICON), "bias")
                        .negativeSide(),
                Section.Filter.at("f2", "bias", new Section.Cap("C2", 100e-6, 1, 1e7)),
                new Section.Load("grids", "bias", Section.Load.Kind.RESISTANCE, 10_000)));
    }

    /**
     * Common practice: a doubler from 195 V AC shows, at 40 V of 115 V mains and in standby, about 200 V DC and 2.6 V on its 6.3 V heater
     * line; half of that is no longer in the band.
     */
    @Test
    public void theDoublerOfTheTradeOnASlowRise() {
        Supply doubler = new Supply(Supply.Mains.of(115, 60), Primary.NONE, List.of(new Section.Winding("w", 195, 45, false),
                new Section.Doubler("D", "w", false, RectifierModel.of(RectifierTechnology.SILICON), "HT",
                        new Section.Cap("C1", 120e-6, 0.3, 1e8),
                        new Section.Cap("C2", 120e-6, 0.3, 1e8)),
                new Section.Load("set", "HT", Section.Load.Kind.CURRENT, 0.25)));
        Ramp standby = Ramp.of(doubler,
                new Ramp.Setup(Optional.empty(), Loads.OUT, List.of(RAIL, Clip.HEATERS), List.of(40 / 115.0),
                        OptionalDouble.of(6.3), Map.of()),
                Map.of(new Knob(Knob.MAINS, Knob.Which.MAINS_VOLTS), 0.02), 60, Watcher.NOBODY);
        assertThat(standby.band(0, RAIL).holds(200, true)).isTrue();
        assertThat(standby.band(0, RAIL).holds(100, true)).isFalse();
        assertThat(standby.band(0, Clip.HEATERS).holds(2.6, true)).isTrue();
        assertThat(standby.band(0, Clip.HEATERS).holds(3.2, true)).isFalse();
    }

    /** Alone a supply shows what it shows beside the other, but for what they share in the primary; bands end at the weakest part. */
    @Test
    public void suppliesThatStandByThemselves() {
        assertThat(SeparateSupplies.of(split())).extracting(SeparateSupplies.Part::rails).containsExactly(List.of("HT"),
                List.of("bias"));
        Supply stacked = split().with(
                Section.Rectify.of("D9", "w3", Section.Scheme.HALF_WAVE, RectifierModel.of(RectifierTechnology.SILICON), "top")
                        .from("HT"));
        assertThat(SeparateSupplies.of(stacked)).extracting(SeparateSupplies.Part::rails).as("one stands on the other")
                .containsExactly(List.of("HT", "top"), List.of("bias"));
        Supply bias = SeparateSupplies.only(split(), List.of("bias"));
        assertThat(bias.sections()).hasSize(4);
        Ramp.Setup setup = new Ramp.Setup(Optional.empty(), Loads.VALVES, List.of(BIAS, Clip.HEATERS, Clip.TAKEN),
                List.of(0.5, 1.0),
                OptionalDouble.of(6.3), Map.of("bias", 60.0));
        Ramp alone = Ramp.of(bias, setup, Map.of(), 1, Watcher.NOBODY);
        Ramp beside = Ramp.of(split(), setup, Map.of(), 1, Watcher.NOBODY);
        double volts = alone.band(1, BIAS).expected();
        assertThat(volts).isLessThan(beside.band(1, BIAS).expected()).isGreaterThan(-40 * Math.sqrt(2));
        assertThat(alone.band(1, BIAS).settlingLow()).as("C2 is made for 60 V").isGreaterThanOrEqualTo(-66);
        assertThat(alone.band(1, Clip.HEATERS)).as("common practice: 6.3 V within a tenth").satisfies(b -> {
            assertThat(b.expected()).isEqualTo(6.3);
            assertThat(b.holds(6.9, true)).isTrue();
            assertThat(b.holds(7.1, true)).isFalse();
            assertThat(b.holds(5.5, true)).isFalse();
        });
        // 30 W of heaters, and U²/R of what hangs on the rail: 57² / 10 kΩ is a third of a watt.
        assertThat(alone.band(1, Clip.TAKEN).expected()).isBetween(28.0, 32.0);
        assertThatThrownBy(() -> new Ramp.Setup(Optional.empty(), Loads.VALVES, List.of(Clip.HEATERS), List.of(1.0)))
                .hasMessageContaining("6.3 V");
    }
}
