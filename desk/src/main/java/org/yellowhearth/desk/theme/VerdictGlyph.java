package org.yellowhearth.desk.theme;

import java.util.Locale;
import javafx.scene.layout.Region;
import org.yellowhearth.core.fact.Verdict;

/** The drawn sign of a verdict: each has its own shape, so that colour is never alone. */
public final class VerdictGlyph extends Region {
  /** A sign in the size of the text around it. */
  public VerdictGlyph(Verdict verdict) {
    getStyleClass().addAll("glyph", "glyph-" + verdict.name().toLowerCase(Locale.ROOT));
  }

  /** The style class that colours the word of a verdict. */
  public static String styleClass(Verdict verdict) {
    return "verdict-" + verdict.name().toLowerCase(Locale.ROOT);
  }
}
