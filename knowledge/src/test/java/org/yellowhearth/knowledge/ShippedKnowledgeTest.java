package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.knowledge.AgeingRule;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.LeakageLimit;
import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.knowledge.SupplyRules;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.trace.Fault;

public class ShippedKnowledgeTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();

  private static LeakageLimit leakage(String kind, LimitProfile profile) {
    return KNOWLEDGE.kind(kind).limits().get(profile).leakage().orElseThrow();
  }

  /**
   * Old industry standard for dry electrolytics in service, I = kC + 0.3 mA, at most 10 mA; from
   * memory.
   */
  @DataProvider
  public Object[][] serviceLeakage() {
    return new Object[][] { //
      {25, 25, 0.55},
      {50, 100, 0.8},
      {8, 150, 0.46},
      {16, 250, 0.62},
      {8, 350, 0.5},
      {16, 350, 0.7}, //
      {8, 450, 0.62},
      {32, 450, 1.58},
      {40, 500, 1.9},
      {1000, 50, 10},
      {5000, 25, 10}
    };
  }

  @Test(dataProvider = "serviceLeakage")
  public void theServiceRuleGivesTheOldTable(
      double microfarads, double volts, double milliamperes) {
    assertThat(
            leakage("electrolytic-dry", LimitProfile.PERIOD)
                    .amperes(microfarads * 1e-6, volts)
                    .orElseThrow()
                * 1e3)
        .isCloseTo(milliamperes, within(1e-9));
  }

  @Test
  public void theServiceRuleEndsAtFiveHundredVolts() {
    assertThat(leakage("electrolytic-dry", LimitProfile.PERIOD).amperes(8e-6, 525)).isEmpty();
  }

  /**
   * IEC 60384-4, general-purpose grade after 5 minutes: 0.05 CU or 5 µA up to 1000 µC, 0.03 CU + 20
   * µA above; from memory.
   */
  @DataProvider
  public Object[][] newLeakage() {
    return new Object[][] {
      {1, 50, 5},
      {2.2, 50, 5.5},
      {10, 63, 31.5},
      {22, 25, 27.5},
      {100, 25, 95},
      {47, 450, 654.5},
      {1000, 40, 1220}
    };
  }

  @Test(dataProvider = "newLeakage")
  public void aNewPartIsHeldToItsChargeRule(double microfarads, double volts, double microamperes) {
    LeakageLimit rule = leakage("electrolytic-dry", LimitProfile.MODERN);
    assertThat(rule.amperes(microfarads * 1e-6, volts).orElseThrow() * 1e6)
        .isCloseTo(microamperes, within(1e-6));
    assertThat(rule.minutes()).isEqualTo(5);
  }

  @Test
  public void everyKindCitesItsSourcesAndHasAnHeirThatExists() {
    for (CapacitorKind kind : KNOWLEDGE.kinds().values()) {
      assertThat(KNOWLEDGE.kind(kind.heir().kind())).isNotNull();
      assertThat(kind.heir().ratings()).isSorted();
      if (!kind.id().equals("unstated")) {
        assertThat(kind.limits()).as(kind.id()).containsOnlyKeys(LimitProfile.values());
      }
      for (Limits limits : kind.limits().values()) {
        assertThat(KNOWLEDGE.sources())
            .containsKeys(
                limits.cited().kept(),
                limits.cited().dissipation(),
                limits.cited().leakage(),
                limits.cited().insulation());
        assertThat(limits.kept().renewBelow()).isLessThanOrEqualTo(limits.kept().watchBelow());
        assertThat(limits.kept().watchBelow()).isLessThan(1);
        assertThat(limits.kept().watchAbove())
            .isGreaterThan(1)
            .isLessThanOrEqualTo(limits.kept().renewAbove());
        limits.dissipation().forEach(d -> assertThat(d.watchAbove()).isLessThan(d.renewAbove()));
      }
    }
  }

  @Test
  public void aNewPartIsNeverHeldToLessThanAnOldOne() {
    for (CapacitorKind kind : KNOWLEDGE.kinds().values()) {
      if (kind.limits().isEmpty()) {
        continue;
      }
      Limits old = kind.limits().get(LimitProfile.PERIOD);
      Limits now = kind.limits().get(LimitProfile.MODERN);
      assertThat(now.kept().renewBelow())
          .as(kind.id())
          .isGreaterThanOrEqualTo(old.kept().renewBelow());
      for (double volts : new double[] {10, 63, 160}) {
        OptionalDouble rated = OptionalDouble.of(volts);
        assertThat(now.dissipationFor(rated).orElseThrow().watchAbove())
            .as(kind.id() + " " + volts)
            .isLessThanOrEqualTo(old.dissipationFor(rated).orElseThrow().watchAbove() * 1.2);
      }
    }
  }

  @Test
  public void tantalumLeakageFollowsItsCharge() {
    // IEC 60384-15 and kin: 0.01 CU, at least 0.5 µA; from memory.
    LeakageLimit rule = leakage("tantalum-bead", LimitProfile.PERIOD);
    assertThat(rule.amperes(10e-6, 35).orElseThrow())
        .isCloseTo(3.5e-6, Percentage.withPercentage(0.01));
    assertThat(rule.amperes(1e-6, 35).orElseThrow())
        .isCloseTo(0.5e-6, Percentage.withPercentage(0.01));
  }

  /**
   * What is taken for parts nobody has measured: sound at no age, worse with age, never beyond
   * sixty years; wide common practice.
   */
  @Test
  public void unmeasuredPartsAgeByTheirFamily() {
    for (Family f : Family.values()) {
      AgeingRule rule = KNOWLEDGE.supply().ageing(f);
      assertThat(rule.capacitanceLeft(0)).as(f.code()).isEqualTo(1);
      assertThat(rule.esrGrowth(0)).isEqualTo(1);
      assertThat(rule.leakLeft(0, 1e-6)).isEqualTo(rule.leakOhms(1e-6));
      assertThat(rule.esrGrowth(200)).isEqualTo(rule.esrGrowth(60)).isGreaterThanOrEqualTo(1);
      assertThat(rule.leakLeft(60, 1e-6)).isLessThanOrEqualTo(rule.leakOhms(1e-6));
    }
    AgeingRule electrolytic = KNOWLEDGE.supply().ageing(Family.ELECTROLYTIC);
    assertThat(electrolytic.esrOhms(16e-6))
        .as("D 0.06 at 100 Hz")
        .isCloseTo(0.06 / (2 * Math.PI * 100 * 16e-6), within(1e-9));
    assertThat(electrolytic.capacitanceLeft(50))
        .as("after fifty years some seven tenths are left")
        .isBetween(0.6, 0.8);
    assertThat(KNOWLEDGE.supply().ageing(Family.PAPER).leakLeft(60, 0.1e-6))
        .as("waxed paper of the thirties is at megohms")
        .isBetween(1e6, 1e7);
  }

  /** What regulators do has something inside for each, and every cathode a warm-up. */
  @Test
  public void whatIsInsideARegulatorExplainsAllItDoes() {
    for (Fault.Mode does : List.of(Fault.Mode.HOLDS_HIGH, Fault.Mode.HOLDS_LOW, Fault.Mode.OPEN)) {
      assertThat(KNOWLEDGE.supply().inside(does.code()))
          .extracting(SupplyRules.Inside::place)
          .as(does.code())
          .contains(SupplyRules.Place.DRIVER, SupplyRules.Place.REFERENCE);
    }
    for (SupplyRectifier.Heating h : SupplyRectifier.Heating.values()) {
      assertThat(KNOWLEDGE.supply().cathode(h, true).seconds()).isPositive();
      assertThat(KNOWLEDGE.supply().cathode(h, false).seconds()).isPositive();
    }
    assertThat(KNOWLEDGE.supply().rectifier(RectifierTechnology.UNSTATED))
        .as("nobody knows what an unknown one stands")
        .isEmpty();
  }
}
