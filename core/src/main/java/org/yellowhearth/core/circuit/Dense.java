package org.yellowhearth.core.circuit;

/**
 * Small dense matrices as arrays of rows. The circuits here have at most a few dozen unknowns and
 * are solved hundreds of thousands of times, so these are plain loops without objects.
 */
final class Dense {
  private static final double NOTHING = 1e-300;

  private Dense() {}

  static double[][] zero(int rows, int columns) {
    return new double[rows][columns];
  }

  /** The product a·b. */
  static double[][] times(double[][] a, double[][] b, int columns) {
    double[][] product = new double[a.length][columns];
    for (int r = 0; r < a.length; r++) {
      addTimes(product[r], a[r], b);
    }
    return product;
  }

  /** Adds a row times b to a row. */
  static void addTimes(double[] to, double[] row, double[][] b) {
    for (int k = 0; k < b.length; k++) {
      double f = row[k];
      if (f != 0) {
        double[] from = b[k];
        for (int c = 0; c < to.length; c++) {
          to[c] += f * from[c];
        }
      }
    }
  }

  /** Adds f·b to a. */
  static void add(double[][] a, double f, double[][] b) {
    for (int r = 0; r < a.length; r++) {
      for (int c = 0; c < a[r].length; c++) {
        a[r][c] += f * b[r][c];
      }
    }
  }

  /** The sum of a row and a vector, term by term. */
  static double dot(double[] row, double[] x) {
    double sum = 0;
    for (int k = 0; k < row.length; k++) {
      sum += row[k] * x[k];
    }
    return sum;
  }

  /**
   * Solves m·X = b in place by elimination with row pivoting; m is destroyed and b becomes X.
   *
   * @return the row without a pivot, or −1 where all went well
   */
  static int solve(double[][] m, double[][] b) {
    int n = m.length;
    for (int k = 0; k < n; k++) {
      int best = pivot(m, k, n);
      if (best < 0) {
        return k;
      }
      swap(m, k, best);
      swap(b, k, best);
      double pivot = 1 / m[k][k];
      for (int r = k + 1; r < n; r++) {
        double f = m[r][k] * pivot;
        if (f != 0) {
          minus(m[r], f, m[k], k + 1);
          minus(b[r], f, b[k], 0);
        }
      }
    }
    for (int k = n - 1; k >= 0; k--) {
      for (int r = k + 1; r < n; r++) {
        if (m[k][r] != 0) {
          minus(b[k], m[k][r], b[r], 0);
        }
      }
      double pivot = 1 / m[k][k];
      for (int c = 0; c < b[k].length; c++) {
        b[k][c] *= pivot;
      }
    }
    return -1;
  }

  /**
   * Solves the first so many rows of m, whose next column is the right side and becomes the
   * solution.
   */
  static boolean solveColumn(double[][] m, int n) {
    for (int k = 0; k < n; k++) {
      int best = pivot(m, k, n);
      if (best < 0) {
        return false;
      }
      swap(m, k, best);
      double[] row = m[k];
      double pivot = 1 / row[k];
      for (int r = k + 1; r < n; r++) {
        double f = m[r][k] * pivot;
        if (f != 0) {
          double[] to = m[r];
          for (int c = k + 1; c <= n; c++) {
            to[c] -= f * row[c];
          }
        }
      }
    }
    for (int k = n - 1; k >= 0; k--) {
      double sum = m[k][n];
      for (int c = k + 1; c < n; c++) {
        sum -= m[k][c] * m[c][n];
      }
      m[k][n] = sum / m[k][k];
    }
    return true;
  }

  /** The row from k on with the greatest value in column k, or −1 where there is none but zeros. */
  private static int pivot(double[][] m, int k, int n) {
    int best = k;
    for (int r = k + 1; r < n; r++) {
      if (Math.abs(m[r][k]) > Math.abs(m[best][k])) {
        best = r;
      }
    }
    return Math.abs(m[best][k]) > NOTHING ? best : -1;
  }

  private static void minus(double[] row, double f, double[] other, int from) {
    for (int c = from; c < row.length; c++) {
      row[c] -= f * other[c];
    }
  }

  private static void swap(double[][] m, int a, int b) {
    if (a != b) {
      double[] row = m[a];
      m[a] = m[b];
      m[b] = row;
    }
  }

  /** The largest sum of magnitudes of a row. */
  static double norm(double[][] m) {
    double most = 0;
    for (double[] row : m) {
      double sum = 0;
      for (double x : row) {
        sum += Math.abs(x);
      }
      most = Math.max(most, sum);
    }
    return most;
  }
}
