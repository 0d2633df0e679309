package org.yellowhearth.core.replace;

import java.util.Arrays;
import java.util.OptionalInt;

/**
 * Which part at hand goes to which position: as many positions as possible are filled, and among
 * all ways to do that the one that costs least.
 *
 * <p>Method: shortest augmenting paths with potentials (the Hungarian method after Kuhn and
 * Munkres, in the form of Jonker and Volgenant, "A shortest augmenting path algorithm for dense and
 * sparse linear assignment problems", Computing 38, 1987, from memory), exact, O(n²·m) for n
 * positions and m parts. A position that no part fits is given a place that costs more than
 * everything else together.
 */
public final class Assignment {
  private Assignment() {}

  /** What it costs to put a part into a position; infinite where it must not be put there. */
  public interface Cost {
    double of(int position, int part);
  }

  /**
   * The best assignment.
   *
   * @return for each position the part it gets, or none
   * @throws IllegalArgumentException where a cost is negative or no number
   */
  public static OptionalInt[] of(int positions, int parts, Cost cost) {
    double[][] c = new double[positions][parts];
    double dearest = 0;
    for (int i = 0; i < positions; i++) {
      for (int j = 0; j < parts; j++) {
        c[i][j] = cost.of(i, j);
        if (!(c[i][j] >= 0)) {
          throw new IllegalArgumentException(
              "part " + j + " at position " + i + " costs " + c[i][j]);
        }
        dearest = Double.isInfinite(c[i][j]) ? dearest : Math.max(dearest, c[i][j]);
      }
    }
    double open = (positions + 1) * (dearest + 1);
    int[] owner = solved(positions, parts, c, open);
    OptionalInt[] result = new OptionalInt[positions];
    Arrays.fill(result, OptionalInt.empty());
    for (int j = 1; j <= parts; j++) {
      if (owner[j] > 0) {
        result[owner[j] - 1] = OptionalInt.of(j - 1);
      }
    }
    return result;
  }

  /**
   * The position, from 1, that owns each column, from 1; the columns behind the parts leave a
   * position open.
   */
  private static int[] solved(int positions, int parts, double[][] c, double open) {
    int columns = parts + positions;
    double[] rowPotential = new double[positions + 1];
    double[] columnPotential = new double[columns + 1];
    int[] owner = new int[columns + 1];
    int[] before = new int[columns + 1];
    for (int i = 1; i <= positions; i++) {
      owner[0] = i;
      int column = 0;
      double[] least = new double[columns + 1];
      Arrays.fill(least, Double.POSITIVE_INFINITY);
      boolean[] used = new boolean[columns + 1];
      do {
        used[column] = true;
        int row = owner[column];
        double delta = Double.POSITIVE_INFINITY;
        int next = 0;
        for (int j = 1; j <= columns; j++) {
          if (!used[j]) {
            double raw = j > parts ? open : c[row - 1][j - 1];
            double reduced = raw - rowPotential[row] - columnPotential[j];
            if (reduced < least[j]) {
              least[j] = reduced;
              before[j] = column;
            }
            if (least[j] < delta) {
              delta = least[j];
              next = j;
            }
          }
        }
        for (int j = 0; j <= columns; j++) {
          if (used[j]) {
            rowPotential[owner[j]] += delta;
            columnPotential[j] -= delta;
          } else {
            least[j] -= delta;
          }
        }
        column = next;
      } while (owner[column] != 0);
      while (column != 0) {
        int previous = before[column];
        owner[column] = owner[previous];
        column = previous;
      }
    }
    return owner;
  }
}
