package org.yellowhearth.core.marking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Lengths in millimetres and in inches; an inch is 25.4 mm (agreement of 1959). */
public class LengthTextTest {
  @DataProvider
  public Object[][] written() {
    return new Object[][] {
      {"16", 16.0},
      {"16mm", 16.0},
      {"1.6 cm", 16.0},
      {"0,5 cm", 5.0},
      {"1in", 25.4},
      {"0.2\"", 5.08},
      {"5/8\"", 15.875},
      {"1-3/8 in", 34.925},
      {"1 1/2 inches", 38.1},
      {".1in", 2.54}
    };
  }

  @Test(dataProvider = "written")
  public void aLengthIsReadAsItIsWritten(String text, double millimetres) {
    assertThat(1000 * LengthText.metres(text).orElseThrow()).isCloseTo(millimetres, within(1e-9));
  }

  @DataProvider
  public Object[][] none() {
    return new Object[][] {{"wide"}, {"5/0\""}, {"16 apples"}, {""}, {"1 2"}, {"-3mm"}};
  }

  @Test(dataProvider = "none")
  public void whatIsNoLengthIsNone(String text) {
    assertThat(LengthText.metres(text)).isEmpty();
  }
}
