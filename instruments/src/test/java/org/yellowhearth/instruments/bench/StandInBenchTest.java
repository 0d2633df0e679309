package org.yellowhearth.instruments.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.assertj.core.data.Percentage;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.firstpower.PowerUp;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.reform.FormingCapacitor.Flaw;
import org.yellowhearth.core.reform.FormingCapacitor.Heat;
import org.yellowhearth.core.reform.FormingCapacitor.Make;
import org.yellowhearth.core.reform.FormingCapacitor.Oxide;
import org.yellowhearth.core.supply.Lamp;
import org.yellowhearth.core.supply.Primary;
import org.yellowhearth.core.supply.RectifierModel;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.TurnedUp;
import org.yellowhearth.instruments.scpi.ScpiDevice;

/** What the stand-ins read of a bench whose truth is known. */
public class StandInBenchTest {
  private static final double FARADS = 10e-6;
  private static final double CONDUCTANCE = 2e-6;

  private final long[] millis = {0};
  private StandInBench bench;

  @BeforeMethod
  public void lay() {
    millis[0] = 0;
    InstantSource wall = () -> Instant.ofEpochMilli(millis[0]);
    Make make =
        new Make(
            FARADS,
            8,
            400,
            new Oxide(4000, 1e-6, 20, 10, 1),
            new Heat(10, 50),
            new Flaw(CONDUCTANCE, 0, 800));
    bench = new StandInBench(wall, 7, Parts.of(List.of(make, make, make, make)));
  }

  private void pass(double seconds) {
    millis[0] += (long) (seconds * 1000);
  }

  private static double ask(ScpiDevice device, String query) {
    return Double.parseDouble(device.execute(query).orElseThrow());
  }

  /** Textbook: D = ωC·R; the leads count until they are corrected. */
  @Test
  public void theLcrMeterReadsSeriesAndParallel() {
    ScpiDevice m = bench.lcrMeter();
    double w = 2 * Math.PI * 1000;
    m.execute("FREQ 1000");
    double before = ask(m, "MEAS:RES?");
    m.execute("CORR:SHOR");
    double after = ask(m, "MEAS:RES?");
    assertThat(before - after).isCloseTo(0.08, within(0.12));
    assertThat(ask(m, "MEAS:CAP?")).isCloseTo(FARADS, Percentage.withPercentage(1.5));
    double d = ask(m, "MEAS:DISS?");
    assertThat(d).isCloseTo(w * FARADS * after, Percentage.withPercentage(2));
    m.execute("FUNC:IMP:TYPE CPD");
    assertThat(ask(m, "MEAS:CAP?"))
        .as("the wrong mode: Cp = Cs/(1 + D²)")
        .isCloseTo(FARADS / (1 + d * d), Percentage.withPercentage(1.5));
  }

  @Test
  public void readAndFetchFollowConfigure() {
    ScpiDevice m = bench.lcrMeter();
    assertThat(m.execute("FETC?")).isEmpty();
    assertThat(m.execute("SYST:ERR?").orElseThrow()).startsWith("-230");
    m.execute("CONF:DISS");
    double read = ask(m, "READ?");
    assertThat(ask(m, "FETC?")).isEqualTo(read);
    assertThat(m.execute("CONF?")).contains("DISSIPATION");
  }

  @Test
  public void anOpenClipAndAChargedPartAreNotMeasured() {
    ScpiDevice m = bench.lcrMeter();
    m.execute("SIM:CONT OPEN");
    assertThat(ask(m, "MEAS:CAP?")).isLessThan(1e-9);
    m.execute("SIM:CONT GOOD");
    bench.leakageMeter().execute("SOUR:VOLT 100;:OUTP ON");
    pass(5);
    assertThat(ask(m, "MEAS:CAP?")).isGreaterThan(9e37);
    assertThat(m.execute("SYST:ERR?").orElseThrow()).startsWith("-221").contains("charged");
  }

