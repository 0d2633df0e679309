package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.yellowhearth.core.circuit.Wave;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.trace.SupplyFigures;

/**
 * The voltage river: every point of a supply over the place where it is drawn, its height the
 * direct voltage, its thickness the ripple.
 *
 * @param sections what is drawn under it
 * @param drawn the river as it should be
 * @param now the river as the model is now
 * @param posts what the meter showed
 */
public record River(
    List<SupplySection> sections, List<Reach> drawn, List<Reach> now, List<Post> posts) {
  /** The room for the figures of the axis, in heights of the text. */
  public static final double LEFT_EMS = 4;

  private static final int MOMENTS = 160;
  private static final double LEAST_SHOWN = 5;
  private static final double LEAST_THICK = 3;
  private static final int MOST_TICKS = 7;
  private static final int MOST_TRIES = 6;
  private static final double LETTER_EMS = 0.56;

  /**
   * One point of the river.
   *
   * @param lowest the bottom of the ripple
   * @param highest its top
   * @param wave the voltage over two periods of the mains
   */
  public record Reach(
      String point, double dcVolts, double lowest, double highest, List<Double> wave) {
    public Reach {
      wave = List.copyOf(wave);
    }
  }

  /**
   * A reading.
   *
   * @param spread its standard uncertainty in volts
   * @param peakToPeak the ripple that goes with an alternating reading; 0 for a direct one
   * @param text what is written beside it
   */
  public record Post(String point, double volts, double spread, double peakToPeak, String text) {}

  public River {
    sections = List.copyOf(sections);
    drawn = List.copyOf(drawn);
    now = List.copyOf(now);
    posts = List.copyOf(posts);
  }

  /** The points of a supply as it was worked out; none where it has no waveforms. */
  public static List<Reach> reaches(SupplyFigures figures) {
    return figures
        .waveforms()
        .map(w ->
            figures.points().stream()
                .map(p -> {
                  Wave v = w.voltage(p.name());
                  return new Reach(p.name(), p.dcVolts(), v.least(), v.most(), twice(v));
                })
                .toList())
        .orElse(List.of());
  }

  /** Two periods of a wave at even distances. */
  public static List<Double> twice(Wave wave) {
    List<Double> all = new ArrayList<>();
    for (int k = 0; k <= MOMENTS; k++) {
      all.add(wave.at(2 * wave.period() * k / MOMENTS));
    }
    return all;
  }

  /** Everything to be drawn in a box of pixels. */
  public List<Plot.Mark> marks(double width, double height, double em, Optional<String> chosen) {
    return new Frame(width, height, em).all(chosen);
  }

  /** The point under a place of the box; none beside all of them. */
  public Optional<String> pointAt(double x, double width, double em) {
    SupplyDrawing drawing = SupplyDrawing.of(sections);
    double left = LEFT_EMS * em;
    double cell = SupplySymbols.cell(drawing.columns(), left, width, em);
    return drawing.spans().stream()
        .filter(s -> x >= left + s.from() * cell && x <= left + s.to() * cell)
        .map(SupplyDrawing.Span::point)
        .filter(p -> now.stream().anyMatch(r -> r.point.equals(p)))
        .findFirst();
  }

  private final class Frame {
    private final SupplyDrawing drawing = SupplyDrawing.of(sections);
    private final double em;
    private final double left;
    private final double right;
    private final double cell;
    private final double top;
    private final double bottom;
    private double low;
    private double high;
    private final List<Plot.Mark> marks = new ArrayList<>();

    /** Where figures stand: left, base line, width. */
    private final List<List<Double>> figures = new ArrayList<>();

    Frame(double width, double height, double em) {
      this.em = em;
      left = LEFT_EMS * em;
      right = width - em;
      cell = SupplySymbols.cell(drawing.columns(), left, width, em);
      top = 1.2 * em;
      bottom = Math.max(top + 1, height - 0.6 * em);
      low = 0;
      high = LEAST_SHOWN;
      for (List<Reach> river : List.of(drawn, now)) {
        river.forEach(r -> {
          low = Math.min(low, r.lowest);
          high = Math.max(high, r.highest);
        });
      }
      posts.forEach(p -> {
        low = Math.min(low, p.volts - 2 * p.spread);
        high = Math.max(high, p.volts + 2 * p.spread);
      });
      double room = 0.06 * (high - low);
      high += room;
      low -= low < 0 ? room : 0;
    }

    double x(double column) {
      return left + column * cell;
    }

    double y(double volts) {
      return bottom - (bottom - top) * (volts - low) / (high - low);
    }

    List<Plot.Mark> all(Optional<String> chosen) {
      axis();
      chosen
          .flatMap(drawing::span)
          .ifPresent(s ->
              marks.add(
                  new Plot.Mark.Area(
                      x(s.from()), top, x(s.to()) - x(s.from()), bottom - top, "river-chosen")));
      river(drawn, "river-drawn", false);
      river(now, "river-now", true);
      posts.forEach(this::post);
      return marks;
    }

    private void axis() {
      for (double volts : Ticks.within(low, high, MOST_TICKS)) {
        marks.add(
            new Plot.Mark.Stroke(
                List.of(left, y(volts), right, y(volts)), volts == 0 ? "plot-axis" : "plot-grid"));
        marks.add(
            new Plot.Mark.Words(
                left - 0.5 * em,
                y(volts) + 0.35 * em,
                Plot.Anchor.END,
                volts == 0 ? "0 V" : Quantity.volts(volts).toString(),
                "plot-label"));
      }
    }

    private void river(List<Reach> river, String style, boolean waves) {
      for (Reach r : river) {
        drawing
            .span(r.point)
            .ifPresent(s -> {
              double[] edge = edges(r);
              marks.add(
                  new Plot.Mark.Shape(
                      List.of(
                          x(s.from()),
                          edge[0],
                          x(s.to()),
                          edge[0],
                          x(s.to()),
                          edge[1],
                          x(s.from()),
                          edge[1]),
                      style));
              joins(river, s, edge, style);
              if (waves && edge[1] - edge[0] > 2 * LEAST_THICK) {
                wave(r, s);
              }
              if (waves) {
                String ripple =
                    r.highest - r.lowest >= 0.01 * Math.max(1, Math.abs(r.dcVolts))
                        ? ", " + Quantity.volts(r.highest - r.lowest) + " pp"
                        : "";
                double above = r.dcVolts < 0 ? edge[1] + 1.1 * em : edge[0] - 0.35 * em;
                figure(
                    x(s.from()) + 0.2 * em,
                    above,
                    r.dcVolts < 0 ? 1 : -1,
                    Quantity.volts(r.dcVolts) + ripple);
              }
            });
      }
    }

    /** A figure, moved away from those that stand there already. */
    private void figure(double x, double y, int away, String text) {
      double width = text.length() * LETTER_EMS * em;
      double at = y;
      for (int tries = 0; tries < MOST_TRIES && crowded(x, at, width); tries++) {
        at += away * 1.1 * em;
      }
      figures.add(List.of(x, at, width));
      marks.add(new Plot.Mark.Words(x, at, Plot.Anchor.START, text, "river-figure"));
    }

    private boolean crowded(double x, double y, double width) {
      return figures.stream()
          .anyMatch(
              f -> Math.abs(f.get(1) - y) < em && x < f.get(0) + f.get(2) && f.get(0) < x + width);
    }

    /** Its upper and lower edge, never thinner than can be seen. */
    private double[] edges(Reach r) {
      double upper = y(r.highest);
      double lower = y(r.lowest);
      double more = Math.max(0, LEAST_THICK - (lower - upper)) / 2;
      return new double[] {upper - more, lower + more};
    }

    /** From one point the river goes on to those that parts lead to. */
    private void joins(List<Reach> river, SupplyDrawing.Span from, double[] edge, String style) {
      drawing.spans().stream()
          .filter(next -> next.from() == from.to() + 1 && fed(from.point(), next.point()))
          .forEach(next ->
              river.stream()
                  .filter(r -> r.point.equals(next.point()))
                  .findFirst()
                  .ifPresent(r -> {
                    double[] to = edges(r);
                    marks.add(
                        new Plot.Mark.Shape(
                            List.of(
                                x(from.to()),
                                edge[0],
                                x(next.from()),
                                to[0],
                                x(next.from()),
                                to[1],
                                x(from.to()),
                                edge[1]),
                            style));
                  }));
    }

    private boolean fed(String from, String to) {
      return sections.stream()
          .anyMatch(s ->
              switch (s) {
                case SupplyFilter f -> f.from().equals(from) && f.to().equals(to);
                case SupplyRegulator r -> r.from().equals(from) && r.to().equals(to);
                case SupplyOutput o ->
                    o.name().equals(to)
                        && sections.stream()
                            .anyMatch(c ->
                                c instanceof SupplyConverter k
                                    && k.name().equals(o.converter())
                                    && k.from().equals(from));
                default -> false;
              });
    }

    private void wave(Reach r, SupplyDrawing.Span s) {
      List<Double> line = new ArrayList<>();
      for (int k = 0; k < r.wave.size(); k++) {
        line.add(x(s.from()) + (x(s.to()) - x(s.from())) * k / (r.wave.size() - 1));
        line.add(y(r.wave.get(k)));
      }
      marks.add(new Plot.Mark.Stroke(line, "river-wave"));
    }

    private void post(Post p) {
      drawing
          .span(p.point)
          .ifPresent(s -> {
            double x = x(s.to()) - 0.35 * cell;
            double least = 0.35 * em;
            double up = Math.min(y(p.volts + 2 * p.spread), y(p.volts) - least);
            double down = Math.max(y(p.volts - 2 * p.spread), y(p.volts) + least);
            marks.add(new Plot.Mark.Stroke(List.of(x, up, x, down), "river-post"));
            double d = 0.35 * em;
            marks.add(
                new Plot.Mark.Shape(
                    List.of(
                        x - d, y(p.volts), x, y(p.volts) - d, x + d, y(p.volts), x, y(p.volts) + d),
                    "river-knob"));
            // Below nothing the figure of the river stands under it, so that of the meter goes
            // above.
            marks.add(
                new Plot.Mark.Words(
                    x,
                    p.volts < 0 ? up - 0.4 * em : down + 1.1 * em,
                    Plot.Anchor.MIDDLE,
                    p.text,
                    "river-reading"));
          });
    }
  }

  /** How it is read aloud. */
  public String spoken() {
    return String.join(
        "; ",
        now.stream()
            .map(r -> String.format(Locale.ROOT, "%s %s", r.point, Quantity.volts(r.dcVolts)))
            .toList());
  }
}
