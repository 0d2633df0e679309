package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRectifier.Scheme;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;

/**
 * A common arrangement of a supply, to begin a description with. Parts of the census that plainly
 * belong there are pointed at; every value that is not theirs is a usual one, to be changed.
 */
public enum Preset implements Coded {
  VALVE_CHOKE,
  VALVE_RESISTOR,
  TRANSFORMERLESS,
  SILICON_BRIDGE,
  SPLIT,
  DOUBLER,
  NEGATIVE_BIAS,
  REGULATED,
  CONVERTER;

  /** Its sections for a job, beside what is described already. */
  public List<SupplySection> sections(Job job, Supplier<String> ids) {
    return new Draft(job, ids).of(this);
  }

  /** Sections being put together; a part is pointed at once. */
  private static final class Draft {
    private static final double MICRO = 1e-6;

    private final Job job;
    private final Supplier<String> ids;
    private final List<SupplySection> made = new ArrayList<>();
    private final List<PartRef> taken = new ArrayList<>();
    private final double mains;
    private final List<SupplySection> described;

    /**
     * Points and names of this arrangement by what they are usually called: beside another supply
     * each gets one of its own.
     */
    private final Map<String, String> own = new HashMap<>();

    Draft(Job job, Supplier<String> ids) {
      this.job = job;
      this.ids = ids;
      this.described = job.items(SupplySection.class);
      this.mains = job.plate().mains().map(m -> m.volts()).orElse(230.0);
    }

