package org.yellowhearth.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.offset;

import java.util.List;
import java.util.OptionalDouble;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Sort;

/** Readings that are more, or less, than a plain figure. */
public class QualifiedReadingTest {
  private static ReadingParser read(Sort sort, String line) {
    ReadingParser parser = new ReadingParser(sort);
    parser.read(Token.of(line));
    return parser;
  }

  @DataProvider
  public Object[][] figures() {
    return new Object[][] { //
      {Sort.RESISTOR, "4k7", Figure.RESISTANCE, 4700},
      {Sort.CAPACITOR, "4k7", Figure.ESR, 4700}, //
      {Sort.CAPACITOR, "R=68r in", Figure.RESISTANCE, 68},
      {Sort.CAPACITOR, "Z120r", Figure.IMPEDANCE, 120}, //
      {Sort.CAPACITOR, "ph-82", Figure.PHASE, -82},
      {Sort.CAPACITOR, "as 1.8r", Figure.CALLED_RESISTOR, 1.8}, //
      {Sort.ZENER, "5.6V @5mA", Figure.VOLTS, 5.6},
      {Sort.RECTIFIER, "0.62V @1mA", Figure.VOLTS, 0.62}, //
      {Sort.TRANSISTOR, "hfe80", Figure.GAIN, 80},
      {Sort.TRANSISTOR, "hFE 80", Figure.GAIN, 80}, //
      {Sort.TRANSISTOR, "12uA @10V", Figure.LEAKAGE, 12e-6},
      {Sort.VALVE, "em65%", Figure.EMISSION, 0.65}, //
      {Sort.VALVE, "em 65", Figure.EMISSION, 0.65},
      {Sort.WINDING, "12H", Figure.INDUCTANCE, 12}, //
      {Sort.WINDING, "L300mH", Figure.INDUCTANCE, 0.3},
      {Sort.MOVEMENT, "48uA", Figure.FULL_SCALE, 48e-6}, //
      {Sort.MOVEMENT, "lin 1.5%", Figure.LINEARITY, 0.015},
      {Sort.POTENTIOMETER, "wiper4%", Figure.WIPER, 0.04}, //
      {Sort.FUSE, "0r", Figure.RESISTANCE, 0},
      {Sort.BATTERY, "0V", Figure.VOLTS, 0},
      {Sort.WINDING, "IR200M @500V", Figure.INSULATION, 200e6}
    };
  }

  @Test(dataProvider = "figures")
  public void theSortAndTheLetterSayWhatAFigureIs(
      Sort sort, String line, Figure figure, double value) {
    assertThat(read(sort, line).figures().get(figure).orElseThrow())
        .isCloseTo(value, offset(Math.abs(value) * 1e-12));
  }

  @Test
  public void aFigureThatLeftTheRangeIsKeptAsOne() {
    assertThat(read(Sort.CAPACITOR, "C OL").figures().bounds().get(Figure.CAPACITANCE))
        .isEqualTo(new Bound(Bound.End.ABOVE, OptionalDouble.empty()));
    assertThat(read(Sort.CAPACITOR, "IR>2G @500V").figures().bounds().get(Figure.INSULATION))
        .isEqualTo(new Bound(Bound.End.ABOVE, OptionalDouble.of(2e9)));
    assertThat(read(Sort.RESISTOR, "OL").figures().bounds()).containsOnlyKeys(Figure.RESISTANCE);
    assertThat(read(Sort.CAPACITOR, "<1p").figures().bounds().get(Figure.CAPACITANCE).side())
        .isEqualTo(Bound.End.BELOW);
    assertThat(read(Sort.CAPACITOR, "<1p").figures().values()).isEmpty();
  }

  @Test
  public void whatIsShownBesideFiguresIsKept() {
    assertThat(read(Sort.CAPACITOR, "oval").figures().qualifiers()).containsExactly(Qualifier.OVAL);
    ReadingParser eye = read(Sort.CAPACITOR, "eye-closed @450V");
    assertThat(eye.figures().qualifiers()).containsExactly(Qualifier.INDICATOR_CLOSED);
    assertThat(eye.conditions().testVolts()).hasValue(450);
    assertThat(read(Sort.CAPACITOR, "9u intermittent bouncing").figures().qualifiers())
        .containsExactlyInAnyOrder(Qualifier.INTERMITTENT, Qualifier.BOUNCING);
  }

