package org.yellowhearth.core.assess;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Finding.Limit;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.fact.GridCircuit;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.quantity.Quantity;

/**
 * A coupling capacitor is judged by what its leakage does to the grid it feeds, where that circuit
 * is written down.
 */
final class GridCriterion {
  private static final String SOURCE = "grid-shift";

  private GridCriterion() {}

  static List<Finding> judge(Case c, List<GridCircuit> circuits) {
    if (circuits.isEmpty()) {
      return List.of();
    }
    GridCircuit grid = circuits.getFirst();
    Quantity least = Quantity.ohms(Math.min(1e13, GridShift.leastOhms(grid).orElse(0)));
    OptionalDouble ohms = InsulationCriterion.newestAlone(c.evidence());
    if (ohms.isEmpty()) {
      return List.of(
          Finding.open(Criterion.GRID_SHIFT, Optional.empty(), SOURCE, Gap.GRID_UNMEASURED, least));
    }
    GridShift shift = GridShift.of(grid, ohms.getAsDouble());
    boolean bad = shift.bad(grid);
    boolean doubtful = shift.rise(grid) > GridShift.WATCH_RISE;
    Outcome outcome = bad ? Outcome.BAD : doubtful ? Outcome.DOUBTFUL : Outcome.GOOD;
    return List.of(
        Finding.of(
            Criterion.GRID_SHIFT,
            outcome,
            Quantity.ohms(ohms.getAsDouble()),
            Limit.atLeast(least),
            SOURCE,
            Message.of(
                shift.clamped() ? AssessWords.GRID_CLAMPED : AssessWords.GRID_SHIFTED,
                Quantity.volts(shift.gridVolts()),
                Quantity.amperes(shift.amperes()),
                Quantity.watts(shift.watts())),
            Message.of(
                AssessWords.GRID_WORKING,
                Quantity.volts(grid.sourceVolts()),
                Quantity.volts(grid.gridVolts()),
                Quantity.ohms(grid.gridLeakOhms()),
                Quantity.ohms(ohms.getAsDouble()),
                Quantity.volts(shift.gridVolts()))));
  }
}
