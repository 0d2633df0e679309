package org.yellowhearth.core.message;

/**
 * An enum of the trade whose constants have a plain code in files ({@code across-line}) and a word
 * in the bundles.
 */
public interface Coded {
  /** The name of the constant, as enums give it. */
  String name();

  /**
   * The code in files and bundle keys: its {@link Stored} name, else the Java name in lower case,
   * words joined by hyphens.
   */
  default String code() {
    return StoredNames.of(this).getFirst();
  }

  /** The word for it, for use in a message. */
  default Argument term() {
    return Message.term(getClass().getSimpleName() + "." + code());
  }
}
