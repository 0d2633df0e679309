package org.yellowhearth.core.assess;

import java.time.Instant;
import java.time.LocalDate;
import java.time.Year;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.arrival.Ages;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.fact.GridCircuit;
import org.yellowhearth.core.fact.Overrule;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.reading.Reading;

/**
 * Every part of a job judged on one day: each criterion gives its finding, then the job's policy
 * turns findings into a verdict. What is judged together, as the sections of a can, is asked
 * together.
 */
public final class Judgement {
  private final Knowledge knowledge;
  private final Job job;
  private final LocalDate today;
  private final Instant now;
  private final OwnLimits limits;
  private final List<Capacitor> burst;
  private final Map<PartRef, List<Part>> beside = new HashMap<>();

  /** Parts that show a short where they are: one of them, and all that lie across it look so. */
  private final Set<PartRef> shortInPlace;

  private final Surroundings around;
  private final Siblings siblings;

  /** What was noticed at each part under power. */
  private final Map<String, List<SupplySign>> tried;

  private final OptionalDouble setYears;

  /** Each part by itself, before those are asked that are judged together with it. */
  private final Map<PartRef, Assessment> alone;

  private final RiskRules risks;
  private final List<Assessment> all;

  /** Judges all parts, with what is known of what lies around them. */
  public Judgement(Job job, LocalDate today, Knowledge knowledge, Surroundings around) {
    this.knowledge = knowledge;
    this.job = job;
    this.today = today;
    this.now = today.plusDays(1).atStartOfDay(ZoneOffset.UTC).toInstant();
    this.limits = new OwnLimits(job);
    this.around = around;
    this.setYears = job.plate().age(Year.of(today.getYear()));
    this.burst =
        job.items(VisualInspection.class).stream()
            .filter(l -> l.sign() == VisualInspection.Sign.BURST)
            .flatMap(l -> job.capacitor(l.part()).stream())
            .toList();
    for (Parallel p : job.items(Parallel.class)) {
      job.part(p.with())
          .ifPresent(other -> beside.computeIfAbsent(p.part(), _ -> new ArrayList<>()).add(other));
      job.part(p.part())
          .ifPresent(other -> beside.computeIfAbsent(p.with(), _ -> new ArrayList<>()).add(other));
    }
    this.shortInPlace =
        job.census().stream()
            .map(Part::ref)
            .filter(ref -> job.readingsOf(ref).stream().anyMatch(ShortCriterion::shortInPlace))
            .collect(Collectors.toSet());
    this.siblings = new Siblings(job);
    this.tried =
        job.items(SupplySign.class).stream().collect(Collectors.groupingBy(SupplySign::place));
    List<Assessment> each =
        job.census().stream().map(p -> judged(p, job.readingsOf(p.ref()))).toList();
    this.alone = each.stream().collect(Collectors.toMap(a -> a.part().ref(), a -> a));
    this.risks = new RiskRules(knowledge, job, each);
    this.all = Together.cans(each).stream().map(this::decided).toList();
  }

  /** What is known of what lies around the parts. */
  public Surroundings around() {
    return around;
  }

  /** The verdict on every part, in the order of the list. */
  public List<Assessment> all() {
    return all;
  }

  /** The verdict on a part as it would be with one more reading, which is not kept. */
  public Assessment with(Part part, Reading another) {
    List<Reading> readings = new ArrayList<>(job.readingsOf(part.ref()));
    readings.add(another);
    List<Assessment> can = new ArrayList<>();
    if (part instanceof Capacitor c && c.section()) {
      job.capacitors().stream()
          .filter(o -> o.ref().whole().equals(c.ref().whole()) && !o.equals(c))
          .forEach(o -> can.add(alone.get(o.ref())));
    }
    can.add(judged(part, readings));
    return decided(Together.cans(can).getLast());
  }

  private boolean shortsInCircuit(Part part) {
    return shortInPlace.stream().anyMatch(ref -> !ref.equals(part.ref()));
  }

