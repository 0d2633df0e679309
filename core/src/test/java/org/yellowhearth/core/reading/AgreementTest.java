package org.yellowhearth.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.OptionalDouble;
import org.assertj.core.data.Percentage;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.reading.Agreement.Suspicion;

public class AgreementTest {
  private static Agreement of(String line) {
    ReadingParser parser = new ReadingParser(Sort.CAPACITOR);
    parser.read(Token.of(line));
    return Agreement.of(parser.figures(), parser.conditions());
  }

  /** Common practice: readings that belong together within what a handheld meter can say. */
  @DataProvider
  public Object[][] agreeing() {
    return new Object[][] {
      {"9.1u 400r D2.4 @100", 100},
      {"14u 150r D1.4 @100", 100},
      {"10u 8r D0.05 @100", 100},
      {"32u 25r D0.5 @100", 100},
      {"9.1u 400r D2.4", 100},
      {"100u 1.6r D0.1", 100},
      {"100u 0.16r D0.1", 1000},
      {"1.35u 420r D2.4 par @100", 100},
      {"470n 34r Q10 @1k", 1000}
    };
  }

  @Test(dataProvider = "agreeing")
  public void figuresThatBelongTogetherAgree(String line, double hertz) {
    assertThat(of(line))
        .isInstanceOfSatisfying(
            Agreement.Agrees.class,
            a -> {
              assertThat(a.hertz()).isEqualTo(hertz);
              assertThat(a.frequencyStated()).isEqualTo(line.contains("@"));
            });
  }

  @DataProvider
  public Object[][] contradicting() {
    return new Object[][] { //
      {"9.1u 4k D2.4 @100", Suspicion.BAD_CONTACT, 3580}, //
      {"9.1u 42r D2.4 @100", Suspicion.OTHER_FREQUENCY, 1000}, //
      {"9.1u 62r D2.4 @100", Suspicion.PARALLEL_MODE, 61.5e-6}, //
      {"100u 1.6r D10 @100", Suspicion.QUALITY_FOR_DISSIPATION, 0.1}, //
      {"9.1u 150r D2.4 @100", Suspicion.UNCLEAR, 270}, //
      {"10u 15k9 D0.1 @100", Suspicion.SLIP_OF_THOUSAND, 15.9}, //
      {"1000u 0.9r D0.1 @100", Suspicion.LEADS, 0.74}, //
      {"9.1u 210r D2.4 @100 in", Suspicion.PARALLEL_PATH, 210}, //
      {"9.1u 210r D2.4", Suspicion.NO_USUAL_FREQUENCY, 200}
    };
  }

  @Test(dataProvider = "contradicting")
  public void aContradictionIsNamedWithWhatMostLikelyMadeIt(
      String line, Suspicion suspicion, double value) {
    assertThat(of(line))
        .isInstanceOfSatisfying(
            Agreement.Contradicts.class,
            x -> {
              assertThat(x.suspicion()).isEqualTo(suspicion);
              assertThat(Math.abs(x.value())).isCloseTo(value, Percentage.withPercentage(2));
            });
  }

  @Test
  public void fewerThanThreeFiguresAreNotCompared() {
    assertThat(of("9.1u 400r @100")).isInstanceOf(Agreement.NotComparable.class);
    assertThat(of("D2.4 @100")).isInstanceOf(Agreement.NotComparable.class);
  }

  @Test
  public void whatWasNotReadIsComputed() {
    Derived fromDissipation = derived("9.1u D2.4 @100");
    assertThat(fromDissipation.esrOhms().orElseThrow())
        .isCloseTo(420, Percentage.withPercentage(0.1));
    Derived fromResistance = derived("9.1u 420r @100");
    assertThat(fromResistance.dissipation().orElseThrow())
        .isCloseTo(2.4, Percentage.withPercentage(0.1));
    Derived capacitance = derived("420r D2.4 @100");
    assertThat(capacitance.seriesFarads().orElseThrow())
        .isCloseTo(9.1e-6, Percentage.withPercentage(0.1));
    assertThat(derived("9.1u 420r D2.4").hertz()).isEqualTo(OptionalDouble.of(100));
    assertThat(derived("9.1u").hertz()).isEmpty();
    assertThat(derived("1u Q4 @1k").dissipation()).isEqualTo(OptionalDouble.of(0.25));
  }

  private static Derived derived(String line) {
    ReadingParser parser = new ReadingParser(Sort.CAPACITOR);
    parser.read(Token.of(line));
    return Derived.of(parser.figures(), parser.conditions());
  }

  /**
   * Figures 12 % apart: within what a handheld meter may be off, but not an instrument that states
   * half a per cent.
   */
  @Test
  public void theInstrumentsOwnUncertaintyDecidesWhetherFiguresAgree() {
    double esr = 1.12 * SeriesEquivalent.esr(0.3, 100, 10e-6);
    String figures = "10u D0.3 " + Math.round(esr * 10) / 10.0 + "r @100";
    assertThat(of(figures)).isInstanceOf(Agreement.Agrees.class);
    assertThat(of(figures + " ±0.5%")).isInstanceOf(Agreement.Contradicts.class);
  }
}
