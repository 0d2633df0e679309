package org.yellowhearth.core.message;

import java.util.Locale;

/**
 * Names one sentence of the language bundles. Every room keeps its own keys in an enum, so that a
 * test can find missing words.
 */
public interface MessageKey {
  /** The name of the constant, as enums give it. */
  String name();

  /** The key in the bundle: the enum and the constant, for example {@code AssessWords.KEPT}. */
  default String key() {
    return getClass().getSimpleName() + "." + name().toLowerCase(Locale.ROOT).replace('_', '-');
  }
}
