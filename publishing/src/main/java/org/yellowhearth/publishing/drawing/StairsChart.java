package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/**
 * A ramp as a staircase of mains volts; above each stair the band of one meter on a scale of its
 * own at the left, what is expected as a stroke in it, and what was read as a diamond.
 */
public final class StairsChart {
  private static final double STAIRS = 0.42;
  private static final double ROOM = 1.06;

  private StairsChart() {}

  /** What was read at a step. */
  public record Read(int step, double value) {}

  /**
   * The marks in a box of pixels.
   *
   * @param now the step it is at, where a run is on
   */
  public static List<Plot.Mark> marks(
      PowerUpPlan plan,
      PowerUpPlan.Clip clip,
      Optional<Integer> now,
      List<Read> read,
      double width,
      double height,
      double em) {
    List<Plot.Mark> marks = new ArrayList<>();
    List<PowerUpPlan.Step> steps = plan.steps();
    double left = 5.2 * em;
    double each = (width - left - 0.5 * em) / steps.size();
    double bottom = height - 0.3 * em;
    double mostMains = steps.stream().mapToDouble(PowerUpPlan.Step::mainsVolts).max().orElse(1);
    Scale scale =
        Scale.of(plan, clip, read, 1.2 * em, bottom - STAIRS * (height - 2 * em) - 0.8 * em);
    scale.axis(left, width - 0.5 * em, em, clip, marks);
    for (int k = 0; k < steps.size(); k++) {
      double x = left + k * each;
      double high = STAIRS * (height - 2 * em) * steps.get(k).mainsVolts() / mostMains;
      boolean here = now.isPresent() && now.get() == k;
      marks.add(new Plot.Mark.Area(x, bottom - high, each, high, here ? "stair-now" : "stair"));
      boolean inside = high > 2.9 * em;
      double words = inside ? bottom - high + 1.3 * em : bottom - high - 0.4 * em;
      marks.add(
          new Plot.Mark.Words(
              x + each / 2,
              words,
              Plot.Anchor.MIDDLE,
              Quantity.volts(steps.get(k).mainsVolts()).toString(),
              here ? "step-name-now" : "plot-label"));
      if (inside) {
        marks.add(
            new Plot.Mark.Words(
                x + each / 2,
                words + 1.25 * em,
                Plot.Anchor.MIDDLE,
                Quantity.percent(steps.get(k).share()).toString(),
                "plot-label"));
      }
      PowerUpPlan.Band b = plan.band(k, clip);
      double wide = Math.min(each * 0.4, 3 * em);
      double middle = x + each / 2;
      marks.add(
          new Plot.Mark.Area(
              middle - wide / 2,
              scale.y(b.high()),
              wide,
              Math.max(2, scale.y(b.low()) - scale.y(b.high())),
              here ? "stair-band-now" : "stair-band"));
      marks.add(
          new Plot.Mark.Stroke(
              List.of(
                  middle - 0.7 * wide,
                  scale.y(b.expected()),
                  middle + 0.7 * wide,
                  scale.y(b.expected())),
              "stair-expected"));
    }
    double half = 0.35 * em;
    for (Read r : read) {
      double x = left + (r.step + 0.5) * each;
      double y = scale.y(r.value);
      marks.add(
          new Plot.Mark.Shape(
              List.of(x - half, y, x, y - half, x + half, y, x, y + half), "leakage-reading"));
    }
    return marks;
  }

  /** Volts or watts on the pixels between two heights. */
  private record Scale(double low, double high, double top, double bottom) {
    static Scale of(
        PowerUpPlan plan, PowerUpPlan.Clip clip, List<Read> read, double top, double bottom) {
      double low = 0;
      double high = 0;
      for (int k = 0; k < plan.steps().size(); k++) {
        low = Math.min(low, plan.band(k, clip).low());
        high = Math.max(high, plan.band(k, clip).high());
      }
      for (Read r : read) {
        low = Math.min(low, r.value);
        high = Math.max(high, r.value);
      }
      return new Scale(low, Math.max(high * ROOM, low + 1e-3), top, bottom);
    }

    double y(double value) {
      return bottom - (bottom - top) * Math.clamp((value - low) / (high - low), 0, 1);
    }

    void axis(double left, double right, double em, PowerUpPlan.Clip clip, List<Plot.Mark> marks) {
      for (double at : Ticks.within(low, high, Math.max(2, (int) ((bottom - top) / (2.2 * em))))) {
        marks.add(new Plot.Mark.Stroke(List.of(left, y(at), right, y(at)), "plot-grid"));
        marks.add(
            new Plot.Mark.Words(
                left - 0.4 * em,
                y(at) + 0.35 * em,
                Plot.Anchor.END,
                Quantity.of(at, clip.shows() == PowerUpPlan.Shows.WATTS ? Unit.WATT : Unit.VOLT)
                    .toString(),
                "plot-label"));
      }
    }
  }
}
