package org.yellowhearth.core.partslist;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.yellowhearth.core.part.PartRef;

public class GapsTest {
  private static Gaps of(String refs) {
    return Gaps.of(Stream.of(refs.split(" ")).map(PartRef::of).toList());
  }

  @Test
  public void aMissingNumberIsNamed() {
    List<PartRef> all =
        IntStream.rangeClosed(1, 41)
            .filter(i -> i != 17)
            .mapToObj(i -> PartRef.of("C" + i))
            .toList();
    assertThat(Gaps.of(all).missing()).containsExactly("C17");
  }

  @Test
  public void runsAreTakenTogetherAndSectionsCountOnce() {
    assertThat(of("C1 C2 C6a C6b C7 C8 R1 R2 R3").missing()).containsExactly("C3–C5");
  }

  @Test
  public void aListThatBeginsAtAHundredHasNoHundredGaps() {
    assertThat(of("C101 C102 C104").missing()).containsExactly("C103");
    assertThat(of("C2 C3 C4").missing()).containsExactly("C1");
  }

  @Test
  public void aFewPartsTellNothing() {
    assertThat(of("C3 C90").missing()).isEmpty();
    assertThat(of("C3 C90 C200").missing()).isEmpty();
  }

  @Test
  public void aCanListedWholeAndInSectionsIsFound() {
    assertThat(of("C16 C16a C16b C17").twice()).containsExactly(PartRef.of("C16"));
  }
}
