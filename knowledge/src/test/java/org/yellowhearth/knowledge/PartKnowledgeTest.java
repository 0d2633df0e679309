package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.OwnLimits;
import org.yellowhearth.core.fact.LimitChange;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.knowledge.Limits;
import org.yellowhearth.core.knowledge.PartRule;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;

/** What the knowledge files say of roles, wear and parts of every sort. */
public class PartKnowledgeTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();

  /**
   * The median of a Weibull law is the age at which half have failed: from new, 1 − exp(−ln 2) =
   * one half.
   */
  @Test
  public void halfHaveFailedAtTheMedianAge() {
    CapacitorKind.Wear wear = new CapacitorKind.Wear(40, 3, true);
    assertThat(wear.failsWithin(40, 0)).isCloseTo(0.5, within(1e-12));
    assertThat(wear.failsWithin(0, 70)).isZero();
    assertThat(wear.failsWithin(5, 60))
        .as("older parts fail sooner")
        .isGreaterThan(wear.failsWithin(5, 20));
  }

  @Test
  public void everyRoleButTheUnstatedSaysWhatItAsks() {
    for (Role role : Role.values()) {
      if (role != Role.UNSTATED) {
        assertThat(KNOWLEDGE.roles()).as(role.code()).containsKey(role);
        assertThat(KNOWLEDGE.role(role).leastShare()).isLessThanOrEqualTo(1);
      }
    }
  }

  /**
   * Common practice: what takes an output transformer or a mains transformer with it is dearest.
   */
  @Test
  public void theDearestPlacesAreThoseThatBurnWhatCannotBeReplaced() {
    for (Role dear :
        List.of(
            Role.RESERVOIR,
            Role.BIAS_FILTER,
            Role.GRID_COUPLING,
            Role.BOOST,
            Role.ACROSS_LINE,
            Role.LINE_TO_CHASSIS)) {
      assertThat(KNOWLEDGE.role(dear).consequence()).as(dear.code()).isEqualTo(5);
    }
    assertThat(KNOWLEDGE.role(Role.TONE).consequence()).isEqualTo(1);
  }

  @Test
  public void everyWindowIsInOrderAndHasASource() {
    for (PartRule rule : KNOWLEDGE.partRules()) {
      double[] bounds = {
        rule.renewBelow().orElse(0),
        rule.watchBelow().orElse(rule.renewBelow().orElse(0)),
        rule.watchAbove().orElse(1e12),
        rule.renewAbove().orElse(1e12)
      };
      assertThat(bounds).as(rule.toString()).isSorted();
      assertThat(KNOWLEDGE.source(rule.source())).isNotNull();
    }
  }

  /** A rule for how a part is made names a word that such a part can have. */
  @Test
  public void everyRuleForAMakeNamesOne() {
    List<String> codes =
        KNOWLEDGE.vocabulary().constants().values().stream()
            .flatMap(List::stream)
            .map(Coded::code)
            .toList();
    KNOWLEDGE.partRules().stream()
        .filter(r -> !r.made().isEmpty())
        .forEach(r -> assertThat(codes).contains(r.made()));
    KNOWLEDGE.partWear().stream()
        .filter(r -> !r.made().isEmpty())
        .forEach(r -> assertThat(codes).contains(r.made()));
  }

  @Test
  public void everySortOfPartCanBeEnteredMeasuredAndWeighed() {
    for (Sort sort : Sort.values()) {
      assertThat(KNOWLEDGE.vocabulary().letters()).as(sort.code()).containsValue(sort);
      assertThat(KNOWLEDGE.vocabulary().sorts()).containsValue(sort);
      if (sort != Sort.CAPACITOR) {
        assertThat(KNOWLEDGE.partRules()).anyMatch(r -> r.sort() == sort);
        assertThat(KNOWLEDGE.partWear()).anyMatch(w -> w.sort() == sort && w.made().isEmpty());
      }
    }
  }

  /** Common practice: which kinds the trade reforms, and when they were fitted. */
  @Test
  public void onlyElectrolyticsOfAluminiumReform() {
    KNOWLEDGE
        .kinds()
        .values()
        .forEach(k ->
            assertThat(k.wear().reforms()).as(k.id()).isEqualTo(k.id().startsWith("electrolytic")));
    KNOWLEDGE
        .kinds()
        .values()
        .forEach(k -> assertThat(k.made().from()).as(k.id()).isLessThan(k.made().to()));
    assertThat(KNOWLEDGE.kind("tantalum-bead").made().from()).isGreaterThan(1950);
    assertThat(KNOWLEDGE.kind("electrolytic-wet").made().to()).isLessThan(1950);
  }

  @DataProvider
  public Object[][] limits() {
    return Arrays.stream(LimitChange.Which.values())
        .map(w -> new Object[] {w})
        .toArray(Object[][]::new);
  }

  /**
   * Whichever limit is changed, the watched window stays inside the renewed one, and only that kind
   * and profile change.
   */
  @Test(dataProvider = "limits")
  public void aChangedLimitNeverCrossesItsNeighbour(LimitChange.Which which) {
    for (String id : List.of("electrolytic-dry", "paper-waxed")) {
      CapacitorKind kind = KNOWLEDGE.kind(id);
      Limits plain = kind.limits().get(LimitProfile.PERIOD);
      OptionalDouble now = OwnLimits.value(plain, which);
      if (now.isEmpty()) {
        continue;
      }
      for (double times : new double[] {0.1, 0.9, 1.1, 10}) {
        double value = now.getAsDouble() * times;
        Job job =
            Bench.with(Policy.USUAL)
                .edit(
                    new Edit.ItemChanged(
                        Optional.empty(),
                        Optional.of(new LimitChange("x", id, "period", which, value))))
                .job();
        Limits changed = new OwnLimits(job).of(kind, LimitProfile.PERIOD).orElseThrow();
        Limits.Kept k = changed.kept();
        assertThat(k.renewBelow()).isLessThanOrEqualTo(k.watchBelow());
        assertThat(k.watchAbove()).isLessThanOrEqualTo(k.renewAbove());
        changed
            .dissipation()
            .forEach(d -> assertThat(d.watchAbove()).isLessThanOrEqualTo(d.renewAbove()));
        changed
            .insulation()
            .ifPresent(
                i -> assertThat(i.renewBelowSeconds()).isLessThanOrEqualTo(i.watchBelowSeconds()));
        if (which == LimitChange.Which.LEAKAGE_FACTOR) {
          assertThat(changed.leakage().orElseThrow().amperes(8e-6, 450).orElseThrow())
              .isCloseTo(
                  value * plain.leakage().orElseThrow().amperes(8e-6, 450).orElseThrow(),
                  within(1e-12));
        } else {
          assertThat(OwnLimits.value(changed, which).orElseThrow())
              .isCloseTo(value, within(1e-9 * value));
        }
        assertThat(new OwnLimits(job).of(kind, LimitProfile.MODERN))
            .contains(kind.limits().get(LimitProfile.MODERN));
      }
    }
  }
}
