package org.yellowhearth.core.reading;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.marking.AmbiguousException;
import org.yellowhearth.core.marking.MarkingWords;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.MessageKey;
import org.yellowhearth.core.part.Sort;

public class ReadingParserTest {
  private static ReadingParser read(String line) {
    ReadingParser parser = new ReadingParser(Sort.CAPACITOR);
    parser.read(Token.of(line));
    return parser;
  }

  @Test
  public void anyOrderOfAnySubsetMeansTheSame() {
    List<String> words = List.of("9.1u", "400r", "D2.4", "@100", "ser", "leg");
    Random random = new Random(3);
    for (int i = 0; i < 200; i++) {
      List<String> some = new ArrayList<>(words.subList(0, 1 + random.nextInt(words.size())));
      String inOrder = String.join(" ", some);
      Collections.shuffle(some, random);
      assertThat(read(String.join("  ", some)).figures())
          .as("%s", some)
          .isEqualTo(read(inOrder).figures());
      assertThat(read(String.join(" ", some)).conditions()).isEqualTo(read(inOrder).conditions());
    }
  }

  @DataProvider
  public Object[][] figures() {
    return new Object[][] { //
      {"9.1u", Figure.CAPACITANCE, 9.1e-6},
      {"C=9.1u", Figure.CAPACITANCE, 9.1e-6},
      {"9,1 µF", Figure.CAPACITANCE, 9.1e-6}, //
      {"400r", Figure.ESR, 400},
      {"0.4Ω", Figure.ESR, 0.4},
      {"1k5", Figure.ESR, 1500},
      {"ESR 12", Figure.ESR, 12}, //
      {"esr=12r", Figure.ESR, 12},
      {"ESR0.6", Figure.ESR, 0.6},
      {"D2.4", Figure.DISSIPATION, 2.4}, //
      {"d 2,4", Figure.DISSIPATION, 2.4},
      {"D=.05", Figure.DISSIPATION, 0.05},
      {"D12%", Figure.DISSIPATION, 0.12}, //
      {"tan 0.02", Figure.DISSIPATION, 0.02},
      {"Q4", Figure.QUALITY, 4},
      {"Q=40", Figure.QUALITY, 40}, //
      {"0.3mA", Figure.LEAKAGE, 0.3e-3},
      {"20uA", Figure.LEAKAGE, 20e-6},
      {"I=1mA", Figure.LEAKAGE, 1e-3}, //
      {"IR200M", Figure.INSULATION, 200e6},
      {"ir 3G", Figure.INSULATION, 3e9},
      {"IR=47k", Figure.INSULATION, 47e3}
    };
  }

  @Test(dataProvider = "figures")
  public void aFigureIsToldByUnitOrLetter(String line, Figure figure, double value) {
    assertThat(read(line).figures()).isEqualTo(Figures.of(figure, value));
  }

  @Test
  public void conditionsAreToldByTheirUnit() {
    Conditions c = read("0.3mA@450V @5min @20C par in").conditions();
    assertThat(c.testVolts()).isEqualTo(OptionalDouble.of(450));
    assertThat(c.minutesAtVoltage()).isEqualTo(OptionalDouble.of(5));
    assertThat(c.celsius()).isEqualTo(OptionalDouble.of(20));
    assertThat(c.mode()).isEqualTo(Mode.PARALLEL);
    assertThat(c.connection()).isEqualTo(Connection.IN_CIRCUIT);
    assertThat(c.frequencyHertz()).isEmpty();
    for (String at : List.of("@1k", "@1kHz", "@1000", "@ 1000", "@1000Hz", "@ 1 kHz")) {
      assertThat(read("9u " + at).conditions().frequencyHertz())
          .as(at)
          .isEqualTo(OptionalDouble.of(1000));
    }
  }

  @DataProvider
  public Object[][] refused() {
    return new Object[][] { //
      {"450 V", ReadingWords.VOLTAGE_NOT_A_READING, 0},
      {"9u 450V", ReadingWords.VOLTAGE_NOT_A_READING, 3}, //
      {"5..5u", MarkingWords.NOT_A_NUMBER, 0},
      {"9.1u 400", MarkingWords.NUMBER_WITHOUT_UNIT, 5}, //
      {"-9.1u", MarkingWords.NOT_ABOVE_ZERO, 0},
      {"9.1u banana", ReadingWords.WORD_NOT_A_READING, 5}, //
      {"9.1u 8u", ReadingWords.FIGURE_TWICE, 5},
      {"D2 Q4", ReadingWords.FIGURE_TWICE, 4}, //
      {"@100", ReadingWords.NO_FIGURE, 0},
      {"in", ReadingWords.NO_FIGURE, 0},
      {"9u @", ReadingWords.CONDITION_EXPECTED, 3}, //
      {"9u @3u", ReadingWords.CONDITION_EXPECTED, 4},
      {"9u @0.1", ReadingWords.FREQUENCY_RANGE, 4}, //
      {"9u >100Hz", ReadingWords.CONDITION_WITHOUT_FIGURE, 4},
      {"9u 5%", ReadingWords.NOT_A_READING, 3}, //
      {"D2r", ReadingWords.RATIO_EXPECTED, 1},
      {"D-1", ReadingWords.RATIO_RANGE, 1},
      {"D=0", ReadingWords.RATIO_RANGE, 2}, //
      {"IR5u", ReadingWords.RESISTANCE_EXPECTED, 2},
      {"C=5r", ReadingWords.CAPACITANCE_EXPECTED, 2}, //
      {"I=5r", ReadingWords.CURRENT_EXPECTED, 2},
      {"D", ReadingWords.FIGURE_EXPECTED, 0},
      {"9u @999C", ReadingWords.CELSIUS_RANGE, 4}, //
      {"1mA @99kV", ReadingWords.VOLTS_RANGE, 5},
      {"D99999", ReadingWords.RATIO_RANGE, 1}
    };
  }

  @Test(dataProvider = "refused")
  public void whatIsNoReadingIsRefusedWhereItStands(String line, MessageKey why, int index) {
    UnreadableException e = catchThrowableOfType(UnreadableException.class, () -> read(line));
    assertThat(e.problem().key()).isEqualTo(why);
    assertThat(e.index()).isEqualTo(index);
  }

  @Test
  public void whatWasUnderstoodBeforeTheTroubleCanBeEchoed() {
    ReadingParser parser = new ReadingParser(Sort.CAPACITOR);
    assertThatThrownBy(() -> parser.read(Token.of("9.1u @100 400")))
        .isInstanceOf(UnreadableException.class);
    assertThat(parser.figures()).isEqualTo(Figures.of(Figure.CAPACITANCE, 9.1e-6));
    assertThat(parser.conditions().frequencyHertz()).isEqualTo(OptionalDouble.of(100));
  }

  @Test
  public void millifaradOnAMeterIsAskedAbout() {
    assertThat(catchThrowableOfType(AmbiguousException.class, () -> read("1.2mF @100")).choices())
        .hasSize(2);
    assertThat(read("1.2 mfd").figures()).isEqualTo(Figures.of(Figure.CAPACITANCE, 1.2e-6));
  }
}
