package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.yellowhearth.core.assess.Ageing;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;

/**
 * The ageing field laid out: every capacitor a token, across the capacitance it kept, up its losses
 * against a sound part's on a logarithmic scale, the limits as ground. What was not read stands on
 * the edge of the field.
 *
 * @param ground the limits drawn; those of the part that is chosen, or of the commonest kind
 */
public record AgeingField(
    String title,
    String acrossTitle,
    String upTitle,
    List<Ageing> all,
    Map<PartRef, Verdict> verdicts,
    Optional<Ageing.Ground> ground) {
  /** Tokens nearer than this many pixels would write their names over each other. */
  private static final double NAME_ROOM_EMS = 3.2;

  private static final double LOWEST_TIMES = 0.1;
  private static final double HIGHEST_TIMES = 1000;
  private static final double MOST_KEPT = 2;

  public AgeingField {
    all = List.copyOf(all);
    verdicts = Map.copyOf(verdicts);
  }

  /** A token where it stands. */
  public record Place(Ageing ageing, double x, double y) {}

  /** The field laid out in a box. */
  public Frame in(double width, double height, double em) {
    return new Frame(this, width, height, em);
  }

  /** The field in a box of pixels. */
  public static final class Frame {
    private final AgeingField field;
    private final double left;
    private final double top;
    private final double right;
    private final double bottom;
    private final double em;
    private final List<Place> places = new ArrayList<>();

    private Frame(AgeingField field, double width, double height, double em) {
      this.field = field;
      this.em = em;
      left = 4.2 * em;
      top = 1.7 * em;
      right = Math.max(left + 1, width - 1.2 * em);
      bottom = Math.max(top + 1, height - 2.9 * em);
      field.all.forEach(a -> places.add(new Place(a, x(a.now()), y(a.now()))));
    }

    /** The tokens. */
    public List<Place> places() {
      return List.copyOf(places);
    }

    private double x(Ageing.Spot spot) {
      return spot.kept().isEmpty() ? left : across(spot.kept().getAsDouble());
    }

    private double y(Ageing.Spot spot) {
      return spot.times().isEmpty() ? bottom : up(spot.times().getAsDouble());
    }

    double across(double kept) {
      return left + (right - left) * Math.clamp(kept / MOST_KEPT, 0, 1);
    }

    double up(double times) {
      double share =
          Math.log(Math.clamp(times, LOWEST_TIMES, HIGHEST_TIMES) / LOWEST_TIMES)
              / Math.log(HIGHEST_TIMES / LOWEST_TIMES);
      return bottom - (bottom - top) * share;
    }

    /** The token nearest to a pixel, if one is near. */
    public Optional<Place> at(double px, double py) {
      return places.stream()
          .filter(p -> Math.hypot(p.x - px, p.y - py) < em)
          .min((a, b) ->
              Double.compare(Math.hypot(a.x - px, a.y - py), Math.hypot(b.x - px, b.y - py)));
    }

    /**
     * The next token in a direction from one: the nearest of those that lie more that way than any
     * other.
     */
    public Optional<Place> next(Place from, int dx, int dy) {
      return places.stream()
          .filter(p -> !p.equals(from))
          .filter(p -> {
            double along = (p.x - from.x) * dx + (p.y - from.y) * dy;
            double aside = Math.abs((p.x - from.x) * dy) + Math.abs((p.y - from.y) * dx);
            return along > 0 && along >= aside;
          })
          .min((a, b) ->
              Double.compare(
                  Math.hypot(a.x - from.x, a.y - from.y), Math.hypot(b.x - from.x, b.y - from.y)));
    }

    /** Everything drawn, the tokens last. */
    public List<Plot.Mark> marks() {
      List<Plot.Mark> marks = new ArrayList<>(grounds());
      for (double times = LOWEST_TIMES; times <= HIGHEST_TIMES * 1.001; times *= 10) {
        marks.add(new Plot.Mark.Stroke(List.of(left, up(times), right, up(times)), "plot-grid"));
        marks.add(
            new Plot.Mark.Words(
                left - 0.4 * em,
                up(times) + 0.35 * em,
                Plot.Anchor.END,
                Quantity.ratio(times) + "×",
                "plot-label"));
      }
      for (double kept = 0; kept <= MOST_KEPT + 0.01; kept += 0.2) {
        marks.add(
            new Plot.Mark.Stroke(
                List.of(across(kept), bottom, across(kept), bottom + 0.3 * em), "plot-axis"));
        marks.add(
            new Plot.Mark.Words(
                across(kept),
                bottom + 1.3 * em,
                Plot.Anchor.MIDDLE,
                Long.toString(Math.round(kept * 100)),
                "plot-label"));
      }
      marks.add(
          new Plot.Mark.Words(
              right, bottom + 2.5 * em, Plot.Anchor.END, field.acrossTitle, "plot-label"));
      marks.add(new Plot.Mark.Words(left, em, Plot.Anchor.START, field.upTitle, "plot-label"));
      marks.add(new Plot.Mark.Stroke(List.of(left, top, left, bottom, right, bottom), "plot-axis"));
      for (Place p : places) {
        p.ageing
            .before()
            .ifPresent(b -> {
              marks.add(new Plot.Mark.Stroke(List.of(x(b), y(b), p.x, p.y), "field-moved"));
              marks.add(new Plot.Mark.Stroke(ring(x(b), y(b)), "field-before"));
            });
      }
      places.forEach(p ->
          marks.add(
              new Plot.Mark.Token(
                  p.x, p.y, verdict(p), p.ageing.part().ref().toString(), named(p))));
      return marks;
    }

    private Verdict verdict(Place p) {
      return field.verdicts.getOrDefault(p.ageing.part().ref(), Verdict.RECHECK);
    }

    private List<Double> ring(double x, double y) {
      List<Double> pixels = new ArrayList<>();
      for (int i = 0; i <= 12; i++) {
        pixels.add(x + 0.3 * em * Math.cos(i * Math.PI / 6));
        pixels.add(y + 0.3 * em * Math.sin(i * Math.PI / 6));
      }
      return pixels;
    }

    /** A name is written where no other token stands to its right. */
    private boolean named(Place p) {
      Set<Verdict> quiet = Set.of(Verdict.KEEP);
      boolean room =
          places.stream()
              .noneMatch(o ->
                  !o.equals(p)
                      && Math.abs(o.y - p.y) < 0.9 * em
                      && o.x >= p.x - 0.1 * em
                      && o.x - p.x < NAME_ROOM_EMS * em);
      return room && (!quiet.contains(verdict(p)) || places.size() <= 40);
    }

    private List<Plot.Mark> grounds() {
      if (field.ground.isEmpty()) {
        return List.of();
      }
      Ageing.Ground g = field.ground.get();
      return List.of(
          new Plot.Mark.Area(left, top, right - left, bottom - top, "field-bad"),
          box(g.kept().renewBelow(), g.kept().renewAbove(), g.renewTimes(), "field-watch"),
          box(g.kept().watchBelow(), g.kept().watchAbove(), g.watchTimes(), "field-good"));
    }

    private Plot.Mark box(double from, double to, double times, String style) {
      return new Plot.Mark.Area(
          across(from), up(times), across(to) - across(from), bottom - up(times), style);
    }
  }

  /** The field as an SVG document. */
  public String svg(double width, double height) {
    return PlotSvg.write(title, in(width, height, PlotSvg.EM).marks(), width, height);
  }
}
