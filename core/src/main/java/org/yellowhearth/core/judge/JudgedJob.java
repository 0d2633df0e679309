package org.yellowhearth.core.judge;

import java.time.LocalDate;
import java.time.Year;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.yellowhearth.core.assess.Ageing;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Judgement;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.core.trace.SupplySurroundings;
import org.yellowhearth.core.trace.Suspicion;

/**
 * A job at one length of its journal with what follows from it on a day: findings, verdicts and
 * risks of every part, what each part is believed to be, and the models of its supply. Bench line,
 * window, digest, dossier and commands share it; {@link Judge} makes it.
 */
public final class JudgedJob {
  private static final double USUAL_CHANCE = 0.1;

  private final Job job;
  private final LocalDate day;
  private final Knowledge knowledge;
  private final OptionalDouble age;
  private final SupplyModels supply;
  private final Judgement judgement;
  private final Map<PartRef, Assessment> byPart;
  private final List<Ageing> ageing;

  /** The models of the supply of the state before are taken over where they are still the same. */
  JudgedJob(Job job, LocalDate day, Knowledge knowledge, Optional<JudgedJob> before) {
    this.job = job;
    this.day = day;
    this.knowledge = knowledge;
    this.age = job.plate().age(Year.of(day.getYear()));
    Optional<SupplyModels> earlier = before.map(b -> b.supply).filter(s -> s.hold(job, age));
    this.judgement =
        new Judgement(
            job,
            day,
            knowledge,
            earlier
                .map(SupplyModels::around)
                .orElseGet(() -> SupplySurroundings.of(job, knowledge)));
    this.byPart =
        judgement.all().stream()
            .collect(Collectors.toUnmodifiableMap(a -> a.part().ref(), Function.identity()));
    this.supply =
        earlier
            .filter(s -> s.hold(this::belief))
            .orElseGet(
                () -> new SupplyModels(job, knowledge, age, judgement.around(), this::belief));
    this.ageing = Ageing.of(job, knowledge);
  }

  public Job job() {
    return job;
  }

  public LocalDate day() {
    return day;
  }

  /** How old the set is in years, where its year is known. */
  public OptionalDouble age() {
    return age;
  }

  /** The verdict on every part, in the order of the list. */
  public List<Assessment> assessments() {
    return judgement.all();
  }

  /** The verdict on one part. */
  public Optional<Assessment> assessment(PartRef ref) {
    return Optional.ofNullable(byPart.get(ref));
  }

  /** The verdict on a part as it would be with one more reading, which is not kept. */
  public Assessment with(Part part, Reading another) {
    return judgement.with(part, another);
  }

  /**
   * How likely a part fails within the years that risk looks ahead; a usual chance for what is not
   * in the list.
   */
  private double chance(PartRef ref) {
    return assessment(ref).map(a -> a.risk().chance()).orElse(USUAL_CHANCE);
  }

  /** Where capacitors stand in the ageing field. */
  public List<Ageing> ageing() {
    return ageing;
  }

  /** What a part is believed to be now; none of a part that is not in the list. */
  public Optional<Belief> belief(PartRef ref) {
    return assessment(ref).map(Assessment::belief);
  }

  private Belief belief(Part part) {
    return belief(part.ref()).orElseThrow();
  }

  /** What each part of the list is believed to be. */
  public Function<Part, Belief> beliefs() {
    return this::belief;
  }

  /** The supply as the job describes it. */
  public SupplyModel supply(SupplyModel.View view) {
    return supply.of(view);
  }

  /**
   * What its readings of the supply ask, with each part as likely to be at fault as its risk says;
   * none while the supply cannot be worked out.
   */
  public Optional<Suspicion> suspicion() {
    return Suspicion.of(job, supply(SupplyModel.View.AS_IT_IS), knowledge, this::chance);
  }

  /** Whether this is the job at the same length of its journal. */
  boolean same(Job other) {
    return job == other || job.journal().equals(other.journal());
  }

  /** Whether this is an earlier state of a job. */
  boolean before(Job later) {
    int length = job.journal().size();
    return length < later.journal().size()
        && job.journal().equals(later.journal().subList(0, length));
  }
}
