package org.yellowhearth.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class QuantityTest {
  /**
   * Common practice: how the trade writes figures; capacitance in µF and pF, three significant
   * figures.
   */
  @DataProvider
  public Object[][] written() {
    return new Object[][] { //
      {8e-6, Unit.FARAD, "8 µF"}, //
      {0.05e-6, Unit.FARAD, "0.05 µF"}, //
      {1e-9, Unit.FARAD, "0.001 µF"}, //
      {999.4e-12, Unit.FARAD, "999 pF"}, //
      {0.99951e-9, Unit.FARAD, "0.001 µF"}, //
      {470e-12, Unit.FARAD, "470 pF"}, //
      {2200e-6, Unit.FARAD, "2200 µF"}, //
      {4700, Unit.OHM, "4.7 kΩ"}, //
      {999.6, Unit.OHM, "1 kΩ"}, //
      {0.068, Unit.OHM, "68 mΩ"}, //
      {2.2e6, Unit.OHM, "2.2 MΩ"}, //
      {3e9, Unit.OHM, "3 GΩ"}, //
      {6.2e-4, Unit.AMPERE, "620 µA"}, //
      {1.2e-3, Unit.AMPERE, "1.2 mA"}, //
      {450, Unit.VOLT, "450 V"}, //
      {1500, Unit.VOLT, "1.5 kV"}, //
      {0.0421, Unit.VOLT, "42.1 mV"}, //
      {100, Unit.HERTZ, "100 Hz"}, //
      {100_000, Unit.HERTZ, "100 kHz"}, //
      {2.4, Unit.RATIO, "2.4"}, //
      {0, Unit.OHM, "0 Ω"}, //
      {-0.5, Unit.VOLT, "-500 mV"}, //
      {57.04, Unit.PERCENT, "57 %"}, //
      {20, Unit.OHM_FARAD, "20 s"}
    };
  }

  @Test(dataProvider = "written")
  public void aFigureIsWrittenAsTheTradeWritesIt(double value, Unit unit, String text) {
    assertThat(Quantity.of(value, unit)).hasToString(text);
  }

  @Test
  public void aFigureThatCannotBeShownIsRefused() {
    assertThatThrownBy(() -> Quantity.volts(Double.NaN))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> Quantity.ohms(Double.POSITIVE_INFINITY))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void aFractionIsShownAsPerCent() {
    assertThat(Quantity.percent(0.475)).hasToString("47.5 %");
  }
}
