package org.yellowhearth.core.reform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.assertj.core.data.Percentage;
import org.testng.annotations.Test;
import org.yellowhearth.core.reform.FormingCapacitor.Drive;

/** The stand-in capacitor against the closed forms of each of its laws. */
public class FormingCapacitorTest {
  private static final double FARADS = 32e-6;
  private static final double RATED = 450;
  private static final double BETA = 200;
  private static final double PER_COULOMB = 30;
  private static final FormingCapacitor.Heat COOL = new FormingCapacitor.Heat(1e-3, 1000);
  private static final FormingCapacitor.Flaw NONE = new FormingCapacitor.Flaw(0, 0, 2 * RATED);

  private static FormingCapacitor capacitor(
      double formed, double order, FormingCapacitor.Heat heat, FormingCapacitor.Flaw flaw) {
    return new FormingCapacitor(
        new FormingCapacitor.Make(
            FARADS,
            5,
            RATED,
            new FormingCapacitor.Oxide(formed, 20e-6, BETA, PER_COULOMB, order),
            heat,
            flaw));
  }

  /** Textbook: V = V0·(1 − exp(−t/RC)) while the oxide stands far above. */
  @Test
  public void itChargesThroughAResistor() {
    FormingCapacitor c = capacitor(5000, 1, COOL, NONE);
    double tau = 10e3 * FARADS;
    for (int k = 1; k <= 4; k++) {
      c.advance(Drive.supply(100, 10e3, 1), tau);
      assertThat(c.volts()).isCloseTo(100 * (1 - Math.exp(-k)), within(1.0));
    }
  }

  /** Textbook: V = I·t/C at constant current. */
  @Test
  public void aCurrentLimitChargesItInAStraightLine() {
    FormingCapacitor c = capacitor(5000, 1, COOL, NONE);
    c.advance(Drive.supply(400, 100, 2e-3), 3);
    assertThat(c.volts()).isCloseTo(2e-3 * 3 / FARADS, Percentage.withPercentage(1));
  }

  /** Textbook: V = V0·exp(−t/RC). */
  @Test
  public void aResistorEmptiesIt() {
    FormingCapacitor c = capacitor(5000, 1, COOL, NONE);
    c.advance(Drive.supply(400, 100, 1), 1);
    c.advance(Drive.discharge(50e3), 50e3 * FARADS);
    assertThat(c.volts()).isCloseTo(400 * Math.exp(-1), Percentage.withPercentage(1.5));
  }

  /**
   * Leakage of aluminium electrolytics at constant voltage falls as t^−n with n near 1 (published
   * power law, from memory). The law's own solution: dI/dt = −c·I², so 1/I grows in a straight line
   * with slope c = β·k·V/Vf².
   */
  @Test
  public void leakageFallsAsThePublishedPowerOfTime() {
    FormingCapacitor c = capacitor(440, 1, COOL, NONE);
    Drive drive = Drive.supply(450, 1, 0.1);
    c.advance(drive, 600);
    double first = 1 / c.leakage();
    double slope = BETA * PER_COULOMB * c.volts() / (c.formationVolts() * c.formationVolts());
    c.advance(drive, 6000);
    assertThat(1 / c.leakage() - first).isCloseTo(6000 * slope, Percentage.withPercentage(6));
    double early = c.leakage();
    c.advance(drive, 9 * 6600);
    assertThat(Math.log10(early / c.leakage()))
        .as("a decade of time, about a decade of current")
        .isCloseTo(1, within(0.06));
  }

  /** For formation that goes with I^m the exponent is 1/m. */
  @Test
  public void anotherOrderOfFormationGivesAnotherExponent() {
    FormingCapacitor c = capacitor(440, 1.3, COOL, NONE);
    Drive drive = Drive.supply(450, 1, 0.1);
    c.advance(drive, 3e5);
    double early = c.leakage();
    c.advance(drive, 27e5);
    assertThat(Math.log10(early / c.leakage())).isCloseTo(1 / 1.3, within(0.04));
  }

