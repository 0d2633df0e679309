package org.yellowhearth.core.part;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Parts refuse what cannot be, and know their sort and their can. */
public class PartTest {
  private static final PartRef R1 = PartRef.of("R1");

  private static Resistor resistor(double ohms, double watts) {
    return new Resistor(
        R1,
        "",
        ohms,
        Optional.empty(),
        OptionalDouble.of(watts),
        Resistor.Make.CARBON_FILM,
        Resistor.Task.UNSTATED,
        "",
        "");
  }

  @DataProvider
  public Object[][] impossible() {
    return new Object[][] {
      {(Runnable) () -> resistor(0, 1), "resistance"},
      {(Runnable) () -> resistor(-5, 1), "resistance"},
      {(Runnable) () -> resistor(Double.POSITIVE_INFINITY, 1), "resistance"},
      {(Runnable) () -> resistor(Double.NaN, 1), "resistance"},
      {(Runnable) () -> resistor(5, 0), "power"},
      {
        (Runnable) () -> new Fuse(R1, "", OptionalDouble.of(-1), Fuse.Speed.SLOW, "", ""), "current"
      },
      {
        (Runnable)
            () ->
                new Rectifier(
                    R1,
                    "",
                    RectifierTechnology.SELENIUM,
                    OptionalInt.of(0),
                    OptionalDouble.empty(),
                    OptionalDouble.empty(),
                    "",
                    ""),
        "plate"
      },
      {(Runnable) () -> new Connector(R1, "", OptionalInt.of(0), "", ""), "contact"},
      {
        (Runnable)
            () ->
                new Transistor(
                    R1,
                    "",
                    Transistor.Channel.NPN,
                    Transistor.Material.SILICON,
                    OptionalDouble.of(90),
                    OptionalDouble.of(30),
                    "",
                    ""),
        "gain"
      }
    };
  }

  @Test(dataProvider = "impossible")
  public void whatCannotBeIsRefused(Runnable making, String what) {
    assertThatThrownBy(making::run)
        .isInstanceOf(IllegalArgumentException.class)
        .hasMessageContaining(what);
  }

  @Test
  public void aPartSaysHowItIsMadeAndLeavesOutWhatNobodySaid() {
    assertThat(Makes.of(resistor(5, 1))).containsExactly(Resistor.Make.CARBON_FILM);
    assertThat(Makes.of(new Lamp(R1, "", OptionalDouble.empty(), OptionalDouble.empty(), "", "")))
        .isEmpty();
    assertThat(resistor(5, 1).sort()).isEqualTo(Sort.RESISTOR);
  }

  @Test
  public void aSectionKnowsItsCan() {
    assertThat(PartRef.of("C31b").whole()).isEqualTo(PartRef.of("C31"));
    assertThat(PartRef.of("C31").whole()).isEqualTo(PartRef.of("C31"));
  }

  /** Every sort has a record of its own, so that a switch over parts is complete. */
  @Test
  public void everySortHasItsRecord() {
    assertThat(Part.class.getPermittedSubclasses()).hasSize(Sort.values().length);
    assertThat(
            Arrays.stream(Part.class.getPermittedSubclasses())
                .map(c -> c.getSimpleName().toUpperCase(Locale.ROOT)))
        .containsExactlyInAnyOrder(
            Arrays.stream(Sort.values())
                .map(s -> s.name().replace("_", ""))
                .toArray(String[]::new));
  }
}
