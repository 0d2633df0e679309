package org.yellowhearth.knowledge;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.LeakageLimit;
import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.quantity.PreferredSeries;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.json.JsonValue;

/**
 * Reads the knowledge files that ship with the program, checks them, and hands them to core as
 * values.
 */
public final class KnowledgeFiles {
  private static final int MOST = 1000;
  private static final int LONGEST = 400;
  private static final double VOLTS = 1e6;

  private KnowledgeFiles() {}

  /** Reads all knowledge files. A fault in one is a fault of the program and names its place. */
  public static Knowledge read() {
    Map<String, Source> sources = new HashMap<>();
    for (JsonValue v :
        open("sources.json").object("format", "version", "sources").field("sources").list(MOST)) {
      v.object("id", "standing", "title");
      Source source =
          new Source(
              v.field("id").text(LONGEST),
              v.field("standing").code(Source.Standing.class),
              v.field("title").text(LONGEST));
      sources.put(source.id(), source);
    }
    Map<String, CapacitorKind> kinds = new HashMap<>();
    Map<String, String> kindWords = new LinkedHashMap<>();
    for (JsonValue v :
        open("capacitor-kinds.json")
            .object("format", "version", "kinds")
            .field("kinds")
            .list(MOST)) {
      CapacitorKind kind = kind(v, sources);
      kinds.put(kind.id(), kind);
      kind.words().forEach(word -> claim(kindWords, word, kind.id(), v));
    }
    return new Knowledge(
        kinds,
        sources,
        VocabularyFile.read(open("vocabulary.json"), kindWords),
        CautionFile.read(open("cautions.json"), sources.keySet()),
        RuleFiles.roles(open("roles.json"), sources),
        RuleFiles.windows(open("part-rules.json"), sources),
        RuleFiles.wear(open("part-rules.json")),
        RuleFiles.signs(open("fault-rules.json")),
        RuleFiles.faults(open("fault-rules.json"), sources),
        RuleFiles.supply(open("supply-rules.json"), sources),
        RuleFiles.renew(open("renew-rules.json"), sources),
        RuleFiles.period(open("period-rules.json"), sources),
        RuleFiles.esrChart(open("esr-chart.json"), sources),
        RuleFiles.functions(open("function-lists.json")),
        RuleFiles.devices(open("devices.json"), sources));
  }

