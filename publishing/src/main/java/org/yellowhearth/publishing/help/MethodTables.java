package org.yellowhearth.publishing.help;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.LeakageLimit;
import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.knowledge.PartRule;
import org.yellowhearth.core.knowledge.RoleRule;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.knowledge.SubstitutionRules;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.help.Article.Block;
import org.yellowhearth.publishing.help.Article.Chapter;

/**
 * Every limit that a verdict rests on, with its source: written from the very values that the rules
 * are given, so that it cannot say something else.
 */
final class MethodTables {
  private final Knowledge knowledge;
  private final Words words;

  MethodTables(Knowledge knowledge, Words words) {
    this.knowledge = knowledge;
    this.words = words;
  }

  List<Article> articles() {
    List<Article> all = new ArrayList<>();
    knowledge.kinds().values().stream()
        .sorted(
            Comparator.comparing((CapacitorKind k) -> k.family()).thenComparing(CapacitorKind::id))
        .forEach(k -> all.add(kind(k)));
    all.add(
        table(
            "What a place asks of its capacitor",
            List.of("place", "cost of failing, 1 to 5", "least of its marking", "most", "source"),
            Stream.of(Role.values()).map(this::role)));
    all.add(
        table(
            "Windows of other parts",
            List.of(
                "part",
                "figure",
                "replaced below",
                "watched below",
                "watched above",
                "replaced above",
                "source"),
            knowledge.partRules().stream().map(this::part)));
    all.add(
        table(
            "How the supply model takes unmeasured capacitors to age",
            List.of(
                "family",
                "dissipation when sound",
                "gain or loss in ten years",
                "ESR doubles in",
                "source"),
            Stream.of(Family.values()).map(this::ageing)));
    all.add(
        table(
            "What rectifiers stand",
            List.of("make", "again and again", "one half-wave", "source"),
            knowledge.supply().rectifiers().entrySet().stream()
                .sorted(java.util.Map.Entry.comparingByKey())
                .map(e ->
                    List.of(
                        words.word(e.getKey()),
                        times(e.getValue().peakTimes()),
                        times(e.getValue().surgeTimes()),
                        source(e.getValue().source())))));
    all.add(
        table(
            "The greatest first capacitor that is published for a rectifier",
            List.of("types", "at most", "source"),
            knowledge.renew().valves().stream().map(this::valve)));
    all.add(
        table(
            "Sources",
            List.of("source", "how far it can be leant on"),
            knowledge.sources().values().stream()
                .sorted(Comparator.comparing(Source::title))
                .map(s -> List.of(s.title(), words.word(s.standing())))));
    return all;
  }

  private static Article table(String title, List<String> heads, Stream<List<String>> rows) {
    return new Article(
        Chapter.METHOD,
        title,
        List.of(new Block.Table(Stream.concat(Stream.of(heads), rows).toList())));
  }

  private Article kind(CapacitorKind kind) {
    List<Block> blocks = new ArrayList<>();
    for (LimitProfile profile : LimitProfile.values()) {
      Limits limits = kind.limits().get(profile);
      if (limits != null) {
        blocks.add(new Block.Head(words.word(profile)));
        blocks.add(new Block.Table(rows(limits)));
      }
    }
    blocks.add(
        Article.words(
            "Commonly fitted from "
                + kind.made().from()
                + " to "
                + kind.made().to()
                + ". Half of them have failed, or are about to, after "
                + Math.round(kind.wear().years())
                + " years (steepness "
                + Quantity.ratio(kind.wear().steepness())
                + "); "
                + (kind.wear().reforms()
                    ? "it can be formed again."
                    : "it cannot be formed again.")));
    return new Article(Chapter.METHOD, "Limits: " + words.capacitorKind(kind.id()), blocks);
  }

