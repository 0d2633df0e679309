package org.yellowhearth.core.numeric;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.testng.annotations.Test;
import org.yellowhearth.core.numeric.StraightLine.Point;

/** Roots and straight lines against closed forms and a published reference set. */
public class NumericTest {
  /** The square root of two; from above as from below. */
  @Test
  public void halvingFindsARoot() {
    assertThat(Halving.between(0, 2, 1e-12, x -> x * x < 2).middle())
        .isCloseTo(Math.sqrt(2), within(1e-11));
    Halving down = Halving.between(2, 0, 1e-3, x -> x * x > 2);
    assertThat(down.holds()).isGreaterThan(Math.sqrt(2));
    assertThat(down.fails()).isLessThan(Math.sqrt(2));
    assertThat(down.holds() - down.fails()).isLessThanOrEqualTo(2e-3);
  }

  /** A share that no double can meet does not keep it for ever. */
  @Test
  public void halvingEnds() {
    assertThat(Halving.between(0, 1, 0, x -> x < 1.0 / 3).middle())
        .isCloseTo(1.0 / 3, within(1e-15));
  }

  /** Anscombe, Graphs in Statistical Analysis (1973), the first of his four sets: printed there. */
  @Test
  public void theLineIsThatOfThePublishedSet() {
    double[] x = {10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5};
    double[] y = {8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68};
    List<Point> points =
        java.util.stream.IntStream.range(0, x.length).mapToObj(k -> new Point(x[k], y[k])).toList();
    StraightLine line = StraightLine.through(points).orElseThrow();
    assertThat(line.at0()).isCloseTo(3.0, within(0.001));
    assertThat(line.slope()).isCloseTo(0.5, within(0.001));
    assertThat(line.slopeSpread().orElseThrow()).isCloseTo(0.118, within(0.0005));
    assertThat(line.at(20)).isCloseTo(13, within(0.01));
  }

  @Test
  public void twoPointsHaveNoSpreadAndOnePlaceNoLine() {
    assertThat(StraightLine.through(List.of(new Point(0, 1), new Point(2, 5))).orElseThrow())
        .isEqualTo(new StraightLine(1, 2, java.util.Optional.empty()));
    assertThat(StraightLine.through(List.of(new Point(3, 1), new Point(3, 5)))).isEmpty();
    assertThat(StraightLine.through(List.of())).isEmpty();
  }
}
