package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.function.DoubleUnaryOperator;
import org.testng.annotations.Test;

/**
 * The closed forms of a switching converter against the waveforms they stand for, summed step by
 * step.
 */
public class ConverterTest {
  private static final int STEPS = 400_000;
  private static final double HERTZ = 60_000;
  private static final double DUTY = 0.37;
  private static final double FARADS = 470e-6;
  private static final double ESR = 0.045;

  /**
   * What a capacitor shows whose current is given over a period, whose mean is nothing: RMS
   * current, peak to peak volts.
   */
  private static double[] stepped(DoubleUnaryOperator amperesAtShare) {
    double square = 0;
    double charge = 0;
    double low = Double.POSITIVE_INFINITY;
    double high = Double.NEGATIVE_INFINITY;
    for (int k = 0; k < STEPS; k++) {
      double i = amperesAtShare.applyAsDouble((k + 0.5) / STEPS);
      square += i * i / STEPS;
      charge += i / STEPS / HERTZ;
      low = Math.min(low, charge / FARADS + i * ESR);
      high = Math.max(high, charge / FARADS + i * ESR);
    }
    return new double[] {Math.sqrt(square), high - low};
  }

  @Test
  public void aFlybackOutputIsFedInTheOtherPartOfTheCycle() {
    double amperes = 2.2;
    double[] seen = stepped(s -> s < DUTY ? -amperes : amperes * DUTY / (1 - DUTY));
    Converter.Ripple r = Converter.flyback(amperes, DUTY, HERTZ, FARADS, ESR);
    assertThat(r.capacitorAmperes()).isCloseTo(seen[0], within(1e-5 * seen[0]));
    assertThat(r.peakToPeak()).isCloseTo(seen[1], within(1e-3 * seen[1]));
  }

  @Test
  public void aForwardOutputSeesATriangle() {
    double volts = 12;
    double henries = 40e-6;
    double swing = volts * (1 - DUTY) / (HERTZ * henries);
    double[] seen =
        stepped(s -> s < DUTY ? swing * (s / DUTY - 0.5) : swing * (0.5 - (s - DUTY) / (1 - DUTY)));
    Converter.Ripple r = Converter.forward(volts, DUTY, HERTZ, henries, FARADS, ESR);
    assertThat(r.capacitorAmperes()).isCloseTo(seen[0], within(1e-5 * seen[0]));
    assertThat(seen[1])
        .as("the parts do not peak together")
        .isBetween(0.999 * Math.max(r.byCharge(), r.byResistance()), r.peakToPeak());
  }

  /**
   * The charging of a capacitor from a source behind a resistor that a current and a leak pull at,
   * in small steps.
   */
  @Test
  public void theControllerStartsWhenItsCapacitorIsThere() {
    double bus = 310;
    double v = 0;
    double seconds = 0;
    double step = 1e-5;
    while (v < 16) {
      v += step * ((bus - v) / 220_000 - 0.0003 - v / 60_000) / 47e-6;
      seconds += step;
    }
    assertThat(Converter.startSeconds(bus, 220_000, 47e-6, 16, 0.0003, 60_000).orElseThrow())
        .isCloseTo(seconds, within(1e-3 * seconds));
    assertThat(Converter.startSeconds(bus, 220_000, 47e-6, 16, 0.0003, 12_000))
        .as("its leak keeps it below")
        .isEmpty();
    assertThat(Converter.startSeconds(bus, 220_000, 47e-6, 16, 0.0015, 1e9))
        .as("the controller takes all there is")
        .isEmpty();
  }

  /**
   * Common practice: a start-up capacitor of 47 µF dried out to a tenth makes the converter try and
   * try again.
   */
  @Test
  public void aDriedOutStartCapacitorDoesNotCarryTheStart() {
    double least = Converter.leastStartFarads(0.015, 0.01, 16, 10);
    assertThat(least).isCloseTo(25e-6, within(1e-9));
    assertThat(4.7e-6).isLessThan(least);
    assertThat(47e-6).isGreaterThan(least);
  }
}
