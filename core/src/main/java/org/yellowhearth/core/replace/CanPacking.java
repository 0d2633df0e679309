package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;

/**
 * How parts stand in an old can: cylinders upright side by side, in one or more layers, each apart
 * from the shell and from its neighbours by their insulation.
 *
 * <p>Method: every way to part up to six cylinders into layers is tried, fewest layers first; the
 * circles of a layer are pushed apart and inwards from many starts until nothing overlaps (their
 * overlaps squared as a penalty, going downhill). A way that is found is proved by its own
 * coordinates; one that is not found may yet exist, so that a refusal is no proof.
 *
 * @param heightMetres what the layers take together
 */
public record CanPacking(List<Standing> parts, double heightMetres) {
  /** Card, sleeving or film between parts, and between them and the shell (common practice). */
  public static final double INSULATION_METRES = 0.5e-3;

  /** The most parts that are tried. */
  public static final int MOST = 6;

  private static final int STARTS = 60;
  private static final int STEPS = 600;
  private static final double CLOSE = 1e-7;

  /** A part: its thickness and its length. */
  public record Body(double diameterMetres, double lengthMetres) {
    public Body {
      if (!(diameterMetres > 0 && lengthMetres > 0 && diameterMetres < 1 && lengthMetres < 1)) {
        throw new IllegalArgumentException(
            "a part of " + diameterMetres + " m by " + lengthMetres + " m cannot be packed");
      }
    }
  }

  /**
   * Where one of them stands.
   *
   * @param part its place in the list
   * @param layer from the bottom, from 0
   * @param x of its axis from that of the can (m)
   * @param y the same
   */
  public record Standing(int part, int layer, double x, double y) {}

  public CanPacking {
    parts = List.copyOf(parts);
  }

  /**
   * A way to put parts into a can.
   *
   * @param boreMetres its inner diameter
   * @param heightMetres what its height leaves
   * @return none where none was found
   */
  public static Optional<CanPacking> of(List<Body> parts, double boreMetres, double heightMetres) {
    if (parts.isEmpty() || parts.size() > MOST) {
      throw new IllegalArgumentException(
          "one to " + MOST + " parts are packed, not " + parts.size());
    }
    if (!(boreMetres > 0 && heightMetres > 0)) {
      throw new IllegalArgumentException("a can has a bore and a height above zero");
    }
    List<int[]> ways = new ArrayList<>();
    partitions(parts.size(), ways);
    ways.sort(Comparator.comparingInt(w -> IntStream.of(w).max().orElse(0)));
    return ways.stream()
        .map(w -> packed(parts, w, boreMetres, heightMetres))
        .flatMap(Optional::stream)
        .findFirst();
  }

  /**
   * Every way to give each of so many parts a layer, layers counted in the order they first come.
   */
  private static void partitions(int parts, List<int[]> ways) {
    partitions(new int[parts], 0, 0, ways);
  }

  private static void partitions(int[] layer, int at, int used, List<int[]> ways) {
    if (at == layer.length) {
      ways.add(layer.clone());
      return;
    }
    for (int k = 0; k <= used; k++) {
      layer[at] = k;
      partitions(layer, at + 1, Math.max(used, k + 1), ways);
    }
  }

  private static Optional<CanPacking> packed(
      List<Body> parts, int[] layer, double bore, double height) {
    int layers = IntStream.of(layer).max().orElse(0) + 1;
    double high = INSULATION_METRES * (layers + 1);
    List<Standing> all = new ArrayList<>();
    for (int k = 0; k < layers; k++) {
      int now = k;
      List<Integer> in =
          IntStream.range(0, layer.length).filter(i -> layer[i] == now).boxed().toList();
      high += in.stream().mapToDouble(i -> parts.get(i).lengthMetres()).max().orElse(0);
      if (high > height) {
        return Optional.empty();
      }
      double[] radii =
          in.stream()
              .mapToDouble(i -> parts.get(i).diameterMetres() / 2 + INSULATION_METRES / 2)
              .toArray();
      Optional<double[][]> found = circles(radii, bore / 2 - INSULATION_METRES / 2);
      if (found.isEmpty()) {
        return Optional.empty();
      }
      for (int i = 0; i < in.size(); i++) {
        all.add(new Standing(in.get(i), k, found.get()[i][0], found.get()[i][1]));
      }
    }
    return Optional.of(new CanPacking(all, high));
  }

  /** Centres of circles in a circle that do not overlap; none where none were found. */
  static Optional<double[][]> circles(double[] radii, double bound) {
    double area = 0;
    for (double r : radii) {
      area += r * r;
      if (r > bound) {
        return Optional.empty();
      }
    }
    if (area > bound * bound) {
      return Optional.empty();
    }
    for (int start = 0; start < STARTS; start++) {
      double[][] at = begun(radii, bound, new Random(start));
      for (int k = 0; k < STEPS && overlap(radii, at, bound) > 0; k++) {
        push(radii, at, bound);
      }
      if (overlap(radii, at, bound) <= CLOSE * bound) {
        return Optional.of(at);
      }
    }
    return Optional.empty();
  }

  private static double[][] begun(double[] radii, double bound, Random random) {
    double[][] at = new double[radii.length][2];
    for (int i = 0; i < radii.length; i++) {
      double angle = 2 * Math.PI * (i + random.nextDouble()) / radii.length;
      double far = (bound - radii[i]) * Math.sqrt(random.nextDouble());
      at[i][0] = far * Math.cos(angle);
      at[i][1] = far * Math.sin(angle);
    }
    return at;
  }

  /** The deepest overlap of any two, or of one with the bound. */
  private static double overlap(double[] radii, double[][] at, double bound) {
    double most = 0;
    for (int i = 0; i < radii.length; i++) {
      most = Math.max(most, Math.hypot(at[i][0], at[i][1]) + radii[i] - bound);
      for (int j = 0; j < i; j++) {
        most =
            Math.max(
                most, radii[i] + radii[j] - Math.hypot(at[i][0] - at[j][0], at[i][1] - at[j][1]));
      }
    }
    return Math.max(0, most);
  }

  private static void push(double[] radii, double[][] at, double bound) {
    for (int i = 0; i < radii.length; i++) {
      for (int j = 0; j < i; j++) {
        double dx = at[i][0] - at[j][0];
        double dy = at[i][1] - at[j][1];
        double apart = Math.max(1e-12, Math.hypot(dx, dy));
        double deep = radii[i] + radii[j] - apart;
        if (deep > 0) {
          double share = deep / apart / 2;
          at[i][0] += share * dx;
          at[i][1] += share * dy;
          at[j][0] -= share * dx;
          at[j][1] -= share * dy;
        }
      }
      double far = Math.hypot(at[i][0], at[i][1]);
      if (far + radii[i] > bound) {
        double back = (bound - radii[i]) / far;
        at[i][0] *= back;
        at[i][1] *= back;
      }
    }
  }
}
