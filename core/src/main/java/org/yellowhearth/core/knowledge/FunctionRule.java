package org.yellowhearth.core.knowledge;

import java.util.List;
import java.util.Optional;

/**
 * What a set has to do before it goes back.
 *
 * @param kind of set, by its code; none where it goes for all
 * @param group what belongs together, by its code
 * @param functions by their codes
 */
public record FunctionRule(Optional<String> kind, String group, List<String> functions) {
  public FunctionRule {
    functions = List.copyOf(functions);
  }
}
