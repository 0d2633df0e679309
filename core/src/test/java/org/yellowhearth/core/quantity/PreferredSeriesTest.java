package org.yellowhearth.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Checked against the tables of IEC 60063:2015, preferred number series for resistors and
 * capacitors, from memory.
 */
public class PreferredSeriesTest {
  private static final String E48 =
      "100 105 110 115 121 127 133 140 147 154 162 169"
          + " "
          + "178 187 196 205 215 226 237 249 261 274 287 301"
          + " "
          + "316 332 348 365 383 402 422 442 464 487 511 536"
          + " "
          + "562 590 619 649 681 715 750 787 825 866 909 953";
  private static final String E96 =
      "100 102 105 107 110 113 115 118 121 124 127 130"
          + " "
          + "133 137 140 143 147 150 154 158 162 165 169 174"
          + " "
          + "178 182 187 191 196 200 205 210 215 221 226 232"
          + " "
          + "237 243 249 255 261 267 274 280 287 294 301 309"
          + " "
          + "316 324 332 340 348 357 365 374 383 392 402 412"
          + " "
          + "422 432 442 453 464 475 487 499 511 523 536 549"
          + " "
          + "562 576 590 604 619 634 649 665 681 698 715 732"
          + " "
          + "750 768 787 806 825 845 866 887 909 931 953 976";

  @DataProvider
  public Object[][] tables() {
    return new Object[][] { //
      {PreferredSeries.E3, "10 22 47"}, //
      {PreferredSeries.E6, "10 15 22 33 47 68"}, //
      {PreferredSeries.E12, "10 12 15 18 22 27 33 39 47 56 68 82"}, //
      {
        PreferredSeries.E24,
        "10 11 12 13 15 16 18 20 22 24 27 30 33 36 39 43 47 51 56 62 68 75 82 91"
      }, //
      {PreferredSeries.E48, E48}, //
      {PreferredSeries.E96, E96}
    };
  }

  @Test(dataProvider = "tables")
  public void theSeriesFollowsItsTable(PreferredSeries series, String table) {
    List<Double> expected =
        Arrays.stream(table.split(" "))
            .map(t -> t.length() == 2 ? Double.parseDouble(t) / 10 : Double.parseDouble(t) / 100)
            .toList();
    assertThat(series.decade()).isEqualTo(expected);
  }

  @Test
  public void theFinestSeriesHasItsOneException() {
    assertThat(PreferredSeries.E192.decade())
        .hasSize(192)
        .contains(9.20, 9.31, 9.88)
        .doesNotContain(9.19);
  }

  @Test
  public void everyCoarseThreeFigureSeriesIsPartOfTheFiner() {
    assertThat(PreferredSeries.E96.decade()).containsAll(PreferredSeries.E48.decade());
    assertThat(PreferredSeries.E192.decade()).containsAll(PreferredSeries.E96.decade());
  }

  @Test
  public void aRangeReachesOverDecadesWithBothEnds() {
    assertThat(PreferredSeries.E6.between(6.8e-6, 22e-6))
        .containsExactly(6.8e-6, 10e-6, 15e-6, 22e-6);
    assertThat(PreferredSeries.E3.between(1e-12, 1e-11))
        .containsExactly(1e-12, 2.2e-12, 4.7e-12, 1e-11);
  }

  @Test
  public void aRangeThatTouchesZeroIsRefused() {
    assertThatThrownBy(() -> PreferredSeries.E6.between(0, 1))
        .isInstanceOf(IllegalArgumentException.class);
    assertThatThrownBy(() -> PreferredSeries.E6.between(1, Double.POSITIVE_INFINITY))
        .isInstanceOf(IllegalArgumentException.class);
  }
}
