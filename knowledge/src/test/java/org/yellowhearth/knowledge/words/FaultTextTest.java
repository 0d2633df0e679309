package org.yellowhearth.knowledge.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.testng.annotations.Test;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Fault;
import org.yellowhearth.core.trace.Fault.Mode;
import org.yellowhearth.core.trace.Heat;

/** Faults in words, with two figures: more is not known of what is only estimated. */
public class FaultTextTest {
  private static final FaultText TEXT = new FaultText(Words.of(SetPlate.Dialect.BRITISH));

  private static Fault fault(String element, Which which, Mode mode, double value) {
    return new Fault(new Parameter(element, which), mode, value);
  }

  @Test
  public void faultsAreSaidWithTwoFigures() {
    assertThat(TEXT.of("C1", fault("C1", Which.CAPACITANCE, Mode.CAPACITANCE_LOW, 3.4567e-6)))
        .isEqualTo("C1 capacitance low, about 3.5 µF");
    assertThat(TEXT.of("C1", fault("C1", Which.SERIES_RESISTANCE, Mode.LOSSY, 462.3)))
        .isEqualTo("C1 high series resistance, about 460 Ω");
    assertThat(TEXT.of("C1", fault("C1", Which.CAPACITANCE, Mode.OPEN, 1e-9))).isEqualTo("C1 open");
    assertThat(TEXT.of("V1", fault("V1.2", Which.CONDUCTANCE, Mode.LEG_OPEN, 1e-6)))
        .isEqualTo("V1 (V1.2) one leg open");
    assertThat(TEXT.of("V1", fault("V1", Which.CONDUCTANCE, Mode.WEAK, 0.48)))
        .isEqualTo("V1 weak, about 50 %");
    assertThat(TEXT.of("L1", fault("L1", Which.INDUCTANCE, Mode.TURNS_SHORTED, 2.04)))
        .isEqualTo("L1 turns shorted, about 2 H");
    assertThat(TEXT.of("U1", fault("U1", Which.HELD_VOLTS, Mode.HOLDS_LOW, 9.87)))
        .isEqualTo("U1 holds too low a voltage, about 9.9 V");
    assertThat(TEXT.of("set", fault("set", Which.LOAD, Mode.DRAWS_MUCH, 0.1)))
        .isEqualTo("set draws too much");
  }

  @Test
  public void anExplanationSaysAllItsFaultsOrNothing() {
    Diagnosis.Explanation two =
        new Diagnosis.Explanation(
            List.of("C1", "R2"),
            List.of(
                fault("C1", Which.CAPACITANCE, Mode.OPEN, 1e-9),
                fault("R2", Which.RESISTANCE, Mode.DRIFTED_HIGH, 47_300)),
            0.5,
            3,
            List.of(),
            true,
            true,
            List.of(),
            Heat.Says.NOTHING);
    assertThat(TEXT.of(two, "nothing")).isEqualTo("C1 open + R2 drifted high, about 47 kΩ");
    assertThat(
            TEXT.of(
                new Diagnosis.Explanation(
                    List.of(),
                    List.of(),
                    1,
                    0,
                    List.of(),
                    true,
                    true,
                    List.of(),
                    Heat.Says.NOTHING),
                "nothing"))
        .isEqualTo("nothing");
    assertThat(FaultText.parts(List.of("C1", "R2"), "nothing")).isEqualTo("C1 + R2");
    assertThat(FaultText.parts(List.of(), "nothing")).isEqualTo("nothing");
  }
}
