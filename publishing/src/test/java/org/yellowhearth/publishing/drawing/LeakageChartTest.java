package org.yellowhearth.publishing.drawing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.reform.Forecast;
import org.yellowhearth.core.reform.Sampled;
import org.yellowhearth.knowledge.words.Durations;

public class LeakageChartTest {
  private static final double EM = 14;
  private static final List<Sampled> CURVE =
      IntStream.range(0, 6)
          .mapToObj(k -> new Sampled(60 * Math.pow(2, k), 8e-3 / Math.pow(2, k)))
          .toList();

  private static List<Double> stroke(List<Plot.Mark> marks, String style) {
    return marks.stream()
        .filter(m -> m instanceof Plot.Mark.Stroke s && s.style().equals(style))
        .map(m -> ((Plot.Mark.Stroke) m).pixels())
        .findFirst()
        .orElseThrow();
  }

  /** Equal factors of time and current are equal distances: a power law is a straight line. */
  @Test
  public void aPowerLawIsStraight() {
    List<Double> line =
        stroke(LeakageChart.marks(CURVE, List.of(), 1e-3, "gate", 700, 300, EM), "leakage-curve");
    double dx = line.get(2) - line.get(0);
    double dy = line.get(3) - line.get(1);
    for (int k = 2; k < line.size() - 2; k += 2) {
      assertThat(line.get(k + 2) - line.get(k)).isCloseTo(dx, within(0.01));
      assertThat(line.get(k + 3) - line.get(k + 1)).isCloseTo(dy, within(0.01));
    }
    assertThat(dy).as("leakage falls down the screen").isPositive();
  }

  /**
   * Limit, fan and every reading stay in the box, and labels on the current axis do not run into
   * one another.
   */
  @Test
  public void everythingStaysInTheBox() {
    List<Forecast.Band> fan =
        List.of(
            new Forecast.Band(2000, 2e-4, 2.2e-4, 2.5e-4),
            new Forecast.Band(20_000, 1e-6, 5e-5, 1.5e-4));
    List<Plot.Mark> marks = LeakageChart.marks(CURVE, fan, 1e-4, "gate", 500, 160, EM);
    marks.forEach(m -> {
      List<Double> pixels =
          switch (m) {
            case Plot.Mark.Stroke s -> s.pixels();
            case Plot.Mark.Shape s -> s.pixels();
            default -> List.<Double>of();
          };
      for (int k = 0; k < pixels.size(); k += 2) {
        assertThat(pixels.get(k)).isBetween(0.0, 500.0);
        assertThat(pixels.get(k + 1)).isBetween(0.0, 160.0);
      }
    });
    List<Double> heights =
        marks.stream()
            .filter(m ->
                m instanceof Plot.Mark.Words w && w.anchor() == Plot.Anchor.END && w.x() < 5 * EM)
            .map(m -> ((Plot.Mark.Words) m).y())
            .sorted()
            .toList();
    for (int k = 1; k < heights.size(); k++) {
      assertThat(heights.get(k) - heights.get(k - 1)).isGreaterThan(EM);
    }
  }

  @Test
  public void anEmptyChartHasAxesAndLimit() {
    assertThat(
            stroke(
                LeakageChart.marks(List.of(), List.of(), 1e-3, "gate", 500, 200, EM),
                "leakage-limit"))
        .hasSize(4);
  }

  /** Steps passed are full, the one under way is as full as the volts on it, the rest are empty. */
  @Test
  public void theStaircaseFillsUp() {
    List<Plot.Mark.Area> filled =
        LeakageChart.steps(List.of(100.0, 200.0, 300.0), 1, 150, 300, 100, EM).stream()
            .filter(m -> m instanceof Plot.Mark.Area a && a.style().equals("step-filled"))
            .map(Plot.Mark.Area.class::cast)
            .toList();
    double full = 100 - 1.3 * EM;
    assertThat(filled)
        .extracting(Plot.Mark.Area::height)
        .satisfiesExactly(
            h -> assertThat(h).isCloseTo(full / 3, within(0.01)),
            h -> assertThat(h).isCloseTo(full / 2, within(0.01)),
            h -> assertThat(h).isZero());
  }

  @DataProvider
  public Object[][] durations() {
    return new Object[][] {
      {45.0, "45 s"},
      {89.0, "89 s"},
      {600, "10 min"},
      {5400, "1 h 30 min"},
      {7200, "2 h"},
      {86_400, "24 h"},
      {259_200, "3 d"}
    };
  }

  @Test(dataProvider = "durations")
  public void timesAreSaidAsAtTheBench(double seconds, String said) {
    assertThat(Durations.text(seconds)).isEqualTo(said);
  }
}
