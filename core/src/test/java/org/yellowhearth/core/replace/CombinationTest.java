package org.yellowhearth.core.replace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.yellowhearth.core.replace.Combination.One;
import org.yellowhearth.core.replace.Combination.Parallel;
import org.yellowhearth.core.replace.Combination.Series;
import org.yellowhearth.core.replace.CombinationSearch.Found;
import org.yellowhearth.core.replace.CombinationSearch.Wanted;

/**
 * Capacitors in series and in parallel, against closed forms, and the search against trying
 * everything.
 */
public class CombinationTest {
  private static Candidate part(String id, double microfarads, double volts, double tolerance) {
    return new Candidate(
        id,
        microfarads * 1e-6,
        tolerance,
        volts,
        true,
        OptionalDouble.of(2),
        OptionalDouble.of(0.5),
        1e-3,
        1);
  }

  private static List<Combination> ones(Candidate... parts) {
    return Stream.of(parts).map(p -> (Combination) new One(p)).toList();
  }

  private static Series series(Candidate... parts) {
    return new Series(ones(parts));
  }

  private static Parallel parallel(Candidate... parts) {
    return new Parallel(ones(parts));
  }

  /**
   * C/2 at twice the rating, the same again at twice two: 47 µF 350 V twice is 23.5 µF 700 V, four
   * make 47 µF 700 V (textbook).
   */
  @Test
  public void twoAlikeInSeriesAndTwoSuchSideBySide() {
    Candidate c = part("a", 47, 350, 0);
    Series two = series(c, c);
    assertThat(two.farads()).isCloseTo(23.5e-6, within(1e-12));
    assertThat(two.ratedVolts()).isCloseTo(700, within(1e-9));
    assertThat(two.esrOhms().orElseThrow()).isEqualTo(4);
    Parallel four = new Parallel(List.of(two, two));
    assertThat(four.farads()).isCloseTo(47e-6, within(1e-12));
    assertThat(four.ratedVolts()).isCloseTo(700, within(1e-9));
    assertThat(four.esrOhms().orElseThrow()).isCloseTo(2, within(1e-9));
    assertThat(four.rippleAmperes().orElseThrow()).isCloseTo(1, within(1e-9));
  }

  /**
   * Charge is the same on both: 10 µF and 30 µF share 400 V as 300 and 100 (textbook); ±20 % make
   * it worse, 8 against 36.
   */
  @Test
  public void theSmallerGetsTheGreaterShare() {
    assertThat(series(part("a", 10, 300, 0), part("b", 30, 300, 0)).ratedVolts())
        .isCloseTo(400, within(1e-9));
    Series loose = series(part("a", 10, 300, 0.2), part("b", 30, 300, 0.2));
    assertThat(loose.ratedVolts()).isCloseTo(300 * (1 / 8.0 + 1 / 36.0) / (1 / 8.0), within(1e-9));
    assertThat(loose.leastFarads()).isCloseTo(6e-6, within(1e-12));
    assertThat(loose.mostFarads()).isCloseTo(9e-6, within(1e-12));
    // Equal balancing resistors give each half: the weaker one bounds it, whatever the
    // capacitances.
    assertThat(series(part("a", 100, 100, 0), part("b", 10, 450, 0)).ratedVolts())
        .isCloseTo(200, within(1e-9));
  }

  /**
   * R = (n·Vr − V)/((n − 1)·ΔI): two of 450 V at 800 V with 1 mA between them want 100 kΩ, 1.6 W in
   * each, 4 mA for good.
   */
  @Test
  public void balancingResistorsByTheRule() {
    Series two = series(part("a", 100, 450, 0), part("b", 100, 450, 0));
    Combination.Balance b = two.balance(800).orElseThrow();
    assertThat(b.ohms()).isCloseTo(100e3, within(1e-6));
    assertThat(b.watts()).isCloseTo(1.6, within(1e-9));
    assertThat(b.drainAmperes()).isCloseTo(4e-3, within(1e-12));
    // Where one leaks 1 mA more, the other is just at its rating: Kirchhoff at the middle, U/R + 1
    // mA = (800 V − U)/R.
    double middle = (800 - 1e-3 * b.ohms()) / 2;
    assertThat(800 - middle).isCloseTo(450, within(1e-6));
    assertThat(two.balance(900)).as("nothing to spare").isEmpty();
    Parallel strings = new Parallel(List.of(two, two));
    assertThat(strings.balancing(800).orElseThrow().ohms())
        .as("each string has its own")
        .isCloseTo(100e3, within(1e-6));
    assertThat(parallel(part("a", 10, 450, 0), part("b", 10, 450, 0)).balancing(400))
        .as("nothing shares there")
        .isEmpty();
  }

