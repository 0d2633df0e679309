package org.yellowhearth.workshop.words;

import java.util.stream.Stream;
import org.yellowhearth.core.job.SetPlate.Dialect;
import org.yellowhearth.knowledge.words.Texts;

/**
 * The words of the window itself. The window speaks as the workshop does that it stands in; what is
 * said of a set ({@code Words}) follows the plate of the set.
 */
public final class Labels {
  private static final Texts BRITISH = new Texts(Labels.class, "labels.properties");
  private static final Texts AMERICAN =
      new Texts(Labels.class, "labels.properties", "labels_american.properties");

  private static volatile Dialect dialect = Dialect.BRITISH;

  private Labels() {}

  /** Speaks as a workshop from now on; what is in the window already stays as it is. */
  public static void speak(Dialect other) {
    dialect = other;
  }

  /** How the workshop speaks. */
  public static Dialect dialect() {
    return dialect;
  }

  /** The text for a key with its gaps filled. */
  public static String of(String key, Object... gaps) {
    Texts texts = dialect == Dialect.AMERICAN ? AMERICAN : BRITISH;
    return texts.say(key, Stream.of(gaps).map(String::valueOf).toList());
  }
}