    List<SupplySection> of(Preset preset) {
      switch (preset) {
        case VALVE_CHOKE -> {
          rectified(
              "T1", 275, 150, true, Scheme.FULL_WAVE, RectifierTechnology.VACUUM, "HT", false);
          reservoir("HT", Role.RESERVOIR, 16);
          stage(
              "HT",
              Optional.of(Winding.Task.CHOKE),
              350,
              OptionalDouble.of(10),
              "HT2",
              Role.SMOOTHING,
              32);
          load("set", "HT2", SupplyLoad.Kind.CURRENT, 0.06);
        }
        case VALVE_RESISTOR -> {
          rectified(
              "T1", 250, 200, true, Scheme.FULL_WAVE, RectifierTechnology.VACUUM, "HT", false);
          reservoir("HT", Role.RESERVOIR, 32);
          stage("HT", Optional.empty(), 1500, OptionalDouble.empty(), "HT2", Role.SMOOTHING, 32);
          load("set", "HT2", SupplyLoad.Kind.CURRENT, 0.05);
        }
        case TRANSFORMERLESS -> {
          rectified(
              "line", mains, 120, false, Scheme.HALF_WAVE, RectifierTechnology.VACUUM, "HT", false);
          reservoir("HT", Role.RESERVOIR, 50);
          stage("HT", Optional.empty(), 1200, OptionalDouble.empty(), "HT2", Role.SMOOTHING, 50);
          load("set", "HT2", SupplyLoad.Kind.CURRENT, 0.05);
        }
        case SILICON_BRIDGE -> {
          rectified("T1", 18, 0.6, false, Scheme.BRIDGE, RectifierTechnology.SILICON, "raw", false);
          reservoir("raw", Role.RESERVOIR, 2200);
          load("set", "raw", SupplyLoad.Kind.CURRENT, 0.5);
        }
        case SPLIT -> {
          rectified(
              "T1", 30, 0.5, true, Scheme.FULL_WAVE, RectifierTechnology.SILICON, "plus", false);
          rectifier("D2", "T1", Scheme.FULL_WAVE, RectifierTechnology.SILICON, "minus", true);
          reservoir("plus", Role.RESERVOIR, 4700);
          reservoir("minus", Role.RESERVOIR, 4700);
          load("upper", "plus", SupplyLoad.Kind.RESISTANCE, 80);
          load("lower", "minus", SupplyLoad.Kind.RESISTANCE, 80);
        }
        case DOUBLER -> {
          winding("T1", 120, 10, false);
          made.add(
              new SupplyRectifier(
                  ids.get(),
                  own("D1"),
                  part(Rectifier.class, _ -> true),
                  own("T1"),
                  Scheme.FULL_WAVE_DOUBLER,
                  RectifierTechnology.SILICON,
                  OptionalDouble.empty(),
                  OptionalDouble.empty(),
                  OptionalInt.empty(),
                  false,
                  own("HT"),
                  "0",
                  capacitor(Role.RESERVOIR),
                  OptionalDouble.of(100 * MICRO),
                  capacitor(Role.RESERVOIR),
                  OptionalDouble.of(100 * MICRO),
                  List.of()));
          load("set", "HT", SupplyLoad.Kind.CURRENT, 0.15);
        }
        case NEGATIVE_BIAS -> {
          rectified(
              "Tb", 50, 60, false, Scheme.HALF_WAVE, RectifierTechnology.SILICON, "bias", true);
          reservoir("bias", Role.BIAS_FILTER, 25);
          stage(
              "bias",
              Optional.empty(),
              4700,
              OptionalDouble.empty(),
              "bias2",
              Role.BIAS_FILTER,
              25);
          load("grids", "bias2", SupplyLoad.Kind.RESISTANCE, 27_000);
        }
        case REGULATED -> {
          rectified("T1", 15, 0.8, false, Scheme.BRIDGE, RectifierTechnology.SILICON, "raw", false);
          reservoir("raw", Role.REGULATOR_INPUT, 2200);
          made.add(
              new SupplyRegulator(
                  ids.get(),
                  own("U1"),
                  Optional.empty(),
                  SupplyRegulator.Kind.SERIES,
                  own("raw"),
                  own("out"),
                  false,
                  12,
                  OptionalDouble.empty(),
                  OptionalDouble.empty(),
                  "",
                  OptionalDouble.empty()));
          reservoir("out", Role.REGULATOR_OUTPUT, 10);
          load("set", "out", SupplyLoad.Kind.CURRENT, 0.4);
        }
        case CONVERTER -> {
          rectified(
              "line", mains, 3, false, Scheme.BRIDGE, RectifierTechnology.SILICON, "bulk", false);
          reservoir("bulk", Role.CONVERTER_INPUT, 150);
          made.add(
              new SupplyConverter(
                  ids.get(),
                  own("K1"),
                  Optional.empty(),
                  own("bulk"),
                  SupplyConverter.Shape.FLYBACK,
                  none(),
                  none(),
                  none(),
                  none(),
                  none(),
                  Optional.empty(),
                  none(),
                  none(),
                  none(),
                  none(),
                  none(),
                  none()));
          made.add(
              new SupplyOutput(
                  ids.get(),
                  own("5V"),
                  own("K1"),
                  5,
                  6,
                  Optional.empty(),
                  OptionalDouble.of(2200 * MICRO),
                  none(),
                  none()));
          made.add(
              new SupplyOutput(
                  ids.get(),
                  own("12V"),
                  own("K1"),
                  12,
                  1.5,
                  Optional.empty(),
                  OptionalDouble.of(470 * MICRO),
                  none(),
                  none()));
        }
      }
      return List.copyOf(made);
    }

    private static OptionalDouble none() {
      return OptionalDouble.empty();
    }

    private void rectified(
        String winding,
        double volts,
        double ohms,
        boolean tapped,
        Scheme scheme,
        RectifierTechnology make,
        String to,
        boolean negative) {
      winding(winding, volts, ohms, tapped);
      rectifier(
          make == RectifierTechnology.VACUUM ? "V1" : "D1", winding, scheme, make, to, negative);
    }

    private void winding(String name, double volts, double ohms, boolean tapped) {
      Optional<PartRef> part = part(Winding.class, w -> w.task() == Winding.Task.MAINS_SECONDARY);
      boolean known =
          part.flatMap(job::part).map(p -> ((Winding) p).ohms().isPresent()).orElse(false);
      made.add(
          new SupplyWinding(
              ids.get(),
              own(name),
              part,
              volts,
              known ? OptionalDouble.empty() : OptionalDouble.of(ohms),
              tapped));
    }

