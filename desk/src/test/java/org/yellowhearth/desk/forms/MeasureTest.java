package org.yellowhearth.desk.forms;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Fields understand figures as people write them (IEC 60062 letters for the point, from memory),
 * and nothing else.
 */
public class MeasureTest {
  @DataProvider
  public Object[][] figures() {
    return new Object[][] {
      {Measure.VOLTS, "230", 230},
      {Measure.VOLTS, "230 V", 230},
      {Measure.VOLTS, "14 kV", 14e3},
      {Measure.VOLTS, "3,6V", 3.6},
      {Measure.HERTZ, "50", 50},
      {Measure.HERTZ, "0", 0},
      {Measure.AMPERES, "250 mA", 0.25},
      {Measure.OHMS, "4k7", 4700},
      {Measure.OHMS, "12 MΩ", 12e6},
      {Measure.OHMS, "33", 33},
      {Measure.FARADS, "8 µF", 8e-6},
      {Measure.FARADS, "2nF", 2e-9},
      {Measure.WATTS, "60 W", 60},
      {Measure.WATTS, "60", 60},
      {Measure.KILOGRAMS, "22 kg", 22},
      {Measure.HENRIES, "10 H", 10},
      {Measure.HENRIES, "10", 10},
      {Measure.HENRIES, "500 mH", 0.5},
      {Measure.HOURS, "4.5", 4.5},
      {Measure.CELSIUS, "18 °C", 18},
      {Measure.PLAIN, "120", 120}
    };
  }

  @Test(dataProvider = "figures")
  public void figuresAreReadAndWrittenBack(Measure measure, String text, double value) {
    double read = measure.read(text).orElseThrow();
    assertThat(read).isCloseTo(value, within(1e-12 + 1e-9 * value));
    assertThat(measure.read(measure.write(OptionalDouble.of(read))).orElseThrow())
        .isCloseTo(value, within(1e-3 * value));
  }

  @DataProvider
  public Object[][] nonsense() {
    return new Object[][] {
      {Measure.VOLTS, "twelve"},
      {Measure.VOLTS, "5 A"},
      {Measure.OHMS, "5 V"},
      {Measure.FARADS, "8"},
      {Measure.WATTS, "60 kg"},
      {Measure.HERTZ, "50..1"},
      {Measure.PLAIN, "1,000"},
      {Measure.PLAIN, "5 µF"}
    };
  }

  @Test(dataProvider = "nonsense")
  public void nonsenseIsRefusedWithAnExample(Measure measure, String text) {
    assertThatThrownBy(() -> measure.read(text))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(text)
        .hasMessageContaining(measure.example());
  }

  @Test
  public void nothingTypedIsNothingSaid() {
    assertThat(Measure.VOLTS.read("  ")).isEmpty();
    assertThat(Measure.VOLTS.write(OptionalDouble.empty())).isEmpty();
  }
}
