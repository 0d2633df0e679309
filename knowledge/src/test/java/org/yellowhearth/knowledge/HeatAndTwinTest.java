package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import org.testng.annotations.Test;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.belief.State;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.job.Edit;

/**
 * What lies around a part and what became of its like count in what it is believed to be (common
 * practice: ten kelvin double the pace; of one batch one follows the other; what stands live day
 * and night goes first).
 */
public class HeatAndTwinTest {
  private static final String TWO =
      "+ C1 32u 450V electrolytic reservoir; + C2 32u 450V electrolytic smoothing";

  private static Assessment of(String lines, String ref) {
    return Bench.of(1955).type(TWO + lines).assess(ref);
  }

  private static double failed(Assessment a) {
    return 1 - a.belief().chance(State.SOUND);
  }

  @Test
  public void aHotPlaceMakesItLikelierToHaveFailed() {
    double cool = failed(of("", "C1"));
    double measured = failed(of("; C1 near valve 8mm above", "C1"));
    double told = failed(of("; C1 near valve above", "C1"));
    assertThat(told).isGreaterThan(cool);
    assertThat(measured).isGreaterThanOrEqualTo(told);
    assertThat(of("; C1 near valve above", "C1").risk().chance())
        .isGreaterThan(of("", "C1").risk().chance());
  }

  @Test
  public void aTwinThatWentMakesItLikelier() {
    Assessment alone = of("", "C1");
    Assessment after = of("; C2 4u 30r @100", "C1");
    assertThat(failed(after)).isGreaterThan(failed(alone));
    assertThat(after.risk().chance()).isGreaterThan(alone.risk().chance());
    assertThat(failed(of("; C2 33u D0.08 @100", "C1")))
        .as("a twin that is good says nothing against it")
        .isLessThanOrEqualTo(failed(alone));
  }

  /** Its own firm reading counts for more than the fate of its like. */
  @Test
  public void aFirmReadingOfItsOwnStands() {
    Assessment own = of("; C1 33u D0.08 @100; 0.05mA @450V @5min; C2 4u 30r @100", "C1");
    assertThat(own.belief().likeliest()).isEqualTo(State.SOUND);
  }

  @Test
  public void aSupplyThatIsNeverOffWearsSooner() {
    Bench b = Bench.of(1955).type(TWO);
    double usual = b.assess("C1").risk().chance();
    MainsEntry secondary =
        MainsEntry.BLANK.with(m -> m.switchPlace = MainsEntry.SwitchPlace.SECONDARY);
    b.edit(new Edit.AspectChanged(MainsEntry.BLANK, secondary));
    assertThat(b.assess("C1").risk().chance()).isGreaterThan(usual);
  }
}
