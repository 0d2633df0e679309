package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.belief.Believed;
import org.yellowhearth.core.belief.Origin;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.judge.JudgedJob;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.trace.ModelValue;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.core.trace.SupplyModel.View;

/**
 * What follows from a job is worked out once for each length of its journal, and what a new entry
 * does not touch is taken over.
 */
public class JudgeTest {
  private static final OptionalDouble NOTHING = OptionalDouble.empty();

  private final Judge judge = new Judge(VerdictTest.KNOWLEDGE);

  private JudgedJob judged(Job job) {
    return judge.of(job, Bench.TODAY);
  }

  private static Bench set() {
    Bench b =
        Bench.of(1950)
            .type(
                "+ C1 16u 450 V electrolytic reservoir; + C2 .1 MFD 400 V waxed paper tone; + R1 47k 10% carbon screen feed");
    Stream.<SupplySection>of(
            new SupplyWinding("s1", "w", Optional.empty(), 250, OptionalDouble.of(100), false),
            new SupplyRectifier(
                "s2",
                "D1",
                Optional.empty(),
                "w",
                SupplyRectifier.Scheme.HALF_WAVE,
                RectifierTechnology.SILICON,
                NOTHING,
                NOTHING,
                OptionalInt.empty(),
                false,
                "HT",
                "",
                Optional.empty(),
                NOTHING,
                Optional.empty(),
                NOTHING,
                List.of()),
            new SupplyFilter(
                "s3",
                "HT",
                Optional.empty(),
                NOTHING,
                NOTHING,
                "HT",
                Optional.of(PartRef.of("C1")),
                NOTHING,
                NOTHING,
                NOTHING,
                "0"),
            new SupplyLoad("s4", "set", "HT", SupplyLoad.Kind.CURRENT, 0.03))
        .forEach(s -> b.edit(new Edit.ItemChanged(Optional.empty(), Optional.of(s))));
    return b;
  }

  /**
   * Whoever asks about the same journal is told the same: a copy read from the disk too, but not on
   * another day.
   */
  @Test
  public void theSameJournalIsJudgedOnce() {
    Bench b = set().type("C1 5.3u 10r @100");
    JudgedJob first = judged(b.job());
    assertThat(judged(b.job())).isSameAs(first);
    assertThat(judged(Job.of(b.job().journal()))).isSameAs(first);
    assertThat(judge.of(b.job(), Bench.TODAY.plusYears(3))).isNotSameAs(first);
    assertThat(judge.of(b.job(), Bench.TODAY))
        .as("the day before is not forgotten for it")
        .isSameAs(first);
    assertThat(judged(b.type("C2 IR5M @400V").job())).isNotSameAs(first);
  }

  /**
   * A reading of a part that is not in the supply leaves its models; one of a part in it does not.
   */
  @Test
  public void theSupplyIsBuiltAgainOnlyWhereItChanged() {
    Bench b = set();
    JudgedJob before = judged(b.job());
    assertThat(before.supply(View.AS_IT_IS).supply()).isPresent();
    JudgedJob beside = judged(b.type("C2 IR5M @400V").job());
    assertThat(beside.supply(View.AS_IT_IS)).isSameAs(before.supply(View.AS_IT_IS));
    assertThat(beside.supply(View.AS_DRAWN)).isSameAs(before.supply(View.AS_DRAWN));
    JudgedJob in = judged(b.type("C1 5.3u 10r @100").job());
    assertThat(in.supply(View.AS_IT_IS)).isNotSameAs(before.supply(View.AS_IT_IS));
    assertThat(in.supply(View.AS_IT_IS))
        .isEqualTo(new Judge(VerdictTest.KNOWLEDGE).of(b.job(), Bench.TODAY).supply(View.AS_IT_IS));
    JudgedJob load =
        judged(
            b.edit(
                    new Edit.ItemChanged(
                        b.job().item("s4"),
                        Optional.of(
                            new SupplyLoad("s4", "set", "HT", SupplyLoad.Kind.CURRENT, 0.05))))
                .job());
    assertThat(load.supply(View.AS_DRAWN)).isNotEqualTo(in.supply(View.AS_DRAWN));
  }

  /** What stands beside a line while it is typed is what stands in the list once it is kept. */
  @Test
  public void theEchoSaysWhatTheListWillSay() {
    for (String line :
        new String[] {
          "C1 5.3u 10r @100",
          "C1 16u 5r @100",
          "C1 60u 2r @100 in",
          "C2 IR5M @400V",
          "R1 61k",
          "R1 47k"
        }) {
      Bench b = set();
      JudgedJob before = judged(b.job());
      b.type(line);
      Reading kept = b.job().readings().getLast();
      assertThat(before.with(b.job().part(kept.part()).orElseThrow(), kept))
          .as(line)
          .usingRecursiveComparison()
          .ignoringFields("risk")
          .isEqualTo(judged(b.job()).assessment(kept.part()).orElseThrow());
    }
    assertThat(
            judged(set().type("C1 5.3u 10r @100").job())
                .assessment(PartRef.of("C1"))
                .orElseThrow()
                .verdict())
        .isEqualTo(Verdict.REPLACE);
  }