  private static JsonValue open(String name) {
    try (InputStream in = KnowledgeFiles.class.getResourceAsStream(name)) {
      return JsonText.read(in);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static CapacitorKind kind(JsonValue v, Map<String, Source> sources) {
    v.object(
        "id",
        "family",
        "leads",
        "polarised",
        "liquid",
        "words",
        "limits",
        "hazards",
        "usualTolerance",
        "absorption",
        "made",
        "wear",
        "heir");
    Map<LimitProfile, Limits> limits = new EnumMap<>(LimitProfile.class);
    for (LimitProfile profile : LimitProfile.values()) {
      v.field("limits")
          .object("period", "modern")
          .optional(profile.code())
          .ifPresent(l -> limits.put(profile, limits(l, sources)));
    }
    JsonValue made = v.field("made").object("from", "to");
    JsonValue wear = v.field("wear").object("years", "steepness", "reforms");
    JsonValue heir = v.field("heir").object("kind", "series", "ratings");
    return new CapacitorKind(
        v.field("id").text(LONGEST),
        v.field("family").code(Family.class),
        v.optional("leads").map(l -> l.code(Leads.class)).orElse(Leads.UNSTATED),
        v.optional("polarised").map(JsonValue::bool).orElse(false),
        v.optional("liquid").map(JsonValue::bool).orElse(false),
        texts(v.field("words")),
        limits,
        texts(v.field("hazards")),
        v.field("usualTolerance").number(0, 5),
        v.field("absorption").number(0, 0.5),
        new CapacitorKind.Made(
            made.field("from").integer(1900, 2100), made.field("to").integer(1900, 2100)),
        new CapacitorKind.Wear(
            wear.field("years").number(1, 1000),
            wear.field("steepness").number(0.5, 10),
            wear.field("reforms").bool()),
        new CapacitorKind.Heir(
            heir.field("kind").text(LONGEST),
            PreferredSeries.valueOf(heir.field("series").text(LONGEST)),
            heir.field("ratings").list(MOST).stream().map(r -> r.number(0, VOLTS)).toList()));
  }

  private static Limits limits(JsonValue v, Map<String, Source> sources) {
    v.object("kept", "dissipation", "oxideDissipation", "leakage", "insulation", "cited");
    JsonValue kept = v.field("kept").object("renewBelow", "watchBelow", "watchAbove", "renewAbove");
    JsonValue cited = v.field("cited").object("kept", "dissipation", "leakage", "insulation");
    return new Limits(
        new Limits.Kept(
            fraction(kept, "renewBelow"),
            fraction(kept, "watchBelow"),
            fraction(kept, "watchAbove"),
            fraction(kept, "renewAbove")),
        v.field("dissipation").list(MOST).stream().map(KnowledgeFiles::dissipation).toList(),
        fraction(v, "oxideDissipation"),
        v.optional("leakage").map(KnowledgeFiles::leakage),
        v.optional("insulation").map(KnowledgeFiles::insulation),
        new Limits.Cited(
            cite(cited, "kept", sources),
            cite(cited, "dissipation", sources),
            cite(cited, "leakage", sources),
            cite(cited, "insulation", sources)));
  }

  private static double fraction(JsonValue v, String name) {
    return v.field(name).number(0, 10);
  }

  static String cite(JsonValue cited, String name, Map<String, Source> sources) {
    String id = cited.field(name).text(LONGEST);
    if (!sources.containsKey(id)) {
      throw cited.field(name).bad("no such source: " + id);
    }
    return id;
  }

  private static Limits.DissipationLimit dissipation(JsonValue v) {
    v.object("upToVolts", "watchAbove", "renewAbove");
    return new Limits.DissipationLimit(
        v.field("upToVolts").number(0, VOLTS),
        fraction(v, "watchAbove"),
        fraction(v, "renewAbove"));
  }

  private static Limits.InsulationLimit insulation(JsonValue v) {
    v.object("renewBelowSeconds", "watchBelowSeconds", "enoughOhms");
    return new Limits.InsulationLimit(
        v.field("renewBelowSeconds").number(0, 1e6),
        v.field("watchBelowSeconds").number(0, 1e6),
        v.field("enoughOhms").number(1, 1e15));
  }

  private static LeakageLimit leakage(JsonValue v) {
    if (v.field("rule").text(LONGEST).equals("service")) {
      v.object("rule", "steps", "baseAmperes", "capAmperes", "minutes");
      return new LeakageLimit.Service(
          v.field("steps").list(MOST).stream()
              .map(s ->
                  new LeakageLimit.Service.Step(
                      s.field("upToVolts").number(0, VOLTS),
                      1e3 * s.field("milliamperesPerMicrofarad").number(0, 1)))
              .toList(),
          v.field("baseAmperes").number(0, 1),
          v.field("capAmperes").number(0, 1),
          v.field("minutes").number(0, 60));
    }
    v.object(
        "rule", "boundCoulombs", "share", "leastAmperes", "shareAbove", "additionAbove", "minutes");
    return new LeakageLimit.OfCharge(
        v.field("boundCoulombs").number(0, 1e3),
        v.field("share").number(0, 1),
        v.field("leastAmperes").number(0, 1),
        v.field("shareAbove").number(0, 1),
        v.field("additionAbove").number(0, 1),
        v.field("minutes").number(0, 60));
  }

  static <T> void claim(Map<String, T> words, String word, T meaning, JsonValue at) {
    Optional.ofNullable(words.put(word, meaning))
        .ifPresent(other -> {
          throw at.bad("the word \"" + word + "\" means both " + other + " and " + meaning);
        });
  }

  static List<String> texts(JsonValue v) {
    return v.list(MOST).stream().map(t -> t.text(LONGEST)).toList();
  }
}
