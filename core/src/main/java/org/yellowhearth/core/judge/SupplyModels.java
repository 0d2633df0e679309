package org.yellowhearth.core.judge;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import org.yellowhearth.core.assess.Surroundings;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyValue;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.SupplyModel.View;

/** The models of one job's supply, each built when it is first asked for. */
final class SupplyModels {
  private final Job job;
  private final Knowledge knowledge;
  private final OptionalDouble age;
  private final Surroundings around;
  private final Function<Part, Belief> now;
  private final Map<View, SupplyModel> built = new EnumMap<>(View.class);

  SupplyModels(
      Job job,
      Knowledge knowledge,
      OptionalDouble age,
      Surroundings around,
      Function<Part, Belief> now) {
    this.job = job;
    this.knowledge = knowledge;
    this.age = age;
    this.around = around;
    this.now = now;
  }

  synchronized SupplyModel of(View view) {
    return built.computeIfAbsent(view, v -> SupplyModel.of(job, knowledge, v, age, now));
  }

  Surroundings around() {
    return around;
  }

  /**
   * Whether a later state of the job has the same models but for what its parts are believed to be:
   * the description and the parts are the same.
   */
  boolean hold(Job later, OptionalDouble laterAge) {
    SupplyModel drawn = of(View.AS_DRAWN);
    return age.equals(laterAge)
        && described(job).equals(described(later))
        && drawn.missing().isEmpty()
        && parts(drawn).allMatch(p -> job.readingsOf(p.ref()).equals(later.readingsOf(p.ref())));
  }

  /** Whether its parts are believed to be the same. */
  boolean hold(Function<Part, Belief> later) {
    return parts(of(View.AS_DRAWN))
        .allMatch(p -> now.apply(p).values().equals(later.apply(p).values()));
  }

  private Stream<Part> parts(SupplyModel drawn) {
    return drawn.values().stream()
        .flatMap(v -> v.part().stream())
        .distinct()
        .flatMap(ref -> job.part(ref).stream());
  }

  private static List<Object> described(Job job) {
    return List.of(
        job.items(SupplySection.class), job.items(SupplyValue.class), job.plate(), job.census());
  }
}
