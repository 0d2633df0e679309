package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.part.Role;

/**
 * What may take the place of what, how near its value must be, and what old rectifiers stand.
 *
 * @param heirs what may follow a kind, or a whole family, the best first
 * @param windows how far the value may lie off, by the duty of a role
 * @param ofRoles the same for single roles
 * @param valves the greatest first capacitor that is published for rectifier valves
 */
public record SubstitutionRules(
    Map<String, List<Heir>> heirs,
    Map<Role.Duty, Window> windows,
    Map<Role, Window> ofRoles,
    List<ValveLimit> valves) {
  public SubstitutionRules {
    heirs = Map.copyOf(heirs);
    windows = Map.copyOf(windows);
    ofRoles = Map.copyOf(ofRoles);
    valves = List.copyOf(valves);
  }

  /**
   * A kind that may follow.
   *
   * @param kind id of the kind
   * @param weight how much worse it is than the best one, 0 for that; on the scale of a log
   *     distance of value
   */
  public record Heir(String kind, double weight) {}

  /** From so many times the marked value to so many. */
  public record Window(double least, double most) {}

  /**
   * Rectifier valves of like make.
   *
   * @param types type numbers, upper case
   * @param farads the greatest first capacitor
   * @param direct whether the filament is the cathode
   */
  public record ValveLimit(List<String> types, double farads, boolean direct, String source) {
    public ValveLimit {
      types = List.copyOf(types);
    }
  }

  /** What may follow a kind, else its family; nothing where nothing is stated. */
  public List<Heir> heirs(CapacitorKind old) {
    return heirs.getOrDefault(old.id(), heirs.getOrDefault(old.family().code(), List.of()));
  }

  /** How far the value may lie off in a role. */
  public Window window(Role role) {
    return Optional.ofNullable(ofRoles.get(role))
        .orElse(windows.getOrDefault(role.duty(), new Window(0.8, 1.5)));
  }

  /** What is published for a valve, by the type that stands in its marking. */
  public Optional<ValveLimit> valve(String marking) {
    List<String> words = List.of(marking.toUpperCase(Locale.ROOT).split("[^A-Z0-9]+"));
    return valves.stream()
        .filter(v ->
            v.types.stream()
                .anyMatch(t -> words.stream().anyMatch(w -> w.matches(t + "(G|GT|GTY|GB)?"))))
        .findFirst();
  }
}
