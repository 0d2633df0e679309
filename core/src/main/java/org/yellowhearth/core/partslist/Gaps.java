package org.yellowhearth.core.partslist;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.yellowhearth.core.part.PartRef;

/**
 * What the numbers of a census tell: references that are missing between the first and the last of
 * their letters, and a can that is listed whole and in sections too.
 *
 * @param missing runs of missing references, each as {@code C17} or {@code C3–C5}
 * @param twice references that stand whole and with a section letter
 */
public record Gaps(List<String> missing, List<PartRef> twice) {
  /**
   * A letter with fewer parts than this says nothing of what is missing; half of its numbers must
   * be there too.
   */
  private static final int ENOUGH = 3;

  public Gaps {
    missing = List.copyOf(missing);
    twice = List.copyOf(twice);
  }

  /** The gaps in a list of references. */
  public static Gaps of(Collection<PartRef> refs) {
    Map<String, TreeSet<Integer>> byLetters = new TreeMap<>();
    refs.forEach(r -> byLetters.computeIfAbsent(r.letters(), _ -> new TreeSet<>()).add(r.number()));
    List<String> missing = new ArrayList<>();
    byLetters.forEach((letters, numbers) -> {
      boolean tells =
          numbers.size() >= ENOUGH && 2 * numbers.size() > numbers.last() - numbers.first();
      if (tells) {
        runs(letters, numbers, missing);
      }
    });
    TreeSet<PartRef> there = new TreeSet<>(refs);
    List<PartRef> twice =
        there.stream()
            .filter(r -> !r.section().isEmpty())
            .map(PartRef::whole)
            .distinct()
            .filter(there::contains)
            .toList();
    return new Gaps(missing, twice);
  }

  private static void runs(String letters, TreeSet<Integer> numbers, List<String> missing) {
    // A list that begins at two or three most likely lost its first; one that begins at 101 does
    // not.
    int expected = numbers.first() <= ENOUGH ? 1 : numbers.first();
    for (int number : numbers) {
      if (number == expected + 1) {
        missing.add(letters + expected);
      } else if (number > expected) {
        missing.add(letters + expected + "–" + letters + (number - 1));
      }
      expected = number + 1;
    }
  }
}
