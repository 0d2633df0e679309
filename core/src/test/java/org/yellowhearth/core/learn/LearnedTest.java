package org.yellowhearth.core.learn;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What counts say, and how sure they are. */
public class LearnedTest {
  /**
   * Jeffreys intervals of Brown, Cai and DasGupta, "Interval Estimation for a Binomial Proportion",
   * Statistical Science 16 (2001), are the 5 % and 95 % points of Beta(x + ½, n − x + ½). Those of
   * Beta(½, 1½), Beta(½, ½) follow in closed form: for Beta(½, ½) the distribution is (2/π)·asin
   * √x; for the others the density is integrated here by Simpson's rule, which knows nothing of the
   * library.
   */
  @DataProvider
  Object[][] counts() {
    return new Object[][] {
      {0, 0}, {0, 1}, {1, 1}, {0, 10}, {3, 10}, {10, 10}, {7, 40}, {250, 1000}
    };
  }

  @Test(dataProvider = "counts")
  public void nineTenthsOfThePosteriorLieWithin(int hits, int seen) {
    Posterior p = Posterior.of(hits, seen);
    assertThat(share(hits + 0.5, seen - hits + 0.5, p.low())).isCloseTo(0.05, within(1e-5));
    assertThat(share(hits + 0.5, seen - hits + 0.5, p.high())).isCloseTo(0.95, within(1e-5));
    assertThat(p.mean()).isCloseTo((hits + 0.5) / (seen + 1), within(1e-12));
    assertThat(p.few()).isEqualTo(seen < 10);
  }

  @Test
  public void nothingSeenSaysTheArcSineLaw() {
    double low = Math.pow(Math.sin(0.05 * Math.PI / 2), 2);
    assertThat(Posterior.of(0, 0).low()).isCloseTo(low, within(1e-9));
    assertThat(Posterior.of(0, 0).high()).isCloseTo(1 - low, within(1e-9));
  }

  /**
   * Share of Beta(a, b) below x: with x = sin² t the density is smooth, 2·sin^(2a−1)·cos^(2b−1)/B.
   */
  private static double share(double a, double b, double x) {
    return integral(a, b, Math.asin(Math.sqrt(x))) / integral(a, b, Math.PI / 2);
  }

  private static double integral(double a, double b, double to) {
    int steps = 20_000;
    double h = to / steps;
    double sum = 0;
    for (int k = 0; k <= steps; k++) {
      double t = k * h;
      double f = Math.pow(Math.sin(t), 2 * a - 1) * Math.pow(Math.cos(t), 2 * b - 1);
      sum += f * (k == 0 || k == steps ? 1 : k % 2 == 1 ? 4 : 2);
    }
    return sum * h / 3;
  }

  /**
   * The intervals cover as often as they claim: over many shops whose true share is known, by a
   * seed of its own.
   */
  @Test
  public void theIntervalsCoverAsOftenAsTheyClaim() {
    Random r = new Random(20260901);
    int covered = 0;
    int shops = 4000;
    for (int k = 0; k < shops; k++) {
      double share = 0.02 + 0.96 * r.nextDouble();
      int seen = 5 + r.nextInt(60);
      int hits = 0;
      for (int i = 0; i < seen; i++) {
        hits += r.nextDouble() < share ? 1 : 0;
      }
      Posterior p = Posterior.of(hits, seen);
      covered += p.low() <= share && share <= p.high() ? 1 : 0;
    }
    assertThat((double) covered / shops).isBetween(0.88, 0.92);
  }

  @Test
  public void whatIsNoCountIsRefused() {
    assertThatThrownBy(() -> Posterior.of(3, 2)).hasMessageContaining("3 of 2");
    assertThatThrownBy(() -> Posterior.of(-1, 2)).hasMessageContaining("-1");
    assertThatThrownBy(() -> new Tally(Topic.KIND, " ", 1, 0)).hasMessageContaining("key");
    assertThatThrownBy(() -> Learned.of(List.of()).shares(Topic.KEPT)).hasMessageContaining("KEPT");
  }

  /** A spread from classes is that of the readings themselves, but for the width of a class. */
  @Test
  public void spreadsFollowTheReadings() {
    Random r = new Random(7);
    List<Double> kept = new ArrayList<>();
    List<Tally> counts = new ArrayList<>();
    for (int k = 0; k < 5000; k++) {
      double share = Math.max(0.01, 0.8 + 0.2 * r.nextGaussian());
      kept.add(share);
      counts.add(
          new Tally(Topic.KEPT, "paper|" + (int) Math.floor(share / JobTallies.CLASS), 1, 0));
      counts.add(
          new Tally(
              Topic.DISSIPATION,
              "paper|" + (int) Math.floor(10 * Math.log10(0.01 * Math.exp(0.5 * r.nextGaussian()))),
              1,
              0));
    }
    kept.sort(null);
    Learned.OfKind of = Learned.of(counts).kept().getFirst();
    assertThat(of.spread().seen()).isEqualTo(5000);
    assertThat(of.spread().tenth()).isCloseTo(kept.get(500), within(0.02));
    assertThat(of.spread().median()).isCloseTo(kept.get(2500), within(0.02));
    assertThat(of.spread().ninth()).isCloseTo(kept.get(4500), within(0.02));
    // Of a lognormal with half a neper about 0.01 the median is 0.01, and one in ten lies e^(0.5 ·
    // 1.2816) above.
    Learned.OfKind loss = Learned.of(counts).dissipation().getFirst();
    assertThat(loss.spread().median()).isCloseTo(0.01, within(0.0006));
    assertThat(loss.spread().ninth()).isCloseTo(0.01 * Math.exp(0.5 * 1.2816), within(0.001));
  }

  @Test
  public void countsOfSeveralJobsAddUp() {
    Learned learned =
        Learned.of(
            List.of(
                new Tally(Topic.KIND, "paper", 10, 9),
                new Tally(Topic.KIND, "mica", 30, 0),
                new Tally(Topic.KIND, "paper", 6, 6),
                new Tally(Topic.AGE, "paper|60", 4, 4),
                new Tally(Topic.AGE, "paper|40", 2, 1),
                new Tally(Topic.AGE, "paper-oil|40", 2, 1),
                new Tally(Topic.MINUTES, "forming", 90, 2)));
    assertThat(learned.shares(Topic.KIND))
        .extracting(s -> s.key() + " " + s.of().hits() + "/" + s.of().seen())
        .containsExactly("mica 0/30", "paper 15/16");
    assertThat(learned.shares(Topic.AGE, "paper"))
        .extracting(Learned.Share::key)
        .containsExactly("paper|40", "paper|60");
    assertThat(learned.minutes())
        .singleElement()
        .satisfies(m -> assertThat(m.perJob()).isEqualTo(45));
    assertThat(learned.experience().of("paper").orElseThrow().bad()).isEqualTo(15);
    assertThat(Spread.of(Map.of(0, 1L), 1).median()).isEqualTo(0.5);
  }
}
