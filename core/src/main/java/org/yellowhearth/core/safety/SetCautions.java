package org.yellowhearth.core.safety;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Observation;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Capacitor;

/** Which cautions of the trade apply to one set, by the rules of the knowledge files. */
public final class SetCautions {
  /** The facts that a rule may ask for as codes. */
  public static final Set<String> CODE_FACTS =
      Set.of(
          "kind",
          "technology",
          "chassis",
          "feature",
          "part-kind",
          "part-family",
          "part-role",
          "mains",
          "built",
          "sign",
          "bench");

  /** The facts that a rule may ask for as figures. */
  public static final Set<String> FIGURE_FACTS =
      Set.of("made", "mains-volts", "highest-volts", "stored-joules", "anode-volts", "kilograms");

  private SetCautions() {}

  /** The rules that apply, the dangers first, each group in the order of the file. */
  public static List<CautionRule> of(Job job, Knowledge knowledge) {
    CautionRule.Facts facts = facts(job, knowledge);
    Map<Boolean, List<CautionRule>> byDanger =
        knowledge.cautions().stream()
            .filter(r -> r.appliesTo(facts))
            .collect(Collectors.partitioningBy(CautionRule::danger));
    return List.of(byDanger.get(true), byDanger.get(false)).stream().flatMap(List::stream).toList();
  }

  /** The dangers of a set that are to be said again at a moment of the work. */
  public static List<CautionRule> dangersAt(
      CautionRule.Moment moment, Job job, Knowledge knowledge) {
    return of(job, knowledge).stream()
        .filter(CautionRule::danger)
        .filter(r -> r.stages().contains(moment))
        .toList();
  }

  /** What is known of a set, in the words of the rules. */
  static CautionRule.Facts facts(Job job, Knowledge knowledge) {
    SetPlate plate = job.plate();
    Build build = job.aspect(Build.class);
    Map<String, Set<String>> codes = new HashMap<>();
    codes.put("kind", Set.of(plate.kind().code()));
    codes.put("technology", Set.of(plate.technology().code()));
    codes.put("chassis", Set.of(plate.chassis().code()));
    codes.put("feature", codes(build.features()));
    codes.put(
        "part-kind",
        job.capacitors().stream().map(Capacitor::kind).collect(Collectors.toUnmodifiableSet()));
    codes.put(
        "part-family",
        codes(
            job.capacitors().stream()
                .map(p -> knowledge.kind(p.kind()))
                .map(CapacitorKind::family)
                .collect(Collectors.toSet())));
    codes.put(
        "part-role",
        codes(job.capacitors().stream().map(Capacitor::role).collect(Collectors.toSet())));
    codes.put(
        "sign",
        codes(
            job.items(Observation.class).stream()
                .map(Observation::sign)
                .collect(Collectors.toSet())));
    codes.put(
        "mains",
        Set.of(
            plate.mains().isPresent()
                ? "yes"
                : plate.chassis() == SetPlate.Chassis.BATTERY ? "no" : "likely"));
    codes.put("bench", Set.of(job.aspect(Bench.class).isolated() ? "isolated" : "not-isolated"));
    Set<String> built = new TreeSet<>();
    build.pictureTube().ifPresent(_ -> built.add("picture-tube"));
    build.memory().ifPresent(_ -> built.add("memory"));
    build.input().ifPresent(_ -> built.add("low-voltage-input"));
    if (build.switchingSupply()) {
      built.add("switching-supply");
    }
    codes.put("built", built);
    return new CautionRule.Facts(codes, figures(job, knowledge));
  }

  private static Map<String, Double> figures(Job job, Knowledge knowledge) {
    Map<String, Double> figures = new HashMap<>();
    Build build = job.aspect(Build.class);
    job.plate().made().ifPresent(y -> figures.put("made", (double) y));
    job.plate().mains().ifPresent(m -> figures.put("mains-volts", m.volts()));
    build.pictureTube().ifPresent(t -> figures.put("anode-volts", t.anodeVolts()));
    build.kilograms().ifPresent(kg -> figures.put("kilograms", kg));
    List<Store> stores = Store.of(job, knowledge);
    double rails = stores.stream().mapToDouble(Store::litVolts).max().orElse(0);
    double rated =
        job.capacitors().stream()
            .mapToDouble(p -> p.workingVolts().orElse(p.ratedVolts().orElse(0)))
            .max()
            .orElse(0);
    if (rails > 0 || rated > 0) {
      figures.put("highest-volts", Math.max(rails, rated));
    }
    double stored =
        stores.stream()
            .mapToDouble(s -> s.highFarads() * s.litVolts() * s.litVolts() / 2)
            .max()
            .orElse(0);
    double marked =
        job.capacitors().stream()
            .mapToDouble(p -> {
              double volts = p.workingVolts().orElse(p.ratedVolts().orElse(0));
              return p.farads() * volts * volts / 2;
            })
            .max()
            .orElse(0);
    if (stored > 0 || marked > 0) {
      figures.put("stored-joules", Math.max(stored, marked));
    }
    return figures;
  }

  private static Set<String> codes(Set<? extends Coded> constants) {
    return constants.stream().map(Coded::code).collect(Collectors.toUnmodifiableSet());
  }
}
