package org.yellowhearth.desk.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.quantity.Unit;

/** The readings of a supply. */
final class Readings {
  private Readings() {}

  /** All of them, newest first. */
  static List<SupplyReading> all(Job job) {
    return job.items(SupplyReading.class).stream()
        .sorted(Comparator.comparing(SupplyReading::at).reversed())
        .toList();
  }

  /** A figure of a reading with its unit. */
  static Quantity figure(SupplyReading.Kind kind, double value) {
    return Quantity.of(value, kind == SupplyReading.Kind.WATTS ? Unit.WATT : Unit.VOLT);
  }

  /** The newest of each point, kind and state without a bridge. */
  static List<SupplyReading> newest(Job job) {
    List<SupplyReading> newest = new ArrayList<>();
    for (SupplyReading r : all(job)) {
      if (r.bridged().isEmpty()
          && newest.stream()
              .noneMatch(n ->
                  n.point().equals(r.point())
                      && n.kind().alternating() == r.kind().alternating()
                      && n.state() == r.state())) {
        newest.add(r);
      }
    }
    return newest;
  }
}