  /**
   * The newest reading alone is believed, then what kind and age make likely, then the marking; one
   * in circuit tells the sum of all that hangs there.
   */
  @Test
  public void whatAPartIsBelievedToBe() {
    Bench b = set();
    assertThat(believed(b, "C1", Which.CAPACITANCE).origin()).isEqualTo(Origin.GUESSED);
    assertThat(believed(b, "R1", Which.RESISTANCE))
        .isEqualTo(new Believed(47e3, 0, Origin.MARKED, Optional.empty()));
    b.type("C1 60u 2r @100 in; R1 20k in");
    assertThat(believed(b, "C1", Which.CAPACITANCE).origin()).isEqualTo(Origin.GUESSED);
    assertThat(believed(b, "R1", Which.RESISTANCE).value()).isEqualTo(47e3);
    b.type("C1 12u 4r @100; C1 11u 5r @100; C1 leak 120uA @25V; R1 61k");
    assertThat(believed(b, "C1", Which.CAPACITANCE).value()).isEqualTo(11e-6);
    assertThat(believed(b, "C1", Which.SERIES_RESISTANCE).value()).isEqualTo(5);
    assertThat(believed(b, "C1", Which.LEAKAGE_RESISTANCE).value())
        .as("25 V over 120 µA")
        .isBetween(208e3, 209e3);
    assertThat(believed(b, "R1", Which.RESISTANCE))
        .isEqualTo(
            new Believed(
                61e3,
                0,
                Origin.MEASURED,
                b.job().readings().reversed().stream()
                    .filter(r -> r.part().equals(PartRef.of("R1")))
                    .findFirst()));
    assertThat(judged(b.job()).belief(PartRef.of("C9"))).isEmpty();
  }

  /** What was said, seen or read in place is in the model, with its origin and spread. */
  @Test
  public void everyModelTakesWhatAPartIsBelievedToBe() {
    for (String said :
        List.of(
            "C1 open",
            "C1 ESR OL",
            "C1 short",
            "C1 R0.4 leg",
            "C1 eye closed @300V",
            "C1 dried up",
            "C1 80r @100k in",
            "C1 9u 6r @100 firm")) {
      Bench b = set().type(said.replace("R0.4", "R=0.4r"));
      JudgedJob judged = judged(b.job());
      Belief belief = judged.belief(PartRef.of("C1")).orElseThrow();
      for (Which which :
          List.of(Which.CAPACITANCE, Which.SERIES_RESISTANCE, Which.LEAKAGE_RESISTANCE)) {
        ModelValue taken =
            judged.supply(View.AS_IT_IS).values().stream()
                .filter(v -> v.element().equals("C1") && v.which() == which)
                .findFirst()
                .orElseThrow();
        assertThat(taken.value().value()).as("%s: %s", said, which).isEqualTo(belief.value(which));
        assertThat(taken.origin())
            .as("%s: %s", said, which)
            .isEqualTo(belief.of(which).orElseThrow().origin());
        assertThat(taken.spread()).isEqualTo(belief.of(which).orElseThrow().spread());
      }
    }
  }

  /** Half-wave from 250 V, 30 mA: an open reservoir leaves the pulses, a short leaves nothing. */
  @Test
  public void aModelShowsWhatAnOpenAndAShortedReservoirDo() {
    assertThat(ht(set()).rippleRms()).isLessThan(20);
    assertThat(ht(set().type("C1 open")).rippleRms()).isGreaterThan(60);
    assertThat(ht(set().type("C1 short")).dcVolts()).isLessThan(5);
  }

  private SupplyFigures.Point ht(Bench b) {
    return judged(b.job())
        .supply(View.AS_IT_IS)
        .supply()
        .map(s -> SupplyFigures.of(s, List.of("HT")))
        .orElseThrow()
        .points()
        .getFirst();
  }

  /** Nobody knows the year of the set: then nothing is guessed. */
  @Test
  public void withoutAnAgeNothingIsGuessed() {
    Job job = set().job();
    Belief belief =
        Belief.now(job, job.part(PartRef.of("C1")).orElseThrow(), VerdictTest.KNOWLEDGE, 0);
    assertThat(belief.of(Which.CAPACITANCE))
        .hasValue(new Believed(16e-6, 0, Origin.MARKED, Optional.empty()));
    assertThat(judge.of(job, LocalDate.of(2026, 6, 1)).age()).hasValue(76);
  }

  private Believed believed(Bench b, String part, Which which) {
    return judged(b.job()).belief(PartRef.of(part)).flatMap(x -> x.of(which)).orElseThrow();
  }
}
