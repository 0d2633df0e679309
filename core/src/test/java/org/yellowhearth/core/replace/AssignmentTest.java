package org.yellowhearth.core.replace;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.HashSet;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import org.jgrapht.Graph;
import org.jgrapht.alg.matching.KuhnMunkresMinimalWeightBipartitePerfectMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;
import org.testng.annotations.Test;

/** Parts at hand matched to positions. */
public class AssignmentTest {
  private record Sum(int filled, double cost) {}

  private static Sum sum(OptionalInt[] result, double[][] c) {
    Set<Integer> used = new HashSet<>();
    double cost = 0;
    int filled = 0;
    for (int i = 0; i < result.length; i++) {
      if (result[i].isPresent()) {
        assertThat(used.add(result[i].getAsInt())).as("no part twice").isTrue();
        cost += c[i][result[i].getAsInt()];
        filled++;
      }
    }
    assertThat(cost).isFinite();
    return new Sum(filled, cost);
  }

  private static double[][] costs(int positions, int parts, double forbidden, Random r) {
    double[][] c = new double[positions][parts];
    for (double[] row : c) {
      Arrays.setAll(
          row, _ -> r.nextDouble() < forbidden ? Double.POSITIVE_INFINITY : r.nextDouble());
    }
    return c;
  }

  private static Sum best(double[][] c, int position, Set<Integer> used) {
    if (position == c.length) {
      return new Sum(0, 0);
    }
    Sum best = best(c, position + 1, used);
    for (int j = 0; j < c[position].length; j++) {
      if (Double.isFinite(c[position][j]) && used.add(j)) {
        Sum rest = best(c, position + 1, used);
        used.remove(j);
        Sum here = new Sum(rest.filled + 1, rest.cost + c[position][j]);
        best =
            here.filled > best.filled || (here.filled == best.filled && here.cost < best.cost)
                ? here
                : best;
      }
    }
    return best;
  }

  @Test
  public void itIsAsGoodAsTryingEverything() {
    Random r = new Random(11);
    for (int k = 0; k < 300; k++) {
      double[][] c = costs(1 + r.nextInt(5), 1 + r.nextInt(6), r.nextDouble(), r);
      Sum found = sum(Assignment.of(c.length, c[0].length, (i, j) -> c[i][j]), c);
      Sum best = best(c, 0, new HashSet<>());
      assertThat(found.filled).isEqualTo(best.filled);
      assertThat(found.cost).isCloseTo(best.cost, within(1e-9));
    }
  }

  /**
   * 200 positions, 400 parts, against the matching of JGraphT (a graph library of Maven Central),
   * and within a second.
   */
  @Test
  public void itAgreesWithTheLibraryOnAWholeWorkshop() {
    double[][] c = costs(200, 400, 0, new Random(5));
    long before = System.nanoTime();
    OptionalInt[] result = Assignment.of(200, 400, (i, j) -> c[i][j]);
    double seconds = (System.nanoTime() - before) / 1e9;
    Graph<Integer, DefaultWeightedEdge> graph =
        new SimpleWeightedGraph<>(DefaultWeightedEdge.class);
    Set<Integer> left = new HashSet<>();
    Set<Integer> right = new HashSet<>();
    for (int i = 0; i < 400; i++) {
      graph.addVertex(i);
      left.add(i);
      graph.addVertex(1000 + i);
      right.add(1000 + i);
    }
    for (int i = 0; i < 400; i++) {
      for (int j = 0; j < 400; j++) {
        graph.setEdgeWeight(graph.addEdge(i, 1000 + j), i < 200 ? c[i][j] : 0);
      }
    }
    double reference =
        new KuhnMunkresMinimalWeightBipartitePerfectMatching<>(graph, left, right)
            .getMatching()
            .getWeight();
    Sum s = sum(result, c);
    assertThat(s.filled).isEqualTo(200);
    assertThat(s.cost).isCloseTo(reference, within(1e-9));
    assertThat(seconds).isLessThan(1);
  }

  @Test
  public void whatFitsNowhereStaysOpenAndNonsenseIsRefused() {
    double no = Double.POSITIVE_INFINITY;
    double[][] c = {{1, no}, {no, no}, {0.5, no}};
    assertThat(Assignment.of(3, 2, (i, j) -> c[i][j]))
        .containsExactly(OptionalInt.empty(), OptionalInt.empty(), OptionalInt.of(0));
    assertThat(Assignment.of(2, 0, (_, _) -> 0)).containsOnly(OptionalInt.empty());
    assertThatThrownBy(() -> Assignment.of(1, 1, (_, _) -> Double.NaN)).hasMessageContaining("NaN");
    assertThatThrownBy(() -> Assignment.of(1, 1, (_, _) -> -1)).hasMessageContaining("-1");
  }
}
