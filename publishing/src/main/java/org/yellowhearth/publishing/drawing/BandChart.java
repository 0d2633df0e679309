package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Readings against a band on even axes: errors against limits, a burn-in against its bound. */
public final class BandChart {
  private static final double ROOM = 0.12;

  private BandChart() {}

  /** A reading; beyond its limit it is drawn otherwise. */
  public record At(double across, double up, boolean beyond) {}

  /** How far the band reaches somewhere. */
  public record Edge(double across, double low, double high) {}

  /**
   * The marks in a box of pixels.
   *
   * @param across what the lower axis measures
   * @param up what the other one measures
   */
  public static List<Plot.Mark> marks(
      List<At> readings,
      List<Edge> band,
      String across,
      String up,
      double width,
      double height,
      double em) {
    double left = band.stream().mapToDouble(Edge::across).min().orElse(0);
    double right = band.stream().mapToDouble(Edge::across).max().orElse(1);
    double low =
        Math.min(
            band.stream().mapToDouble(Edge::low).min().orElse(0),
            readings.stream().mapToDouble(At::up).min().orElse(Double.POSITIVE_INFINITY));
    double high =
        Math.max(
            band.stream().mapToDouble(Edge::high).max().orElse(1),
            readings.stream().mapToDouble(At::up).max().orElse(Double.NEGATIVE_INFINITY));
    double room = Math.max(1e-12, (high - low) * ROOM);
    Box box =
        new Box(
            5 * em,
            1.5 * em,
            width - em,
            height - 3.1 * em,
            left,
            Math.max(right, left + 1e-9),
            low - room,
            high + room);
    List<Plot.Mark> marks = new ArrayList<>();
    List<Double> shape = new ArrayList<>();
    band.forEach(e -> shape.addAll(List.of(box.x(e.across), box.y(e.high))));
    band.reversed().forEach(e -> shape.addAll(List.of(box.x(e.across), box.y(e.low))));
    if (shape.size() >= 6) {
      marks.add(new Plot.Mark.Shape(shape, "band-ground"));
    }
    box.axes(em, marks);
    marks.add(new Plot.Mark.Words(0.2 * em, 1 * em, Plot.Anchor.START, up, "plot-label"));
    marks.add(
        new Plot.Mark.Words(width - em, height - 0.2 * em, Plot.Anchor.END, across, "plot-label"));
    double half = 0.35 * em;
    for (At r : readings) {
      double x = box.x(r.across);
      double y = box.y(r.up);
      marks.add(
          new Plot.Mark.Shape(
              r.beyond
                  ? List.of(
                      x - half, y - half, x + half, y - half, x + half, y + half, x - half,
                      y + half)
                  : List.of(x - half, y, x, y - half, x + half, y, x, y + half),
              r.beyond ? "band-beyond" : "leakage-reading"));
    }
    return marks;
  }

  private record Box(
      double left,
      double top,
      double right,
      double bottom,
      double first,
      double last,
      double low,
      double high) {
    double x(double across) {
      return left + (right - left) * Math.clamp((across - first) / (last - first), 0, 1);
    }

    double y(double up) {
      return bottom - (bottom - top) * Math.clamp((up - low) / (high - low), 0, 1);
    }

    void axes(double em, List<Plot.Mark> marks) {
      for (double at : Ticks.within(low, high, Math.max(2, (int) ((bottom - top) / (1.8 * em))))) {
        marks.add(new Plot.Mark.Stroke(List.of(left, y(at), right, y(at)), "plot-grid"));
        marks.add(
            new Plot.Mark.Words(
                left - 0.4 * em, y(at) + 0.35 * em, Plot.Anchor.END, figure(at), "plot-label"));
      }
      for (double at : Ticks.within(first, last, Math.max(2, (int) ((right - left) / (6 * em))))) {
        marks.add(new Plot.Mark.Stroke(List.of(x(at), top, x(at), bottom), "plot-grid"));
        marks.add(
            new Plot.Mark.Words(
                x(at), bottom + 1.3 * em, Plot.Anchor.MIDDLE, figure(at), "plot-label"));
      }
    }
  }

  private static String figure(double value) {
    String text = String.format(Locale.ROOT, "%.6g", value);
    return text.contains("e") ? text : text.contains(".") ? text.replaceAll("\\.?0+$", "") : text;
  }
}