  /**
   * Ohm's law: 300 V over a leak of 2 µS is 600 µA; off, the bleeder of 100 kΩ empties 10 µF by
   * exp(−t/1 s).
   */
  @Test
  public void theLeakageMeterDrivesReadsAndEmpties() {
    ScpiDevice m = bench.leakageMeter();
    m.execute("SOUR1:VOLT 300;CURR:LIM 5 MA;:SOUR1:RES 1 KOHM;:OUTP1 ON");
    pass(30);
    assertThat(ask(m, "MEAS:VOLT? (@1)")).isCloseTo(300 - 0.6, within(1.5));
    assertThat(ask(m, "MEAS:CURR? (@1)")).isCloseTo(600e-6, Percentage.withPercentage(3));
    m.execute("OUTP1 OFF");
    pass(1);
    assertThat(ask(m, "MEAS:VOLT? (@1)"))
        .isCloseTo(300 * Math.exp(-1), Percentage.withPercentage(20));
    pass(20);
    assertThat(ask(m, "MEAS:VOLT? (@1)")).isLessThan(0.5);
    assertThat(ask(m, "MEAS:VOLT? (@2)")).as("the other channels were never on").isLessThan(0.1);
  }

  /**
   * Nobody speaks to it for longer than the watchdog allows: the output went off then, and the part
   * has emptied since.
   */
  @Test
  public void theWatchdogSwitchesOff() {
    ScpiDevice m = bench.leakageMeter();
    m.execute("OUTP:WATC 10;:SOUR:VOLT 300;:OUTP ON");
    for (int k = 0; k < 6; k++) {
      pass(5);
      assertThat(ask(m, "OUTP?")).as("spoken to in time").isEqualTo(1);
    }
    pass(11);
    assertThat(ask(m, "MEAS:VOLT?"))
        .as("off for a second")
        .isCloseTo(300 * Math.exp(-1), Percentage.withPercentage(25));
    assertThat(ask(m, "OUTP?")).isZero();
  }

  /**
   * The ammeter settles with a third of a second: just after it is switched on it shows less than
   * flows.
   */
  @Test
  public void theAmmeterSettles() {
    ScpiDevice m = bench.leakageMeter();
    ask(m, "MEAS:CURR?");
    m.execute("SOUR:VOLT 300;:OUTP ON");
    pass(0.1);
    double early = ask(m, "MEAS:CURR?");
    pass(0.2);
    assertThat(ask(m, "MEAS:CURR?")).isGreaterThan(1.3 * early);
  }

  @Test
  public void aLooseClipShowsInTheReadings() {
    ScpiDevice m = bench.leakageMeter();
    m.execute("SOUR:VOLT 300;:OUTP ON;:SIM:CONT LOOSE");
    pass(60);
    long lost =
        java.util.stream.IntStream.range(0, 60).filter(k -> ask(m, "MEAS:VOLT?") < 1).count();
    assertThat(lost).isBetween(5L, 40L);
  }

  @Test
  public void theClockRunsFaster() {
    bench.lcrMeter().execute("SIM:SPE 1000");
    pass(3.6);
    assertThat(ask(bench.leakageMeter(), "SIM:TIME?")).isCloseTo(3600, within(1.0));
    bench.lcrMeter().execute("SIM:SPE 20000");
    assertThat(bench.lcrMeter().execute("SYST:ERR?").orElseThrow()).startsWith("-222");
    assertThatThrownBy(() -> bench.clock().runAt(0.5)).hasMessageContaining("0.5");
  }

  /**
   * Cold, nothing conducts; at a seventh of the mains the filament does not either (common
   * practice); warm, the rails stand in order.
   */
  @Test
  public void theSetWarmsUpAndItsRailsCome() {
    bench.mainsBench().execute("SOUR:VOLT 33;:OUTP ON");
    pass(120);
    assertThat(ask(bench.multimeter(), "MEAS:VOLT? (@1)")).isLessThan(1);
    bench.mainsBench().execute("SOUR:VOLT 230");
    pass(0.5);
    assertThat(ask(bench.multimeter(), "MEAS:VOLT? (@1)")).as("still cold").isLessThan(1);
    pass(120);
    double first = ask(bench.multimeter(), "MEAS:VOLT? (@1)");
    double second = ask(bench.multimeter(), "MEAS:VOLT? (@2)");
    double screen = ask(bench.multimeter(), "MEAS:VOLT? (@3)");
    assertThat(first).isBetween(250.0, 400.0);
    assertThat(second).isLessThan(first);
    assertThat(screen).isLessThan(second);
    assertThat(ask(bench.multimeter(), "MEAS:VOLT:AC? (@1)"))
        .isGreaterThan(5 * ask(bench.multimeter(), "MEAS:VOLT:AC? (@2)"));
    double watts = ask(bench.mainsBench(), "MEAS:POW?");
    assertThat(watts).isGreaterThan(22 + second * second / 5200);
    assertThat(ask(bench.mainsBench(), "MEAS:CURR?") * ask(bench.mainsBench(), "MEAS:VOLT?"))
        .isCloseTo(watts, Percentage.withPercentage(3));
  }

