package org.yellowhearth.records.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.Transient;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.supply.Knob.Which;
import org.yellowhearth.core.trace.Inrush;
import org.yellowhearth.core.trace.ModelValue;
import org.yellowhearth.core.trace.ModelValue.Origin;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.SupplyModel.View;
import org.yellowhearth.core.trace.TraceWords;

/** The supply of a set as it is described, its values from the census, and what becomes of it. */
public class SupplyModelTest {
    private static final String PARTS = "+ C1 32 MFD 450 V electrolytic reservoir; + C2 32 MFD 450 V electrolytic smoothing; + R1 1k 10% 5W;"
            + "+ D1 selenium rectifier 12 plates";
    private static final OptionalDouble NOTHING = OptionalDouble.empty();

    private static Optional<PartRef> part(String ref) {
        return Optional.of(PartRef.of(ref));
    }

    private static SupplyFilter filter(String id, String from, Optional<PartRef> through, String to, Optional<PartRef> shunt) {
        return new SupplyFilter(id, from, through, NOTHING, NOTHING, to, shunt, NOTHING, NOTHING, NOTHING, "");
    }

    private static SupplyRectifier rectifier(Optional<PartRef> part, SupplyRectifier.Make make) {
        return new SupplyRectifier("s2", "D1", part, "w", SupplyRectifier.Scheme.HALF_WAVE, make, NOTHING, NOTHING,
                OptionalInt.empty(), false, "HT", "", Optional.empty(), NOTHING, Optional.empty(), NOTHING, List.of());
    }

    private static Bench bench(SupplySection... more) {
        Bench b = Bench.of(1950).type(PARTS);
        describe(b, new SupplyMains("s0", 230, OptionalDouble.of(240), 50, NOTHING),
                new SupplyWinding("s1", "w", Optional.empty(), 230, OptionalDouble.of(60), false),
                rectifier(part("D1"), SupplyRectifier.Make.UNSTATED),
                filter("s3", "HT", Optional.empty(), "HT", part("C1")), filter("s4", "HT", part("R1"), "HT2", part("C2")),
                new SupplyLoad("s5", "set", "HT2", SupplyLoad.Kind.CURRENT, 0.05));
        describe(b, more);
        return b;
    }

    private static void describe(Bench b, SupplySection... sections) {
        for (SupplySection s : sections) {
            b.edit(new Edit.ItemChanged(b.job().item(s.id()), Optional.of(s)));
        }
    }

    private static SupplyModel model(Bench b, View view) {
        return SupplyModel.of(b.job(), VerdictTest.KNOWLEDGE, view, OptionalDouble.of(76));
    }

    private static ModelValue value(SupplyModel m, String element, Which which) {
        return m.values().stream().filter(v -> v.element().equals(element) && v.which() == which).findFirst().orElseThrow();
    }

    private static double volts(Bench b, View view, String point) {
        SupplyModel m = model(b, view);
        return SupplyFigures.of(m.supply().orElseThrow(), m.points()).points().stream().filter(p -> p.name().equals(point))
                .findFirst()
                .orElseThrow().dcVolts();
    }

    @Test
    public void everyValueSaysWhereItComesFrom() {
        Bench b = bench().type("C1 20u 15r @100; C1 2mA @450V; R1 1.3k; R1 1.2k in");
        SupplyModel drawn = model(b, View.AS_DRAWN);
        assertThat(value(drawn, "C1", Which.CAPACITANCE)).returns(Origin.MARKED, ModelValue::origin)
                .returns(32e-6, v -> v.value().value());
        assertThat(value(drawn, "C1", Which.SERIES_RESISTANCE).origin()).isEqualTo(Origin.ASSUMED);
        assertThat(value(drawn, "R1", Which.RESISTANCE).origin()).isEqualTo(Origin.MARKED);
        assertThat(drawn.supply().orElseThrow().mains().volts()).isEqualTo(230);
        SupplyModel now = model(b, View.AS_IT_IS);
        assertThat(value(now, "C1", Which.CAPACITANCE)).returns(Origin.MEASURED, ModelValue::origin);
        assertThat(value(now, "C1", Which.CAPACITANCE).value().value()).isCloseTo(20e-6, within(1e-9));
        assertThat(value(now, "C1", Which.SERIES_RESISTANCE).value().value()).isCloseTo(15, within(1e-9));
        assertThat(value(now, "C1", Which.LEAKAGE_RESISTANCE).value().value()).isCloseTo(450 / 2e-3, within(1e-6));
        assertThat(value(now, "R1", Which.RESISTANCE).value().value()).isEqualTo(1300);
        // Nobody measured C2: an electrolytic of its age has commonly lost some, and says that this is a guess.
        assertThat(value(now, "C2", Which.CAPACITANCE)).returns(Origin.GUESSED, ModelValue::origin);
        assertThat(value(now, "C2", Which.CAPACITANCE).value().value()).isBetween(15e-6, 31e-6);
        assertThat(now.supply().orElseThrow().mains().volts()).isEqualTo(240);
    }