    private void rectifier(
        String name,
        String winding,
        Scheme scheme,
        RectifierTechnology make,
        String to,
        boolean negative) {
      Optional<PartRef> part =
          make == RectifierTechnology.VACUUM
              ? part(Valve.class, v -> v.task() == Valve.Task.RECTIFIER)
              : part(Rectifier.class, _ -> true);
      made.add(
          new SupplyRectifier(
              ids.get(),
              part.map(PartRef::toString).orElseGet(() -> own(name)),
              part,
              own(winding),
              scheme,
              part.isPresent() && make != RectifierTechnology.VACUUM
                  ? RectifierTechnology.UNSTATED
                  : make,
              make == RectifierTechnology.VACUUM ? OptionalDouble.of(20) : OptionalDouble.empty(),
              make == RectifierTechnology.VACUUM ? OptionalDouble.of(0.1) : OptionalDouble.empty(),
              OptionalInt.empty(),
              negative,
              own(to),
              "0",
              Optional.empty(),
              OptionalDouble.empty(),
              Optional.empty(),
              OptionalDouble.empty(),
              List.of()));
    }

    private void reservoir(String point, Role role, double microfarads) {
      filter(
          point,
          Optional.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          point,
          role,
          microfarads);
    }

    private void stage(
        String from,
        Optional<Winding.Task> choke,
        double ohms,
        OptionalDouble henries,
        String to,
        Role role,
        double microfarads) {
      Optional<PartRef> through = choke.flatMap(task -> part(Winding.class, w -> w.task() == task));
      Optional<Winding> known = through.flatMap(job::part).map(Winding.class::cast);
      filter(
          from,
          through,
          known.map(Winding::ohms).orElse(OptionalDouble.empty()).isPresent()
              ? OptionalDouble.empty()
              : OptionalDouble.of(ohms),
          known.map(Winding::henries).orElse(OptionalDouble.empty()).isPresent()
              ? OptionalDouble.empty()
              : henries,
          to,
          role,
          microfarads);
    }

    private void filter(
        String from,
        Optional<PartRef> through,
        OptionalDouble ohms,
        OptionalDouble henries,
        String to,
        Role role,
        double microfarads) {
      Optional<PartRef> shunt = capacitor(role);
      made.add(
          new SupplyFilter(
              ids.get(),
              own(from),
              through,
              ohms,
              henries,
              own(to),
              shunt,
              shunt.isPresent() ? OptionalDouble.empty() : OptionalDouble.of(microfarads * MICRO),
              OptionalDouble.empty(),
              OptionalDouble.empty(),
              "0"));
    }

    private void load(String name, String at, SupplyLoad.Kind kind, double value) {
      made.add(new SupplyLoad(ids.get(), own(name), own(at), kind, value));
    }

    /** A name or point that nothing described has yet; the same word gives the same again. */
    private String own(String wanted) {
      return own.computeIfAbsent(
          wanted,
          w -> {
            String name = w;
            for (int k = 2; taken(name); k++) {
              name = w + "-" + k;
            }
            return name;
          });
    }

    private boolean taken(String name) {
      return own.containsValue(name)
          || described.stream().anyMatch(s -> s.title().equals(name) || s.points().contains(name));
    }

    private Optional<PartRef> capacitor(Role role) {
      return part(Capacitor.class, c -> c.role() == role);
    }

    private <P extends Part> Optional<PartRef> part(Class<P> type, Predicate<P> fits) {
      Optional<PartRef> found =
          job.census().stream()
              .filter(type::isInstance)
              .map(type::cast)
              .filter(fits)
              .map(Part::ref)
              .filter(r -> !taken.contains(r))
              .filter(r ->
                  job.items(SupplySection.class).stream().noneMatch(s -> s.parts().contains(r)))
              .findFirst();
      found.ifPresent(taken::add);
      return found;
    }
  }
}
