package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.belief.Origin;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplyReading.State;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.fact.SupplyState;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.fact.SupplyTarget.Follows;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Supply;

/**
 * The question of a job: its supply as far as its parts are known, its newest readings, how far
 * each value may be off, and how likely each part is bad before anything is read.
 *
 * @param used the readings that count
 * @param leftOut those that do not: taken before the last change, in a state of the set that is not
 *     described, or at a point the supply does not have
 */
public record Suspicion(
    Diagnosis.Question question, List<SupplyReading> used, List<SupplyReading> leftOut) {
  /** Signs of heat, by their ids in the knowledge files. */
  private static final Set<String> HOT = Set.of("hot", "smell", "smoke");

  private static final String COLD = "cold";
  private static final String NOTHING_HOT = "nothing-hot";
  private static final double USUAL_METER = 0.02;
  private static final double AGED = 0.7;

  /** Drawings promise their voltages within a tenth or so (common practice). */
  private static final double USUAL_DRAWN = 0.1;

  private static final double LEAST_DRAWN = 0.03;
  private static final double LINE_KNOWN = 0.01;
  private static final double LINE_GUESSED = 0.03;

  /** A load that draws nothing is still one. */
  private static final double NOTHING = 1e-6;

  /** A chance within years of use becomes one of being bad now on a set that misbehaves. */
  private static final double LEAST_ODDS = 0.02;

  private static final double MOST_ODDS = 1;
  private static final double UNIFORM = Math.sqrt(3);

  /**
   * A sign that speaks for a part doubles its odds, one that clears it halves them (our own step);
   * no more than three count.
   */
  private static final double SIGN_TIMES = 2;

  private static final int MOST_SIGNS = 3;

  public Suspicion {
    used = List.copyOf(used);
    leftOut = List.copyOf(leftOut);
  }

  /**
   * The question; none while the supply cannot be worked out.
   *
   * @param model of the supply as it is
   * @param chance how likely a part of the census fails, as its risk says
   */
  public static Optional<Suspicion> of(
      Job job, SupplyModel model, Knowledge knowledge, ToDoubleFunction<PartRef> chance) {
    if (model.supply().isEmpty()) {
      return Optional.empty();
    }
    List<SupplyReading> all = newestFirst(job);
    List<SupplyReading> used = new ArrayList<>();
    List<SupplyReading> leftOut = new ArrayList<>();
    Set<String> points = Set.copyOf(model.readable());
    boolean watts = model.supply().get().primary().otherWatts() > 0;
    Map<State, Map<Parameter, Double>> states = states(job, model.supply().get());
    // The model is of the set as usual; where the newest reading was taken in a state nobody
    // described, it is taken for that state.
    State usual =
        all.isEmpty() || states.containsKey(all.getFirst().state())
            ? State.UNSTATED
            : all.getFirst().state();
    for (SupplyReading r : all) {
      boolean same =
          r.after().equals(all.getFirst().after())
              && (r.state() == usual || states.containsKey(r.state()));
      boolean again =
          used.stream()
              .anyMatch(u ->
                  u.point().equals(r.point())
                      && u.kind() == r.kind()
                      && u.bridged().equals(r.bridged())
                      && u.state() == r.state());
      boolean there = points.contains(r.point()) || (watts && r.kind() == SupplyReading.Kind.WATTS);
      (same && !again && there ? used : leftOut).add(r);
    }
    OptionalDouble line = used.stream().flatMapToDouble(r -> r.lineVolts().stream()).average();
    Supply supply =
        line.isPresent()
            ? new Parameter(Parameter.MAINS, Which.MAINS_VOLTS)
                .set(model.supply().get(), line.getAsDouble())
            : model.supply().get();
    List<Setup> setups = new ArrayList<>(List.of(Setup.PLAIN));
    List<Diagnosis.Datum> data = new ArrayList<>();
    for (SupplyReading r : used) {
      Setup setup = new Setup(r.bridged(), states.getOrDefault(r.state(), Map.of()));
      if (!setups.contains(setup)) {
        setups.add(setup);
      }
      data.add(
          new Diagnosis.Datum(
              r.point(),
              r.kind(),
              r.volts(),
              r.uncertainty().orElse(USUAL_METER),
              r.lineVolts().isPresent() ? r.lineVolts().getAsDouble() / line.orElseThrow() : 1,
              r.meterOhms(),
              setups.indexOf(setup),
              false));
    }
    data.addAll(drawn(job, supply, points));
    return Optional.of(
        new Suspicion(
            new Diagnosis.Question(
                supply,
                model.readable(),
                data,
                spread(job, supply, model.values(), line.isPresent()),
                ageing(job, knowledge, model.values()),
                odds(supply, job, knowledge, chance),
                setups,
                heat(job),
                bridged(job)),
            used,
            leftOut));
  }

  /**
   * What the drawing promises at points whose voltage comes from the rails; figures of a control or
   * of a drive say nothing of the supply.
   */
  private static List<Diagnosis.Datum> drawn(Job job, Supply supply, Set<String> points) {
    return job.items(SupplyTarget.class).stream()
        .filter(t -> !t.alternating())
        .filter(t -> points.contains(t.point()))
        .filter(t -> t.follows() != Follows.CONTROL && t.follows() != Follows.DRIVE)
        .map(t ->
            Diagnosis.Datum.drawn(
                t.point(),
                t.volts(),
                Math.max(LEAST_DRAWN, t.tolerance().orElse(USUAL_DRAWN) / UNIFORM),
                t.lineVolts().orElse(supply.mains().nominalVolts()) / supply.mains().volts(),
                t.meterOhms()))
        .toList();
  }

  /** Across what good capacitors were clipped, and whether that cured it. */
  private static List<Bridged> bridged(Job job) {
    return job.items(SupplySign.class).stream()
        .filter(s ->
            s.sign().equals(SupplySign.BRIDGE_CURED)
                || s.sign().equals(SupplySign.BRIDGE_NO_CHANGE))
        .map(s -> new Bridged(s.place(), s.sign().equals(SupplySign.BRIDGE_CURED)))
        .toList();
  }

  /** What was noticed of heat, and what resistors are rated for. */
  private static Heat.Known heat(Job job) {
    List<Heat.Felt> felt = new ArrayList<>();
    for (SupplySign s : job.items(SupplySign.class)) {
      if (HOT.contains(s.sign())) {
        felt.add(new Heat.Felt(s.place(), true));
      } else if (s.sign().equals(NOTHING_HOT) || (s.sign().equals(COLD) && !s.place().isEmpty())) {
        felt.add(new Heat.Felt(s.place(), false));
      }
    }
    Map<String, Double> rated = new HashMap<>();
    for (Part p : job.census()) {
      if (p instanceof Resistor r) {
        r.watts().ifPresent(w -> rated.put(r.ref().toString(), w));
      }
    }
    return new Heat.Known(felt, rated);
  }

  /**
   * What loads and stages draw in each state that is described, against as usual: more ohms, fewer
   * amperes.
   */
  private static Map<State, Map<Parameter, Double>> states(Job job, Supply supply) {
    Map<State, Map<Parameter, Double>> states = new EnumMap<>(State.class);
    Set<Parameter> knobs = Parameter.all(supply).keySet();
    for (SupplyState s : job.items(SupplyState.class)) {
      Parameter load = new Parameter(s.name(), Which.LOAD);
      Parameter stage = new Parameter(s.name(), Which.EMISSION);
      double share = Math.max(s.share(), NOTHING);
      if (knobs.contains(load)) {
        states
            .computeIfAbsent(s.state(), _ -> new HashMap<>())
            .put(load, supply.loadInOhms(s.name()) ? 1 / share : share);
      } else if (knobs.contains(stage)) {
        states.computeIfAbsent(s.state(), _ -> new HashMap<>()).put(stage, share);
      }
    }
    return states;
  }

  private static List<SupplyReading> newestFirst(Job job) {
    return job.items(SupplyReading.class).stream()
        .sorted(Comparator.comparing(SupplyReading::at).reversed())
        .toList();
  }

  // --- how far values may be off
  // -------------------------------------------------------------------------------------------

  /** The standard tolerance of each value, by where it comes from. */
  static Map<Parameter, Double> spread(
      Job job, Supply supply, List<ModelValue> values, boolean lineKnown) {
    Map<Parameter, ModelValue> known = new HashMap<>();
    values.forEach(v -> known.put(new Parameter(v.element(), v.which()), v));
    Map<Parameter, Double> spread = new LinkedHashMap<>();
    Set<String> sections = supply.sectionIds();
    Parameter.all(supply)
        .keySet()
        .forEach(knob -> {
          double sigma =
              switch (knob.which()) {
                case MAINS_VOLTS -> lineKnown ? LINE_KNOWN : LINE_GUESSED;
                case CONDUCTANCE ->
                    knob.element().equals(Parameter.whole(knob.element(), sections))
                        ? conductance(supply, knob.element())
                        : 0;
                default -> sigma(job, knob.which(), Optional.ofNullable(known.get(knob)));
              };
          if (sigma > 0) {
            spread.put(knob, sigma);
          }
        });
    return spread;
  }

  /**
   * What guessed values of one kind share: parts of one age have aged less than is common, or more,
   * together. One standard deviation is {@link #AGED} of what is common for their age, so that as
   * good as new lies well within two.
   */
  private static List<Map<Parameter, Double>> ageing(
      Job job, Knowledge knowledge, List<ModelValue> values) {
    Map<Family, Map<Parameter, Double>> kinds = new EnumMap<>(Family.class);
    for (ModelValue v : values) {
      if (v.origin() == Origin.GUESSED
          && v.part().flatMap(job::part).orElse(null) instanceof Capacitor c) {
        Belief.asMarked(c, knowledge)
            .of(v.which())
            .map(marked -> AGED * Math.log(v.value().value() / marked.value()))
            .filter(by -> by != 0)
            .ifPresent(by ->
                kinds
                    .computeIfAbsent(knowledge.kind(c.kind()).family(), _ -> new HashMap<>())
                    .put(new Parameter(v.element(), v.which()), by));
      }
    }
    return List.copyOf(kinds.values());
  }

  /**
   * Two vacuum rectifiers of one type differ by an eighth, old selenium by more; silicon by nothing
   * that shows.
   */
  private static double conductance(Supply supply, String element) {
    RectifierModel model =
        supply.sections().stream()
            .filter(s -> s.id().equals(element))
            .flatMap(s -> s.rectifier().stream())
            .findFirst()
            .orElse(RectifierModel.of(RectifierTechnology.SILICON));
    return switch (model) {
      case RectifierModel.Vacuum _ -> 0.12;
      case RectifierModel.Junction j -> j.emission() > 2 ? 0.2 : 0;
    };
  }

  private static double sigma(Job job, Which which, Optional<ModelValue> value) {
    Optional<Double> printed =
        value.flatMap(ModelValue::part).flatMap(job::part).flatMap(p -> printed(p, which));
    if (value.isPresent() && value.get().spread() > 0) {
      return value.get().spread();
    }
    return switch (value.map(ModelValue::origin).orElse(Origin.TYPED)) {
      case FOUND -> 1;
      case MEASURED ->
          which == Which.SERIES_RESISTANCE ? 0.15 : which == Which.LEAKAGE_RESISTANCE ? 0.3 : 0.02;
      // Beside what it shares with others of its kind and age.
      case GUESSED ->
          switch (which) {
            case CAPACITANCE -> 0.15;
            case SERIES_RESISTANCE -> 0.5;
            default -> 0.8;
          };
      case MARKED -> printed.orElse(usual(which));
      case TYPED -> usual(which);
      case ASSUMED ->
          switch (which) {
            case SERIES_RESISTANCE, WINDING_RESISTANCE -> 0.5;
            case LEAKAGE_RESISTANCE -> 0.8;
            default -> 0.3;
          };
    };
  }

  private static double usual(Which which) {
    return switch (which) {
      case CAPACITANCE -> 0.12;
      case SERIES_RESISTANCE -> 0.4;
      case LEAKAGE_RESISTANCE -> 0.7;
      case RESISTANCE, WINDING_RESISTANCE, DROP, DROPOUT -> 0.05;
      case INDUCTANCE, EMISSION, OUTPUT_RESISTANCE -> 0.1;
      case LOAD -> 0.12;
      case WINDING_VOLTS -> 0.03;
      case HELD_VOLTS -> 0.02;
      case OTHER_WATTS -> 0.1;
      case CURRENT_LIMIT -> 0.5;
      case CONDUCTANCE,
          MAINS_VOLTS,
          SATURATION_CURRENT,
          EMISSION_COEFFICIENT,
          JUNCTION_RESISTANCE,
          ARC_DROP,
          PERVEANCE,
          AMPLIFICATION,
          ANODE_SHARE,
          KNEE,
          START_VOLTS,
          CORE_QUALITY,
          PASS_RESISTANCE ->
          0;
    };
  }

  private static Optional<Double> printed(Part part, Which which) {
    Optional<Tolerance> tolerance =
        switch (part) {
          case Capacitor c when which == Which.CAPACITANCE -> c.tolerance();
          case Resistor r when which == Which.RESISTANCE -> r.tolerance();
          default -> Optional.empty();
        };
    return tolerance.map(t -> (t.above() - t.below()) / 2 / UNIFORM);
  }

  // --- how likely parts are bad
  // -------------------------------------------------------------------------------------------

  private static Map<String, Double> odds(
      Supply supply, Job job, Knowledge knowledge, ToDoubleFunction<PartRef> chance) {
    Map<String, Double> odds = new HashMap<>();
    Set<String> sections = supply.sectionIds();
    Parameter.all(supply)
        .keySet()
        .forEach(knob -> {
          String whole = Parameter.whole(knob.element(), sections);
          double usual =
              switch (knob.which()) {
                case CAPACITANCE -> 0.3;
                case CONDUCTANCE -> 0.12;
                case LOAD, HELD_VOLTS, EMISSION -> 0.1;
                case MAINS_VOLTS -> 0.1;
                case INDUCTANCE, OTHER_WATTS -> 0.02;
                default -> 0.03;
              };
          odds.merge(whole, usual, Math::max);
        });
    odds.replaceAll((element, usual) ->
        job.census().stream()
            .map(Part::ref)
            .filter(r -> r.toString().equals(element))
            .findFirst()
            .filter(r -> job.part(r).orElseThrow() instanceof Capacitor)
            .map(r -> {
              double p = Math.clamp(chance.applyAsDouble(r), 1e-3, 0.9);
              return Math.clamp(p / (1 - p), LEAST_ODDS, MOST_ODDS);
            })
            .orElse(usual));
    List<Hints.Hint> hints = Hints.of(job, knowledge);
    job.census()
        .forEach(p ->
            odds.computeIfPresent(
                p.ref().toString(),
                (_, now) ->
                    now
                        * Math.pow(
                            SIGN_TIMES,
                            Math.clamp(Hints.weight(hints, p.ref()), -MOST_SIGNS, MOST_SIGNS))));
    return odds;
  }
}
