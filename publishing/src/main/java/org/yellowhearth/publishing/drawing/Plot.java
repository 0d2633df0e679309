package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/**
 * A chart as plain geometry, to be drawn on screen or written as SVG: time across, a figure up on a
 * logarithmic scale.
 *
 * @param lowest the bottom of the figure axis, above zero
 */
public record Plot(
    String title,
    String acrossTitle,
    String upTitle,
    Unit acrossUnit,
    Unit upUnit,
    double lowest,
    List<Curve> curves,
    List<Level> levels) {
  private static final int MOST_TICKS = 6;

  public Plot {
    curves = List.copyOf(curves);
    levels = List.copyOf(levels);
  }

  /** A curve through points in order. */
  public record Curve(String name, String style, List<Point> points) {
    public Curve {
      points = List.copyOf(points);
    }
  }

  /** A point in the units of the axes. */
  public record Point(double across, double up) {}

  /** A level that matters. */
  public record Level(double at, String name, String style) {}

  /** What is drawn: a line through pixels, or words at one. */
  public sealed interface Mark {
    /** Pixels in turn: x, y, x, y … */
    record Stroke(List<Double> pixels, String style) implements Mark {}

    /** A shape whose outline goes through pixels and closes. */
    record Shape(List<Double> pixels, String style) implements Mark {}

    /** A ground with a style. */
    record Area(double left, double top, double width, double height, String style)
        implements Mark {}

    /**
     * The sign of a verdict at its middle, with the reference of its part beside it where there is
     * room.
     */
    record Token(double x, double y, Verdict verdict, String name, boolean named) implements Mark {}

    /** Words that begin, are centred or end at a pixel. */
    record Words(double x, double y, Anchor anchor, String text, String style) implements Mark {}
  }

  /** Which part of the words stands at the place given. */
  public enum Anchor {
    START,
    MIDDLE,
    END
  }

  /** The chart in a box of pixels. */
  public Frame in(double width, double height, double em) {
    return new Frame(this, width, height, em);
  }

  /** The chart laid out in a box. */
  public static final class Frame {
    private final Plot plot;
    private final double left;
    private final double top;
    private final double right;
    private final double bottom;
    private final double em;
    private final double most;
    private final double highest;

    private Frame(Plot plot, double width, double height, double em) {
      this.plot = plot;
      this.em = em;
      left = 4.2 * em;
      top = 1.6 * em;
      right = Math.max(left + 1, width - 1.2 * em);
      bottom = Math.max(top + 1, height - 2.9 * em);
      most =
          plot.curves.stream()
              .flatMap(c -> c.points.stream())
              .mapToDouble(Point::across)
              .max()
              .orElse(1);
      double up =
          plot.curves.stream()
              .flatMap(c -> c.points.stream())
              .mapToDouble(Point::up)
              .max()
              .orElse(1);
      highest = Math.max(up, plot.levels.stream().mapToDouble(Level::at).max().orElse(0)) * 1.3;
    }

    double x(double across) {
      return left + (right - left) * across / most;
    }

    double y(double up) {
      double share =
          Math.log(Math.max(up, plot.lowest) / plot.lowest) / Math.log(highest / plot.lowest);
      return bottom - (bottom - top) * share;
    }

    /** What stands at a pixel across; empty outside the axes. */
    public List<String> readout(double x) {
      if (x < left || x > right) {
        return List.of();
      }
      double across = (x - left) / (right - left) * most;
      List<String> said = new ArrayList<>(List.of(Quantity.of(across, plot.acrossUnit).toString()));
      plot.curves.forEach(c -> said.add(c.name + " " + Quantity.of(up(c, across), plot.upUnit)));
      return said;
    }

    private static double up(Curve c, double across) {
      for (int i = 1; i < c.points.size(); i++) {
        Point a = c.points.get(i - 1);
        Point b = c.points.get(i);
        if (across <= b.across) {
          double share = b.across > a.across ? (across - a.across) / (b.across - a.across) : 1;
          return a.up + share * (b.up - a.up);
        }
      }
      return c.points.getLast().up;
    }

    /** Everything to be drawn. */
    public List<Mark> marks() {
      List<Mark> marks = new ArrayList<>();
      marks.add(new Mark.Words(left, em, Anchor.START, plot.title, "plot-title"));
      for (double decade = Math.pow(10, Math.ceil(Math.log10(plot.lowest) - 1e-9));
          decade <= highest;
          decade *= 10) {
        marks.add(new Mark.Stroke(List.of(left, y(decade), right, y(decade)), "plot-grid"));
        marks.add(
            new Mark.Words(
                left - 0.4 * em,
                y(decade) + 0.35 * em,
                Anchor.END,
                Quantity.of(decade, plot.upUnit).toString(),
                "plot-label"));
      }
      double step = Ticks.step(most, MOST_TICKS);
      for (int i = 0; i * step <= most * (1 + 1e-9); i++) {
        marks.add(
            new Mark.Stroke(
                List.of(x(i * step), bottom, x(i * step), bottom + 0.3 * em), "plot-axis"));
        marks.add(
            new Mark.Words(
                x(i * step),
                bottom + 1.3 * em,
                i == 0 ? Anchor.START : Anchor.MIDDLE,
                Quantity.of(i * step, plot.acrossUnit).toString(),
                "plot-label"));
      }
      marks.add(
          new Mark.Words(right, bottom + 2.5 * em, Anchor.END, plot.acrossTitle, "plot-label"));
      marks.add(new Mark.Stroke(List.of(left, top, left, bottom, right, bottom), "plot-axis"));
      for (Level l : plot.levels) {
        marks.add(new Mark.Stroke(List.of(left, y(l.at), right, y(l.at)), l.style));
        marks.add(new Mark.Words(right, y(l.at) - 0.3 * em, Anchor.END, l.name, "plot-label"));
      }
      for (Curve c : plot.curves) {
        List<Double> pixels = new ArrayList<>();
        c.points.stream()
            .filter(p -> p.up >= plot.lowest)
            .forEach(p -> {
              pixels.add(x(p.across));
              pixels.add(y(p.up));
            });
        marks.add(new Mark.Stroke(List.copyOf(pixels), c.style));
      }
      return marks;
    }
  }
}
