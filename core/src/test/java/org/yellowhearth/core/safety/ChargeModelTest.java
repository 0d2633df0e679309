package org.yellowhearth.core.safety;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.safety.ChargeModel.Course;
import org.yellowhearth.core.safety.ChargeModel.Volts;

/**
 * The charge on a rail against closed forms, against the circuit simulator of the Debian registry,
 * and against itself.
 */
public class ChargeModelTest {
  private static final String DRAINED =
      """
      * a rail of 40 uF with absorption 0.1 and a bleeder of 100 k, from 300 V, soaked
      C1 n 0 40u IC=300
      R1 n 0 100k
      Rs n s 75meg
      Cs s 0 4u IC=300
      .tran 0.01 60 0 0.01 UIC
      .options reltol=1e-7 abstol=1e-15 vntol=1e-9 method=gear maxord=2
      .control
      run
      meas tran v2 find v(n) at=2
      meas tran v6 find v(n) at=6.5
      meas tran v20 find v(n) at=20
      meas tran v60 find v(n) at=60
      .endc
      .end
      """;
  private static final String SHORTED =
      """
      * the same with no bleeder, shorted for a moment at the start
      C1 n 0 40u IC=0
      Rs n s 75meg
      Cs s 0 4u IC=300
      .tran 1 3000 0 1 UIC
      .options reltol=1e-8 abstol=1e-15 vntol=1e-9 gmin=1e-15
      .control
      run
      meas tran v60 find v(n) at=60
      meas tran v300 find v(n) at=300
      meas tran v900 find v(n) at=900
      .endc
      .end
      """;
  private static final ChargeModel BLED = new ChargeModel(40e-6, 0.1, 100e3);
  private static final ChargeModel OPEN = new ChargeModel(40e-6, 0.1, Double.POSITIVE_INFINITY);

  /** Golden values: ngspice 39 on the netlists above. */
  @DataProvider
  public Object[][] simulated() {
    return new Object[][] {
      {BLED, Volts.soaked(300), 2, 181.9950},
      {BLED, Volts.soaked(300), 6.5, 59.26464},
      {BLED, Volts.soaked(300), 20, 2.388885},
      {BLED, Volts.soaked(300), 60, 0.3361114},
      {OPEN, new Volts(0, 300), 60, 5.385837},
      {OPEN, new Volts(0, 300), 300, 18.19443},
      {OPEN, new Volts(0, 300), 900, 26.26683}
    };
  }

  @Test(dataProvider = "simulated")
  public void theCourseIsThatOfTheCircuitSimulator(
      ChargeModel model, Volts start, double seconds, double volts) {
    assertThat(model.from(start).at(seconds).node()).isCloseTo(volts, within(2e-4 * volts));
  }

  @DataProvider
  public Object[][] netlists() {
    return new Object[][] {{DRAINED, BLED, Volts.soaked(300)}, {SHORTED, OPEN, new Volts(0, 300)}};
  }

  @Test(dataProvider = "netlists")
  public void theSimulatorSaysTheSameToday(String netlist, ChargeModel model, Volts start)
      throws IOException, InterruptedException {
    Path file = Files.createTempFile("charge", ".cir");
    Files.writeString(file, netlist);
    Process run;
    try {
      run = new ProcessBuilder("ngspice", "-b", file.toString()).redirectErrorStream(true).start();
    } catch (IOException e) {
      throw new SkipException("ngspice is not on this machine; the golden values stand for it", e);
    }
    String out = new String(run.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    run.waitFor();
    Matcher m = Pattern.compile("v(\\d+)\\s+=\\s+(\\S+)").matcher(out);
    int found = 0;
    while (m.find()) {
      double at = m.group(1).equals("6") ? 6.5 : Double.parseDouble(m.group(1));
      double volts = Double.parseDouble(m.group(2));
      assertThat(model.from(start).at(at).node())
          .as(m.group())
          .isCloseTo(volts, within(2e-4 * volts));
      found++;
    }
    assertThat(found).as(out).isGreaterThanOrEqualTo(3);
  }

  /** Without absorption it is V0·exp(−t/RC) (textbook). */
  @Test
  public void withoutAbsorptionItIsAPlainExponential() {
    ChargeModel plain = new ChargeModel(10e-6, 0, 1e6);
    assertThat(plain.from(Volts.soaked(100)).at(10).node()).isCloseTo(100 / Math.E, within(1e-9));
    assertThat(plain.from(Volts.soaked(100)).under(1).getAsDouble())
        .isCloseTo(10 * Math.log(100), within(1e-6));
    assertThat(
            new ChargeModel(10e-6, 0, Double.POSITIVE_INFINITY).from(Volts.soaked(100)).under(60))
        .isEmpty();
  }

  /**
   * Charge is shared between the two capacitances, so k/(1 + k) of the voltage comes back; from
   * memory, IEC 60384-1's method.
   */
  @Test
  public void aQuickDischargeComesBackByTheAbsorption() {
    Course course = OPEN.from(Volts.soaked(300).measured(0));
    assertThat(course.highestFrom(0)).isCloseTo(300 * 0.1 / 1.1, within(1e-6));
    assertThat(course.at(900).node() / course.highestFrom(0))
        .as("after a quarter of an hour")
        .isGreaterThan(0.9);
    assertThat(course.under(20)).isEmpty();
    assertThat(course.under(28)).hasValue(0);
  }

  /**
   * With a bleeder left across it, an electrolytic that was shorted stays low: the branch drains
   * through it.
   */
  @Test
  public void aBleederHoldsTheReboundDown() {
    Course course = new ChargeModel(40e-6, 0.15, 10e3).from(new Volts(0, 300));
    assertThat(course.highestFrom(0)).isBetween(0.01, 1.0);
  }

  @Test
  public void theTimeToALimitIsTheLastTimeItIsCrossed() {
    Random random = new Random(11);
    for (int i = 0; i < 2000; i++) {
      ChargeModel model =
          new ChargeModel(
              Math.pow(10, -9 + 6 * random.nextDouble()),
              random.nextDouble() * 0.2,
              random.nextInt(5) == 0
                  ? Double.POSITIVE_INFINITY
                  : Math.pow(10, 1 + 6 * random.nextDouble()));
      Course course =
          model.from(new Volts(random.nextDouble() * 500 - 100, random.nextDouble() * 500));
      double limit = 1 + random.nextDouble() * 80;
      if (course.under(limit).isEmpty()) {
        assertThat(course.highestFrom(1e12))
            .as(model + " " + limit)
            .isGreaterThanOrEqualTo(limit * (1 - 1e-9));
        continue;
      }
      double t = course.under(limit).getAsDouble();
      assertThat(course.highestFrom(t * (1 + 1e-6) + 1e-12))
          .as(model + " under " + limit + " from " + t)
          .isLessThanOrEqualTo(limit * (1 + 1e-4));
      if (t > 0) {
        assertThat(course.highestFrom(t * (1 - 1e-6))).isGreaterThanOrEqualTo(limit * (1 - 1e-4));
      }
      assertThat(Double.isFinite(course.at(t).node()) && Double.isFinite(course.at(1e15).node()))
          .isTrue();
    }
  }

  @Test
  public void impossibleStoresAreRefused() {
    assertThatThrownBy(() -> new ChargeModel(0, 0, 1)).isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new ChargeModel(1e-6, 1, 1))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> new ChargeModel(1e-6, 0, Double.NaN))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
