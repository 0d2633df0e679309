package org.yellowhearth.storage.stock;

import java.nio.file.Path;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Resistor;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.partslist.BadListException;
import org.yellowhearth.storage.partslist.Column;
import org.yellowhearth.storage.partslist.PartsListImport;
import org.yellowhearth.storage.partslist.PartsListTable;

/**
 * A bought kit as its seller lists it: reference, value, volts, quantity under plain headings, in
 * any order.
 *
 * @param places where the seller means a line to go, by its title
 */
public record KitList(List<StockPart> parts, Map<String, List<PartRef>> places) {
  private static final Set<String> QUANTITIES =
      Set.of("quantity", "qty", "count", "pcs", "pieces", "number", "amount", "how many");

  /** From here on a capacitor whose kind is not said is an electrolytic (common practice). */
  private static final double ELECTROLYTIC_FARADS = 1e-6;

  /** Sellers who write no unit mean microfarads (common practice). */
  private static final String USUAL_UNIT = "uF";

  private static final int LONGEST_NAME = 100;

  private static final double USUAL_TOLERANCE = 0.2;
  private static final double RESISTOR_TOLERANCE = 0.05;
  private static final double RESISTOR_WATTS = 0.5;

  public KitList {
    parts = List.copyOf(parts);
    places = Map.copyOf(places);
  }

  /**
   * Reads a list.
   *
   * @param ids makes an id for a line
   * @throws BadListException where a line is not understood, with its place
   */
  public static KitList read(
      Path file, Knowledge knowledge, Words words, ZonedDateTime now, Supplier<String> ids) {
    PartsListTable table = PartsListTable.read(file);
    PartsListTable numbered = numbered(table);
    Job empty =
        Job.of(
            List.of(
                new Entry(
                    0, now, new Act.Did(new Edit.Arrived(SetPlate.named("kit"), Policy.USUAL)))));
    List<StockPart> parts = new ArrayList<>();
    Map<String, List<PartRef>> places = new LinkedHashMap<>();
    List<PartsListImport.Row> rows =
        PartsListImport.preview(numbered, empty, knowledge, words, now.toInstant());
    for (int i = 0; i < rows.size(); i++) {
      List<String> cells = table.rows().get(i);
      if (table.cell(cells, Column.MARKING).isBlank()) {
        continue;
      }
      PartsListImport.Row row = rows.get(i);
      if (row.what() == PartsListImport.What.REFUSED) {
        throw new BadListException(row.line(), row.trouble());
      }
      Part part = added(row);
      List<PartRef> refs = refs(table.cell(cells, Column.REFERENCE));
      int quantity = Math.max(quantity(table, cells, row.line()), Math.max(1, refs.size()));
      String id = ids.get();
      String title = stem(file) + " " + row.line() + ": " + new Describe(words).value(part);
      parts.add(line(id, title, ware(part, knowledge, row.line()), quantity));
      places.put(title, refs);
    }
    return new KitList(parts, places);
  }

  /** The name of the kit: a line of the drawer is known again by its title. */
  private static String stem(Path file) {
    String name = file.getFileName().toString().replaceFirst("\\.[^.]*$", "");
    return name.substring(0, Math.min(name.length(), LONGEST_NAME));
  }

  /** The table with a reference of our own for every line, so that none is twice. */
  private static PartsListTable numbered(PartsListTable table) {
    List<String> headings = new ArrayList<>(table.headings());
    headings.add("");
    List<Column> columns = new ArrayList<>(table.columns());
    columns.replaceAll(c -> c == Column.REFERENCE || c == Column.REMARK ? Column.IGNORED : c);
    columns.add(Column.REFERENCE);
    List<List<String>> rows =
        IntStream.range(0, table.rows().size())
            .mapToObj(i -> {
              List<String> cells = new ArrayList<>(table.rows().get(i));
              String first = table.cell(cells, Column.REFERENCE).toUpperCase(Locale.ROOT);
              cells.add((first.startsWith("R") ? "R" : "C") + (i + 1));
              return cells;
            })
            .toList();
    String unit = table.bareUnit().isEmpty() ? USUAL_UNIT : table.bareUnit();
    return new PartsListTable(
        headings, columns, table.decimalComma(), unit, rows, table.firstLine());
  }

  private static Part added(PartsListImport.Row row) {
    return row.edits().stream()
        .filter(Edit.PartAdded.class::isInstance)
        .map(e -> ((Edit.PartAdded) e).part())
        .findFirst()
        .orElseThrow(() -> new BadListException(row.line(), "this line names no part"));
  }

  private static List<PartRef> refs(String cell) {
    return Arrays.stream(cell.split("[\\s,;/+]+", -1))
        .flatMap(w -> PartRef.parse(w).stream())
        .toList();
  }

  private static int quantity(PartsListTable table, List<String> cells, int line) {
    for (int i = 0; i < table.headings().size(); i++) {
      if (QUANTITIES.contains(table.headings().get(i).toLowerCase(Locale.ROOT).strip())) {
        String said = cells.get(i).replaceAll("(?i)\\s*(x|×|pcs|off)\\s*", "").strip();
        if (said.isEmpty()) {
          return 1;
        }
        if (!said.matches("\\d{1,5}")) {
          throw new BadListException(
              line, "\"" + cells.get(i) + "\" is no quantity; expected a whole number");
        }
        return Integer.parseInt(said);
      }
    }
    return 1;
  }

  private static Ware ware(Part part, Knowledge knowledge, int line) {
    return switch (part) {
      case Capacitor c -> {
        if (c.ratedVolts().isEmpty()) {
          throw new BadListException(
              line, "this capacitor has no voltage; expected for example 450");
        }
        String kind =
            c.kind().equals(Capacitor.UNSTATED_KIND)
                ? c.farads() >= ELECTROLYTIC_FARADS ? "electrolytic-dry" : "polypropylene"
                : knowledge.kind(c.kind()).id();
        yield new CapacitorWare(
            kind,
            c.farads(),
            c.tolerance().map(Tolerance::above).orElse(USUAL_TOLERANCE),
            c.ratedVolts().getAsDouble(),
            c.ratedForMains(),
            SafetyClass.UNSTATED,
            knowledge.kind(kind).leads(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty());
      }
      case Resistor r ->
          new ResistorWare(
              r.ohms(),
              r.tolerance().map(Tolerance::above).orElse(RESISTOR_TOLERANCE),
              r.watts().orElse(RESISTOR_WATTS),
              Leads.AXIAL,
              OptionalDouble.empty(),
              OptionalDouble.empty(),
              OptionalDouble.empty());
      default -> throw new BadListException(line, "a kit holds capacitors and resistors");
    };
  }

  private static StockPart line(String id, String title, Ware ware, int quantity) {
    return new StockPart(
        id,
        Whence.DRAWER,
        title,
        ware,
        OptionalInt.of(quantity),
        OptionalDouble.empty(),
        OptionalInt.empty(),
        OptionalDouble.empty(),
        1,
        "",
        false,
        "");
  }
}
