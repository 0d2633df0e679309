package org.yellowhearth.core.arrival;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.yellowhearth.core.Sets.arrived;
import static org.yellowhearth.core.Sets.at;
import static org.yellowhearth.core.Sets.moment;
import static org.yellowhearth.core.Sets.with;

import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.Consent;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.fact.ThreePoint;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;

public class EstimateTest {
  /**
   * The classical case of three points 2, 4, 12: mean 5, standard deviation 10/6 (PERT as published
   * in 1959, from memory).
   */
  @Test
  public void meanAndDeviationAreThoseOfPert() {
    Pert p = Pert.of(new ThreePoint(2, 4, 12));
    assertThat(p.mean()).isCloseTo(5, within(1e-12));
    assertThat(p.deviation()).isCloseTo(10 / 6.0, within(1e-12));
    Pert sure = Pert.of(new ThreePoint(3, 3, 3));
    assertThat(sure.mean()).isCloseTo(3, within(1e-12));
    assertThat(sure.to()).isEqualTo(3);
  }

  /** Independent lines: means add, variances add (textbook identity). */
  @Test
  public void sumsAddMeansAndVariances() {
    Random r = new Random(5);
    List<ThreePoint> lines =
        IntStream.range(0, 9)
            .mapToObj(
                _ -> new ThreePoint(r.nextDouble(), 1 + r.nextDouble(), 2 + 5 * r.nextDouble()))
            .toList();
    Pert sum = lines.stream().map(Pert::of).reduce(Pert.NOTHING, Pert::plus);
    assertThat(sum.mean())
        .isCloseTo(
            lines.stream().mapToDouble(l -> (l.low() + 4 * l.likely() + l.high()) / 6).sum(),
            within(1e-9));
    assertThat(sum.deviation() * sum.deviation())
        .isCloseTo(
            lines.stream().mapToDouble(l -> Math.pow((l.high() - l.low()) / 6, 2)).sum(),
            within(1e-9));
    assertThat(sum.from()).isGreaterThanOrEqualTo(sum.low());
    assertThat(sum.times(3).to()).isCloseTo(3 * sum.to(), within(1e-9));
  }

  @Test
  public void anEstimateThatDoesNotRiseIsRefused() {
    assertThatThrownBy(() -> new ThreePoint(3, 2, 5))
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining("rises");
    assertThatThrownBy(() -> new ThreePoint(-1, 2, 5)).isInstanceOf(IllegalArgumentException.class);
  }

  private static Job job(double worth) {
    Budget budget =
        Budget.BLANK.with(b -> {
          b.ratePerHour = 10;
          b.worth = OptionalDouble.of(worth);
        });
    return with(
        at(arrived(), 0, new Edit.AspectChanged(Budget.BLANK, budget)),
        new EstimateLine(
            "a", Phase.SUPPLY, "supply", new ThreePoint(1, 2, 3), new ThreePoint(20, 30, 40)),
        new EstimateLine(
            "b", Phase.REST, "rest", new ThreePoint(4, 5, 12), new ThreePoint(10, 20, 60)));
  }

  /** Whole job: 50 + 85 = about 135 with hours at 10; supply alone 50. */
  @DataProvider
  public Object[][] worths() {
    return new Object[][] {
      {300, Estimate.Advice.GO},
      {140, Estimate.Advice.GO_SMALL},
      {80, Estimate.Advice.GO_SMALL},
      {40, Estimate.Advice.STOP}
    };
  }

  @Test(dataProvider = "worths")
  public void theAdviceFollowsWorthAndSpread(double worth, Estimate.Advice expected) {
    Estimate e = Estimate.of(job(worth));
    assertThat(e.whole().money().mean()).isCloseTo(135, within(1e-9));
    assertThat(e.phases().get(Phase.SUPPLY).money().mean()).isCloseTo(50, within(1e-9));
    assertThat(e.advice()).isEqualTo(expected);
    assertThat(e.reasons()).isNotEmpty();
  }

  @Test
  public void withoutLinesOrBoundsNothingIsAdvised() {
    assertThat(Estimate.of(arrived()).advice()).isEqualTo(Estimate.Advice.OPEN);
    Job unbound =
        with(
            arrived(),
            new EstimateLine("a", Phase.REST, "x", ThreePoint.ZERO, new ThreePoint(1, 2, 3)));
    assertThat(Estimate.of(unbound).advice()).isEqualTo(Estimate.Advice.OPEN);
  }

  @Test
  public void theHoursCountToo() {
    Job tight =
        at(
            job(1000),
            0,
            new Edit.AspectChanged(
                job(1000).aspect(Budget.class),
                job(1000).aspect(Budget.class).with(b -> b.hoursLimit = OptionalDouble.of(1))));
    assertThat(Estimate.of(tight).advice()).isEqualTo(Estimate.Advice.STOP);
  }

  @Test
  public void theLastConsentForAPhaseCounts() {
    Job job =
        with(
            arrived(),
            new Consent("a", Phase.SUPPLY, 50, "letter", moment(1)),
            new Consent("b", Phase.SUPPLY, 80, "telephone", moment(2)));
    assertThat(Estimate.consented(job, Phase.SUPPLY)).hasValue(80);
    assertThat(Estimate.consented(job, Phase.REST)).isEmpty();
  }
}
