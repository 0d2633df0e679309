package org.yellowhearth.instruments.bench;

import java.util.List;
import java.util.Random;
import org.yellowhearth.core.reform.FormingCapacitor;
import org.yellowhearth.core.reform.FormingCapacitor.Flaw;
import org.yellowhearth.core.reform.FormingCapacitor.Heat;
import org.yellowhearth.core.reform.FormingCapacitor.Make;
import org.yellowhearth.core.reform.FormingCapacitor.Oxide;

/** The box of simulated old capacitors that lies on the simulated bench. */
public final class Parts {
  private static final double RATED = 450;
  private static final double FARADS = 32e-6;
  private static final double LIMIT = 1.58e-3;

  private final List<ClippedPart> all;

  private Parts(List<ClippedPart> all) {
    this.all = List.copyOf(all);
  }

  /** One that comes up, one that ends on a plateau, one that runs away, and one nobody knows. */
  static Parts usual(double now, Random random) {
    double perCoulomb = 1 / (430 * FARADS * RATED * 0.03);
    Oxide oxide = new Oxide(0.65 * RATED, 0.03 * LIMIT, 22, perCoulomb, 1);
    Heat heat = new Heat(10, 60);
    return new Parts(
        List.of(
            part(
                "1",
                new Make(FARADS, 3, RATED, oxide, heat, new Flaw(0.1 * LIMIT / RATED, 0, 600)),
                now),
            part(
                "2",
                new Make(FARADS, 6, RATED, oxide, heat, new Flaw(1.8 * LIMIT / RATED, 0, 600)),
                now),
            part(
                "3",
                new Make(
                    FARADS, 4, RATED, oxide, heat, new Flaw(0.4 * LIMIT / RATED, 1 / 2500.0, 600)),
                now),
            part("4", org.yellowhearth.core.reform.TrialDecay.someCapacitor(random), now)));
  }

  /** Parts made for a purpose. */
  public static Parts of(List<Make> makes) {
    List<ClippedPart> parts = new java.util.ArrayList<>();
    for (Make m : makes) {
      parts.add(part(Integer.toString(parts.size() + 1), m, 0));
    }
    return new Parts(parts);
  }

  private static ClippedPart part(String name, Make make, double now) {
    return new ClippedPart(name, new FormingCapacitor(make), now);
  }

  int count() {
    return all.size();
  }

  /** A part by its number, from 1. */
  ClippedPart part(int number) {
    return all.get(number - 1);
  }
}