  /**
   * At the current limit the voltage follows the formation: dV/dt = k·I less what still charges the
   * plates.
   */
  @Test
  public void aLimitedCurrentFormsItVoltByVolt() {
    FormingCapacitor c = capacitor(150, 1, COOL, NONE);
    Drive drive = Drive.supply(450, 100, 2e-3);
    c.advance(drive, 60);
    double volts = c.volts();
    c.advance(drive, 600);
    double ratio = volts / c.formationVolts();
    assertThat(ratio).as("it stands above its formation").isGreaterThan(0.5);
    double charging = (c.volts() - volts) * FARADS;
    double expected = PER_COULOMB * (2e-3 * 600 - charging);
    assertThat(c.volts() - volts).isCloseTo(expected * 1.023, Percentage.withPercentage(6));
  }

  /** A steady defect leaves a plateau V·G; a textbook leak. */
  @Test
  public void aDefectLeavesAPlateau() {
    FormingCapacitor c = capacitor(5000, 1, COOL, new FormingCapacitor.Flaw(1e-6, 0, 2 * RATED));
    c.advance(Drive.supply(400, 100, 0.1), 1e5);
    assertThat(c.leakage()).isCloseTo(400e-6, Percentage.withPercentage(1));
  }

  /** Textbook: ΔT = P·Rth once warm, 1 − 1/e of it after one thermal time constant. */
  @Test
  public void itWarmsByItsOwnLeakage() {
    FormingCapacitor c =
        capacitor(
            1e5,
            1,
            new FormingCapacitor.Heat(10, 50),
            new FormingCapacitor.Flaw(1e-6, 0, 2 * RATED));
    c.advance(Drive.supply(400, 1, 1), 500);
    double end = 10 * 400 * 400e-6;
    assertThat(c.celsius() - 25).isCloseTo(end * (1 - Math.exp(-1)), Percentage.withPercentage(3));
    c.advance(Drive.supply(400, 1, 1), 5000);
    assertThat(c.celsius() - 25).isCloseTo(end, Percentage.withPercentage(2));
  }

  @Test
  public void aGrowingDefectRunsAway() {
    FormingCapacitor c = capacitor(440, 1, COOL, new FormingCapacitor.Flaw(1e-6, 1e-3, 2 * RATED));
    Drive drive = Drive.supply(450, 1000, 5e-3);
    c.advance(drive, 1000);
    double least = c.leakage();
    c.advance(drive, 2000);
    assertThat(c.leakage()).isGreaterThan(3 * least);
  }

  /**
   * On the shelf its oxide relaxes: leakage at the same voltage starts higher than it ended (common
   * practice).
   */
  @Test
  public void leakageRisesAgainOnTheShelf() {
    FormingCapacitor c = capacitor(430, 1, COOL, NONE);
    Drive drive = Drive.supply(450, 1000, 5e-3);
    c.advance(drive, 20_000);
    double ended = c.leakage();
    c.shelve(9, 0.05);
    assertThat(c.volts()).isZero();
    c.advance(drive, 30);
    assertThat(c.leakage()).isGreaterThan(1.5 * ended);
  }

  @Test
  public void aSupplyThatIsOffTakesNothingBack() {
    FormingCapacitor c = capacitor(5000, 1, COOL, NONE);
    c.advance(Drive.supply(300, 100, 1), 10);
    assertThat(c.supplied(Drive.supply(100, 100, 1))).isZero();
    c.advance(Drive.open(), 60);
    assertThat(c.volts()).isCloseTo(300, within(1.0));
  }

  @Test
  public void nonsenseIsRefused() {
    assertThatThrownBy(() -> new FormingCapacitor.Oxide(0, 1, 1, 1, 1))
        .hasMessageContaining("formation voltage");
    assertThatThrownBy(() -> capacitor(400, 1, COOL, NONE).advance(Drive.open(), -1))
        .hasMessageContaining("back");
    assertThatThrownBy(() -> Drive.supply(-5, 1, 1)).hasMessageContaining("-5");
  }
}
