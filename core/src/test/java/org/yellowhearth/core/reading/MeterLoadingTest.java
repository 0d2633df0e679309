package org.yellowhearth.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.reading.MeterLoading.Meter;

/** A voltmeter across a node: the divider of any textbook; the examples are worked by hand. */
public class MeterLoadingTest {
  @DataProvider
  public Object[][] nodes() {
    return new Object[][] {
      // Half of the voltage where meter and source are alike: 1 kΩ/V on 250 V is 250 kΩ.
      {Meter.ONE_KILOHM_PER_VOLT, 250, 250e3, 200, 100.0},
      // 20 kΩ/V on 300 V is 6 MΩ; 6/(6 + 1) of 140 V.
      {Meter.TWENTY_KILOHMS_PER_VOLT, 300, 1e6, 140, 120.0},
      {Meter.TEN_MEGOHMS, 1, 2.5e6, 100, 80.0},
      {Meter.ELEVEN_MEGOHMS, 1, 1e6, 12, 11.0},
      {Meter.ELEVEN_MEGOHMS, 1000, 1e6, 12, 11.0},
      {Meter.TEN_MEGOHMS, 1, 0.0, 250, 250.0}
    };
  }

  @Test(dataProvider = "nodes")
  public void showsWhatTheDividerLeaves(
      Meter meter, double range, double source, double volts, double shown) {
    MeterLoading loading = meter.on(range);
    assertThat(loading.shows(volts, source)).isCloseTo(shown, within(1e-9 * volts));
    assertThat(loading.without(shown, source)).isCloseTo(volts, within(1e-9 * volts));
  }

  @Test
  public void aHigherRangeLoadsLessAndBothWaysMeet() {
    Random random = new Random(5);
    for (int i = 0; i < 1000; i++) {
      double source = Math.pow(10, 2 + 5 * random.nextDouble());
      double low = Meter.TWENTY_KILOHMS_PER_VOLT.on(50).shows(40, source);
      double high = Meter.TWENTY_KILOHMS_PER_VOLT.on(500).shows(40, source);
      assertThat(high).isGreaterThan(low).isLessThan(40);
      assertThat(Meter.TWENTY_KILOHMS_PER_VOLT.on(50).without(low, source))
          .isCloseTo(40, within(1e-9));
    }
  }

  @Test
  public void refusesWhatNoMeterAndNoNodeIs() {
    assertThatThrownBy(() -> Meter.ONE_KILOHM_PER_VOLT.on(0))
        .hasMessageContaining("the range in volts above zero");
    assertThatThrownBy(() -> new MeterLoading(Double.NaN)).hasMessageContaining("above zero");
    assertThatThrownBy(() -> Meter.TEN_MEGOHMS.on(1).shows(10, -1))
        .hasMessageContaining("0 Ω or more");
  }
}
