package org.yellowhearth.knowledge;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.AgeingRule;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Devices;
import org.yellowhearth.core.knowledge.EsrChart;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.FaultRule;
import org.yellowhearth.core.knowledge.FunctionRule;
import org.yellowhearth.core.knowledge.PartRule;
import org.yellowhearth.core.knowledge.PartWear;
import org.yellowhearth.core.knowledge.PeriodRules;
import org.yellowhearth.core.knowledge.RoleRule;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.knowledge.SubstitutionRules;
import org.yellowhearth.core.knowledge.SupplyRules;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.trace.Fault;
import org.yellowhearth.knowledge.json.JsonValue;

/** Reads what roles ask of capacitors, and the windows and wear of parts that are none. */
final class RuleFiles {
  private static final int MOST = 1000;
  private static final int LONGEST = 100;
  private static final double LARGEST = 1e12;

  private RuleFiles() {}

  static Map<Role, RoleRule> roles(JsonValue file, Map<String, Source> sources) {
    Map<Role, RoleRule> roles = new EnumMap<>(Role.class);
    for (JsonValue v : file.object("format", "version", "roles").field("roles").list(MOST)) {
      v.object("role", "consequence", "leastShare", "mostShare", "source");
      roles.put(
          v.field("role").code(Role.class),
          new RoleRule(
              v.field("consequence").integer(1, 5),
              v.field("leastShare").number(0, 1),
              v.field("mostShare").number(1, 10),
              KnowledgeFiles.cite(v, "source", sources)));
    }
    return roles;
  }

  static List<PartRule> windows(JsonValue file, Map<String, Source> sources) {
    return file.object("format", "version", "windows", "wear").field("windows").list(MOST).stream()
        .map(v -> {
          v.object(
              "sort",
              "made",
              "figure",
              "basis",
              "renewBelow",
              "watchBelow",
              "watchAbove",
              "renewAbove",
              "widens",
              "source");
          return new PartRule(
              v.field("sort").code(Sort.class),
              v.text("made", LONGEST),
              v.field("figure").code(Figure.class),
              basis(v.field("basis")),
              v.positive("renewBelow", LARGEST),
              v.positive("watchBelow", LARGEST),
              v.positive("watchAbove", LARGEST),
              v.positive("renewAbove", LARGEST),
              v.optional("widens").map(JsonValue::bool).orElse(false),
              KnowledgeFiles.cite(v, "source", sources));
        })
        .toList();
  }

  private static PartRule.Basis basis(JsonValue v) {
    return switch (v.text(LONGEST)) {
      case "nominal" -> PartRule.Basis.NOMINAL;
      case "plain" -> PartRule.Basis.PLAIN;
      case "per-plate" -> PartRule.Basis.PER_PLATE;
      case "type" -> PartRule.Basis.TYPE;
      default -> throw v.bad("expected nominal, plain, per-plate or type");
    };
  }

  static List<PartWear> wear(JsonValue file) {
    return file.field("wear").list(MOST).stream()
        .map(v -> {
          v.object("sort", "made", "years", "steepness", "consequence");
          return new PartWear(
              v.field("sort").code(Sort.class),
              v.text("made", LONGEST),
              new CapacitorKind.Wear(
                  v.field("years").number(1, 1000), v.field("steepness").number(0.5, 10), false),
              v.field("consequence").integer(1, 5));
        })
        .toList();
  }

  /** The sorts of sign that can be noticed of a set under power. */
  static List<FaultRule.Sign> signs(JsonValue file) {
    return file.object("format", "version", "signs", "rules").field("signs").list(MOST).stream()
        .map(v -> {
          v.object("id", "unit");
          return new FaultRule.Sign(v.field("id").text(LONGEST), v.text("unit", LONGEST));
        })
        .toList();
  }

  /** What signs point at; a rule that speaks of a sign nobody can notice is refused. */
  static List<FaultRule> faults(JsonValue file, Map<String, Source> sources) {
    Set<String> known = signs(file).stream().map(FaultRule.Sign::id).collect(Collectors.toSet());
    return file.field("rules").list(MOST).stream()
        .map(v -> {
          v.object("id", "signs", "roles", "sorts", "clears", "sum", "source");
          Set<String> signs =
              v.field("signs").list(MOST).stream()
                  .map(s -> {
                    if (!known.contains(s.text(LONGEST))) {
                      throw s.bad("no such sign: " + s.text(LONGEST));
                    }
                    return s.text(LONGEST);
                  })
                  .collect(Collectors.toSet());
          return new FaultRule(
              v.field("id").text(LONGEST),
              signs,
              v.field("roles").list(MOST).stream().map(r -> r.code(Role.class)).toList(),
              v.field("sorts").list(MOST).stream().map(r -> r.code(Sort.class)).toList(),
              v.field("clears").bool(),
              v.field("sum").code(FaultRule.Sum.class),
              KnowledgeFiles.cite(v, "source", sources));
        })
        .toList();
  }

