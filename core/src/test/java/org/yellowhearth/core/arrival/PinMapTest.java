package org.yellowhearth.core.arrival;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.yellowhearth.core.Sets.arrived;
import static org.yellowhearth.core.Sets.with;

import java.util.List;
import java.util.Optional;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Pin;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.job.Job;

public class PinMapTest {
  private static Pin pin(String photograph, String label, double across, double down) {
    return new Pin(photograph + "-" + label, photograph, across, down, label);
  }

  private static Photograph photograph(String id, Optional<String> mirrors) {
    return new Photograph(
        id,
        "0".repeat(64) + ".jpg",
        id,
        100,
        80,
        Optional.empty(),
        "",
        Photograph.Side.BACK,
        mirrors);
  }

  @Test
  public void withoutHelpTheOtherSideIsTheMirrorImage() {
    Job job =
        with(
            arrived(),
            photograph("front", Optional.empty()),
            photograph("back", Optional.of("front")),
            pin("front", "C1", 0.2, 0.3));
    PinMap.Found found = PinMap.found(job, (Photograph) job.item("back").orElseThrow()).getFirst();
    assertThat(found.across()).isCloseTo(0.8, within(1e-12));
    assertThat(found.down()).isCloseTo(0.3, within(1e-12));
    assertThat(PinMap.found(job, (Photograph) job.item("front").orElseThrow())).isEmpty();
  }

  /**
   * A back photograph taken closer, tilted and off centre: three shared pins recover the map
   * exactly.
   */
  @Test
  public void threeSharedPinsTakeUpScaleTiltAndCrop() {
    double[][] front = {{0.1, 0.1}, {0.9, 0.2}, {0.4, 0.9}, {0.6, 0.5}};
    List<Pin> from =
        List.of(
            pin("f", "a", 0.1, 0.1),
            pin("f", "b", 0.9, 0.2),
            pin("f", "c", 0.4, 0.9),
            pin("f", "d", 0.6, 0.5));
    List<Pin> to = List.of(back("a", front[0]), back("b", front[1]), back("c", front[2]));
    PinMap.Found d = PinMap.between(from, to).apply(from.get(3));
    Pin truth = back("d", front[3]);
    assertThat(d.across()).isCloseTo(truth.across(), within(1e-9));
    assertThat(d.down()).isCloseTo(truth.down(), within(1e-9));
    assertThat(PinMap.between(from, to).shared()).isEqualTo(3);
  }

  private static Pin back(String label, double[] p) {
    return pin("b", label, 0.95 - 0.85 * p[0] + 0.05 * p[1], 0.06 + 0.04 * p[0] + 0.8 * p[1]);
  }

  @Test
  public void pinsInALineOrOneAloneOnlyShiftTheMirror() {
    List<Pin> from =
        List.of(
            pin("f", "a", 0.2, 0.2),
            pin("f", "b", 0.4, 0.4),
            pin("f", "c", 0.6, 0.6),
            pin("f", "d", 0.5, 0.1));
    List<Pin> to =
        List.of(pin("b", "a", 0.85, 0.25), pin("b", "b", 0.65, 0.45), pin("b", "c", 0.45, 0.65));
    PinMap.Found d = PinMap.between(from, to).apply(from.get(3));
    assertThat(d.across()).isCloseTo(0.55, within(1e-9));
    assertThat(d.down()).isCloseTo(0.15, within(1e-9));
    assertThat(d.inside()).isTrue();
  }

  @Test
  public void theReassemblyListIsTheLogFromLastToFirst() {
    Job job = with(arrived(), step("s2", 2), step("s1", 1), step("s3", 3));
    assertThat(Reassembly.log(job)).extracting(TakeApartStep::number).containsExactly(1, 2, 3);
    assertThat(Reassembly.list(job)).extracting(TakeApartStep::number).containsExactly(3, 2, 1);
    assertThat(Reassembly.next(job)).isEqualTo(4);
  }

  private static TakeApartStep step(String id, int number) {
    return new TakeApartStep(
        id, number, TakeApartStep.Fixing.SCREWS, 4, "cover", "bag", "", Optional.empty(), false);
  }
}