  private Assessment judged(Part part, List<Reading> readings) {
    Evidence evidence = Evidence.of(readings, job, now);
    List<VisualInspection> looks = job.of(part.ref(), VisualInspection.class);
    List<Part> with = beside.getOrDefault(part.ref(), List.of());
    List<Finding> findings = new ArrayList<>(VisualInspectionCriterion.judge(looks));
    findings.addAll(siblings.judge(part, readings));
    findings.addAll(
        TriedCriterion.judge(
            tried.getOrDefault(part.ref().toString(), List.of()),
            readings,
            part instanceof Capacitor c
                ? Optional.of(knowledge.kind(c.kind()).family())
                : Optional.empty()));
    VerdictRules.Decision decision;
    if (part instanceof Capacitor c) {
      CapacitorKind kind = knowledge.kind(c.kind());
      Case one =
          new Case(
              c,
              kind,
              knowledge.role(c.role()),
              evidence,
              job.policy(),
              job.plate().purpose() == SetPlate.Purpose.MUSEUM,
              Ages.years(job, part, today),
              limits.of(kind, job.policy().limits().limits()),
              knowledge.esrChart(),
              looks,
              Together.burstSibling(c, burst, job));
      findings.addAll(AgreementCriterion.judge(one));
      findings.addAll(ContactCriterion.judge(evidence));
      findings.addAll(ShortCriterion.judge(one, !with.isEmpty() || shortsInCircuit(part)));
      findings.addAll(
          NetworkCriterion.judge(one, around)
              .orElseGet(() ->
                  Stream.concat(
                          KeptCriterion.judge(one).stream(),
                          InCircuit.guarded(LossCriterion.judge(one), one, with).stream())
                      .toList()));
      findings.addAll(LeakageCriterion.judge(one));
      findings.addAll(InsulationCriterion.judge(one));
      findings.addAll(GridCriterion.judge(one, job.of(part.ref(), GridCircuit.class)));
      findings.addAll(PositionCriterion.judge(one));
      findings.addAll(HiddenPathCriterion.suspect(job, with));
      findings.addAll(WitnessCriterion.judge(part, job.of(part.ref(), StatedValue.class)));
      decision = VerdictRules.decide(one, findings);
    } else {
      findings.addAll(ContactCriterion.judge(evidence));
      findings.addAll(new PartCriterion(part, evidence, knowledge).judge());
      if (part instanceof Resistor r) {
        findings.addAll(HiddenPathCriterion.judge(r, evidence, job, with));
        findings.addAll(Together.pair(r, job));
      }
      findings.addAll(WitnessCriterion.judge(part, job.of(part.ref(), StatedValue.class)));
      decision = PartVerdict.decide(part, findings, evidence, job.policy());
    }
    return new Assessment(
        part,
        findings,
        decision.verdict(),
        decision.because(),
        decision.next(),
        !readings.isEmpty(),
        Optional.empty(),
        belief(part, readings, findings),
        Risk.UNKNOWN);
  }

  /** What it is by its own readings and all that was found; as old as the set for what ages. */
  private Belief belief(Part part, List<Reading> readings, List<Finding> findings) {
    return BeliefRules.of(
        Belief.now(readings, part, knowledge, setYears.orElse(0)),
        findings,
        knowledge,
        Ages.years(job, part, today),
        job.of(part.ref(), Place.class).stream().mapToDouble(Warmth::kelvin).max().orElse(0));
  }

  /** The same with its risk, the fate of its like in the set in it. */
  private Assessment risked(Assessment a) {
    OptionalDouble age = Ages.years(job, a.part(), today);
    RiskRules.Weighed w = risks.of(a.part(), a.findings(), a.measured(), age);
    return a.withRisk(w.risk()).believing(a.belief().failing(w.fate()));
  }

  /** What a person decided stands before what the rules say. */
  private Assessment decided(Assessment a) {
    Assessment warm =
        VerdictRules.warm(risked(a), job.of(a.part().ref(), Place.class), job.policy());
    return job.of(a.part().ref(), Overrule.class).stream()
        .findFirst()
        .map(
            o -> warm.overruled(o.verdict(), Message.of(AssessWords.BECAUSE_OVERRULED, o.reason())))
        .orElse(warm);
  }
}
