package org.yellowhearth.core.supply;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.firstpower.PowerUp;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.ReferenceSupplies.Reference;
import org.yellowhearth.core.trace.TurnedUp;

/**
 * What a ramp expects at its steps, series lamp in circuit, against a general-purpose circuit
 * simulator run now on the netlist of that step: valve and silicon rectifiers, a doubler, a split
 * rail, a bias branch; direct volts within two parts in a thousand.
 */
public class PowerUpAgainstSimulatorTest {
  private static final String QUICK = "full-wave-valve-choke|doubler-silicon-60";
  private static final String ALL =
      QUICK
          + "|half-wave-valve-dropper|bridge-silicon-60|split-shared-transformer|valve-with-bias-branch";

  @DataProvider
  public Object[][] steps() {
    boolean all = Boolean.getBoolean("hearth.long");
    List<Object[]> steps = new ArrayList<>();
    for (Reference r : ReferenceSupplies.all()) {
      if (r.name().matches(all ? ALL : QUICK)) {
        (all ? List.of(0.5, 0.75, 1.0) : List.of(0.75))
            .forEach(share -> steps.add(new Object[] {r, share}));
      }
    }
    return steps.toArray(Object[][]::new);
  }

  @Test(dataProvider = "steps")
  public void stepsAgreeWithTheSimulator(Reference r, double share)
      throws IOException, InterruptedException {
    if (!SpiceRun.installed()) {
      throw new SkipException("the circuit simulator is not installed here");
    }
    Lamp lamp = Lamp.cold(100, r.supply().mains().nominalVolts());
    List<PowerUpPlan.Clip> clips =
        r.nodes().stream().map(n -> new PowerUpPlan.Clip(n, PowerUpPlan.Shows.DIRECT)).toList();
    PowerUp.Rung rung =
        PowerUp.of(
                r.supply(),
                new PowerUp.Setup(Optional.of(lamp), TurnedUp.Loads.VALVES, clips, List.of(share)),
                Map.of(),
                1,
                Watcher.NOBODY)
            .rungs()
            .getFirst();
    // Where little is drawn yet the reservoirs come to rest late.
    Reference step =
        new Reference(
            r.name() + " at " + share,
            rung.supply(),
            (share < 0.6 ? 6 : 1) * r.settles(),
            r.nodes(),
            List.of());
    Map<String, Double> shown = SpiceRun.run(SpiceRun.netlist(step, 5e-6));
    for (int k = 0; k < clips.size(); k++) {
      double other = shown.get(SpiceRun.key("dc", clips.get(k).point()));
      PowerUpPlan.Band band = rung.step().bands().get(k);
      assertThat(band.expected())
          .as(step + " " + clips.get(k).point())
          .isCloseTo(other, within(2e-3 * Math.abs(other) + 0.02));
      assertThat(band.holds(other, true)).isTrue();
    }
  }
}