  @Test
  public void aSmallRangeOverflowsAndALampTakesItsShare() {
    bench.mainsBench().execute("SOUR:VOLT 230;:OUTP ON");
    pass(120);
    double plain = ask(bench.multimeter(), "MEAS:VOLT? (@2)");
    assertThat(ask(bench.multimeter(), "MEAS:VOLT? 20,(@2)")).isGreaterThan(9e37);
    bench.mainsBench().execute("SOUR:LAMP 40");
    pass(1);
    assertThat(ask(bench.multimeter(), "MEAS:VOLT? (@2)")).isLessThan(0.95 * plain);
    double before = ask(bench.multimeter(), "MEAS:VOLT? (@2)");
    bench.mainsBench().execute("*RST");
    pass(1);
    assertThat(ask(bench.mainsBench(), "MEAS:POW?")).isLessThan(0.5);
    assertThat(ask(bench.multimeter(), "MEAS:VOLT? (@2)"))
        .as("off is not empty")
        .isBetween(0.8 * before, before);
    pass(120);
    assertThat(ask(bench.multimeter(), "MEAS:VOLT? (@2)")).isLessThan(1);
  }

  /**
   * Another set on the bench, with a channel for each of its points: behind the lamp and on the
   * heater line it shows what reaches the set; what warms up at half the mains is what the ramp of
   * the engine expects there.
   */
  @Test
  public void aSetOfOnesOwnShowsWhatItsRampExpects() {
    Supply supply =
        new Supply(
            Supply.Mains.of(115, 60),
            new Primary(5, 25, Optional.empty()),
            List.of(
                new Section.Winding("w", 120, 40, false),
                Section.Rectify.of(
                    "D1",
                    "w",
                    Section.Scheme.HALF_WAVE,
                    RectifierModel.of(RectifierTechnology.SILICON),
                    "HT"),
                Section.Filter.at("f", "HT", new Section.Cap("C1", 47e-6, 1, 1e7)),
                new Section.Load("set", "HT", Section.Load.Kind.RESISTANCE, 3000)));
    List<PowerUpPlan.Clip> clips =
        List.of(
            new PowerUpPlan.Clip("HT", PowerUpPlan.Shows.DIRECT),
            PowerUpPlan.Clip.BEHIND_LAMP,
            PowerUpPlan.Clip.HEATERS);
    StandInBench own =
        new StandInBench(
            () -> Instant.ofEpochMilli(millis[0]),
            3,
            new SimulatedSet(
                supply,
                TurnedUp.Loads.VALVES,
                clips.stream().map(PowerUpPlan.Clip::point).toList(),
                12.6));
    own.mainsBench().execute("SOUR:VOLT 57.5;:SOUR:LAMP 60;:OUTP ON");
    for (int k = 0; k < 100; k++) {
      pass(1);
      ask(own.mainsBench(), "MEAS:POW?");
    }
    PowerUp ramp =
        PowerUp.of(
            supply,
            new PowerUp.Setup(
                Optional.of(Lamp.cold(60, 115)),
                TurnedUp.Loads.VALVES,
                clips,
                List.of(0.5),
                OptionalDouble.of(12.6),
                Map.of()),
            Map.of(),
            1,
            Watcher.NOBODY);
    for (int k = 0; k < clips.size(); k++) {
      double shown =
          ask(own.multimeter(), (k == 0 ? "MEAS:VOLT? (@" : "MEAS:VOLT:AC? (@") + (k + 1) + ")");
      double expected = ramp.rungs().getFirst().step().bands().get(k).expected();
      assertThat(shown).as(clips.get(k).point()).isCloseTo(expected, Percentage.withPercentage(2));
    }
    assertThat(own.multimeter().execute("MEAS:VOLT? (@4)")).isEmpty();
  }
}
