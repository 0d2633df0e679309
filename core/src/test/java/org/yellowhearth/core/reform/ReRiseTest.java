package org.yellowhearth.core.reform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import org.testng.annotations.Test;
import org.yellowhearth.core.reform.FormingCapacitor.Drive;

/** Leakage after a rest. */
public class ReRiseTest {
  /**
   * The figure is that of the simulated oxide: formed, laid away for a week, and put under the same
   * voltage.
   */
  @Test
  public void itIsWhatTheOxideDoes() {
    FormingCapacitor c =
        new FormingCapacitor(
            new FormingCapacitor.Make(
                32e-6,
                3,
                450,
                new FormingCapacitor.Oxide(500, 1e-4, 22, 1e-9, 1),
                new FormingCapacitor.Heat(10, 60),
                new FormingCapacitor.Flaw(0, 0, 600)));
    Drive supply = Drive.supply(450, 100, 0.01);
    c.advance(supply, 3000);
    double before = c.leakage();
    c.shelve(7, 0.03);
    c.advance(supply, 100);
    assertThat(c.leakage() / before)
        .isCloseTo(ReRise.after(Duration.ofDays(7)).high(), within(0.01));
  }

  /** Common practice: hardly anything overnight, several times after years on the shelf. */
  @Test
  public void littleAfterANightMuchAfterYears() {
    assertThat(ReRise.after(Duration.ZERO).high()).isEqualTo(1);
    assertThat(ReRise.after(Duration.ofHours(12)).high()).isLessThan(1.2);
    ReRise years = ReRise.after(Duration.ofDays(3650));
    assertThat(years.low()).isGreaterThan(1.3);
    assertThat(years.high()).isGreaterThan(5);
  }
}
