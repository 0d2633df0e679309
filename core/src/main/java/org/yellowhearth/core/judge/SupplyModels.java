package org.yellowhearth.core.judge;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.yellowhearth.core.assess.Surroundings;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyValue;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.SupplyModel.View;
import org.yellowhearth.core.trace.SupplySurroundings;

/** The models of one job's supply, each built when it is first asked for. */
final class SupplyModels {
  private final Job job;
  private final Knowledge knowledge;
  private final OptionalDouble age;
  private final Map<View, SupplyModel> built = new EnumMap<>(View.class);
  private Surroundings around;

  SupplyModels(Job job, Knowledge knowledge, OptionalDouble age) {
    this.job = job;
    this.knowledge = knowledge;
    this.age = age;
  }

  synchronized SupplyModel of(View view) {
    return built.computeIfAbsent(view, v -> SupplyModel.of(job, knowledge, v, age));
  }

  synchronized Surroundings around() {
    if (around == null) {
      around = SupplySurroundings.of(job, knowledge);
    }
    return around;
  }

  /**
   * Whether a later state of the job has the same models: the description and the parts are the
   * same, and what was read of those in the supply.
   */
  boolean hold(Job later, OptionalDouble laterAge) {
    SupplyModel drawn = of(View.AS_DRAWN);
    return age.equals(laterAge)
        && described(job).equals(described(later))
        && drawn.missing().isEmpty()
        && drawn.values().stream()
            .flatMap(v -> v.part().stream())
            .distinct()
            .allMatch(p -> job.readingsOf(p).equals(later.readingsOf(p)));
  }

  private static List<Object> described(Job job) {
    return List.of(
        job.items(SupplySection.class), job.items(SupplyValue.class), job.plate(), job.census());
  }
}
