package org.yellowhearth.knowledge.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** English plurals by CLDR: one, and other for all else, nought too; =0 stands before both. */
public class TextsTest {
  private static final Texts TEXTS =
      new Texts(TextsTest.class, "texts.properties", "texts_american.properties");

  @DataProvider
  public Object[][] said() {
    return new Object[][] {
      {"parts", List.of("1"), "1 part, taken out"},
      {"parts", List.of("0"), "0 parts, taken out"},
      {"parts", List.of("12"), "12 parts, taken out"},
      {"of-a-name", List.of("2", "C1 {0}"), "2 parts of C1 {0}"},
      {"exact", List.of("0"), "none left"},
      {"exact", List.of("1"), "1 left"},
      {"exact", List.of("1,5"), "1,5 left"},
      {"plain", List.of("a", "{0}"), "a and {0}"},
      {"plain", List.of("a"), "a and {1}"},
      {"way", List.of("above"), "more than it was"},
      {"way", List.of("below"), "less than it was"},
      {"apostrophe", List.of("it"), "it's the set's own"},
      {"colour", List.of(), "color"}
    };
  }

  @Test(dataProvider = "said")
  public void itCountsAndChooses(String key, List<String> gaps, String expected) {
    assertThat(TEXTS.say(key, gaps)).isEqualTo(expected);
  }

  @Test
  public void whatHasNoTextIsRefusedByName() {
    assertThatThrownBy(() -> TEXTS.say("no-such-key", List.of()))
        .hasMessageContaining("no-such-key");
    assertThat(TEXTS.has("parts")).isTrue();
    assertThat(TEXTS.has("no-such-key")).isFalse();
  }
}
