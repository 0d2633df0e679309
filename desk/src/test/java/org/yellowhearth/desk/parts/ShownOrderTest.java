package org.yellowhearth.desk.parts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A column ordered as a person means it, not letter by letter. */
public class ShownOrderTest {
  @DataProvider
  public Object[][] columns() {
    return new Object[][] {
      {List.of("C2", "C10", "C10a", "C10b", "R1")},
      {List.of("500 pF 500 V", "4.7 nF", "50 nF 400 V", "9 µF", "16 µF 450 V", "—")},
      {List.of("2.3 Ω", "68 Ω", "1.8 kΩ", "1 MΩ", "—")},
      {List.of("< 1 % × 5", "20 % × 2", "85 % × 1")},
      {List.of("Keep", "Replace", "Watch", "")},
      {List.of("0.4 mA", "10 mA", "2 A")}
    };
  }

  @Test(dataProvider = "columns")
  public void everyShuffledColumnComesBackInOrder(List<String> ordered) {
    for (int seed = 0; seed < 20; seed++) {
      List<String> cells = new ArrayList<>(ordered);
      Collections.shuffle(cells, new Random(seed));
      cells.sort(ShownOrder.OF_CELLS);
      assertThat(cells).isEqualTo(ordered);
    }
  }
}
