package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.Map;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.circuit.SteadyState;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.supply.ReferenceSupplies.Reference;

/**
 * The engine against tight runs (steps of 2 µs, relative tolerance 1e-6, run to settling) of a
 * general-purpose circuit simulator on the netlists that the program itself exports: 1e-4 of direct
 * voltages, 5e-4 of RMS and peak currents, 1e-3 of peak-to-peak ripple; for a choke input near its
 * critical current 1e-3 and 3e-3.
 */
public class SimulatorTest {
  /** Ripple of less than this share of the direct voltage is below what either can tell. */
  private static final double NO_RIPPLE = 2e-6;

  @DataProvider
  public Object[][] references() {
    return ReferenceSupplies.all().stream().map(r -> new Object[] {r}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "references")
  public void agreesWithTheSimulator(Reference r) {
    assertThat(SpiceRun.netlist(r, GoldenFigures.STEP))
        .as("netlist; ./hearth golden rewrites it")
        .isEqualTo(GoldenFigures.netlist(r.name()));
    Waveforms w = SteadyState.of(r.supply().circuit());
    assertThat(w.iterations()).isLessThanOrEqualTo(12);
    compare(r, SpiceRun.own(r, w), GoldenFigures.figures(r.name()));
  }

  private static void compare(Reference r, Map<String, Double> own, Map<String, Double> simulator) {
    boolean choke = r.name().contains("near-critical");
    own.forEach((figure, value) -> {
      double other = simulator.get(figure);
      double allowed =
          switch (figure.substring(0, 2)) {
            case "dc" -> (choke ? 1e-3 : 1e-4) * Math.abs(other);
            case "pp" ->
                (choke ? 3e-3 : 1e-3) * other
                    + NO_RIPPLE * Math.abs(simulator.get(figure.replaceFirst("pp_", "dc_")));
            default -> (choke ? 3e-3 : 5e-4) * other;
          };
      assertThat(value).as(r + " " + figure).isCloseTo(other, within(allowed));
    });
  }

  @DataProvider
  public Object[][] quick() {
    return ReferenceSupplies.all().stream()
        .filter(r ->
            r.name().matches("bridge-silicon-60|doubler-silicon-60|full-wave-gas|germanium-60"))
        .map(r -> new Object[] {r})
        .toArray(Object[][]::new);
  }

  /** The same with the simulator at hand, where it is installed, with longer steps. */
  @Test(dataProvider = "quick")
  public void agreesWithTheSimulatorRunNow(Reference r) throws IOException, InterruptedException {
    if (!SpiceRun.installed()) {
      throw new SkipException("the circuit simulator is not installed here");
    }
    compare(
        r,
        SpiceRun.own(r, SteadyState.of(r.supply().circuit())),
        SpiceRun.run(SpiceRun.netlist(r, 4e-6)));
  }
}
