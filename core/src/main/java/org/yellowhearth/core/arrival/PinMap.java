package org.yellowhearth.core.arrival;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Pin;
import org.yellowhearth.core.job.Job;

/**
 * Finds the place of a pin on the photograph of the other side. With no help it is the mirror
 * image, left for right. Pins with the same label on both sides make it better: one shifts it,
 * three or more that do not lie in a line fix an affine map by least squares, which takes up scale,
 * tilt and crop.
 */
public final class PinMap {
  private static final int FOR_AFFINE = 3;
  private static final double FLAT = 1e-6;

  private final double[] across;
  private final double[] down;
  private final int shared;

  private PinMap(double[] across, double[] down, int shared) {
    this.across = across;
    this.down = down;
    this.shared = shared;
  }

  /** A pin of one side as it should lie on the other. */
  public record Found(String label, double across, double down) {
    /** Whether it lies in the picture at all. */
    public boolean inside() {
      return across >= 0 && across <= 1 && down >= 0 && down <= 1;
    }
  }

  /** How many pins the two sides have in common. */
  public int shared() {
    return shared;
  }

  /** The pins of the other side as they should lie in a photograph; empty where it mirrors none. */
  public static List<Found> found(Job job, Photograph mirrored) {
    Optional<String> other = mirrored.mirrors().filter(id -> job.item(id).isPresent());
    if (other.isEmpty()) {
      return List.of();
    }
    List<Pin> here = pins(job, mirrored.id());
    List<Pin> there = pins(job, other.get());
    PinMap map = between(there, here);
    return there.stream()
        .filter(p -> here.stream().noneMatch(h -> h.label().equals(p.label())))
        .map(map::apply)
        .toList();
  }

  /** The pins in a photograph. */
  public static List<Pin> pins(Job job, String photograph) {
    return job.items(Pin.class).stream().filter(p -> p.photograph().equals(photograph)).toList();
  }

  /** The map from the pins of one side to the mirrored other. */
  public static PinMap between(List<Pin> from, List<Pin> to) {
    Map<String, Pin> byLabel = new TreeMap<>();
    from.forEach(p -> byLabel.putIfAbsent(p.label(), p));
    List<Pin[]> pairs = new ArrayList<>();
    to.stream()
        .filter(p -> byLabel.containsKey(p.label()))
        .forEach(p -> pairs.add(new Pin[] {byLabel.get(p.label()), p}));
    if (pairs.size() >= FOR_AFFINE) {
      Optional<PinMap> affine = affine(pairs);
      if (affine.isPresent()) {
        return affine.get();
      }
    }
    double shiftAcross =
        pairs.stream().mapToDouble(p -> p[1].across() - (1 - p[0].across())).average().orElse(0);
    double shiftDown =
        pairs.stream().mapToDouble(p -> p[1].down() - p[0].down()).average().orElse(0);
    return new PinMap(
        new double[] {1 + shiftAcross, -1, 0}, new double[] {shiftDown, 0, 1}, pairs.size());
  }

  /**
   * Least squares about the mean, so that the two-by-two normal equations stay well conditioned;
   * empty for pins in a line.
   */
  private static Optional<PinMap> affine(List<Pin[]> pairs) {
    double meanX = pairs.stream().mapToDouble(p -> p[0].across()).average().orElseThrow();
    double meanY = pairs.stream().mapToDouble(p -> p[0].down()).average().orElseThrow();
    double xx = 0;
    double xy = 0;
    double yy = 0;
    for (Pin[] p : pairs) {
      double x = p[0].across() - meanX;
      double y = p[0].down() - meanY;
      xx += x * x;
      xy += x * y;
      yy += y * y;
    }
    double determinant = xx * yy - xy * xy;
    if (determinant <= FLAT * (xx + yy) * (xx + yy)) {
      return Optional.empty();
    }
    double[][] rows = new double[2][];
    for (int axis = 0; axis < 2; axis++) {
      double meanTarget = 0;
      double xt = 0;
      double yt = 0;
      for (Pin[] p : pairs) {
        double target = axis == 0 ? p[1].across() : p[1].down();
        meanTarget += target / pairs.size();
        xt += (p[0].across() - meanX) * target;
        yt += (p[0].down() - meanY) * target;
      }
      double a = (xt * yy - yt * xy) / determinant;
      double b = (yt * xx - xt * xy) / determinant;
      rows[axis] = new double[] {meanTarget - a * meanX - b * meanY, a, b};
    }
    return Optional.of(new PinMap(rows[0], rows[1], pairs.size()));
  }

  /** Where a pin of the one side lies on the other. */
  public Found apply(Pin pin) {
    return new Found(
        pin.label(),
        across[0] + across[1] * pin.across() + across[2] * pin.down(),
        down[0] + down[1] * pin.across() + down[2] * pin.down());
  }
}