    @Test
    public void whatIsTypedRules() {
        Bench b = bench(new SupplyFilter("s4", "HT", part("R1"), OptionalDouble.of(470), NOTHING, "HT2", part("C2"),
                OptionalDouble.of(47e-6), OptionalDouble.of(0.5), OptionalDouble.of(2e6), "0")).type("R1 1.3k; C2 10u @100");
        SupplyModel now = model(b, View.AS_IT_IS);
        assertThat(value(now, "R1", Which.RESISTANCE)).returns(Origin.TYPED, ModelValue::origin).returns(470.0,
                v -> v.value().value());
        assertThat(value(now, "C2", Which.CAPACITANCE)).returns(Origin.TYPED, ModelValue::origin).returns(47e-6,
                v -> v.value().value());
        assertThat(value(now, "C2", Which.LEAKAGE_RESISTANCE).value().value()).isEqualTo(2e6);
    }

    @DataProvider
    public Object[][] holes() {
        return new Object[][]{{filter("s6", "HT", Optional.empty(), "HT", part("C9")), TraceWords.NO_SUCH_PART},
                {filter("s6", "HT", Optional.empty(), "HT", part("R1")), TraceWords.WRONG_SORT},
                {filter("s6", "HT", Optional.empty(), "x", part("C1")), TraceWords.VALUE_MISSING},
                {filter("s6", "HT", part("R9"), "x", part("C1")), TraceWords.NO_SUCH_PART}};
    }

    @Test(dataProvider = "holes")
    public void whatIsMissingIsSaidAndNothingIsWorkedOut(SupplySection hole, TraceWords why) {
        SupplyModel m = model(bench(hole), View.AS_DRAWN);
        assertThat(m.supply()).isEmpty();
        assertThat(m.missing().getFirst().key()).isEqualTo(why);
        assertThat(m.missing().getFirst().arguments().getFirst().toString()).contains("s6");
    }

    @Test
    public void nothingDescribedAndWhatCannotBeAreSentences() {
        assertThat(model(Bench.of(1950), View.AS_DRAWN).missing().getFirst().key()).isEqualTo(TraceWords.NOTHING_DESCRIBED);
        SupplyModel m = model(bench(new SupplyWinding("s1", "v", Optional.empty(), 230, NOTHING, false)), View.AS_DRAWN);
        SupplyFigures f = SupplyFigures.of(m.supply().orElseThrow(), m.points());
        assertThat(f.trouble().orElseThrow().key()).isEqualTo(TraceWords.CANNOT_BE);
        assertThat(f.points()).isEmpty();
    }

    @Test
    public void agedPartsAndTheMainsMoveTheRails() {
        Bench sound = bench(new SupplyMains("s0", 230, NOTHING, 50, NOTHING));
        double drawn = volts(sound, View.AS_DRAWN, "HT");
        // A reservoir at a seventh of its marking lets the rail sag (common practice).
        Bench worn = bench(new SupplyMains("s0", 230, NOTHING, 50, NOTHING)).type("C1 4.5u 60r @100");
        assertThat(volts(worn, View.AS_IT_IS, "HT")).isLessThan(0.93 * drawn);
        // Higher mains lifts it in proportion, as nearly as a constant current and the rectifier's drop let it.
        Bench high = bench(new SupplyMains("s0", 230, OptionalDouble.of(253), 50, NOTHING));
        assertThat(volts(high, View.AS_IT_IS, "HT") - volts(sound, View.AS_IT_IS, "HT")).isBetween(23.0, 23 * 1.6);
    }

    @Test
    public void aRegulatorAndItsDropoutAreFollowed() {
        Bench b = Bench.of(1985).type("+ C1 2200u 35V electrolytic reservoir");
        describe(b, new SupplyWinding("s1", "w", Optional.empty(), 15, OptionalDouble.of(0.5), false),
                new SupplyRectifier("s2", "B1", Optional.empty(), "w", SupplyRectifier.Scheme.BRIDGE,
                        SupplyRectifier.Make.SILICON, NOTHING, NOTHING,
                        OptionalInt.empty(), false, "raw", "", Optional.empty(), NOTHING, Optional.empty(), NOTHING, List.of()),
                filter("s3", "raw", Optional.empty(), "raw", part("C1")),
                new SupplyRegulator("s4", "U1", Optional.empty(), SupplyRegulator.Kind.SERIES, "raw", "out", false, 12, NOTHING,
                        NOTHING, "", NOTHING),
                new SupplyLoad("s5", "set", "out", SupplyLoad.Kind.CURRENT, 0.5));
        assertThat(volts(b, View.AS_DRAWN, "out")).isCloseTo(12, within(0.05));
        // With a tenth of the reservoir the valley falls below 12 V and dropout, and the output with it.
        b.type("C1 220u 0.5r @100");
        assertThat(volts(b, View.AS_IT_IS, "out")).isLessThan(11.8);
    }

    @Test
    public void switchingOnShowsTheSurgeAndTheHighestRail() {
        SupplyModel m = model(bench(), View.AS_DRAWN);
        Inrush i = Inrush.of(m.supply().orElseThrow(), m.points(), Transient.Watcher.NOBODY).orElseThrow();
        // Never more than crest by the winding's resistance; the stack of selenium takes its share.
        assertThat(i.peakAmperes()).isLessThan(230 * Math.sqrt(2) / 60).isGreaterThan(1);
        assertThat(i.rectifier()).isEqualTo("D1");
        assertThat(i.rails().getFirst().highestVolts()).isLessThan(230 * Math.sqrt(2));
        assertThat(i.rails().getFirst().secondsToNineTenths()).isPresent();
    }
}
