package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.desk.theme.VerdictGlyph;

/** Contrast by the formula of WCAG 2.2 (success criterion 1.4.3: at least 4.5 to 1 for text). */
public class ThemeTest {
  private static final Pattern COLOUR = Pattern.compile("(-[a-z-]+):\\s*#([0-9A-Fa-f]{6});");

  private static String css() throws IOException {
    try (InputStream in = Appearance.class.getResourceAsStream("hearth.css")) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8);
    }
  }

  private static Map<String, String> colours(String theme) throws IOException {
    String css = css();
    int start = css.indexOf("." + theme + " {");
    Matcher m = COLOUR.matcher(css.substring(start, css.indexOf('}', start)));
    Map<String, String> colours = new HashMap<>();
    while (m.find()) {
      colours.put(m.group(1), m.group(2));
    }
    return colours;
  }

  private static double luminance(String hex) {
    double[] rgb = new double[3];
    for (int i = 0; i < 3; i++) {
      double c = Integer.parseInt(hex.substring(2 * i, 2 * i + 2), 16) / 255.0;
      rgb[i] = c <= 0.04045 ? c / 12.92 : Math.pow((c + 0.055) / 1.055, 2.4);
    }
    return 0.2126 * rgb[0] + 0.7152 * rgb[1] + 0.0722 * rgb[2];
  }

  static double contrast(String a, String b) {
    double la = luminance(a);
    double lb = luminance(b);
    return (Math.max(la, lb) + 0.05) / (Math.min(la, lb) + 0.05);
  }

  @Test
  public void theFormulaKnowsBlackOnWhiteAndTheThresholdGrey() {
    // WCAG: black on white is 21 to 1; #767676 on white is the familiar 4.54 to 1.
    assertThat(contrast("000000", "FFFFFF")).isEqualTo(21);
    assertThat(contrast("767676", "FFFFFF")).isBetween(4.53, 4.55);
  }

  /** A verdict is told by a mark and a colour, in a list too. */
  @Test
  public void everyVerdictHasItsMarkAndColour() throws IOException {
    String css = css();
    for (Verdict verdict : Verdict.values()) {
      String glyph = new VerdictGlyph(verdict).getStyleClass().getLast();
      String colour = VerdictGlyph.styleClass(verdict);
      assertThat(css)
          .as("the mark of %s", verdict)
          .containsPattern("\\." + glyph + "\\b[^{]*\\{[^}]*-fx-shape");
      assertThat(css)
          .as("the colour of %s", verdict)
          .containsPattern("(?m)^\\." + colour + "\\b|, \\." + colour + "\\b");
      assertThat(css)
          .as("its colour in a list")
          .containsPattern("\\.table-cell\\." + colour + "\\b");
    }
  }

  @DataProvider
  public Object[][] themes() {
    return new Object[][] {{"day"}, {"night"}};
  }

  @Test(dataProvider = "themes")
  public void allTextIsReadableOnEveryGround(String theme) throws IOException {
    Map<String, String> c = colours(theme);
    for (String ground : List.of("-ground", "-side", "-field")) {
      for (String text : List.of("-text", "-ember", "-verdigris", "-slate", "-ash", "-amber")) {
        assertThat(contrast(c.get(text), c.get(ground)))
            .as(theme + ": " + text + " on " + ground)
            .isGreaterThanOrEqualTo(4.5);
      }
    }
    for (String ground :
        List.of("-danger-ground", "-care-ground", "-button", "-chosen", "-hover")) {
      assertThat(contrast(c.get("-text"), c.get(ground)))
          .as(theme + ": text on " + ground)
          .isGreaterThanOrEqualTo(4.5);
    }
    for (String text : List.of("-ember", "-verdigris", "-slate", "-amber")) {
      assertThat(contrast(c.get(text), c.get("-chosen")))
          .as(theme + ": " + text + " on a chosen line")
          .isGreaterThanOrEqualTo(4.5);
    }
  }

  /**
   * WCAG 2.2, success criteria 1.4.11 and 2.4.7: what shows the focus stands out by at least 3 to
   * 1.
   */
  @Test(dataProvider = "themes")
  public void theFocusIsSeenOnEveryGround(String theme) throws IOException {
    Map<String, String> c = colours(theme);
    for (String ground : List.of("-ground", "-side", "-field", "-button")) {
      assertThat(contrast(c.get("-amber"), c.get(ground)))
          .as(theme + ": the focus on " + ground)
          .isGreaterThanOrEqualTo(3);
    }
    Matcher focused = Pattern.compile("([^}]*):focused[^{]*\\{([^}]*)}").matcher(css());
    int seen = 0;
    while (focused.find()) {
      // What lies on soot in both themes keeps its yellow.
      if (focused.group(2).contains("-fx-border-color")
          && !focused.group(1).contains(".pin")
          && !focused.group(1).contains("wake-stop")
          && !focused.group(1).contains("plate-button")) {
        assertThat(focused.group(2))
            .as(focused.group(1).strip())
            .containsPattern("-fx-border-color: -(amber|text)");
        seen++;
      }
    }
    assertThat(seen).isGreaterThan(6);
  }

  @Test
  public void thePlateIsReadable() {
    for (String text : List.of("FBF6EA", "C9BFA6", "F2B705", "E4DAC0")) {
      assertThat(contrast(text, "1F1B16")).isGreaterThanOrEqualTo(4.5);
    }
    assertThat(contrast("1F1B16", "F2B705")).isGreaterThanOrEqualTo(4.5);
  }

  @Test
  public void textGrowsInStepsToTwoHundredPerCent() {
    Appearance appearance = new Appearance();
    for (int i = 0; i < 20; i++) {
      appearance.resize(1);
    }
    assertThat(appearance.percentProperty().get()).isEqualTo(200);
    for (int i = 0; i < 20; i++) {
      appearance.resize(-1);
    }
    assertThat(appearance.percentProperty().get()).isEqualTo(90);
  }

  /** Each size that can be chosen is in the style, counted from the usual one. */
  @Test
  public void everySizeOfTextIsInTheStyle() throws IOException {
    Matcher usual = Pattern.compile("\\.text-size-100 \\{ -fx-font-size: (\\d+)px").matcher(css());
    assertThat(usual.find()).isTrue();
    double pixels = Double.parseDouble(usual.group(1));
    for (int size : Appearance.SIZES) {
      Matcher m =
          Pattern.compile("\\.text-size-" + size + " \\{ -fx-font-size: ([\\d.]+)px")
              .matcher(css());
      assertThat(m.find()).as(size + " %").isTrue();
      assertThat(Double.parseDouble(m.group(1))).isEqualTo(pixels * size / 100);
    }
  }
}
