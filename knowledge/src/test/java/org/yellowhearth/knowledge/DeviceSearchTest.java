package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.knowledge.Devices;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.replace.DeviceSearch;
import org.yellowhearth.core.replace.ReplaceWords;
import org.yellowhearth.core.replace.TakenAlong;

/** What comes in the place of semiconductors and valves (common practice). */
public class DeviceSearchTest {
  private static final Devices DEVICES = VerdictTest.KNOWLEDGE.devices();

  private static Bench set(OptionalDouble rail, String... lines) {
    Bench b = Bench.of(1962);
    List.of(lines).forEach(b::type);
    rail.ifPresent(v ->
        b.edit(
            new Edit.ItemChanged(
                Optional.empty(),
                Optional.of(
                    new Rail(
                        "r",
                        "HT",
                        v,
                        List.of(),
                        OptionalDouble.of(32e-6),
                        "electrolytic-dry",
                        Rail.Bleeder.NONE,
                        OptionalDouble.empty())))));
    return b;
  }

  private static List<DeviceSearch.Found> found(Bench b, String ref) {
    Part part = b.job().part(PartRef.of(ref)).orElseThrow();
    return DeviceSearch.of(part, b.job(), DEVICES);
  }

  private static MessageKey word(DeviceSearch.Found f) {
    return f.points().getFirst().key();
  }

  /** A part for a signal stage is not refused because another stage has a high rail. */
  @Test
  public void thereIsAnAnswerThoughTheRailIsHigh() {
    List<DeviceSearch.Found> low =
        found(set(OptionalDouble.of(340), "+ Q1 pnp germanium hfe 60-175"), "Q1");
    assertThat(low.getFirst().part().title()).isEqualTo("AC128");
    assertThat(low).allMatch(DeviceSearch.Found::doubtful);
    assertThat(word(low.getFirst())).isEqualTo(ReplaceWords.DEVICE_LOW);
    List<DeviceSearch.Found> right =
        found(set(OptionalDouble.of(12), "+ Q1 pnp germanium hfe 60-175"), "Q1");
    assertThat(word(right.getFirst())).isEqualTo(ReplaceWords.DEVICE_TRANSISTOR);
    assertThat(right).noneMatch(DeviceSearch.Found::doubtful);
    assertThat(
            found(set(OptionalDouble.of(100), "+ Q1 npn silicon hfe 40-200"), "Q1")
                .getFirst()
                .part()
                .title())
        .as("one that stands 150 V")
        .isEqualTo("MPSA42");
  }

  /** Behind a rail of 300 V a half-wave rectifier sees 600 V backwards, and more is asked for. */
  @Test
  public void aRectifierIsChosenByItsRail() {
    assertThat(found(set(OptionalDouble.of(300), "+ D1 silicon"), "D1").getFirst().part().title())
        .isEqualTo("1N4007");
    assertThat(found(set(OptionalDouble.of(12), "+ D1 silicon"), "D1").getFirst().part().title())
        .isEqualTo("1N4001");
    assertThat(found(set(OptionalDouble.empty(), "+ D1 silicon"), "D1").getFirst().doubtful())
        .as("nothing is known of it")
        .isTrue();
    assertThat(
            found(set(OptionalDouble.of(12), "+ D1 silicon 50V 2A"), "D1")
                .getFirst()
                .part()
                .title())
        .as("half as much again as 2 A and 50 V")
        .isEqualTo("1N5402");
    assertThat(found(set(OptionalDouble.of(9), "+ D1 germanium 30V 10mA"), "D1"))
        .as("a detector is no supply diode")
        .allMatch(f -> word(f) == ReplaceWords.DEVICE_SIGNAL_DIODE)
        .isNotEmpty();
  }

  @Test
  public void withoutPolarityNoTransistorIsGuessed() {
    assertThat(found(set(OptionalDouble.empty(), "+ Q1 silicon"), "Q1")).isEmpty();
    assertThat(found(set(OptionalDouble.empty(), "+ U1 op amp"), "U1")).isEmpty();
    assertThat(found(set(OptionalDouble.empty(), "+ F1 1A"), "F1")).isEmpty();
  }

  /** Every type is listed once, and every figure is one that can be. */
  @Test
  public void theDataAreSound() {
    List<String> types = DEVICES.all().stream().flatMap(d -> d.types().stream()).toList();
    assertThat(types).doesNotHaveDuplicates().hasSizeGreaterThan(150);
    assertThat(DEVICES.all())
        .allSatisfy(d -> {
          boolean rated = d.sort() == Sort.VALVE || d.volts().isPresent();
          assertThat(rated).as("%s", d.types()).isTrue();
          assertThat(d.leastGain().orElse(0)).isLessThanOrEqualTo(d.mostGain().orElse(1e9));
        });
  }

  @Test
  public void whatShortsTakesOthersAlong() {
    Bench b =
        set(
            OptionalDouble.empty(),
            "+ D1 selenium",
            "+ F1 1A",
            "+ C1 32u 450V electrolytic reservoir",
            "+ C2 32u 450V electrolytic smoothing",
            "+ V1 EL84 output",
            "+ R5 150r cathode",
            "+ C7 .01u 400V paper coupling");
    assertThat(TakenAlong.of(part(b, "D1"), b.job()).orElseThrow().arguments().toString())
        .contains("C1, F1")
        .doesNotContain("C2");
    assertThat(TakenAlong.of(part(b, "V1"), b.job()).orElseThrow().arguments().toString())
        .contains("C7, R5");
    assertThat(TakenAlong.of(part(b, "F1"), b.job())).isEmpty();
  }

  private static Part part(Bench b, String ref) {
    return b.job().part(PartRef.of(ref)).orElseThrow();
  }
}