  @Test
  public void theConditionsOfAReadingAreAllKept() {
    Conditions c =
        read(Sort.CAPACITOR, "9.1u 2.3r @1k @21C less 0.3r ±2% by bridge shaky on 45s leg par")
            .conditions();
    assertThat(c.frequencyHertz()).hasValue(1000);
    assertThat(c.celsius()).hasValue(21);
    assertThat(c.leadOhms()).hasValue(0.3);
    assertThat(c.uncertainty()).hasValue(0.02);
    assertThat(c.instrument()).isEqualTo("bridge");
    assertThat(c.contact()).isEqualTo(Contact.SHAKY);
    assertThat(c.secondsOn()).hasValue(45);
    assertThat(c.connection()).isEqualTo(Connection.ONE_LEG_LIFTED);
    assertThat(c.mode()).isEqualTo(Mode.PARALLEL);
  }

  @Test
  public void leadsAreTakenOffWhatTheyAddedTo() {
    assertThat(read(Sort.CAPACITOR, "9.1u 2.3r less 0.3r").figures().get(Figure.ESR))
        .hasValueCloseTo(2.0, offset(1e-12));
    assertThat(read(Sort.CAPACITOR, "9.1u 2.3r less 0.3r").figures().get(Figure.CAPACITANCE))
        .hasValue(9.1e-6);
  }

  @Test
  public void repeatsGiveTheirMedianAndTheirUnitIsSaidOnce() {
    Figures f = read(Sort.CAPACITOR, "9.1/9.0/12.4u D0.30/0.31/0.29").figures();
    assertThat(f.get(Figure.CAPACITANCE)).hasValue(9.1e-6);
    assertThat(f.get(Figure.DISSIPATION)).hasValue(0.30);
    assertThat(f.repeats().get(Figure.CAPACITANCE)).containsExactly(9.1e-6, 9.0e-6, 12.4e-6);
  }

  @DataProvider
  public Object[][] refused() {
    return new Object[][] {
      {"0.2r less 0.3r", ReadingWords.LEADS_TOO_MUCH},
      {"9u less 5V", ReadingWords.LEADS_EXPECTED},
      {"9u on 5V", ReadingWords.SECONDS_EXPECTED},
      {"9u by", ReadingWords.INSTRUMENT_EXPECTED},
      {"9u ±2", ReadingWords.UNCERTAINTY_EXPECTED},
      {"L5u", ReadingWords.INDUCTANCE_EXPECTED},
      {"ph-99", ReadingWords.RATIO_RANGE},
      {"9u @2000A", ReadingWords.AMPERES_RANGE},
      {"C OL C=5u", ReadingWords.FIGURE_TWICE},
      {"wiper-3", ReadingWords.RATIO_RANGE}
    };
  }

  @Test(dataProvider = "refused")
  public void nonsenseGetsItsSentence(String line, MessageKey why) {
    assertThat(
            catchThrowableOfType(UnreadableException.class, () -> read(Sort.CAPACITOR, line))
                .problem()
                .key())
        .isEqualTo(why);
  }

  /**
   * Median absolute deviation worked by hand: 9.0 9.1 9.2 have 0.1; 12.4 lies 3.25 off, 3.5 · 0.1 /
   * 0.6745 = 0.52 is the edge.
   */
  @Test
  public void anOutlierIsSingledOut() {
    Repeats r = Repeats.of(List.of(9.0, 9.1, 9.2, 12.4));
    assertThat(r.median()).isCloseTo(9.15, offset(1e-12));
    assertThat(r.outliers()).containsExactly(12.4);
    assertThat(Repeats.of(List.of(9.0, 12.4)).outliers())
        .as("two readings cannot tell which is wrong")
        .isEmpty();
    assertThat(Repeats.of(List.of(5.0, 5.0, 5.05)).outliers())
        .as("no meter repeats better")
        .isEmpty();
    assertThat(Repeats.of(List.of(1.0, 3.0)).spread()).isCloseTo(0.5, offset(1e-12));
  }
}