  /** What the supply model takes where a set says nothing. */
  static SupplyRules supply(JsonValue file, Map<String, Source> sources) {
    file.object("format", "version", "ageing", "usualWatts", "cathodes", "rectifiers", "inside");
    Map<Family, AgeingRule> ageing = new EnumMap<>(Family.class);
    file.field("ageing")
        .list(MOST)
        .forEach(v -> {
          v.object(
              "family",
              "dissipation",
              "leakSeconds",
              "capacitancePerYear",
              "esrYears",
              "leakYears",
              "leakDecadeYears",
              "leastLeakOhms",
              "source");
          ageing.put(
              v.field("family").code(Family.class),
              new AgeingRule(
                  v.field("dissipation").number(0, 1),
                  v.positive("leakSeconds", LARGEST),
                  v.optional("capacitancePerYear").map(c -> c.number(-0.02, 0.02)).orElse(0.0),
                  v.positive("esrYears", LARGEST),
                  v.positive("leakYears", LARGEST),
                  v.positive("leakDecadeYears", LARGEST),
                  v.positive("leastLeakOhms", LARGEST).orElse(1),
                  KnowledgeFiles.cite(v, "source", sources)));
        });
    List<SupplyRules.UsualWatts> usualWatts =
        file.field("usualWatts").list(MOST).stream()
            .map(v -> {
              v.object("kind", "technology", "least", "usual", "most", "source");
              return new SupplyRules.UsualWatts(
                  v.field("kind").code(SetPlate.Kind.class).code(),
                  v.field("technology").code(SetPlate.Technology.class).code(),
                  v.field("least").number(0.1, LARGEST),
                  v.field("usual").number(0.1, LARGEST),
                  v.field("most").number(0.1, LARGEST),
                  KnowledgeFiles.cite(v, "source", sources));
            })
            .toList();
    List<SupplyRules.Cathode> cathodes =
        file.field("cathodes").list(MOST).stream()
            .map(v -> {
              v.object("heating", "rectifier", "seconds", "source");
              return new SupplyRules.Cathode(
                  v.field("heating").code(SupplyRectifier.Heating.class),
                  v.field("rectifier").bool(),
                  v.field("seconds").number(0.01, 600),
                  KnowledgeFiles.cite(v, "source", sources));
            })
            .toList();
    Map<RectifierTechnology, SupplyRules.RectifierClass> rectifiers =
        new EnumMap<>(RectifierTechnology.class);
    file.field("rectifiers")
        .list(MOST)
        .forEach(v -> {
          v.object("make", "peakTimes", "surgeTimes", "surgeSeconds", "source");
          rectifiers.put(
              v.field("make").code(RectifierTechnology.class),
              new SupplyRules.RectifierClass(
                  v.field("peakTimes").number(1, 1000),
                  v.field("surgeTimes").number(1, 1000),
                  v.field("surgeSeconds").number(1e-4, 1),
                  KnowledgeFiles.cite(v, "source", sources)));
        });
    List<SupplyRules.Inside> inside =
        file.field("inside").list(MOST).stream()
            .map(v -> {
              v.object("id", "does", "place", "how", "source");
              return new SupplyRules.Inside(
                  v.field("id").text(LONGEST),
                  v.field("does").code(Fault.Mode.class).code(),
                  v.field("place").code(SupplyRules.Place.class),
                  v.field("how").code(SupplyRules.How.class),
                  KnowledgeFiles.cite(v, "source", sources));
            })
            .toList();
    return new SupplyRules(ageing, usualWatts, cathodes, rectifiers, inside);
  }

  /** What is expected of the series resistance of a sound capacitor. */
  static EsrChart esrChart(JsonValue file, Map<String, Source> sources) {
    file.object("format", "version", "family", "leastHertz", "source", "columns");
    return new EsrChart(
        file.field("family").code(Family.class),
        file.field("leastHertz").number(1, 1e6),
        file.field("columns").list(MOST).stream()
            .map(c -> {
              c.object("upToVolts", "ohmsByMicrofarads");
              return new EsrChart.Column(
                  c.field("upToVolts").number(0, 1e6),
                  c.field("ohmsByMicrofarads").list(MOST).stream()
                      .map(p -> {
                        List<JsonValue> pair = p.list(2);
                        return new EsrChart.Point(
                            pair.getFirst().number(1e-6, 1e6) * 1e-6,
                            pair.getLast().number(1e-6, 1e6));
                      })
                      .toList());
            })
            .toList(),
        KnowledgeFiles.cite(file, "source", sources));
  }

  /** What sets of each kind have to do before they go back. */
  static List<FunctionRule> functions(JsonValue file) {
    return file.object("format", "version", "lists").field("lists").list(MOST).stream()
        .map(v -> {
          v.object("kind", "group", "functions");
          return new FunctionRule(
              v.optional("kind").map(k -> k.code(SetPlate.Kind.class).code()),
              v.field("group").text(LONGEST),
              v.field("functions").list(MOST).stream().map(f -> f.text(LONGEST)).toList());
        })
        .toList();
  }

