package org.yellowhearth.core;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.AgeingRule;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Devices;
import org.yellowhearth.core.knowledge.EsrChart;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.PeriodRules;
import org.yellowhearth.core.knowledge.SubstitutionRules;
import org.yellowhearth.core.knowledge.SupplyRules;
import org.yellowhearth.core.knowledge.Vocabulary;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.PreferredSeries;

/** Jobs for tests, built entry by entry. */
public final class Sets {
  public static final Instant START = Instant.parse("2026-03-01T09:00:00Z");

  /**
   * One kind with round figures: no tolerance above its marking, a tenth of the charge held back.
   */
  public static final String KIND = "electrolytic-dry";

  public static final Knowledge KNOWLEDGE =
      new Knowledge(
          Map.of(
              KIND,
              new CapacitorKind(
                  KIND,
                  Family.ELECTROLYTIC,
                  Leads.UNSTATED,
                  true,
                  false,
                  List.of("electrolytic"),
                  Map.of(),
                  List.of(),
                  0,
                  0.1,
                  new CapacitorKind.Made(1930, 1990),
                  new CapacitorKind.Wear(40, 3, true),
                  new CapacitorKind.Heir(KIND, PreferredSeries.E6, List.of()))),
          Map.of(),
          new Vocabulary(Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), Map.of()),
          List.of(),
          Map.of(),
          List.of(),
          List.of(),
          List.of(),
          List.of(),
          new SupplyRules(
              Stream.of(Family.values())
                  .collect(
                      Collectors.toMap(
                          f -> f,
                          _ ->
                              new AgeingRule(
                                  0.05,
                                  OptionalDouble.of(500),
                                  0,
                                  OptionalDouble.empty(),
                                  OptionalDouble.empty(),
                                  OptionalDouble.empty(),
                                  1,
                                  ""))),
              List.of(),
              List.of(),
              Map.of(),
              List.of()),
          new SubstitutionRules(Map.of(), Map.of(), Map.of(), List.of()),
          new PeriodRules(List.of(), List.of()),
          new EsrChart(Family.ELECTROLYTIC, 20e3, List.of(), ""),
          List.of(),
          new Devices(List.of(), List.of(), ""));

  private Sets() {}

  /** A set that has just come in. */
  public static Job arrived(Consumer<SetPlate.Draft> plate) {
    return Job.of(
        List.of(
            new Entry(
                0,
                START.atZone(ZoneOffset.UTC),
                new Act.Did(
                    new Edit.Arrived(SetPlate.named("Test set").with(plate), Policy.USUAL)))));
  }

  public static Job arrived() {
    return arrived(_ -> {});
  }

  /** The job after edits made so many seconds after its start. */
  public static Job at(Job job, double seconds, Edit... edits) {
    Job now = job;
    for (Edit e : edits) {
      now =
          now.after(
              new Entry(
                  now.journal().size(),
                  START.plus(Duration.ofMillis(Math.round(seconds * 1000))).atZone(ZoneOffset.UTC),
                  new Act.Did(e)));
    }
    return now;
  }

  public static Job with(Job job, Item... items) {
    Job now = job;
    for (Item i : items) {
      now = at(now, 0, new Edit.ItemChanged(Optional.empty(), Optional.of(i)));
    }
    return now;
  }

  /** A moment so many seconds after the start. */
  public static Instant moment(double seconds) {
    return START.plus(Duration.ofMillis(Math.round(seconds * 1000)));
  }

  public static Rail rail(
      String name, double volts, double farads, Rail.Bleeder bleeder, double ohms) {
    return new Rail(
        name,
        name,
        volts,
        List.of(),
        OptionalDouble.of(farads),
        KIND,
        bleeder,
        bleeder == Rail.Bleeder.NONE ? OptionalDouble.empty() : OptionalDouble.of(ohms));
  }

  public static Capacitor part(String ref, double farads, Role role, String dateCode) {
    return new Capacitor(
        PartRef.of(ref),
        "",
        KIND,
        farads,
        Optional.empty(),
        OptionalDouble.of(450),
        false,
        role,
        Polarity.UNSTATED,
        OptionalDouble.empty(),
        CanMark.UNSTATED,
        dateCode,
        "");
  }
}
