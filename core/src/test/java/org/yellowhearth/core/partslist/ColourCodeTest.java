package org.yellowhearth.core.partslist;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.offset;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.partslist.ColourCode.Scheme;
import org.yellowhearth.core.quantity.PreferredSeries;

/**
 * Bands of resistors as IEC 60062 gives them, dots of older parts as the industry codes did; all
 * from memory.
 */
public class ColourCodeTest {
  private static List<Colour> colours(String text) {
    return Stream.of(text.split(" ")).map(w -> Colour.named(w).orElseThrow()).toList();
  }

  private static ColourCode.Reading best(Scheme scheme, String text) {
    return ColourCode.decode(scheme, colours(text)).getFirst();
  }

  @DataProvider
  public Object[][] resistors() {
    return new Object[][] { //
      {"yellow violet red gold", 4700, 0.05},
      {"brown black black gold", 10, 0.05},
      {"red red orange silver", 22e3, 0.1}, //
      {"brown green yellow", 150e3, 0.2},
      {"orange white gold gold", 3.9, 0.05},
      {"brown black silver gold", 0.1, 0.05}, //
      {"green blue blue silver", 56e6, 0.1},
      {"brown black black red brown", 10e3, 0.01}, //
      {"yellow orange red orange red", 432e3, 0.02},
      {"blue grey black black green", 680, 0.005}, //
      {"brown green black brown brown red", 1500, 0.01}
    };
  }

  @Test(dataProvider = "resistors")
  public void bandsGiveTheValueAndTheTolerance(String bands, double ohms, double tolerance) {
    ColourCode.Reading r = best(Scheme.RESISTOR_BANDS, bands);
    assertThat(r.value()).isCloseTo(ohms, offset(ohms * 1e-9));
    assertThat(r.tolerance()).contains(Tolerance.plusMinus(tolerance));
  }

  @Test
  public void theSixthBandIsTheTemperatureCoefficient() {
    assertThat(best(Scheme.RESISTOR_BANDS, "brown green black brown brown red").ppm()).hasValue(50);
  }

  /** Round trip: every preferred value written in bands reads back as itself. */
  @Test
  public void everyPreferredValueReadsBack() {
    Random random = new Random(5);
    List<Double> values = PreferredSeries.E24.between(1, 9.1e6);
    assertThat(values).hasSizeGreaterThan(150);
    for (double ohms : values) {
      int power = (int) Math.floor(Math.log10(ohms) + 1e-9) - 1;
      long digits = Math.round(ohms / Math.pow(10, power));
      List<Colour> all = List.of(Colour.values());
      Colour multiplier = power == -1 ? Colour.GOLD : power == -2 ? Colour.SILVER : all.get(power);
      List<Colour> bands =
          List.of(
              all.get((int) (digits / 10)),
              all.get((int) (digits % 10)),
              multiplier,
              random.nextBoolean() ? Colour.GOLD : Colour.SILVER);
      assertThat(ColourCode.decode(Scheme.RESISTOR_BANDS, bands).getFirst().value())
          .isCloseTo(ohms, offset(ohms * 1e-6));
    }
  }

  @Test
  public void bandsThatCanBeReadFromBothEndsGiveBothMeaningsThePreferredFirst() {
    List<ColourCode.Reading> all =
        ColourCode.decode(Scheme.RESISTOR_BANDS, colours("brown red orange brown"));
    assertThat(all).extracting(ColourCode.Reading::value).startsWith(12e3).hasSize(2);
    assertThat(all.get(1).why().key()).isEqualTo(ColourCode.ColourWords.READ_BACKWARDS);
  }

  @Test
  public void aFifthBandAfterGoldMayBeAFailureRate() {
    assertThat(ColourCode.decode(Scheme.RESISTOR_BANDS, colours("brown black red gold red")))
        .anySatisfy(r -> {
          assertThat(r.value()).isEqualTo(1000);
          assertThat(r.why().key()).isEqualTo(ColourCode.ColourWords.TWO_DIGITS_AND_RELIABILITY);
        });
  }

  @DataProvider
  public Object[][] others() {
    return new Object[][] { //
      {Scheme.BODY_END_DOT, "red green orange", 25e3, null},
      {Scheme.BODY_END_DOT, "yellow violet red gold", 4700, null}, //
      {Scheme.MICA_DOTS, "red green brown", 250e-12, 500.0}, //
      {Scheme.MICA_DOTS, "brown red green yellow gold brown", 1250e-12, 400.0}, //
      {Scheme.MICA_DOTS, "black yellow violet red silver brown", 470e-12, null}, //
      {Scheme.PAPER_BANDS, "yellow violet orange black yellow", 0.047e-6, 400.0}, //
      {Scheme.PAPER_BANDS, "brown black yellow black brown blue", 0.1e-6, 1600.0}, //
      {Scheme.FILM_BANDS, "brown black yellow white red", 0.1e-6, 250.0}, //
      {Scheme.CERAMIC_DOTS, "violet red violet black green", 27e-12, null}, //
      {Scheme.CERAMIC_DOTS, "brown black white", 1e-12, null}, //
      {Scheme.TANTALUM_DOTS, "yellow violet white green", 4.7e-6, 16.0}, //
      {Scheme.TANTALUM_DOTS, "brown black black pink", 10e-6, 35.0}
    };
  }

  @Test(dataProvider = "others")
  public void dotsAndBodiesReadAsTheirCodesSay(
      Scheme scheme, String text, double value, Double volts) {
    ColourCode.Reading r = best(scheme, text);
    assertThat(r.value()).isCloseTo(value, offset(value * 1e-9));
    assertThat(r.volts().isPresent() ? r.volts().getAsDouble() : null).isEqualTo(volts);
  }

  @Test
  public void sixDotsWithWhiteFirstHaveTwoHonestMeanings() {
    assertThat(ColourCode.decode(Scheme.MICA_DOTS, colours("white red green green gold brown")))
        .extracting(r -> r.why().key())
        .containsExactly(
            ColourCode.ColourWords.MICA_WHITE_FIRST, ColourCode.ColourWords.MICA_OLD_SIX);
  }

  @DataProvider
  public Object[][] meaningless() {
    return new Object[][] {
      {Scheme.RESISTOR_BANDS, "gold red red"},
      {Scheme.RESISTOR_BANDS, "red red"},
      {Scheme.RESISTOR_BANDS, "black black black"},
      {Scheme.TANTALUM_DOTS, "yellow violet pink"},
      {Scheme.CERAMIC_DOTS, "red violet black green"},
      {Scheme.MICA_DOTS, "red green brown red"}
    };
  }

  @Test(dataProvider = "meaningless")
  public void whatHasNoMeaningGetsNone(Scheme scheme, String text) {
    assertThat(ColourCode.decode(scheme, colours(text))).isEmpty();
  }

  @Test
  public void coloursHaveTheirOtherNames() {
    assertThat(Colour.named("Purple")).contains(Colour.VIOLET);
    assertThat(Colour.named("gray")).contains(Colour.GREY);
    assertThat(Colour.named("beige")).isEqualTo(Optional.empty());
  }
}
