package org.yellowhearth.desk.forms;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What manuals print of a point: ranges, per cent, volts either way (common practice). */
public class PromisedTest {
  private static final Double NONE = null;

  @DataProvider
  public Object[][] printed() {
    return new Object[][] {
      {"-40 to -75 V", "", -57.5, 17.5},
      {"−40 … −75", "", -57.5, 17.5},
      {"from 180 V to 220 V", "", 200, 20},
      {"between 180 and 220", "", 200, 20},
      {"5.8...6.8 V", "", 6.3, 0.5},
      {"180 - 220", "", 200, 20},
      {"264", "5", 264, 13.2},
      {"264 V", "± 5 %", 264, 13.2},
      {"13.8", "0.1 V", 13.8, 0.1},
      {"-54", "±2V", -54, 2}
    };
  }

  @Test(dataProvider = "printed")
  public void itIsReadAsItIsPrinted(String volts, String tolerance, double middle, double either) {
    Promised p = Promised.read(volts, tolerance);
    assertThat(p.volts().orElseThrow()).isCloseTo(middle, within(1e-9));
    assertThat(p.tolerance().orElseThrow() * Math.abs(middle)).isCloseTo(either, within(1e-9));
  }

  @Test
  public void acIsHeard() {
    assertThat(Promised.read("6.3 V AC", "10").alternating()).isTrue();
    assertThat(Promised.read("6.3VAC", "").volts().orElseThrow()).isEqualTo(6.3);
    assertThat(Promised.read("5.8 to 6.8 V ac", "").alternating()).isTrue();
    assertThat(Promised.read("6.3", "").alternating()).isFalse();
  }

  @DataProvider
  public Object[][] limits() {
    return new Object[][] {
      {"2", "V", 0.02, NONE},
      {"± 2 %", "V", 0.02, NONE},
      {"5 ppm", "Hz", 5e-6, NONE},
      {"3 mHz", "Hz", NONE, 0.003},
      {"3m", "Hz", NONE, 0.003},
      {"0.1 dB", "dBm", NONE, 0.1},
      {"0,1 V", "V", NONE, 0.1},
      {"2 kHz", "Hz", NONE, 2000.0}
    };
  }

  /** Limits as papers print them (common practice). */
  @Test(dataProvider = "limits")
  public void aLimitIsReadAsItIsPrinted(String typed, String unit, Double share, Double absolute) {
    Within w = Within.read(typed, unit);
    assertThat(w.share().isPresent() ? w.share().getAsDouble() : null).isEqualTo(share);
    assertThat(w.absolute().isPresent() ? w.absolute().getAsDouble() : null).isEqualTo(absolute);
  }

  @Test
  public void whatIsNoLimitIsRefused() {
    assertThatThrownBy(() -> Within.read("much", "V")).hasMessageContaining("much");
    assertThatThrownBy(() -> Within.read("2 apples", "V")).hasMessageContaining("apples");
    assertThat(Within.read(" ", "V").share()).isEmpty();
  }

  @Test
  public void withoutToleranceNothingIsSaidOfIt() {
    assertThat(Promised.read("250 V", "").tolerance()).isEmpty();
    assertThat(Promised.read("", "5").volts()).isEmpty();
    assertThat(Promised.read("-12 V", "").volts().orElseThrow()).isEqualTo(-12);
  }

  @Test
  public void whatIsNoVoltageIsRefused() {
    assertThatThrownBy(() -> Promised.read("-5 to 5 V", "")).hasMessageContaining("-5 to 5 V");
    assertThatThrownBy(() -> Promised.read("much", "")).hasMessageContaining("much");
    assertThatThrownBy(() -> Promised.read("10 to plenty", "")).hasMessageContaining("plenty");
  }
}
