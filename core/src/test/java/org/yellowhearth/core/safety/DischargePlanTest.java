package org.yellowhearth.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class DischargePlanTest {
  /** t = RC·ln(V0/V), E = CV²/2: 32 µF at 400 V through 10 kΩ, worked by hand (textbook). */
  @Test
  public void theFiguresAreThoseOfTheTextbook() {
    DischargePlan p = new DischargePlan(32e-6, 400, 0.1, 10e3);
    assertThat(p.energy()).isCloseTo(2.56, within(1e-12));
    assertThat(p.timeConstant()).isCloseTo(0.32, within(1e-12));
    assertThat(p.secondsTo(60)).isCloseTo(0.607078, within(1e-5));
    assertThat(p.secondsTo(1)).isCloseTo(1.917268, within(1e-5));
    assertThat(p.secondsTo(500)).isZero();
    assertThat(p.peakAmperes()).isCloseTo(0.04, within(1e-12));
    assertThat(p.peakWatts()).isCloseTo(16, within(1e-12));
    assertThat(p.forgottenWatts()).hasValue(20);
    assertThat(p.reboundVolts()).isCloseTo(400 / 11.0, within(1e-9));
  }

  /**
   * Five times the rating for five seconds (common practice): a pulse of E joules within that wants
   * E/25 watts.
   */
  @Test
  public void thePulseRatingFollowsTheEnergyOfAShortPulse() {
    DischargePlan p = new DischargePlan(1000e-6, 400, 0.1, 1e3);
    assertThat(p.energy()).isCloseTo(80, within(1e-9));
    assertThat(p.pulseWatts()).as("80 J / 25 s = 3.2 W").hasValue(5);
    assertThat(p.through(100e3).pulseWatts())
        .as("1.6 W for minutes, a fifth of it counts")
        .hasValue(0.5);
    assertThat(new DischargePlan(1, 400, 0, 1).pulseWatts()).as("more than is made").isEmpty();
  }

  @DataProvider
  public Object[][] stores() {
    return new Object[][] {
      {32e-6, 400}, {10e-3, 59}, {0.1e-6, 700}, {2e-9, 18_000}, {4700e-6, 60}, {1e-12, 1}
    };
  }

  @Test(dataProvider = "stores")
  public void theSuggestedResistorIsQuickAndGentle(double farads, double volts) {
    DischargePlan p = DischargePlan.suggested(farads, volts, 0.1);
    assertThat(p.peakAmperes()).isLessThanOrEqualTo(volts > DischargePlan.HIGH_VOLTS ? 0.005 : 0.5);
    assertThat(p.secondsTo(1)).isLessThan(60);
    assertThat(p.curve(50).getLast().volts()).isLessThanOrEqualTo(Math.max(0.11, volts / 2 * 1.01));
  }

  /**
   * Bounds of NFPA 70E article 360 and DOE-HDBK-1092, from memory; 17 J at 59 V is the trade's own
   * warning (common practice).
   */
  @DataProvider
  public Object[][] hazards() {
    return new Object[][] {
      {59, 0.1, HazardClass.SLIGHT},
      {59, 17.4, HazardClass.BURN},
      {61, 0.01, HazardClass.STARTLE},
      {90, 12, HazardClass.SHOCK},
      {150, 0.9, HazardClass.STARTLE},
      {150, 1.1, HazardClass.SHOCK},
      {450, 0.2, HazardClass.STARTLE},
      {450, 0.3, HazardClass.SHOCK},
      {450, 10.1, HazardClass.LETHAL},
      {-450, 10.1, HazardClass.LETHAL}
    };
  }

  @Test(dataProvider = "hazards")
  public void theHazardFollowsVoltsAndJoules(double volts, double joules, HazardClass expected) {
    assertThat(HazardClass.of(volts, joules)).isEqualTo(expected);
  }

  @Test
  public void nonsenseIsRefused() {
    assertThatThrownBy(() -> new DischargePlan(-1, 400, 0, 1))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new DischargePlan(1e-6, Double.NaN, 0, 1))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
