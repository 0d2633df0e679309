package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.reform.ReformWords;
import org.yellowhearth.core.reform.Worth;
import org.yellowhearth.core.reform.Worth.Answer;

/** Whether it is worth bringing one up: the answers of the trade (common practice). */
public class WorthTest {
  private static final Judge JUDGE = new Judge(VerdictTest.KNOWLEDGE);
  private static final LocalDate TODAY = LocalDate.of(2026, 6, 1);
  private static final String GOOD = "33u 3r D0.07 @100";
  private static final String LEAKS = "33u 3r D0.07 @100;9mA @450V @10min";

  private static Worth of(
      String marking,
      String readings,
      Policy policy,
      SetPlate.Purpose purpose,
      boolean rare,
      OptionalDouble price,
      VisualInspection.Sign... looks) {
    Job job = VerdictTest.job(marking, readings, policy, VerdictTest.plate(purpose));
    for (VisualInspection.Sign sign : looks) {
      Item look = VisualInspection.of(job.capacitors().getFirst().ref(), sign, "");
      job =
          job.after(
              new Entry(
                  job.journal().size(),
                  Bench.NOW.plusHours(1),
                  new Act.Did(new Edit.ItemChanged(Optional.empty(), Optional.of(look)))));
    }
    Capacitor part = job.capacitors().getFirst();
    return Worth.of(
        JUDGE.of(job, TODAY).assessment(part.ref()).orElseThrow(),
        part,
        VerdictTest.KNOWLEDGE.kind(part.kind()),
        new Worth.Circumstances(
            policy, purpose == SetPlate.Purpose.MUSEUM, rare, OptionalDouble.of(76), price));
  }

  private static Worth used(String marking, String readings, VisualInspection.Sign... looks) {
    return of(
        marking,
        readings,
        Policy.USUAL,
        SetPlate.Purpose.USE,
        false,
        OptionalDouble.empty(),
        looks);
  }

  private static List<ReformWords> reasons(Worth w) {
    List<ReformWords> all = new ArrayList<>();
    for (Message m : w.reasons()) {
      all.add((ReformWords) m.key());
    }
    return all;
  }

  @DataProvider
  public Object[][] never() {
    return new Object[][] {
      {used("32 MFD 450 V electrolytic", GOOD, VisualInspection.Sign.BULGED), ReformWords.NO_LOOK},
      {used("32 MFD 450 V electrolytic", GOOD, VisualInspection.Sign.OOZING), ReformWords.NO_LOOK},
      {used(".1 MFD 400 V paper", ".1u"), ReformWords.NO_KIND}
    };
  }

  /** Bulged, leaked, paper: nobody puts voltage on it to form it. */
  @Test(dataProvider = "never")
  public void hardNoes(Worth worth, ReformWords why) {
    assertThat(worth.answer()).isEqualTo(Answer.NEVER);
    assertThat(reasons(worth)).contains(why);
  }

  /** Dried out is not cured by forming, and tantalum is soaked, not formed. */
  @Test
  public void electrolyteDoesNotComeBackAndTantalumIsSoaked() {
    Worth dry = used("32 MFD 450 V electrolytic", "9u 60r @100");
    assertThat(dry.answer()).isEqualTo(Answer.NO);
    assertThat(reasons(dry)).contains(ReformWords.NO_DRY);
    assertThat(used("1 MFD 35 V tantalum", "1u D0.02 @100").answer()).isEqualTo(Answer.SOAK);
    assertThat(used("1 MFD 35 V tantalum", "1u", VisualInspection.Sign.BURST).answer())
        .isEqualTo(Answer.NEVER);
  }

  @Test
  public void whatIsNotKnownIsMeasuredFirst() {
    assertThat(used("32 MFD 450 V electrolytic", "").answer()).isEqualTo(Answer.FIRST_MEASURE);
    assertThat(reasons(used("32 MFD electrolytic", GOOD))).contains(ReformWords.NO_RATING);
  }

  /**
   * The same sound can: kept in a museum, by the school that reforms whatever passes, and never by
   * the one that does not.
   */
  @Test
  public void purposeAndSchoolDecide() {
    assertThat(
            of(
                    "32 MFD 450 V electrolytic",
                    LEAKS,
                    Policy.USUAL,
                    SetPlate.Purpose.MUSEUM,
                    false,
                    OptionalDouble.empty())
                .answer())
        .isEqualTo(Answer.YES);
    Policy whatever = Policy.USUAL.with(Policy.OldElectrolytics.REFORM_WHATEVER_PASSES);
    Worth passes =
        of(
            "32 MFD 450 V electrolytic",
            LEAKS,
            whatever,
            SetPlate.Purpose.USE,
            false,
            OptionalDouble.empty());
    assertThat(passes.answer()).isEqualTo(Answer.YES);
    assertThat(reasons(passes))
        .contains(ReformWords.YES_LEAKS_ONLY, ReformWords.YES_POLICY, ReformWords.BUT_OLD);
    Policy never = Policy.USUAL.with(Policy.OldElectrolytics.NEVER_REFORM);
    assertThat(
            of(
                    "32 MFD 450 V electrolytic",
                    GOOD,
                    never,
                    SetPlate.Purpose.MUSEUM,
                    true,
                    OptionalDouble.empty())
                .answer())
        .isEqualTo(Answer.NO);
    assertThat(used("32 MFD 450 V electrolytic", GOOD).answer()).isEqualTo(Answer.PERHAPS);
  }

  /** Cheap and to be had speaks against it, rare and dear for it. */
  @Test
  public void priceAndRarityCount() {
    Worth cheap =
        of(
            "32 MFD 450 V electrolytic",
            GOOD,
            Policy.USUAL,
            SetPlate.Purpose.USE,
            false,
            OptionalDouble.of(3));
    assertThat(reasons(cheap)).contains(ReformWords.NO_CHEAP);
    Worth rare =
        of(
            "32 MFD 450 V electrolytic",
            GOOD,
            Policy.USUAL,
            SetPlate.Purpose.USE,
            true,
            OptionalDouble.of(80));
    assertThat(rare.answer()).isEqualTo(Answer.YES);
    assertThat(reasons(rare)).contains(ReformWords.YES_RARE, ReformWords.YES_DEAR);
  }
}
