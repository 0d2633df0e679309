package org.yellowhearth.knowledge;

import java.util.HashSet;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.knowledge.CautionRule.Condition;
import org.yellowhearth.core.safety.SetCautions;
import org.yellowhearth.knowledge.json.JsonValue;

/**
 * Reads the file of cautions. A rule that asks for a fact nobody gathers, or cites no source, is
 * refused.
 */
final class CautionFile {
  private static final int MOST = 200;
  private static final int LONGEST = 60;
  private static final double FIGURE = 1e9;

  private CautionFile() {}

  static List<CautionRule> read(JsonValue file, Set<String> sources) {
    Set<String> seen = new HashSet<>();
    return file.object("format", "version", "cautions").field("cautions").list(MOST).stream()
        .map(v -> {
          v.object("id", "danger", "when", "shown", "source");
          String source = v.field("source").text(LONGEST);
          String id = v.field("id").text(LONGEST);
          if (!sources.contains(source)) {
            throw v.field("source").bad("no such source: " + source);
          }
          if (!seen.add(id)) {
            throw v.field("id").bad("the caution " + id + " stands here twice");
          }
          return new CautionRule(
              id,
              v.field("danger").bool(),
              v.field("when").list(MOST).stream().map(CautionFile::together).toList(),
              v.field("shown").list(MOST).stream()
                  .map(s -> s.code(CautionRule.Moment.class))
                  .toList(),
              source);
        })
        .toList();
  }

  private static CautionRule.Case together(JsonValue v) {
    return new CautionRule.Case(v.list(MOST).stream().map(CautionFile::condition).toList());
  }

  private static Condition condition(JsonValue v) {
    v.object("fact", "is", "from", "below", "whenUnknown");
    String fact = v.field("fact").text(LONGEST);
    if (v.optional("is").isPresent()) {
      require(SetCautions.CODE_FACTS, fact, v);
      return new Condition.Is(
          fact,
          v.field("is").list(MOST).stream()
              .map(c -> c.text(LONGEST))
              .collect(Collectors.toUnmodifiableSet()));
    }
    require(SetCautions.FIGURE_FACTS, fact, v);
    return new Condition.Within(
        fact,
        bound(v, "from"),
        bound(v, "below"),
        v.optional("whenUnknown").map(JsonValue::bool).orElse(false));
  }

  private static OptionalDouble bound(JsonValue v, String name) {
    return v.optional(name)
        .map(b -> OptionalDouble.of(b.number(-FIGURE, FIGURE)))
        .orElse(OptionalDouble.empty());
  }

  private static void require(Set<String> facts, String fact, JsonValue v) {
    if (!facts.contains(fact)) {
      throw v.field("fact")
          .bad("no such fact: " + fact + "; expected one of " + facts.stream().sorted().toList());
    }
  }
}
