package org.yellowhearth.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SeriesEquivalentTest {
  /** Common practice: readings at 100 Hz and the series resistance restorers know they mean. */
  @DataProvider
  public Object[][] benchReadings() {
    return new Object[][] { //
      {5.5e-6, 5.5, 1500, 8}, //
      {7e-6, 2.0, 500, 12}, //
      {32e-6, 0.4, 23, 15},
      {32e-6, 0.5, 26, 5}, //
      {14e-6, 1.4, 150, 7}, //
      {10e-6, 0.05, 8, 1}
    };
  }

  @Test(dataProvider = "benchReadings")
  public void seriesResistanceFollowsFromCapacitanceAndDissipation(
      double farads, double d, double ohms, double percent) {
    assertThat(SeriesEquivalent.esr(d, 100, farads))
        .isCloseTo(ohms, Percentage.withPercentage(percent));
  }

  @Test
  public void threeOfTheFourFixTheFourth() {
    Random random = new Random(20);
    for (int i = 0; i < 2000; i++) {
      double farads = Math.pow(10, -12 + 9 * random.nextDouble());
      double d = Math.pow(10, -3 + 4 * random.nextDouble());
      double hertz = Math.pow(10, 1 + 5 * random.nextDouble());
      double esr = SeriesEquivalent.esr(d, hertz, farads);
      assertThat(SeriesEquivalent.dissipation(farads, esr, hertz)).isCloseTo(d, within(d * 1e-12));
      assertThat(SeriesEquivalent.frequency(d, farads, esr))
          .isCloseTo(hertz, within(hertz * 1e-12));
    }
  }

  /**
   * Against complex arithmetic written out: the series branch and the parallel one must have the
   * same impedance.
   */
  @Test
  public void seriesAndParallelAreTheSameImpedance() {
    Random random = new Random(21);
    for (int i = 0; i < 2000; i++) {
      double cs = Math.pow(10, -10 + 6 * random.nextDouble());
      double d = Math.pow(10, -2 + 3 * random.nextDouble());
      double omega = 2 * Math.PI * 100;
      double cp = SeriesEquivalent.parallelFromSeries(cs, d);
      double esr = SeriesEquivalent.esr(d, 100, cs);
      double conductance = omega * cp * d;
      double susceptance = omega * cp;
      double square = conductance * conductance + susceptance * susceptance;
      assertThat(conductance / square).isCloseTo(esr, within(esr * 1e-9));
      assertThat(susceptance / square).isCloseTo(1 / (omega * cs), within(1e-9 / (omega * cs)));
      assertThat(SeriesEquivalent.seriesFromParallel(cp, d)).isCloseTo(cs, within(cs * 1e-12));
    }
  }

  @Test
  public void impedanceIsTheHypotenuse() {
    // 3 Ω of resistance and 4 Ω of reactance.
    double farads = 1 / (2 * Math.PI * 50 * 4);
    assertThat(SeriesEquivalent.impedance(farads, 3, 50)).isCloseTo(5, within(1e-12));
  }
}
