package org.yellowhearth.desk.forms;

import java.util.function.Function;
import javafx.util.StringConverter;

/** Shows the options of a choice by words; a choice is never typed into. */
public final class Shown<T> extends StringConverter<T> {
  private final Function<T, String> words;
  private final String nothing;

  private Shown(Function<T, String> words, String nothing) {
    this.words = words;
    this.nothing = nothing;
  }

  /** Options by their words; what is said for none of them. */
  public static <T> Shown<T> by(Function<T, String> words, String nothing) {
    return new Shown<>(words, nothing);
  }

  @Override
  public String toString(T option) {
    return option == null ? nothing : words.apply(option);
  }

  @Override
  public T fromString(String text) {
    throw new UnsupportedOperationException("the choice is not typed into");
  }
}
