package org.yellowhearth.core.trace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.Test;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Message;

/** The small sums beside the supply model, by hand-worked examples of the textbook formulas. */
public class SideSumsTest {
  /**
   * Charging through R: v = V(1 − e^(−t/RC)), so 63.2 % after one time constant (any textbook of
   * circuits).
   */
  @Test
  public void aRelayActsAfterItsTimeConstant() {
    SideSums.Delay sound =
        SideSums.delay(24, 100_000, 10e-6, Double.POSITIVE_INFINITY, 24 * (1 - Math.exp(-1)));
    assertThat(sound.endVolts()).isEqualTo(24);
    assertThat(sound.secondsConstant()).isCloseTo(1, within(1e-12));
    assertThat(sound.delaySeconds()).hasValueCloseTo(1.0, within(1e-9));
    // A leak as large as the resistor halves both what it comes to and its time constant.
    SideSums.Delay leaky = SideSums.delay(24, 100_000, 10e-6, 100_000, 6);
    assertThat(leaky.endVolts()).isEqualTo(12);
    assertThat(leaky.secondsConstant()).isCloseTo(0.5, within(1e-12));
    assertThat(leaky.delaySeconds()).hasValueCloseTo(0.5 * Math.log(2), within(1e-12));
    assertThat(SideSums.delay(24, 100_000, 10e-6, 50_000, 9).delaySeconds())
        .as("comes to 8 V only")
        .isEmpty();
    assertThatThrownBy(() -> SideSums.delay(24, 0, 1e-6, 1, 1))
        .isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  public void dividersAndControls() {
    assertThat(SideSums.divider(300, 200_000, 100_000, Double.POSITIVE_INFINITY))
        .isCloseTo(100, within(1e-9));
    assertThat(SideSums.divider(300, 200_000, 100_000, 100_000)).isCloseTo(60, within(1e-9));
    SideSums.Reach r = SideSums.adjuster(-60, 10_000, 20_000, 30_000);
    assertThat(r.lowest()).isCloseTo(-50, within(1e-9));
    assertThat(r.highest()).isCloseTo(-30, within(1e-9));
    assertThatThrownBy(() -> SideSums.adjuster(10, 1, 0, 1))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /**
   * Ta + P·θ: 3 W through 50 K/W, a TO-220 without its sink (common practice), is 175 °C at 25 °C.
   */
  @Test
  public void aRegulatorWithoutItsSinkBurns() {
    assertThat(SideSums.junctionCelsius(25, 3, 50)).isCloseTo(175, within(1e-9));
    assertThatThrownBy(() -> SideSums.junctionCelsius(25, -1, 50))
        .isInstanceOf(IllegalArgumentException.class);
  }

  /**
   * No earthed instrument on a live chassis, no bench meter above what it stands (common practice).
   */
  @Test
  public void anInstrumentIsCheckedBeforeItIsSuggested() {
    SetPlate plate = SetPlate.named("Test set");
    assertThat(MeterCheck.of(plate.with(p -> p.chassis = SetPlate.Chassis.ISOLATED), 250))
        .isEmpty();
    assertThat(MeterCheck.of(plate.with(p -> p.chassis = SetPlate.Chassis.LIVE), 110))
        .extracting(Message::key)
        .containsExactly(TraceWords.METER_LIVE_CHASSIS);
    assertThat(MeterCheck.of(plate, -700))
        .extracting(Message::key)
        .containsExactly(TraceWords.METER_CHASSIS_UNKNOWN, TraceWords.METER_RATING);
    assertThat(
            MeterCheck.of(
                plate.with(p -> p.chassis = SetPlate.Chassis.FLOATING_HIGH_VOLTAGE), 4000))
        .extracting(Message::key)
        .containsExactly(TraceWords.METER_FLOATING, TraceWords.METER_PROBE);
  }
}