  /** Common semiconductors and valves. */
  static Devices devices(JsonValue file, Map<String, Source> sources) {
    file.object("format", "version", "source", "zenerWatts", "devices");
    return new Devices(
        file.field("devices").list(MOST).stream()
            .map(v -> {
              v.object(
                  "sort",
                  "types",
                  "made",
                  "volts",
                  "amperes",
                  "watts",
                  "leastGain",
                  "mostGain",
                  "milliamperesAVolt",
                  "switching",
                  "signal");
              return new Devices.Device(
                  v.field("sort").code(Sort.class),
                  v.field("types").list(MOST).stream().map(t -> t.text(LONGEST)).toList(),
                  v.optional("made")
                      .map(m -> m.list(MOST).stream().map(x -> x.text(LONGEST)).toList())
                      .map(Set::copyOf)
                      .orElse(Set.of()),
                  figure(v, "volts"),
                  figure(v, "amperes"),
                  figure(v, "watts"),
                  figure(v, "leastGain"),
                  figure(v, "mostGain"),
                  v.optional("milliamperesAVolt")
                      .map(f -> OptionalDouble.of(f.number(0.01, 100) / 1000))
                      .orElse(OptionalDouble.empty()),
                  v.optional("switching").map(JsonValue::bool).orElse(false),
                  v.optional("signal").map(JsonValue::bool).orElse(false));
            })
            .toList(),
        file.field("zenerWatts").list(MOST).stream().map(w -> w.number(0, 1000)).toList(),
        KnowledgeFiles.cite(file, "source", sources));
  }

  private static OptionalDouble figure(JsonValue v, String field) {
    return v.optional(field)
        .map(f -> OptionalDouble.of(f.number(-1e6, 1e6)))
        .orElse(OptionalDouble.empty());
  }

  /** What may take the place of what. */
  static SubstitutionRules renew(JsonValue file, Map<String, Source> sources) {
    file.object("format", "version", "heirs", "windows", "roles", "valves");
    Map<String, List<SubstitutionRules.Heir>> heirs = new HashMap<>();
    file.field("heirs")
        .list(MOST)
        .forEach(v -> {
          v.object("of", "kinds");
          heirs.put(
              v.field("of").text(LONGEST),
              v.field("kinds").list(MOST).stream()
                  .map(k -> {
                    k.object("kind", "weight");
                    return new SubstitutionRules.Heir(
                        k.field("kind").text(LONGEST), k.field("weight").number(0, 10));
                  })
                  .toList());
        });
    Map<Role.Duty, SubstitutionRules.Window> windows = new EnumMap<>(Role.Duty.class);
    file.field("windows")
        .list(MOST)
        .forEach(v ->
            windows.put(
                v.object("duty", "least", "most").field("duty").code(Role.Duty.class), window(v)));
    Map<Role, SubstitutionRules.Window> roles = new EnumMap<>(Role.class);
    file.field("roles")
        .list(MOST)
        .forEach(v ->
            roles.put(v.object("role", "least", "most").field("role").code(Role.class), window(v)));
    List<SubstitutionRules.ValveLimit> valves =
        file.field("valves").list(MOST).stream()
            .map(v -> {
              v.object("types", "microfarads", "heating", "source");
              return new SubstitutionRules.ValveLimit(
                  KnowledgeFiles.texts(v.field("types")),
                  1e-6 * v.field("microfarads").number(1, 1000),
                  v.field("heating").code(SupplyRectifier.Heating.class)
                      == SupplyRectifier.Heating.DIRECT,
                  KnowledgeFiles.cite(v, "source", sources));
            })
            .toList();
    return new SubstitutionRules(heirs, windows, roles, valves);
  }

  private static SubstitutionRules.Window window(JsonValue v) {
    return new SubstitutionRules.Window(
        v.field("least").number(0.1, 1), v.field("most").number(1, 20));
  }

  /** What was done in which years. */
  static PeriodRules period(JsonValue file, Map<String, Source> sources) {
    file.object("format", "version", "values", "customs");
    List<PeriodRules.Values> values =
        file.field("values").list(MOST).stream()
            .map(v -> {
              v.object("families", "to", "microfarads", "source");
              return new PeriodRules.Values(
                  v.field("families").list(MOST).stream()
                      .map(f -> f.code(Family.class))
                      .collect(Collectors.toSet()),
                  v.field("to").integer(1900, 2100),
                  v.field("microfarads").list(MOST).stream()
                      .map(f -> 1e-6 * f.number(1e-6, 1e6))
                      .toList(),
                  KnowledgeFiles.cite(v, "source", sources));
            })
            .toList();
    List<PeriodRules.Custom> customs =
        file.field("customs").list(MOST).stream()
            .map(v -> {
              v.object("id", "subject", "from", "to", "region", "source");
              return new PeriodRules.Custom(
                  v.field("id").text(LONGEST),
                  v.field("subject").code(PeriodRules.Subject.class),
                  v.field("from").integer(1900, 2100),
                  v.field("to").integer(1900, 2100),
                  v.field("region").text(LONGEST),
                  KnowledgeFiles.cite(v, "source", sources));
            })
            .toList();
    return new PeriodRules(values, customs);
  }
}
