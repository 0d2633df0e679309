package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;
import org.yellowhearth.core.reform.Forecast;
import org.yellowhearth.core.reform.Sampled;
import org.yellowhearth.knowledge.words.Durations;

/**
 * Leakage against time, both on logarithmic axes, with the limit, the readings and the fan of the
 * forecast.
 */
public final class LeakageChart {
  private static final double LEAST_SECONDS = 10;
  private static final double ROOM = 1.4;
  private static final double[] COARSE = {1, 2, 5};
  private static final double[] FINE = {1, 1.5, 2, 3, 4, 5, 7};

  private LeakageChart() {}

  /** The marks of a chart in a box of pixels. */
  public static List<Plot.Mark> marks(
      List<Sampled> curve,
      List<Forecast.Band> fan,
      double limit,
      String limitName,
      double width,
      double height,
      double em) {
    double first = curve.stream().mapToDouble(Sampled::seconds).min().orElse(LEAST_SECONDS);
    double last =
        Math.max(
            fan.isEmpty() ? 0 : fan.getLast().seconds(),
            curve.isEmpty() ? 3600 : curve.getLast().seconds());
    double low = Math.min(limit, curve.stream().mapToDouble(Sampled::amperes).min().orElse(limit));
    double high =
        Math.max(limit, curve.stream().mapToDouble(Sampled::amperes).max().orElse(10 * limit));
    for (Forecast.Band b : fan) {
      low = Math.min(low, Math.max(b.low(), limit / 30));
      high = Math.max(high, b.high());
    }
    Box box =
        new Box(
            4.6 * em,
            0.8 * em,
            width - 1.2 * em,
            height - 2 * em,
            Math.min(first, last / 10),
            last * 1.1,
            low / ROOM,
            high * ROOM);
    List<Plot.Mark> marks = new ArrayList<>();
    box.axes(em, marks);
    if (fan.size() > 1) {
      List<Double> shape = new ArrayList<>();
      List<Double> middle = new ArrayList<>();
      for (Forecast.Band b : fan) {
        shape.add(box.x(b.seconds()));
        shape.add(box.y(b.high()));
        middle.add(box.x(b.seconds()));
        middle.add(box.y(b.middle()));
      }
      for (Forecast.Band b : fan.reversed()) {
        shape.add(box.x(b.seconds()));
        shape.add(box.y(b.low()));
      }
      marks.add(new Plot.Mark.Shape(shape, "leakage-fan"));
      marks.add(new Plot.Mark.Stroke(middle, "leakage-middle"));
    }
    marks.add(
        new Plot.Mark.Stroke(
            List.of(box.left, box.y(limit), box.right, box.y(limit)), "leakage-limit"));
    marks.add(
        new Plot.Mark.Words(
            box.left + 0.4 * em,
            box.y(limit) - 0.35 * em,
            Plot.Anchor.START,
            limitName,
            "leakage-limit-name"));
    List<Double> line = new ArrayList<>();
    for (Sampled s : curve) {
      line.add(box.x(s.seconds()));
      line.add(box.y(s.amperes()));
    }
    if (line.size() > 2) {
      marks.add(new Plot.Mark.Stroke(line, "leakage-curve"));
    }
    double half = 0.22 * em;
    for (Sampled s : curve) {
      double x = box.x(s.seconds());
      double y = box.y(s.amperes());
      marks.add(
          new Plot.Mark.Shape(
              List.of(x - half, y, x, y - half, x + half, y, x, y + half), "leakage-reading"));
    }
    return marks;
  }

  /**
   * The steps of a plan as a staircase, filled as far as the capacitor has come.
   *
   * @param volts of each step
   * @param now the step it is at
   * @param reached volts across it now
   */
  public static List<Plot.Mark> steps(
      List<Double> volts, int now, double reached, double width, double height, double em) {
    List<Plot.Mark> marks = new ArrayList<>();
    double each = width / volts.size();
    double full = height - 1.3 * em;
    double most = volts.stream().mapToDouble(v -> v).max().orElse(1);
    for (int k = 0; k < volts.size(); k++) {
      double high = full * volts.get(k) / most;
      double filled = k < now ? high : k == now ? full * Math.min(reached, volts.get(k)) / most : 0;
      double left = k * each + 0.15 * em;
      double wide = each - 0.3 * em;
      marks.add(
          new Plot.Mark.Area(left, height - high, wide, high, k == now ? "step-now" : "step-box"));
      marks.add(new Plot.Mark.Area(left, height - filled, wide, filled, "step-filled"));
      marks.add(
          new Plot.Mark.Words(
              left + wide / 2,
              height - high - 0.3 * em,
              Plot.Anchor.MIDDLE,
              Quantity.volts(volts.get(k)).toString(),
              k == now ? "step-name-now" : "plot-label"));
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
    double x(double seconds) {
      return left
          + (right - left) * Math.clamp(Math.log(seconds / first) / Math.log(last / first), 0, 1);
    }

    double y(double amperes) {
      return bottom
          - (bottom - top) * Math.clamp(Math.log(amperes / low) / Math.log(high / low), 0, 1);
    }

    void axes(double em, List<Plot.Mark> marks) {
      double lastLabel = bottom + 2 * em;
      for (double decade = Math.pow(10, Math.floor(Math.log10(low)));
          decade <= high;
          decade *= 10) {
        for (double f : high / low < 6 ? FINE : COARSE) {
          double at = decade * f;
          if (at >= low && at <= high) {
            marks.add(new Plot.Mark.Stroke(List.of(left, y(at), right, y(at)), "plot-grid"));
            if ((f == 1 || high / low < 30) && lastLabel - y(at) > 1.2 * em) {
              lastLabel = y(at);
              marks.add(
                  new Plot.Mark.Words(
                      left - 0.4 * em,
                      y(at) + 0.35 * em,
                      Plot.Anchor.END,
                      Quantity.of(at, Unit.AMPERE).toString(),
                      "plot-label"));
            }
          }
        }
      }
      double free = left;
      for (double at :
          new double[] {
            10,
            30,
            60,
            300,
            600,
            1800,
            3600,
            3 * 3600.0,
            6 * 3600.0,
            12 * 3600.0,
            24 * 3600.0,
            48 * 3600.0
          }) {
        if (at >= first && at <= last) {
          marks.add(new Plot.Mark.Stroke(List.of(x(at), top, x(at), bottom), "plot-grid"));
          if (x(at) >= free) {
            marks.add(
                new Plot.Mark.Words(
                    x(at),
                    bottom + 1.4 * em,
                    Plot.Anchor.MIDDLE,
                    Durations.text(at),
                    "plot-label"));
            free = x(at) + 4 * em;
          }
        }
      }
    }
  }
}
