package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.AssessWords;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Criterion;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;

/**
 * A capacitor read where it sits in a supply that is described: what lies around it is taken off,
 * or hides it.
 */
public class InPlaceVerdictTest {
  private static final OptionalDouble NOTHING = OptionalDouble.empty();
  private static final String PARTS =
      "+ C1 16u 450 V electrolytic reservoir; + C2 16u 450 V electrolytic smoothing; + C3 47u 450 V electrolytic"
          + " reservoir";

  private static SupplyFilter at(
      String id, String from, OptionalDouble ohms, String to, String ref) {
    return new SupplyFilter(
        id,
        from,
        Optional.empty(),
        ohms,
        NOTHING,
        to,
        Optional.of(PartRef.of(ref)),
        NOTHING,
        NOTHING,
        NOTHING,
        "0");
  }

  /** C1 as the reservoir; C2 and C3 where the test puts them. */
  private static Bench bench(SupplySection... more) {
    Bench b = Bench.with(Policy.USUAL.with(Policy.WhenToRenew.MEASURED_ONLY)).type(PARTS);
    for (SupplySection s :
        List.of(
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
            at("s3", "HT", NOTHING, "HT", "C1"),
            new SupplyLoad("s4", "set", "HT", SupplyLoad.Kind.CURRENT, 0.03))) {
      b.edit(new Edit.ItemChanged(Optional.empty(), Optional.of(s)));
    }
    for (SupplySection s : more) {
      b.edit(new Edit.ItemChanged(Optional.empty(), Optional.of(s)));
    }
    return b;
  }

  private static Finding kept(Assessment a) {
    return a.findings().stream()
        .filter(f -> f.criterion() == Criterion.CAPACITANCE_KEPT)
        .findFirst()
        .orElseThrow();
  }

  /**
   * Without a description a reading in circuit is not judged; behind 10 kΩ a neighbour hides
   * nothing, and a third of 16 µF is a third.
   */
  @Test
  public void whatHangsFarAwayHidesNothing() {
    Bench silent =
        Bench.with(Policy.USUAL.with(Policy.WhenToRenew.MEASURED_ONLY))
            .type(PARTS)
            .type("C1 5.3u 10r @100 in");
    assertThat(silent.assess("C1").verdict()).isEqualTo(Verdict.RECHECK);
    Bench b =
        bench(at("s5", "HT", OptionalDouble.of(10_000), "HT2", "C2")).type("C1 5.3u 10r @100 in");
    assertThat(b.assess("C1").verdict()).isEqualTo(Verdict.REPLACE);
    assertThat(kept(b.assess("C1")).outcome()).isEqualTo(Finding.Outcome.BAD);
    assertThat(b.type("C1 15.5u 5r @100 in").assess("C1").verdict())
        .as("a good one is good where it sits")
        .isEqualTo(Verdict.KEEP);
  }

  /**
   * Two of 16 µF side by side that read 23 µF: 7 µF are left for the one, if the other is as marked
   * (parallel capacitances add up).
   */
  @Test
  public void aNeighbourIsTakenOff() {
    Bench b = bench(at("s5", "HT", NOTHING, "HT", "C2")).type("C1 23u 3r @100 in");
    Finding f = kept(b.assess("C1"));
    assertThat(f.measured().orElseThrow().value())
        .as("7 µF of 16 µF")
        .isCloseTo(100 * 7 / 16.0, within(1.5));
    assertThat(b.assess("C1").verdict()).isEqualTo(Verdict.REPLACE);
    assertThat(f.working())
        .hasValueSatisfying(w -> assertThat(w.key()).isEqualTo(AssessWords.NETWORK_WORKING));
    // 29 µF together leave 13 µF, or 9 or 17, if the neighbour is a quarter off: that decides
    // nothing.
    Finding unsure = kept(b.type("C1 29u 3r @100 in").assess("C1"));
    assertThat(unsure.outcome()).isEqualTo(Finding.Outcome.OPEN);
    assertThat(b.assess("C1").verdict()).isEqualTo(Verdict.RECHECK);
  }

  /**
   * 47 µF beside 16 µF make three quarters of what is read: nothing is said of the small one, but
   * to lift a leg.
   */
  @Test
  public void whatTheNeighbourHidesIsNotJudged() {
    Bench b = bench(at("s5", "HT", NOTHING, "HT", "C3")).type("C1 60u 2r @100 in");
    assertThat(kept(b.assess("C1")).words().key()).isEqualTo(AssessWords.NETWORK_HIDES);
    assertThat(b.assess("C1").verdict()).isEqualTo(Verdict.RECHECK);
    assertThat(b.assess("C1").next().orElseThrow().key()).isEqualTo(AssessWords.NEXT_LIFT_LEG);
  }
}