  /**
   * Ripple divides by the admittances: at 100 Hz 100 µF and 10 µF without loss share it ten to one.
   */
  @Test
  public void rippleIsBoundedByTheFirstAtItsLimit() {
    Candidate big =
        new Candidate(
            "a", 100e-6, 0, 450, true, OptionalDouble.of(0), OptionalDouble.of(0.5), 0, 1);
    Candidate small =
        new Candidate("b", 10e-6, 0, 450, true, OptionalDouble.of(0), OptionalDouble.of(0.5), 0, 1);
    assertThat(parallel(big, small).rippleAmperes().orElseThrow()).isCloseTo(0.55, within(1e-9));
    assertThat(series(big, small).rippleAmperes()).hasValue(0.5);
    Candidate unknown =
        new Candidate(
            "c", 10e-6, 0, 450, true, OptionalDouble.empty(), OptionalDouble.of(0.5), 0, 1);
    assertThat(parallel(big, unknown).rippleAmperes()).isEmpty();
    assertThat(parallel(big, unknown).esrOhms()).isEmpty();
  }

  @Test
  public void nonsenseIsRefused() {
    assertThatThrownBy(() -> series(part("a", 1, 1, 0))).hasMessageContaining("two or more");
    assertThatThrownBy(() -> part("a", Double.NaN, 100, 0))
        .hasMessageContaining("capacitance of a");
    assertThatThrownBy(() -> new Wanted(1e-6, 2e-6, 3e-6, 100, 0, false))
        .hasMessageContaining("no such wish");
  }

  private static List<Candidate> drawer(int count, long seed) {
    Random r = new Random(seed);
    double[] volts = {160, 250, 350, 450};
    List<Candidate> all = new ArrayList<>();
    for (int k = 0; k < count; k++) {
      all.add(
          new Candidate(
              "c" + k,
              1e-6 * Math.pow(10, 2 * r.nextDouble()),
              0.2 * r.nextDouble(),
              volts[r.nextInt(4)],
              r.nextDouble() < 0.7,
              OptionalDouble.of(0.5 + 3 * r.nextDouble()),
              OptionalDouble.of(0.1 + r.nextDouble()),
              1e-3,
              r.nextInt(20)));
    }
    return all;
  }

  private static List<Combination> everything(List<Candidate> d) {
    List<Combination> all = new ArrayList<>();
    for (int a = 0; a < d.size(); a++) {
      all.add(new One(d.get(a)));
      for (int b = a + 1; b < d.size(); b++) {
        all.add(series(d.get(a), d.get(b)));
        all.add(parallel(d.get(a), d.get(b)));
        for (int c = 0; c < d.size(); c++) {
          if (c > b) {
            all.add(series(d.get(a), d.get(b), d.get(c)));
            all.add(parallel(d.get(a), d.get(b), d.get(c)));
          }
          if (c != a && c != b) {
            all.add(new Series(List.of(new One(d.get(c)), parallel(d.get(a), d.get(b)))));
            all.add(new Parallel(List.of(new One(d.get(c)), series(d.get(a), d.get(b)))));
          }
        }
      }
    }
    return all;
  }

  /** Of up to three the search finds what trying everything finds. */
  @Test
  public void itFindsWhatTryingEverythingFinds() {
    for (long seed = 1; seed <= 12; seed++) {
      List<Candidate> drawer = drawer(9, seed);
      Wanted w = new Wanted(16e-6, 13e-6, 24e-6, 300, seed % 2 == 0 ? 0.2 : 0, seed % 3 == 0);
      List<Double> tried =
          everything(drawer).stream()
              .filter(c ->
                  c.farads() >= w.leastFarads()
                      && c.farads() <= w.mostFarads()
                      && c.ratedVolts() >= w.volts())
              .filter(c ->
                  c.rippleAmperes().orElse(0) >= w.rippleAmperes()
                      && !(w.unpolarised() && c.polar()))
              .map(c ->
                  Math.abs(Math.log(c.farads() / w.farads()))
                      + CombinationSearch.PER_PART * (c.members().size() - 1))
              .sorted()
              .limit(20)
              .toList();
      List<Found> found =
          CombinationSearch.of(drawer, w, 1000).best().stream()
              .filter(f -> f.combination().members().size() < 4)
              .limit(20)
              .toList();
      assertThat(found).hasSameSizeAs(tried);
      for (int k = 0; k < tried.size(); k++) {
        assertThat(found.get(k).distance()).isCloseTo(tried.get(k), within(1e-9));
      }
    }
  }

  /**
   * Three hundred in the drawer: the twenty best, none with a part twice, none below what is asked
   * for, within a second.
   */
  @Test
  public void aWholeDrawerIsSearchedWithinASecond() {
    List<Candidate> drawer = drawer(300, 4);
    Wanted w = new Wanted(50e-6, 40e-6, 75e-6, 400, 0.3, false);
    CombinationSearch.of(drawer, w, 20);
    long before = System.nanoTime();
    CombinationSearch.Result result = CombinationSearch.of(drawer, w, 20);
    assertThat((System.nanoTime() - before) / 1e9).isLessThan(1);
    assertThat(result.best())
        .hasSize(20)
        .isSorted()
        .allSatisfy(f -> {
          assertThat(f.combination().members()).doesNotHaveDuplicates().hasSizeBetween(1, 4);
          assertThat(f.combination().ratedVolts()).isGreaterThanOrEqualTo(400 * (1 - 1e-9));
          assertThat(f.combination().farads()).isBetween(40e-6, 75e-6);
        });
  }
}
