package org.yellowhearth.storage.partslist;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.yellowhearth.core.message.Coded;

/** What a column of a list holds. */
public enum Column implements Coded {
  IGNORED(), //
  REFERENCE("ref", "reference", "designator", "part", "pos", "position", "nr", "no"), //
  SORT("sort", "type of part", "component"), //
  MARKING(
      "marking", "value", "val", "wert", "capacitance", "resistance", "marked", "description"), //
  VOLTS("volts", "voltage", "rating", "rated", "v", "vdc", "working voltage"), //
  TOLERANCE("tolerance", "tol"), //
  KIND("kind", "type", "construction", "dielectric"), //
  ROLE("role", "function", "use", "where"), //
  POLARITY("polarity", "polarity to chassis"), //
  SEES("sees", "in use", "applied"), //
  DATE("date", "date code", "dated"), //
  REMARK("remark", "remarks", "note", "notes", "comment"), //
  CAPACITANCE_READ("c", "c read", "measured", "measured c", "c measured", "reading"), //
  ESR_READ("esr", "esr read"), //
  DISSIPATION_READ("d", "df", "tan", "tan d", "dissipation"), //
  READ_AT("at", "hz", "frequency", "f");

  private final String names;

  Column(String... names) {
    this.names = String.join("|", names);
  }

  /** The column that a heading most likely names; units in brackets are left out. */
  static Optional<Column> named(String heading) {
    String plain =
        heading
            .toLowerCase(Locale.ROOT)
            .replaceAll("[\\[(].*?[\\])]", "")
            .replaceAll("[^a-z ]", " ")
            .strip()
            .replaceAll(" +", " ");
    return Stream.of(values())
        .filter(c -> List.of(c.names.split("\\|")).contains(plain))
        .findFirst();
  }
}
