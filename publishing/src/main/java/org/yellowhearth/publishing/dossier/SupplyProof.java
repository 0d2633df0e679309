package org.yellowhearth.publishing.dossier;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.finaltest.VoltageChart;
import org.yellowhearth.core.firstpower.PowerUpPlanner;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.publishing.drawing.River;

/**
 * What the model of the supply gives a dossier: the drawing's table brought to one line and meter,
 * and the river as the set came in over the river as it is with its new parts. It takes seconds,
 * and follows from the job alone.
 *
 * @param river drawn pale as the set came in, bright as it stands with its new parts; none where
 *     its supply cannot be worked out
 */
public record SupplyProof(VoltageChart chart, Optional<River> river) {
  /** Nothing but the table as it was read. */
  public static final SupplyProof NONE =
      new SupplyProof(new VoltageChart(List.of()), Optional.empty());

  /** Works it out. */
  public static SupplyProof of(JudgedJob judged, Knowledge knowledge) {
    Job job = judged.job();
    Optional<Supply> fitted =
        PowerUpPlanner.bare(judged, knowledge).map(PowerUpPlanner.Bare::supply);
    VoltageChart chart = VoltageChart.of(job, fitted);
    SupplyModel came = judged.supply(SupplyModel.View.AS_IT_IS);
    List<River.Reach> before =
        came.supply().map(s -> River.reaches(SupplyFigures.of(s, came.points()))).orElse(List.of());
    List<River.Reach> is =
        fitted.map(s -> River.reaches(SupplyFigures.of(s, came.points()))).orElse(List.of());
    return new SupplyProof(
        chart,
        is.isEmpty()
            ? Optional.empty()
            : Optional.of(new River(job.items(SupplySection.class), before, is, List.of())));
  }
}
