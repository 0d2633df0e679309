package org.yellowhearth.workshop.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.charset.StandardCharsets;
import java.util.Properties;
import java.util.Set;
import java.util.regex.Pattern;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.job.SetPlate.Dialect;

/**
 * What the window says in either workshop (common practice of the trade's words). Alone: how the
 * workshop speaks is the same for all windows.
 */
@Test(singleThreaded = true)
public class LabelsTest {
  private static final Set<String> TYPED =
      Set.of("sheet.bench.all", "sheet.typefaces", "stock.file.catalogue");

  @AfterMethod
  public void asBefore() {
    Labels.speak(Dialect.BRITISH);
  }

  /** What a person typed may look like a gap; it stays what it is. */
  @Test
  public void whatFillsAGapIsNoGap() {
    assertThat(Labels.of("photo.progress", "{1}", "7")).isEqualTo("{1} of 7");
  }

  /** A stage has one name: in the path at the left and above its page. */
  @Test
  public void aStageHasOneName() {
    for (String stage :
        Set.of(
            "arrival",
            "safety",
            "parts",
            "assess",
            "trace",
            "reform",
            "replace",
            "first-power",
            "final-test",
            "dossier")) {
      assertThat(Labels.of(stage.replace("-", "") + ".title"))
          .as(stage)
          .isEqualTo(Labels.of("stage." + stage));
    }
  }

  @Test
  public void theAmericanWorkshopHearsNoBritishWord() throws IOException {
    Properties british = new Properties();
    try (Reader r =
        new InputStreamReader(
            Labels.class.getResourceAsStream("labels.properties"), StandardCharsets.UTF_8)) {
      british.load(r);
    }
    Pattern words =
        Pattern.compile(
            "\\b(valves?|earth(ed)?|mains|aerial|aluminium|isolating|stabilisers?|colou\\w*|centre|grey|polarised|licence|\\w*metre)\\b",
            Pattern.CASE_INSENSITIVE);
    Pattern gaps = Pattern.compile("\\{\\d[},]");
    Labels.speak(Dialect.AMERICAN);
    for (String key : british.stringPropertyNames()) {
      String said = Labels.of(key);
      assertThat(gaps.matcher(said).results().count())
          .as(key)
          .isEqualTo(gaps.matcher(british.getProperty(key)).results().count());
      assertThat(TYPED.contains(key) || !words.matcher(said).find())
          .as("%s: %s", key, said)
          .isTrue();
    }
    assertThat(Labels.of("firstpower.valves")).isEqualTo("tubes and plug-in units fitted");
    assertThat(Labels.of("replace.page.mains")).isEqualTo("Line side");
    Labels.speak(Dialect.BRITISH);
    assertThat(Labels.of("firstpower.valves")).isEqualTo("valves and plug-in units fitted");
  }
}
