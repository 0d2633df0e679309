package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.DeviceWare;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Devices;
import org.yellowhearth.core.knowledge.Devices.Device;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Zener;
import org.yellowhearth.core.quantity.PreferredSeries;
import org.yellowhearth.core.quantity.Quantity;

/**
 * What could take the place of a semiconductor or a valve: by its type where that is known, else by
 * what its place demands, the plainest first.
 */
public final class DeviceSearch {
  /** Voltage and current are taken with so much to spare (common practice). */
  static final double MARGIN = 1.5;

  /** Across a rectifier that charges a capacitor stand twice the rail and more. */
  static final double INVERSE_TIMES = 2;

  /** Where nothing is stated of a supply rectifier: enough for any mains (common practice). */
  static final double MAINS_INVERSE = 1000;

  private static final double USUAL_AMPERES = 1;

  /** Diodes below this are made for signals. */
  private static final double SIGNAL_AMPERES = 0.1;

  private static final double ZENER_NEAR = 0.06;
  private static final double USUAL_ZENER_WATTS = 1.3;
  private static final int MOST = 6;

  private final Job job;
  private final Devices devices;
  private final List<Found> found = new ArrayList<>();

  /**
   * One that could come in.
   *
   * @param points what to know of it
   * @param doubtful whether something it must meet is not known
   */
  public record Found(StockPart part, List<Message> points, boolean doubtful) {
    public Found {
      points = List.copyOf(points);
    }

    /** This as a choice for a part. */
    public Choice choice(PartRef ref) {
      return Choice.one(
          ref, new Choice.Taken(part.id(), part.title(), Whence.CATALOGUE, part.ware()));
    }
  }

  private DeviceSearch(Job job, Devices devices) {
    this.job = job;
    this.devices = devices;
  }

  /** What could come in for a part; nothing where it is no device, or too little is known. */
  public static List<Found> of(Part part, Job job, Devices devices) {
    DeviceSearch search = new DeviceSearch(job, devices);
    search.sameType(part);
    switch (part) {
      case Rectifier r -> search.rectifier(r);
      case Zener z -> search.zener(z);
      case Transistor t -> search.transistor(t);
      case IntegratedCircuit i -> search.regulator(i);
      case Valve _ -> {
        // A valve is replaced by its own type or one of its other names.
      }
      default -> {
        return List.of();
      }
    }
    return search.found.stream().limit(MOST).toList();
  }

  /** The type that stands on it, and its other names. */
  private void sameType(Part part) {
    devices.all().stream()
        .filter(d -> d.sort() == part.sort() && d.named(part.marking()))
        .findFirst()
        .ifPresent(d ->
            d.types()
                .forEach(t ->
                    add(
                        t,
                        d,
                        Message.of(
                            part.marking().contains(t)
                                ? ReplaceWords.DEVICE_SAME
                                : ReplaceWords.DEVICE_OTHER_NAME),
                        false)));
  }

  private void rectifier(Rectifier r) {
    boolean signal =
        found.isEmpty()
            && r.make() == RectifierTechnology.GERMANIUM
            && r.amperes().orElse(0) < SIGNAL_AMPERES;
    OptionalDouble inverse =
        r.inverseVolts().isPresent()
            ? OptionalDouble.of(MARGIN * r.inverseVolts().getAsDouble())
            : highestRail().stream().map(v -> INVERSE_TIMES * MARGIN * v).findFirst();
    double volts = inverse.orElse(MAINS_INVERSE);
    double amperes = r.amperes().isPresent() ? MARGIN * r.amperes().getAsDouble() : USUAL_AMPERES;
    boolean fast = job.aspect(Build.class).switchingSupply();
    boolean resistance = r.make().replacedOnSight();
    fitting(
            d ->
                d.signal() == signal
                    && (!signal || d.made().contains(r.make().code()))
                    && (!fast || d.fast())
                    && (signal || d.volts().orElse(0) >= volts)
                    && (signal || d.amperes().orElse(0) >= amperes),
            r.sort())
        .sorted(
            Comparator.comparing((Device d) -> d.fast() && !fast)
                .thenComparingDouble(d -> d.amperes().orElse(0))
                .thenComparingDouble(d -> d.volts().orElse(0)))
        .limit(3)
        .forEach(d ->
            add(
                d.types().getFirst(),
                d,
                signal
                    ? Message.of(ReplaceWords.DEVICE_SIGNAL_DIODE)
                    : resistance
                        ? Message.of(ReplaceWords.DEVICE_NEEDS_RESISTANCE)
                        : inverse.isPresent()
                            ? Message.of(
                                ReplaceWords.DEVICE_INVERSE,
                                Quantity.volts(d.volts().orElseThrow()),
                                Quantity.volts(volts))
                            : Message.of(
                                ReplaceWords.DEVICE_INVERSE_UNKNOWN, Quantity.volts(MAINS_INVERSE)),
                resistance || (!signal && inverse.isEmpty())));
  }

  private OptionalDouble highestRail() {
    return job.items(Rail.class).stream().mapToDouble(Rail::volts).max();
  }

