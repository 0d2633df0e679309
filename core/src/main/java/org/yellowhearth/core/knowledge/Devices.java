package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Set;
import org.yellowhearth.core.part.Sort;

/**
 * Common semiconductors and valves by their types.
 *
 * @param all in the order in which a counter would think of them
 * @param zenerWatts the powers zener diodes are commonly made for
 * @param source id of where the figures are from
 */
public record Devices(List<Device> all, List<Double> zenerWatts, String source) {
  public Devices {
    all = List.copyOf(all);
    zenerWatts = List.copyOf(zenerWatts);
  }

  /** The usual mutual conductance of a valve so marked, where its type is here with one. */
  public OptionalDouble conductance(String marking) {
    return all.stream()
        .filter(d -> d.sort() == Sort.VALVE && d.conductance().isPresent() && d.named(marking))
        .map(Device::conductance)
        .findFirst()
        .orElse(OptionalDouble.empty());
  }

  /**
   * A device.
   *
   * @param types its names, each as good as the other
   * @param made codes of its polarity, material or task
   * @param volts the most it stands; of a regulator what it gives
   * @param amperes the most it carries
   * @param watts the heat it may make
   * @param conductance the usual mutual conductance of a new valve in mho
   * @param fast whether it recovers fast enough for a switching supply
   * @param signal whether it is made for signals and not for a supply
   */
  public record Device(
      Sort sort,
      List<String> types,
      Set<String> made,
      OptionalDouble volts,
      OptionalDouble amperes,
      OptionalDouble watts,
      OptionalDouble leastGain,
      OptionalDouble mostGain,
      OptionalDouble conductance,
      boolean fast,
      boolean signal) {
    public Device {
      types = List.copyOf(types);
      made = Set.copyOf(made);
    }

    /** Whether a marking names it. */
    public boolean named(String marking) {
      String folded = folded(marking);
      return types.stream()
          .map(Device::folded)
          .anyMatch(t -> folded.matches(".*\\b" + t + "\\b.*"));
    }

    private static String folded(String text) {
      return text.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9 ]", " ");
    }
  }
}
