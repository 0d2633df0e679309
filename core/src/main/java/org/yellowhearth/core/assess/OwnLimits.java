package org.yellowhearth.core.assess;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.LimitChange;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.LeakageLimit;
import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.knowledge.Limits;

/**
 * The limits as a job holds them: those of the knowledge files with what a person changed for this
 * job.
 */
public final class OwnLimits {
  private final Map<String, List<LimitChange>> changes = new HashMap<>();

  /** The limits of a job. */
  public OwnLimits(Job job) {
    job.items(LimitChange.class)
        .forEach(c ->
            changes.merge(
                c.kind() + " " + c.profile(),
                List.of(c),
                (a, b) -> Stream.concat(a.stream(), b.stream()).toList()));
  }

  /** The limits of a kind in a profile; empty for a kind that has none. */
  public Optional<Limits> of(CapacitorKind kind, LimitProfile profile) {
    Limits plain = kind.limits().get(profile);
    if (plain == null || changes.isEmpty()) {
      return Optional.ofNullable(plain);
    }
    Limits limits = plain;
    for (LimitChange c : changes.getOrDefault(kind.id() + " " + profile.code(), List.of())) {
      limits = changed(limits, c.which(), c.value());
    }
    return Optional.of(limits);
  }

  /**
   * One limit as it stands; empty where a kind has no such limit. Of dissipation by voltage, the
   * loosest.
   */
  public static OptionalDouble value(Limits limits, LimitChange.Which which) {
    Limits.Kept kept = limits.kept();
    return switch (which) {
      case RENEW_BELOW -> OptionalDouble.of(kept.renewBelow());
      case WATCH_BELOW -> OptionalDouble.of(kept.watchBelow());
      case WATCH_ABOVE -> OptionalDouble.of(kept.watchAbove());
      case RENEW_ABOVE -> OptionalDouble.of(kept.renewAbove());
      case WATCH_DISSIPATION ->
          limits.dissipation().stream().mapToDouble(Limits.DissipationLimit::watchAbove).max();
      case RENEW_DISSIPATION ->
          limits.dissipation().stream().mapToDouble(Limits.DissipationLimit::renewAbove).max();
      case WATCH_INSULATION ->
          limits.insulation().stream()
              .mapToDouble(Limits.InsulationLimit::watchBelowSeconds)
              .findFirst();
      case RENEW_INSULATION ->
          limits.insulation().stream()
              .mapToDouble(Limits.InsulationLimit::renewBelowSeconds)
              .findFirst();
      case LEAKAGE_FACTOR ->
          limits.leakage().isPresent() ? OptionalDouble.of(1) : OptionalDouble.empty();
    };
  }

  private static Limits changed(Limits l, LimitChange.Which which, double value) {
    Limits.Kept k = l.kept();
    return switch (which) {
      case RENEW_BELOW ->
          kept(
              l,
              new Limits.Kept(
                  value, Math.max(value, k.watchBelow()), k.watchAbove(), k.renewAbove()));
      case WATCH_BELOW ->
          kept(
              l,
              new Limits.Kept(
                  Math.min(value, k.renewBelow()), value, k.watchAbove(), k.renewAbove()));
      case WATCH_ABOVE ->
          kept(
              l,
              new Limits.Kept(
                  k.renewBelow(), k.watchBelow(), value, Math.max(value, k.renewAbove())));
      case RENEW_ABOVE ->
          kept(
              l,
              new Limits.Kept(
                  k.renewBelow(), k.watchBelow(), Math.min(value, k.watchAbove()), value));
      case WATCH_DISSIPATION ->
          new Limits(
              k,
              l.dissipation().stream()
                  .map(d ->
                      new Limits.DissipationLimit(
                          d.upToVolts(), value, Math.max(value, d.renewAbove())))
                  .toList(),
              l.oxideDissipation(),
              l.leakage(),
              l.insulation(),
              l.cited());
      case RENEW_DISSIPATION ->
          new Limits(
              k,
              l.dissipation().stream()
                  .map(d ->
                      new Limits.DissipationLimit(
                          d.upToVolts(), Math.min(value, d.watchAbove()), value))
                  .toList(),
              l.oxideDissipation(),
              l.leakage(),
              l.insulation(),
              l.cited());
      case WATCH_INSULATION ->
          insulation(
              l,
              i ->
                  new Limits.InsulationLimit(
                      Math.min(value, i.renewBelowSeconds()), value, i.enoughOhms()));
      case RENEW_INSULATION ->
          insulation(
              l,
              i ->
                  new Limits.InsulationLimit(
                      value, Math.max(value, i.watchBelowSeconds()), i.enoughOhms()));
      case LEAKAGE_FACTOR ->
          new Limits(
              k,
              l.dissipation(),
              l.oxideDissipation(),
              l.leakage().map(rule -> new LeakageLimit.Scaled(rule, value)),
              l.insulation(),
              l.cited());
    };
  }

  private static Limits kept(Limits l, Limits.Kept kept) {
    return new Limits(
        kept, l.dissipation(), l.oxideDissipation(), l.leakage(), l.insulation(), l.cited());
  }

  private static Limits insulation(Limits l, UnaryOperator<Limits.InsulationLimit> change) {
    return new Limits(
        l.kept(),
        l.dissipation(),
        l.oxideDissipation(),
        l.leakage(),
        l.insulation().map(change),
        l.cited());
  }
}
