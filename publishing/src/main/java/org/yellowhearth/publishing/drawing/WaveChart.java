package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/** Curves over even axes that begin anywhere, and bars: waveforms, spectra, histograms. */
public final class WaveChart {
  private static final int MOST_TICKS = 4;

  private WaveChart() {}

  /** A curve of values at even distances. */
  public record Curve(List<Double> values, String style) {
    public Curve {
      values = List.copyOf(values);
    }
  }

  /**
   * Curves over a stretch of time.
   *
   * @param across what the axis ends at, in the unit
   */
  public static List<Plot.Mark> waves(
      List<Curve> curves,
      double across,
      Unit acrossUnit,
      Unit upUnit,
      double width,
      double height,
      double em) {
    double low =
        curves.stream().flatMap(c -> c.values.stream()).mapToDouble(v -> v).min().orElse(0);
    double high =
        curves.stream().flatMap(c -> c.values.stream()).mapToDouble(v -> v).max().orElse(1);
    double room =
        Math.max(0.08 * (high - low), 1e-6 + 1e-4 * Math.max(Math.abs(high), Math.abs(low)));
    List<Plot.Mark> marks = new ArrayList<>();
    Box box =
        new Box(4.4 * em, 0.6 * em, width - 0.8 * em, height - 1.8 * em, low - room, high + room);
    box.axis(upUnit, em, marks);
    for (int k = 0; k <= 2; k++) {
      double x = box.left + (box.right - box.left) * k / 2;
      marks.add(
          new Plot.Mark.Words(
              x,
              box.bottom + 1.3 * em,
              k == 0 ? Plot.Anchor.START : k == 1 ? Plot.Anchor.MIDDLE : Plot.Anchor.END,
              Quantity.of(across * k / 2, acrossUnit).toString(),
              "plot-label"));
    }
    for (Curve c : curves) {
      List<Double> line = new ArrayList<>();
      for (int k = 0; k < c.values.size(); k++) {
        line.add(box.left + (box.right - box.left) * k / Math.max(1, c.values.size() - 1));
        line.add(box.y(c.values.get(k)));
      }
      marks.add(new Plot.Mark.Stroke(line, c.style));
    }
    return marks;
  }

  /** Bars side by side with a word under some of them. */
  public static List<Plot.Mark> bars(
      List<Double> values,
      List<String> words,
      Unit upUnit,
      double width,
      double height,
      double em) {
    List<Plot.Mark> marks = new ArrayList<>();
    double high = Math.max(1e-9, values.stream().mapToDouble(v -> v).max().orElse(1)) * 1.08;
    Box box = new Box(4.4 * em, 0.6 * em, width - 0.8 * em, height - 1.8 * em, 0, high);
    box.axis(upUnit, em, marks);
    double each = (box.right - box.left) / Math.max(1, values.size());
    for (int k = 0; k < values.size(); k++) {
      double x = box.left + k * each;
      double y = box.y(values.get(k));
      marks.add(
          new Plot.Mark.Area(
              x + 0.12 * each, y, 0.76 * each, Math.max(0, box.bottom - y), "chart-bar"));
      marks.add(
          new Plot.Mark.Words(
              x + each / 2, box.bottom + 1.3 * em, Plot.Anchor.MIDDLE, words.get(k), "plot-label"));
    }
    return marks;
  }

  private record Box(
      double left, double top, double right, double bottom, double low, double high) {
    double y(double value) {
      return bottom - (bottom - top) * (value - low) / (high - low);
    }

    void axis(Unit unit, double em, List<Plot.Mark> marks) {
      for (double at : Ticks.within(low, high, MOST_TICKS)) {
        marks.add(new Plot.Mark.Stroke(List.of(left, y(at), right, y(at)), "plot-grid"));
        marks.add(
            new Plot.Mark.Words(
                left - 0.4 * em,
                y(at) + 0.35 * em,
                Plot.Anchor.END,
                Quantity.of(at, unit).toString(),
                "plot-label"));
      }
    }
  }
}
