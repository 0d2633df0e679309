package org.yellowhearth.desk.parts;

import java.util.Comparator;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yellowhearth.core.part.PartRef;

/**
 * The order of what a table shows: references by letters and number, figures by size whatever their
 * prefix, other words by the alphabet, and cells that say nothing last.
 */
final class ShownOrder {
  private static final Map<String, Double> PREFIXES =
      Map.of("p", 1e-12, "n", 1e-9, "µ", 1e-6, "m", 1e-3, "", 1.0, "k", 1e3, "M", 1e6, "G", 1e9);
  private static final Pattern FIGURE =
      Pattern.compile("[^\\d\\p{L}]*(\\d+(?:\\.\\d+)?)\\s*(?:([pnµmkMG])(?=[AVWFHΩSs]|$))?.*");

  /** The order of two cells of one column. */
  static final Comparator<String> OF_CELLS = Comparator.comparing(ShownOrder::key);

  private ShownOrder() {}

  /** What a cell is ordered by: silence after words after figures after references. */
  private record Key(int rank, Optional<PartRef> ref, double figure, String text)
      implements Comparable<Key> {
    @Override
    public int compareTo(Key other) {
      int byRank = Integer.compare(rank, other.rank);
      if (byRank != 0) {
        return byRank;
      }
      int byRef = ref.isPresent() ? ref.get().compareTo(other.ref.orElseThrow()) : 0;
      int byFigure = byRef != 0 ? byRef : Double.compare(figure, other.figure);
      return byFigure != 0 ? byFigure : text.compareTo(other.text);
    }
  }

  private static Key key(String cell) {
    Optional<PartRef> ref = PartRef.parse(cell);
    OptionalDouble figure = figure(cell);
    boolean silent = cell.isBlank() || cell.equals("—");
    int rank = silent ? 3 : ref.isPresent() ? 0 : figure.isPresent() ? 1 : 2;
    return new Key(rank, ref, figure.orElse(0), cell.toLowerCase(Locale.ROOT));
  }

  private static OptionalDouble figure(String cell) {
    Matcher m = FIGURE.matcher(cell);
    return m.matches()
        ? OptionalDouble.of(
            Double.parseDouble(m.group(1))
                * PREFIXES.get(Optional.ofNullable(m.group(2)).orElse("")))
        : OptionalDouble.empty();
  }
}
