package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.Triage;
import org.yellowhearth.core.assess.Triage.Heap;

/** A board sorted by what was read in place (common practice). */
public class TriageTest {
  @DataProvider
  public Object[][] read() {
    return new Object[][] {
      {"+ C1 50u 25V electrolytic decoupling; 0.3r @100k in", Heap.PASSES},
      {"+ C1 50u 25V electrolytic decoupling; ESR OL", Heap.BAD},
      {"+ C1 50u 25V electrolytic decoupling; 48u @100 in", Heap.LIFT},
      {"+ R1 47k; 30k in", Heap.LIFT},
      {"+ C1 50u 25V electrolytic decoupling", Heap.UNKNOWN}
    };
  }

  @Test(dataProvider = "read")
  public void aBoardIsSorted(String lines, Heap heap) {
    Bench b = Bench.of(1965).type(lines);
    String ref = lines.substring(2, 4);
    assertThat(Triage.of(List.of(b.assess(ref))).getFirst().heap()).isEqualTo(heap);
  }
}
