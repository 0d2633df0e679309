package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.SteadyState;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.supply.Section.Cap;
import org.yellowhearth.core.supply.Section.Filter;
import org.yellowhearth.core.supply.Section.Load;
import org.yellowhearth.core.supply.Section.Rectify;
import org.yellowhearth.core.supply.Section.Scheme;
import org.yellowhearth.core.supply.Section.Winding;
import org.yellowhearth.core.supply.Supply.Mains;

/** Plausible supplies are all solved, impossible ones are refused with a reason. */
public class RandomSuppliesTest {
    /** All are solved; how many took more than twelve iterations. */
    private static long slow(long from, long to) {
        long slow = 0;
        for (long seed = from; seed < to; seed++) {
            Waveforms w = SteadyState.of(RandomSupplies.of(seed).circuit());
            slow += w.iterations() > 12 ? 1 : 0;
            assertThat(w.iterations()).as("seed " + seed).isLessThanOrEqualTo(24);
            assertThat(w.voltage("p0").mean()).as("seed " + seed).isBetween(-1.0, 2000.0);
        }
        return slow;
    }

    @Test
    public void aThousandPlausibleSuppliesAreSolvedInTwelveIterations() {
        assertThat(slow(0, 1000)).isZero();
    }

    @Test(groups = "long")
    public void tenThousandPlausibleSuppliesAreSolved() {
        // A regulator that holds a capacitor which hardly discharges can make the search run in circles, and begin again.
        assertThat(slow(1000, 10_000)).isLessThanOrEqualTo(9);
    }

    /** What flows into every capacitor over a period flows out again, whatever the supply: charge is neither made nor lost. */
    @Test
    public void inTheSteadyStateNoCapacitorKeepsCharge() {
        for (long seed = 20_000; seed < 20_100; seed++) {
            Supply supply = RandomSupplies.of(seed);
            Waveforms w = SteadyState.of(supply.circuit());
            supply.sections().stream().filter(Filter.class::isInstance).map(Filter.class::cast)
                    .flatMap(f -> f.shunt().stream().map(c -> new Object[]{c, f.to(), f.against()})).forEach(o -> {
                        Cap c = (Cap) o[0];
                        double through = w.current(c.part()).mean();
                        double leaks = w.voltage((String) o[1], (String) o[2]).mean() / (c.leakOhms() + c.esrOhms());
                        assertThat(through).as(c.part()).isCloseTo(leaks, within(2e-3 * w.current(c.part()).rms() + 1e-6));
                    });
        }
    }

    @DataProvider
    public Object[][] impossible() {
        Winding winding = new Winding("w", 20, 1, false);
        Load load = new Load("load", "b", Load.Kind.RESISTANCE, 100);
        Rectify bridge = Rectify.of("D1", "w", Scheme.BRIDGE, RectifierModel.silicon(), "b");
        return new Object[][]{
                {new Section[]{bridge, load}, "D1: is fed by “w”, which is no winding of this supply"},
                {new Section[]{winding, Rectify.of("D1", "w", Scheme.FULL_WAVE, RectifierModel.silicon(), "b"), load},
                        "no centre tap"},
                {new Section[]{winding, bridge, new Load("load", "c", Load.Kind.RESISTANCE, -5)}, "load: expected resistance"},
                {new Section[]{winding, bridge, Filter.at("f", "b", new Cap("C1", 0, 0, 1e6)), load}, "C1: expected capacitance"},
                {new Section[]{winding, bridge, load, new Load("load", "b", Load.Kind.RESISTANCE, 5)},
                        "load: names two sections"},
                {new Section[]{winding, bridge, Filter.at("f", "b", new Cap("C1", 1e-6, Double.NaN, 1e6)), load},
                        "series resistance"},
                {new Section[]{winding, bridge, load, new Section.Resist("x", "R9", "lost", "gone", 10)},
                        "node gone: has no path"}};
    }

    @Test(dataProvider = "impossible")
    public void whatCannotBeIsRefusedWithItsPlace(Section[] sections, String why) {
        assertThatThrownBy(() -> Supply.of(Mains.of(230, 50), sections).circuit()).isInstanceOf(BadCircuitException.class)
                .hasMessageContaining(why);
        assertThatThrownBy(() -> Mains.of(0, 50)).isInstanceOf(BadCircuitException.class).hasMessageContaining("mains");
        assertThatThrownBy(() -> Mains.of(Double.NaN, 50)).isInstanceOf(BadCircuitException.class);
    }
}
