package org.yellowhearth.core.marking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class FigureTextTest {
  private static FigureText read(String text) {
    return FigureText.read(Token.of(text), 0).orElseThrow();
  }

  /**
   * Period notation of capacitance, common practice: on a capacitor "mf" is microfarad. The jar is
   * 1/900 µF and the electrostatic centimetre 1.1126 pF (Admiralty handbooks of wireless
   * telegraphy, from memory). Letters for the point: IEC 60062, from memory.
   */
  @DataProvider
  public Object[][] capacitances() {
    return new Object[][] { //
      {"8 MFD", 8e-6},
      {"8MFD", 8e-6},
      {"8 mfd.", 8e-6},
      {"8 Mfd", 8e-6},
      {".05 mf", 0.05e-6},
      {"0.05 MF", 0.05e-6}, //
      {"0,1 µF", 0.1e-6},
      {"0,1µF", 0.1e-6},
      {"0.1 μF", 0.1e-6},
      {"0.1uF", 0.1e-6},
      {".1u", 0.1e-6}, //
      {"500 µµF", 500e-12},
      {"500 μμF", 500e-12},
      {"500uuF", 500e-12},
      {"250 mmf", 250e-12},
      {"250 MMFD", 250e-12}, //
      {"68n", 68e-9},
      {"68 nF", 68e-9},
      {"4n7", 4.7e-9},
      {"n47", 0.47e-9},
      {"p68", 0.68e-12},
      {"3p3", 3.3e-12}, //
      {"2µ2", 2.2e-6},
      {"2u2", 2.2e-6},
      {"5 kpF", 5e-9},
      {"82p", 82e-12},
      {"82 pF", 82e-12}, //
      {"1 jar", 1e-6 / 900},
      {"3 jars", 3e-6 / 900},
      {"1000 cm", 1112.6e-12},
      {"500cm", 556.3e-12}, //
      {"1,000.5 pF", 1000.5e-12},
      {"1.000,5 pF", 1000.5e-12},
      {"12,000,000 pF", 12e-6},
      {"2 F", 2.0}
    };
  }

  @Test(dataProvider = "capacitances")
  public void capacitanceIsReadAsPrinted(String text, double farads) {
    FigureText figure = read(text);
    assertThat(figure.meaning().dimension()).isEqualTo(Dimension.CAPACITANCE);
    assertThat(figure.positiveValue()).isCloseTo(farads, within(farads * 1e-4));
  }

  /** Resistance as on drawings and parts; R, k, M for the point: IEC 60062, from memory. */
  @DataProvider
  public Object[][] resistances() {
    return new Object[][] { //
      {"400r", 400},
      {"400 R", 400},
      {"470Ω", 470},
      {"470 ohms", 470},
      {"R47", 0.47},
      {"4R7", 4.7},
      {"4k7", 4700}, //
      {"4K7", 4700},
      {"47k", 47e3},
      {"47 kΩ", 47e3},
      {"2 meg", 2e6},
      {"2 Megohms", 2e6},
      {"1M", 1e6},
      {"2M2", 2.2e6}, //
      {"1 MΩ", 1e6},
      {"50mΩ", 0.05},
      {"3G", 3e9},
      {"0,33 Ω", 0.33}
    };
  }

  @Test(dataProvider = "resistances")
  public void resistanceIsReadAsWritten(String text, double ohms) {
    FigureText figure = read(text);
    assertThat(figure.meaning().dimension()).isEqualTo(Dimension.RESISTANCE);
    assertThat(figure.positiveValue()).isCloseTo(ohms, within(ohms * 1e-12));
  }

  @DataProvider
  public Object[][] others() {
    return new Object[][] { //
      {"450 V", Dimension.VOLTAGE, 450},
      {"450VDC", Dimension.VOLTAGE, 450},
      {"450WV", Dimension.VOLTAGE, 450}, //
      {"1.5kV", Dimension.VOLTAGE, 1500},
      {"250 VAC", Dimension.ALTERNATING_VOLTAGE, 250}, //
      {"250 V~", Dimension.ALTERNATING_VOLTAGE, 250},
      {"0.3mA", Dimension.CURRENT, 0.3e-3},
      {"20 µA", Dimension.CURRENT, 20e-6}, //
      {"1 kHz", Dimension.FREQUENCY, 1000},
      {"50 c/s", Dimension.FREQUENCY, 50},
      {"5 min", Dimension.MINUTES, 5}, //
      {"30 s", Dimension.MINUTES, 0.5},
      {"20 °C", Dimension.CELSIUS, 20},
      {"12 %", Dimension.PERCENT, 0.12}
    };
  }

  @Test(dataProvider = "others")
  public void otherUnitsAreKnown(String text, Dimension dimension, double value) {
    FigureText figure = read(text);
    assertThat(figure.meaning().dimension()).isEqualTo(dimension);
    assertThat(figure.value()).isCloseTo(value, within(value * 1e-12));
  }

  @DataProvider
  public Object[][] refused() {
    return new Object[][] { //
      {"5..5u", MarkingWords.NOT_A_NUMBER},
      {"1.2.3u", MarkingWords.NOT_A_NUMBER},
      {"1,2,3u", MarkingWords.NOT_A_NUMBER}, //
      {"5.,5u", MarkingWords.NOT_A_NUMBER},
      {"10,0000u", null},
      {"9.1", MarkingWords.NUMBER_WITHOUT_UNIT}, //
      {"9.1q", MarkingWords.UNKNOWN_UNIT},
      {"-8u", MarkingWords.NOT_ABOVE_ZERO},
      {"−8 MFD", MarkingWords.NOT_ABOVE_ZERO}, //
      {"0u", MarkingWords.NOT_ABOVE_ZERO},
      {"99999999999999999999M", MarkingWords.TOO_LARGE}, //
      {"9999999999999999999999999999u", MarkingWords.NOT_A_NUMBER}
    };
  }

  @Test(dataProvider = "refused")
  public void nonsenseIsRefusedWithTheReason(String text, MarkingWords why) {
    if (why == null) {
      assertThat(read(text).positiveValue()).isCloseTo(10e-6, within(1e-12));
      return;
    }
    UnreadableException e =
        catchThrowableOfType(UnreadableException.class, () -> read(text).positiveValue());
    assertThat(e.problem().key()).isEqualTo(why);
    assertThat(e).hasMessageContaining("at 0");
  }

  @DataProvider
  public Object[][] ambiguous() {
    return new Object[][] {
      {"1,000u", "1.000", "1000"}, {"10,500u", "10.500", "10500"}, {"999,999u", "999.999", "999999"}
    };
  }

  @Test(dataProvider = "ambiguous")
  public void oneCommaBeforeThreeDigitsIsAskedAbout(String text, String decimal, String thousands) {
    AmbiguousException e = catchThrowableOfType(AmbiguousException.class, () -> read(text));
    assertThat(e.choices())
        .extracting(AmbiguousException.Choice::written)
        .containsExactly(decimal, thousands);
  }

  @Test
  public void aCommaThatCanOnlyBeADecimalIsNotAskedAbout() {
    assertThat(read("0,100u").positiveValue()).isEqualTo(0.1e-6);
    assertThat(read("0,1u").positiveValue()).isEqualTo(0.1e-6);
    assertThat(read("12,5u").positiveValue()).isEqualTo(12.5e-6);
  }

  @Test
  public void millifaradOrMicrofaradIsAskedAboutWithBothWays() {
    FigureText figure = read("1.2mF");
    assertThat(figure.isMilliOrMicro()).isTrue();
    assertThat(figure.milliOrMicro().choices())
        .extracting(AmbiguousException.Choice::written)
        .containsExactly("1200u", "1.2u");
  }

  @Test
  public void wordsAreNoFigures() {
    assertThat(FigureText.read(Token.of("paper"), 0)).isEmpty();
    assertThat(FigureText.looksLikeFigure("electrolytic")).isFalse();
    assertThat(FigureText.looksLikeFigure(".05")).isTrue();
  }

  @Test
  public void theUnitMayStandInTheNextWordOnly() {
    assertThat(FigureText.read(Token.of("8 MFD 450 V"), 0).orElseThrow().words()).isEqualTo(2);
    assertThatThrownBy(() -> FigureText.read(Token.of("8 paper"), 0).orElseThrow().meaning())
        .isInstanceOf(UnreadableException.class);
  }
}
