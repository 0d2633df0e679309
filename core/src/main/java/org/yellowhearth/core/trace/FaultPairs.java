package org.yellowhearth.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.yellowhearth.core.supply.Supply;

/**
 * Two faults at once: pruned by adding up what each does alone, the likeliest pairs worked out at
 * the severities around their best.
 */
final class FaultPairs {
  private static final int MOST_PAIRS = 24;

  /**
   * How many severities of a pair are worked out at the most: its best, and two rounds of four
   * beside it.
   */
  private static final int SEVERITIES = 9;

  /** How many supplies all pairs take at the most. */
  static final int MOST_SOLVES = MOST_PAIRS * SEVERITIES;

  private final Supply supply;
  private final Comparison comparison;
  private final Sample sound;
  private final List<Sample> singles;
  private final int finer;

  /** Two severities, and how likely they are if what each does adds up. */
  private record Pair(int one, int other, double log) {}

  /**
   * The pairs of single faults.
   *
   * @param singles in the order of their lines and severities
   * @param finer how many severities lie from one that was worked out to the next
   */
  FaultPairs(Supply supply, Comparison comparison, Sample sound, List<Sample> singles, int finer) {
    this.supply = supply;
    this.comparison = comparison;
    this.sound = sound;
    this.singles = List.copyOf(singles);
    this.finer = finer;
  }

  /** The likeliest pairs, each at its best severities. */
  List<Sample> likeliest() {
    Map<Set<String>, Pair> best = new HashMap<>();
    Map<Set<String>, Double> sums = new HashMap<>();
    for (int i = 0; i < singles.size(); i++) {
      for (int j = i + 1; j < singles.size(); j++) {
        Sample a = singles.get(i);
        Sample b = singles.get(j);
        if (!a.parts().equals(b.parts())) {
          double log =
              a.logPrior() + b.logPrior() + comparison.logDensityOf(a.misfitWith(b, sound));
          Set<String> key = Set.of(a.parts().getFirst(), b.parts().getFirst());
          sums.merge(key, log, Diagnosis::logSum);
          best.merge(key, new Pair(i, j, log), (x, y) -> x.log >= y.log ? x : y);
        }
      }
    }
    List<Sample> pairs = new ArrayList<>();
    best.entrySet().stream()
        .sorted(Comparator.comparingDouble(e -> -e.getValue().log))
        .limit(MOST_PAIRS)
        .forEach(e ->
            worked(e.getValue(), sums.get(e.getKey()) - e.getValue().log).ifPresent(pairs::add));
    return pairs;
  }

  /**
   * A pair worked out at its likeliest severities and at those beside them.
   *
   * @param room by how much all severities of the pair are likelier than the likeliest alone
   */
  private Optional<Sample> worked(Pair pair, double room) {
    Set<List<Fault>> tried = new HashSet<>();
    Optional<Sample> best = Optional.empty();
    int one = pair.one;
    int other = pair.other;
    for (int step : List.of(finer / 2, 1)) {
      int fromOne = one;
      int fromOther = other;
      for (int[] move : new int[][] {{0, 0}, {step, 0}, {-step, 0}, {0, step}, {0, -step}}) {
        Optional<Sample> a = beside(fromOne, move[0]);
        Optional<Sample> b = beside(fromOther, move[1]);
        if (a.isEmpty() || b.isEmpty() || !tried.add(List.of(a.get().fault(), b.get().fault()))) {
          continue;
        }
        Optional<Sample> here = worked(a.get(), b.get(), room);
        if (here.isPresent() && best.map(s -> here.get().log() > s.log()).orElse(true)) {
          best = here;
          one = fromOne + move[0];
          other = fromOther + move[1];
        }
      }
    }
    return best;
  }

  private Optional<Sample> worked(Sample a, Sample b, double room) {
    return comparison
        .worked(b.in(a.in(supply)))
        .map(shown ->
            comparison.sample(
                List.of(a.parts().getFirst(), b.parts().getFirst()),
                List.of(a.fault(), b.fault()),
                shown,
                a.logPrior() + b.logPrior() + room));
  }

  /** The severity some steps beside another of the same line. */
  private Optional<Sample> beside(int at, int step) {
    int to = at + step;
    boolean there =
        to >= 0
            && to < singles.size()
            && singles.get(to).fault().knob().equals(singles.get(at).fault().knob());
    return there ? Optional.of(singles.get(to)) : Optional.empty();
  }
}