  private List<List<String>> rows(Limits limits) {
    List<List<String>> rows = new ArrayList<>();
    rows.add(List.of("criterion", "watched", "replaced", "source"));
    Limits.Kept kept = limits.kept();
    rows.add(
        List.of(
            "capacitance against marking",
            outside(kept.watchBelow(), kept.watchAbove()),
            outside(kept.renewBelow(), kept.renewAbove()),
            source(limits.cited().kept())));
    for (Limits.DissipationLimit d : limits.dissipation()) {
      rows.add(
          List.of(
              "dissipation at 100 Hz, rated to " + Quantity.volts(d.upToVolts()),
              "above " + Quantity.ratio(d.watchAbove()),
              "above " + Quantity.ratio(d.renewAbove()),
              source(limits.cited().dissipation())));
    }
    if (!limits.dissipation().isEmpty()) {
      rows.add(
          List.of(
              "of it the oxide, the same at all frequencies",
              Quantity.ratio(limits.oxideDissipation()).toString(),
              "",
              source(limits.cited().dissipation())));
    }
    limits
        .leakage()
        .ifPresent(l ->
            leakage(l)
                .forEach(row ->
                    rows.add(
                        List.of(row.get(0), "", row.get(1), source(limits.cited().leakage())))));
    limits
        .insulation()
        .ifPresent(i ->
            rows.add(
                List.of(
                    "insulation, R·C, never more than " + Quantity.ohms(i.enoughOhms()),
                    "below " + Quantity.seconds(i.watchBelowSeconds()),
                    "below " + Quantity.seconds(i.renewBelowSeconds()),
                    source(limits.cited().insulation()))));
    return rows;
  }

  private static List<List<String>> leakage(LeakageLimit limit) {
    return switch (limit) {
      case LeakageLimit.Service s ->
          s.steps().stream()
              .map(step ->
                  List.of(
                      "leakage after "
                          + Math.round(s.minutes())
                          + " min, rated to "
                          + Quantity.volts(step.upToVolts()),
                      "above "
                          + Quantity.ratio(step.amperesPerFarad() / 1000)
                          + " mA/µF · C + "
                          + Quantity.amperes(s.baseAmperes())
                          + ", at most "
                          + Quantity.amperes(s.capAmperes())))
              .toList();
      case LeakageLimit.OfCharge c ->
          List.of(
              List.of(
                  "leakage after "
                      + Math.round(c.minutes())
                      + " min, C·U to "
                      + Quantity.ratio(c.boundCoulombs() * 1e6)
                      + " µC",
                  "above "
                      + Quantity.ratio(c.share())
                      + "/s · C·U, at least "
                      + Quantity.amperes(c.leastAmperes())),
              List.of(
                  "leakage, C·U beyond that",
                  "above "
                      + Quantity.ratio(c.shareAbove())
                      + "/s · C·U + "
                      + Quantity.amperes(c.additionAbove())));
      case LeakageLimit.Scaled s -> leakage(s.rule());
    };
  }

  private List<String> role(Role role) {
    RoleRule rule = knowledge.role(role);
    return List.of(
        words.word(role),
        String.valueOf(rule.consequence()),
        Quantity.percent(rule.leastShare()).toString(),
        Quantity.percent(rule.mostShare()).toString(),
        source(rule.source()));
  }

  private List<String> part(PartRule rule) {
    String made =
        Stream.of("Make.", "Duty.", "Winding.")
            .map(p -> p + rule.made())
            .filter(words::has)
            .findFirst()
            .map(words::term)
            .orElse(rule.made());
    return List.of(
        words.word(rule.sort()) + (made.isEmpty() ? "" : ", " + made),
        words.word(rule.figure()),
        bound(rule.renewBelow(), rule),
        bound(rule.watchBelow(), rule),
        bound(rule.watchAbove(), rule),
        bound(rule.renewAbove(), rule),
        source(rule.source()));
  }

  private static String bound(OptionalDouble bound, PartRule rule) {
    if (bound.isEmpty()) {
      return "";
    }
    return switch (rule.basis()) {
      case NOMINAL, TYPE -> Quantity.percent(bound.getAsDouble()).toString();
      case PLAIN -> Quantity.of(bound.getAsDouble(), rule.figure().unit()).toString();
      case PER_PLATE -> Quantity.of(bound.getAsDouble(), rule.figure().unit()) + " a plate";
    };
  }

  private List<String> ageing(Family family) {
    var rule = knowledge.supply().ageing(family);
    return List.of(
        words.word(family),
        Quantity.ratio(rule.dissipation()).toString(),
        Quantity.percent(rule.capacitanceLeft(10) - 1).toString(),
        rule.esrYears().isPresent()
            ? Math.round(rule.esrYears().getAsDouble()) + " years"
            : "stays",
        source(rule.source()));
  }

  private List<String> valve(SubstitutionRules.ValveLimit limit) {
    return List.of(
        limit.types().stream().collect(Collectors.joining(", ")),
        Quantity.farads(limit.farads()).toString(),
        source(limit.source()));
  }

  private static String times(double n) {
    return Quantity.ratio(n) + " times the direct current";
  }

  private static String outside(double low, double high) {
    return "outside " + Quantity.percent(low) + " to " + Quantity.percent(high);
  }

  private String source(String id) {
    Source source = knowledge.source(id);
    return source.title() + " (" + words.word(source.standing()) + ")";
  }
}