  private void zener(Zener z) {
    double watts = z.watts().orElse(USUAL_ZENER_WATTS);
    double least = devices.zenerWatts().stream().filter(w -> w >= watts).findFirst().orElse(watts);
    PreferredSeries.E24.between(z.volts() * (1 - ZENER_NEAR), z.volts() * (1 + ZENER_NEAR)).stream()
        .sorted(Comparator.comparingDouble(v -> Math.abs(Math.log(v / z.volts()))))
        .limit(2)
        .forEach(v -> {
          String type = Quantity.volts(v) + " zener " + Quantity.watts(least);
          add(
              type,
              Quantity.volts(v) + ", " + Quantity.watts(least),
              Message.of(ReplaceWords.DEVICE_ZENER, Quantity.percent(Math.abs(v / z.volts() - 1))),
              z.watts().isEmpty());
        });
  }

  private void transistor(Transistor t) {
    if (t.channel() == Transistor.Channel.UNSTATED) {
      return;
    }
    String material =
        (t.material() == Transistor.Material.UNSTATED ? Transistor.Material.SILICON : t.material())
            .code();
    OptionalDouble rail = highestRail();
    double middle = gain(t.leastGain(), t.mostGain()).orElse(0);
    List<Device> alike =
        fitting(
                d ->
                    d.made().contains(t.channel().code())
                        && d.made().contains(material)
                        && overlaps(d, t),
                t.sort())
            .sorted(
                Comparator.comparingDouble(d ->
                    middle > 0
                        ? Math.abs(
                            Math.log(gain(d.leastGain(), d.mostGain()).orElse(middle) / middle))
                        : d.watts().orElse(0)))
            .toList();
    Fits stands = d -> rail.isEmpty() || d.volts().orElse(0) >= MARGIN * rail.getAsDouble();
    boolean any = alike.stream().anyMatch(stands::fits);
    alike.stream()
        .filter(d -> !any || stands.fits(d))
        .limit(3)
        .forEach(d ->
            add(
                d.types().getFirst(),
                d,
                rail.isEmpty()
                    ? Message.of(ReplaceWords.DEVICE_RAIL_UNKNOWN)
                    : Message.of(
                        any ? ReplaceWords.DEVICE_TRANSISTOR : ReplaceWords.DEVICE_LOW,
                        Quantity.volts(d.volts().orElseThrow()),
                        Quantity.volts(
                            any ? rail.getAsDouble() : d.volts().orElseThrow() / MARGIN)),
                rail.isEmpty() || !any));
  }

  private static boolean overlaps(Device d, Transistor t) {
    return d.mostGain().orElse(Double.MAX_VALUE) >= t.leastGain().orElse(0)
        && d.leastGain().orElse(0) <= t.mostGain().orElse(Double.MAX_VALUE);
  }

  private static OptionalDouble gain(OptionalDouble least, OptionalDouble most) {
    if (least.isEmpty() && most.isEmpty()) {
      return OptionalDouble.empty();
    }
    double low = least.orElse(most.orElse(1));
    return OptionalDouble.of(Math.sqrt(low * most.orElse(low)));
  }

  private void regulator(IntegratedCircuit i) {
    if (i.task() != IntegratedCircuit.Task.REGULATOR || i.volts().isEmpty()) {
      return;
    }
    boolean negative = i.marking().matches(".*79(L)?\\d\\d.*") || i.volts().getAsDouble() < 0;
    double volts = Math.abs(i.volts().getAsDouble()) * (negative ? -1 : 1);
    fitting(d -> d.volts().orElse(0) == volts, i.sort())
        .forEach(d ->
            add(
                d.types().getFirst(),
                d,
                Message.of(
                    ReplaceWords.DEVICE_REGULATOR, Quantity.amperes(d.amperes().orElseThrow())),
                false));
  }

  private interface Fits {
    boolean fits(Device device);
  }

  private Stream<Device> fitting(Fits fits, Sort sort) {
    return devices.all().stream().filter(d -> d.sort() == sort).filter(fits::fits);
  }

  private void add(String type, Device d, Message point, boolean doubtful) {
    List<String> ratings = new ArrayList<>();
    d.volts().ifPresent(v -> ratings.add(Quantity.volts(v).toString()));
    d.amperes().ifPresent(a -> ratings.add(Quantity.amperes(a).toString()));
    d.watts().ifPresent(w -> ratings.add(Quantity.watts(w).toString()));
    if (d.leastGain().isPresent() && d.mostGain().isPresent()) {
      ratings.add(
          "hFE "
              + Math.round(d.leastGain().getAsDouble())
              + "–"
              + Math.round(d.mostGain().getAsDouble()));
    }
    add(type, String.join(", ", ratings), point, doubtful);
  }

  private void add(String type, String ratings, Message point, boolean doubtful) {
    if (found.stream().anyMatch(f -> f.part.title().equals(type))) {
      return;
    }
    StockPart part =
        new StockPart(
            "device-" + type.replaceAll("[^A-Za-z0-9-]", "-"),
            Whence.CATALOGUE,
            type,
            new DeviceWare(type, ratings),
            OptionalInt.empty(),
            OptionalDouble.empty(),
            OptionalInt.empty(),
            OptionalDouble.empty(),
            1,
            "",
            false,
            "");
    found.add(new Found(part, List.of(point), doubtful));
  }

  /** The first of them, for a look at all places. */
  static Optional<Found> first(Part part, Job job, Devices devices) {
    return of(part, job, devices).stream().findFirst();
  }
}
