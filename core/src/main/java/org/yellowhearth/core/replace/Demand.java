package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Element;
import org.yellowhearth.core.circuit.NoSolutionException;
import org.yellowhearth.core.circuit.Probe;
import org.yellowhearth.core.circuit.Transient;
import org.yellowhearth.core.circuit.Transient.Course;
import org.yellowhearth.core.circuit.Transient.Warmth;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.safety.Stack;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;

/**
 * What a place asks of the capacitor that sits there: what it sees in every circumstance that can
 * happen.
 *
 * @param steadyVolts the most across it in the steady state at nominal mains, by the supply or as a
 *     person typed it, the higher of the two
 * @param typedVolts what a person typed
 * @param cases what it sees when, the plainest circumstance first; what cannot happen to this set
 *     is none
 * @param rippleAmperes the alternating current through it, RMS; none where nothing is known of it
 */
public record Demand(
    OptionalDouble steadyVolts,
    OptionalDouble typedVolts,
    List<Seen> cases,
    OptionalDouble rippleAmperes) {
  /** What it sees in a circumstance. */
  public record Seen(Circumstance when, double volts) {
    /**
     * The rating below which a part fails then: a lasting voltage must not exceed it, for a short
     * one an electrolytic stands a tenth more, up to 315 V nearly a sixth (IEC 60384-4, surge
     * voltage, from memory).
     */
    public double leastRating() {
      return when.lasting() ? volts : volts / 1.15 <= 315 ? volts / 1.15 : volts / 1.1;
    }
  }

  /** When a capacitor sees most. */
  public enum Circumstance implements Coded {
    /** Nobody worked it out: what was typed, and half as much again. */
    TYPED(1, false),
    /** In the steady state with the mains a tenth high. */
    HIGH_LINE(1, true),
    /** Switched on cold, before valves draw, the mains a tenth high. */
    COLD(1, false),
    /** With valves or plug-in stages out, nothing drawn, the mains a tenth high. */
    LIGHT(0.1, false),
    /** One on another with others across a rail, by the tolerances or the resistors across. */
    STACKED(1, true),
    /** The pass element of a regulator before it shorted. */
    REGULATOR_SHORTED(0.05, false),
    /** Nothing drawn, and silicon in the place of the rectifier. */
    SILICON(1, false);

    private final double chance;
    private final boolean lasting;

    Circumstance(double chance, boolean lasting) {
      this.chance = chance;
      this.lasting = lasting;
    }

    /**
     * How likely it is once in ten years of use (our own guess; sure is what each day may bring).
     */
    public double chance() {
      return chance;
    }

    /** Whether it lasts for longer than it takes to notice. */
    public boolean lasting() {
      return lasting;
    }
  }

  /**
   * The mains may be so much above what it is called (EN 50160 allows 230 V ± 10 %, from memory).
   */
  public static final double HIGH = 1.1;

  /** What a person typed leaves out cold start and high line. */
  static final double TYPED_MARGIN = 1.5;

  /** A winding of so nearly the mains voltage is the mains itself. */
  private static final double DIRECT = 0.05;

  private static final double SHORT_OHMS = 0.1;
  private static final double SECONDS = 1.5;
  private static final double HARDLY = 1e-3;

  /** The plainer circumstance is named where another brings hardly more. */
  private static final double HARDLY_MORE = 1 + 5e-3;

  public Demand {
    cases = List.copyOf(cases);
  }

  /** The circumstance in which it sees most; none where nothing is known of it. */
  public Optional<Seen> worst() {
    Seen worst = null;
    for (Seen s : cases) {
      worst = worst == null || s.volts > worst.volts * HARDLY_MORE ? s : worst;
    }
    return Optional.ofNullable(worst);
  }

  /** The most it may ever see. */
  public OptionalDouble worstVolts() {
    return worst().map(s -> OptionalDouble.of(s.volts)).orElse(OptionalDouble.empty());
  }

  /** Whether all that is known is what was typed. */
  public boolean onlyTyped() {
    return !cases.isEmpty() && cases.stream().allMatch(s -> s.when == Circumstance.TYPED);
  }

  /** The circumstance in which a part of too low a rating fails first. */
  public Optional<Seen> hardest() {
    return cases.stream().max(Comparator.comparingDouble(this::leastRating));
  }

  /** The rating below which a part fails in one of the circumstances; 0 where none is known. */
  public double leastRating() {
    return hardest().map(this::leastRating).orElse(0.0);
  }

  private double leastRating(Seen s) {
    return s.when == Circumstance.TYPED ? typedVolts.orElse(s.volts) : s.leastRating();
  }

  /** What it sees for long: the mains high, or as typed with the margin for that. */
  public OptionalDouble lastingVolts() {
    return cases.stream()
        .filter(s -> s.when.lasting() || s.when == Circumstance.TYPED)
        .mapToDouble(Seen::volts)
        .max();
  }

  /**
   * What is known of a place without a supply: what was typed, of it and of the input of the
   * regulator that it lies behind.
   */
  public static Demand typed(Job job, Capacitor part, Knowledge knowledge) {
    List<Seen> cases = new ArrayList<>();
    part.workingVolts().ifPresent(v -> cases.add(new Seen(Circumstance.TYPED, TYPED_MARGIN * v)));
    if (part.role() == Role.REGULATOR_OUTPUT) {
      before(job).ifPresent(v -> cases.add(new Seen(Circumstance.REGULATOR_SHORTED, v)));
    }
    Stack.with(part.ref(), job)
        .ifPresent(
            s -> cases.add(new Seen(Circumstance.STACKED, HIGH * s.most(part, job, knowledge))));
    return new Demand(part.workingVolts(), part.workingVolts(), cases, OptionalDouble.empty());
  }

  /** What stands at the input of the regulators of a set, as typed of its capacitors there. */
  private static OptionalDouble before(Job job) {
    return job.census().stream()
        .filter(Capacitor.class::isInstance)
        .map(Capacitor.class::cast)
        .filter(c -> c.role() == Role.REGULATOR_INPUT && c.workingVolts().isPresent())
        .mapToDouble(c -> c.workingVolts().getAsDouble())
        .max();
  }

  /** This with what a person typed: the higher of the two counts. */
  public Demand with(OptionalDouble typed) {
    if (typed.isEmpty()) {
      return this;
    }
    double volts = typed.getAsDouble();
    List<Seen> all = new ArrayList<>(cases);
    if (volts > steadyVolts.orElse(0)) {
      all.addFirst(new Seen(Circumstance.TYPED, HIGH * volts));
    }
    return new Demand(
        OptionalDouble.of(Math.max(volts, steadyVolts.orElse(0))), typed, all, rippleAmperes);
  }

  /**
   * What the places of a supply ask of their capacitors.
   *
   * @param supply as drawn
   * @param silicon whether silicon may come in the place of the rectifiers
   * @throws BadCircuitException where the supply cannot be
   * @throws NoSolutionException where it has no steady state
   */
  public static Map<PartRef, Demand> of(Supply supply, boolean silicon, Watcher watcher) {
    List<Element.Capacitance> all =
        supply.circuit().elements().stream()
            .filter(Element.Capacitance.class::isInstance)
            .map(Element.Capacitance.class::cast)
            .filter(c -> PartRef.parse(c.name()).isPresent())
            .toList();
    Supply high = high(supply);
    Waveforms nominal = Settled.of(supply).waves();
    Map<Circumstance, List<Double>> volts = new EnumMap<>(Circumstance.class);
    volts.put(Circumstance.HIGH_LINE, most(Settled.of(high).waves(), all));
    double share = silicon ? 1.0 / 3 : 0.5;
    volts.put(Circumstance.COLD, start(high, all, s -> watcher.goOn(share * s)));
    if (mayRunLight(supply)) {
      volts.put(Circumstance.LIGHT, start(unloaded(high), all, s -> watcher.goOn(share * (1 + s))));
    }
    shorted(supply, all).ifPresent(v -> volts.put(Circumstance.REGULATOR_SHORTED, v));
    if (silicon) {
      volts.put(
          Circumstance.SILICON,
          start(
              mayRunLight(supply) ? unloaded(withSilicon(high)) : withSilicon(high),
              all,
              s -> watcher.goOn(share * (2 + s))));
    }
    Map<PartRef, Demand> found = new HashMap<>();
    for (int k = 0; k < all.size(); k++) {
      int at = k;
      found.put(
          PartRef.of(all.get(k).name()),
          new Demand(
              OptionalDouble.of(most(nominal, all.get(k))),
              OptionalDouble.empty(),
              volts.entrySet().stream()
                  .map(e -> new Seen(e.getKey(), e.getValue().get(at)))
                  .toList(),
              OptionalDouble.of(nominal.current(all.get(k).name()).rippleRms())));
    }
    return found;
  }

  /**
   * Whether it can be that nothing is drawn. In a set without a transformer the heaters are one
   * string: a valve that is pulled cools the rectifier too.
   */
  private static boolean mayRunLight(Supply supply) {
    double mains = supply.mains().nominalVolts();
    boolean direct =
        supply.sections().stream()
            .filter(Section.Winding.class::isInstance)
            .map(Section.Winding.class::cast)
            .allMatch(w -> Math.abs(w.volts() - mains) <= DIRECT * mains);
    boolean heated =
        supply.sections().stream()
            .anyMatch(s -> s.rectifier().filter(r -> r.technology().heated()).isPresent());
    return !(direct && heated);
  }

  /** With the pass element of any one regulator shorted, at nominal mains: the most of each. */
  private static Optional<List<Double>> shorted(Supply supply, List<Element.Capacitance> all) {
    List<List<Double>> each = new ArrayList<>();
    for (Section s : supply.sections()) {
      if (s instanceof Section.Regulate r) {
        String name = r.id() + ".shorted";
        try {
          each.add(
              most(
                  Settled.of(
                          supply.with(new Section.Resist(name, name, r.from(), r.to(), SHORT_OHMS)))
                      .waves(),
                  all));
        } catch (NoSolutionException _) {
          // What a shorted regulator makes of this supply cannot be told.
          continue;
        }
      }
    }
    return each.isEmpty()
        ? Optional.empty()
        : Optional.of(
            IntStream.range(0, all.size())
                .mapToObj(k -> each.stream().mapToDouble(e -> e.get(k)).max().orElseThrow())
                .toList());
  }

  private static List<Double> most(Waveforms w, List<Element.Capacitance> all) {
    return all.stream().map(c -> most(w, c)).toList();
  }

  private static double most(Waveforms w, Element.Capacitance c) {
    return Math.max(w.voltage(c.a(), c.b()).most(), -w.voltage(c.a(), c.b()).least());
  }

  private static List<Double> start(Supply supply, List<Element.Capacitance> all, Watcher watcher) {
    Warmth valvesCold = (d, _) -> d instanceof Device.Triode || d instanceof Device.Pentode ? 0 : 1;
    List<Course> courses =
        Transient.of(supply.circuit())
            .coldStart(
                0,
                SECONDS,
                valvesCold,
                all.stream().map(c -> (Probe) new Probe.Voltage(c.a(), c.b())).toList(),
                watcher);
    return courses.stream().map(c -> Math.max(c.greatest(), -c.lowest())).toList();
  }

  /** A supply at the highest mains that may be. */
  static Supply high(Supply supply) {
    double volts = Math.max(supply.mains().volts(), HIGH * supply.mains().nominalVolts());
    return supply.tuned((knob, now) -> knob.which() == Parameter.Which.MAINS_VOLTS ? volts : now);
  }

  /** A supply that feeds next to nothing. */
  static Supply unloaded(Supply supply) {
    return supply.tuned((knob, now) ->
        knob.which() != Parameter.Which.LOAD
            ? now
            : supply.loadInOhms(knob.element()) ? now / HARDLY : now * HARDLY);
  }

  /** A supply with silicon in the place of every rectifier. */
  static Supply withSilicon(Supply supply) {
    Supply now = supply;
    for (String id : Set.copyOf(supply.sectionIds())) {
      now = withSilicon(now, id, 0);
    }
    return now;
  }

  /**
   * A supply with silicon in the place of one rectifier, and so many ohms in the way of each of its
   * legs.
   */
  static Supply withSilicon(Supply supply, String rectifier, double legOhms) {
    RectifierModel model = RectifierModel.of(RectifierTechnology.SILICON).behind(legOhms);
    return new Supply(
        supply.mains(),
        supply.primary(),
        supply.sections().stream()
            .map(s ->
                switch (s) {
                  case Section.Rectify r when r.id().equals(rectifier) ->
                      (Section) r.renewed(model);
                  case Section.Doubler d when d.id().equals(rectifier) -> d.renewed(model);
                  default -> s;
                })
            .toList());
  }

  /** The rectifier before whose first capacitor nothing but itself lies, if this part is one. */
  static Optional<Section> rectifierBefore(Supply supply, PartRef part) {
    String name = part.toString();
    return supply.sections().stream()
        .filter(s ->
            switch (s) {
              case Section.Rectify r ->
                  supply.sections().stream()
                      .anyMatch(f ->
                          f instanceof Section.Filter x
                              && x.shunt().filter(c -> c.part().equals(name)).isPresent()
                              && x.from().equals(r.to())
                              && x.to().equals(r.to()));
              case Section.Doubler d ->
                  d.first().part().equals(name) || d.second().part().equals(name);
              default -> false;
            })
        .findFirst();
  }
}
