package org.yellowhearth.core.knowledge;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Sort;

/**
 * The words that may be typed; lower case, several words joined by one space. Of several words for
 * one thing the plainest stands first.
 *
 * @param letters the reference letters that commonly stand for a sort of part
 * @param sorts words that name a sort of part
 * @param constants words for how a part is made and what it does, each with every constant it can
 *     mean
 * @param signs words for what is noticed under power, each with the id of the sign
 */
public record Vocabulary(
    Map<String, String> kinds,
    Map<String, Role> roles,
    Map<String, Polarity> polarities,
    Map<String, Sort> letters,
    Map<String, Sort> sorts,
    Map<String, List<Coded>> constants,
    Map<String, String> signs) {
  /** The longest name, in words. */
  public static final int LONGEST_NAME = 4;

  public Vocabulary {
    kinds = inOrder(kinds);
    roles = inOrder(roles);
    polarities = inOrder(polarities);
    letters = Map.copyOf(letters);
    sorts = inOrder(sorts);
    constants = Map.copyOf(constants);
    signs = Map.copyOf(signs);
  }

  private static <T> Map<String, T> inOrder(Map<String, T> words) {
    return Collections.unmodifiableMap(new LinkedHashMap<>(words));
  }
}
