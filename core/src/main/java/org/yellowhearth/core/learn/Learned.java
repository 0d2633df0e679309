package org.yellowhearth.core.learn;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.yellowhearth.core.fact.ShopExperience;

/** What a shop has learned: the counts of all its jobs, each with how sure it is. */
public final class Learned {
  private final Map<Topic, Map<String, Tally>> tallies = new EnumMap<>(Topic.class);

  /** A row: what was counted, and the share that follows. */
  public record Share(String key, Posterior of) {
    /** The codes of the key. */
    public String[] codes() {
      return new Tally(Topic.GROUP, key, 0, 0).codes();
    }
  }

  /** How something read of a kind is spread. */
  public record OfKind(String kind, Spread spread) {}

  /** Minutes of one sort of work over all jobs. */
  public record Minutes(String work, long minutes, long jobs) {
    /** In a job in which it was done. */
    public double perJob() {
      return (double) minutes / Math.max(1, jobs);
    }
  }

  /** What these counts say; those of one key are added up. */
  public static Learned of(List<Tally> counts) {
    Learned all = new Learned();
    counts.forEach(t ->
        all.tallies
            .computeIfAbsent(t.topic(), _ -> new TreeMap<>())
            .merge(
                t.key(),
                t,
                (a, b) -> new Tally(a.topic(), a.key(), a.seen() + b.seen(), a.hits() + b.hits())));
    return all;
  }

  private List<Tally> of(Topic topic) {
    return List.copyOf(tallies.getOrDefault(topic, Map.of()).values());
  }

  /** Shares of a topic, the most often seen first. */
  public List<Share> shares(Topic topic) {
    if (topic == Topic.KEPT || topic == Topic.DISSIPATION || topic == Topic.MINUTES) {
      throw new IllegalArgumentException(topic + " counts no shares");
    }
    return of(topic).stream()
        .sorted(Comparator.comparingLong(Tally::seen).reversed().thenComparing(Tally::key))
        .map(t -> new Share(t.key(), Posterior.of(t.hits(), t.seen())))
        .toList();
  }

  /** Shares within one group, in the order of their keys. */
  public List<Share> shares(Topic topic, String group) {
    return shares(topic).stream()
        .filter(s -> s.key().startsWith(group + Tally.BETWEEN))
        .sorted(Comparator.comparing(Share::key))
        .toList();
  }

  /** How much of its marked capacitance each kind kept at its first reading, as a share. */
  public List<OfKind> kept() {
    return spreads(Topic.KEPT, JobTallies.CLASS, false);
  }

  /** The dissipation of each kind at its first reading. */
  public List<OfKind> dissipation() {
    return spreads(Topic.DISSIPATION, 1.0 / JobTallies.PER_DECADE, true);
  }

  private List<OfKind> spreads(Topic topic, double width, boolean decades) {
    Map<String, Map<Integer, Long>> kinds = new HashMap<>();
    of(topic)
        .forEach(t ->
            kinds
                .computeIfAbsent(t.codes()[0], _ -> new HashMap<>())
                .merge(Integer.valueOf(t.codes()[1]), t.seen(), Long::sum));
    List<OfKind> all = new ArrayList<>();
    kinds.forEach((kind, classes) -> {
      Spread s = Spread.of(classes, width);
      all.add(
          new OfKind(
              kind,
              decades
                  ? new Spread(
                      s.seen(),
                      Math.pow(10, s.tenth()),
                      Math.pow(10, s.median()),
                      Math.pow(10, s.ninth()))
                  : s));
    });
    all.sort(
        Comparator.comparingLong((OfKind k) -> k.spread().seen())
            .reversed()
            .thenComparing(OfKind::kind));
    return all;
  }

  /** Where the time went, the most first. */
  public List<Minutes> minutes() {
    return of(Topic.MINUTES).stream()
        .map(t -> new Minutes(t.key(), t.seen(), t.hits()))
        .sorted(Comparator.comparingLong(Minutes::minutes).reversed())
        .toList();
  }

  /** What a job may take over, so that it weighs with its own readings. */
  public ShopExperience experience() {
    return new ShopExperience(
        of(Topic.KIND).stream()
            .limit(ShopExperience.MOST)
            .map(t ->
                new ShopExperience.Seen(
                    t.key(), Math.toIntExact(t.seen()), Math.toIntExact(t.hits())))
            .toList());
  }

  /** Whether nothing was counted yet. */
  public boolean isEmpty() {
    return tallies.isEmpty();
  }
}
