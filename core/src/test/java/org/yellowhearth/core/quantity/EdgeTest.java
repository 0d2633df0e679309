package org.yellowhearth.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Random;
import org.testng.annotations.Test;

/**
 * What lies at a limit is inside, as on paper: decimal arithmetic (the JDK's BigDecimal) is the
 * reference.
 */
public class EdgeTest {
  @Test
  public void theSixteenthDigitDecidesNothing() {
    assertThat(Math.abs(13.7 - 13.8) <= 0.1).as("what doubles make of it").isFalse();
    assertThat(Edge.near(13.7, 13.8, 0.1)).isTrue();
    assertThat(Edge.near(13.6999, 13.8, 0.1)).isFalse();
    assertThat(Edge.near(10_000_000.003, 10_000_000, 0.003)).isTrue();
    assertThat(Edge.near(10_000_000.0031, 10_000_000, 0.003)).isFalse();
    assertThat(Edge.within(-54, -75, -40)).isTrue();
    assertThat(Edge.atMost(Double.NaN, 1) || Edge.atLeast(Double.NaN, 1))
        .as("what is no figure is within nothing")
        .isFalse();
    assertThat(Edge.atMost(5, Double.POSITIVE_INFINITY)).isTrue();
    assertThat(Edge.atMost(1e-300, 0)).isFalse();
  }

  /** A hundred thousand figures with three decimals, at an edge or a thousandth beside it. */
  @Test
  public void decimalFiguresAreJudgedAsOnPaper() {
    Random random = new Random(7);
    for (int k = 0; k < 100_000; k++) {
      BigDecimal target = BigDecimal.valueOf(random.nextInt(2_000_000) - 1_000_000, 3);
      BigDecimal tolerance = BigDecimal.valueOf(1 + random.nextInt(20_000), 3);
      BigDecimal read =
          (random.nextBoolean() ? target.add(tolerance) : target.subtract(tolerance))
              .add(BigDecimal.valueOf(random.nextInt(3) - 1, 3));
      boolean onPaper = read.subtract(target).abs().compareTo(tolerance) <= 0;
      assertThat(Edge.near(read.doubleValue(), target.doubleValue(), tolerance.doubleValue()))
          .as("%s against %s ± %s", read, target, tolerance)
          .isEqualTo(onPaper);
    }
  }
}
