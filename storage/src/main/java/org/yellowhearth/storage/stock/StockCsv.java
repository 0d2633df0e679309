package org.yellowhearth.storage.stock;

import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.math.BigDecimal;
import java.math.MathContext;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.DuplicateHeaderMode;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.DeviceWare;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.storage.partslist.BadListException;
import org.yellowhearth.storage.partslist.PartsListTable;

/**
 * Drawer and catalogue as a list for a spreadsheet, both ways: UTF-8, commas, decimal points, one
 * line for each part, the unit of each figure in its heading. Columns may stand in any order; those
 * a list does not have are taken as empty.
 */
public final class StockCsv {
  /** The most lines that are taken. */
  public static final int MOST = 20_000;

  private static final long LARGEST_BYTES = 8_000_000;
  private static final int LONGEST = 500;
  private static final MathContext DIGITS = new MathContext(9);
  private static final double MICRO = 1e-6;
  private static final double MILLI = 1e-3;

  private static final String ORDER = "order";
  private static final String WHAT = "what";
  private static final String KIND = "kind";
  private static final String CAPACITANCE = "microfarads";
  private static final String RESISTANCE = "ohms";
  private static final String TOLERANCE = "tolerance %";
  private static final String VOLTS = "volts";
  private static final String AC = "volts are AC";
  private static final String CLASS = "class";
  private static final String WATTS = "watts";
  private static final String LEADS = "leads";
  private static final String DIAMETER = "diameter mm";
  private static final String LENGTH = "length mm";
  private static final String RIPPLE = "ripple mA";
  private static final String ESR = "ESR ohms";
  private static final String CELSIUS = "celsius";
  private static final String LIFE = "life h";
  private static final String PRICE = "price";
  private static final String PACK = "pack";
  private static final String QUANTITY = "quantity";
  private static final String MEASURED = "measured (µF or ohms)";
  private static final String MADE = "made";
  private static final String WHERE = "where";
  private static final String WITHDRAWN = "withdrawn";
  private static final String REMARK = "remark";
  private static final List<String> COLUMNS =
      List.of(
          ORDER,
          WHAT,
          KIND,
          CAPACITANCE,
          RESISTANCE,
          TOLERANCE,
          VOLTS,
          AC,
          CLASS,
          WATTS,
          LEADS,
          DIAMETER,
          LENGTH,
          RIPPLE,
          ESR,
          CELSIUS,
          LIFE,
          PRICE,
          PACK,
          QUANTITY,
          MEASURED,
          MADE,
          WHERE,
          WITHDRAWN,
          REMARK);

  private final Set<String> kinds;
  private final Whence whence;
  private final Supplier<String> ids;

  private StockCsv(Set<String> kinds, Whence whence, Supplier<String> ids) {
    this.kinds = Set.copyOf(kinds);
    this.whence = whence;
    this.ids = ids;
  }

  /** The catalogue that ships with the program; its ids are its order numbers. */
  public static List<StockPart> shipped(Set<String> kinds) {
    try (InputStream in = StockCsv.class.getResourceAsStream("catalogue.csv")) {
      return read(
          new String(in.readAllBytes(), StandardCharsets.UTF_8), kinds, Whence.CATALOGUE, () -> "");
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /**
   * Reads a file.
   *
   * @param kinds the ids of the kinds of capacitor that are known
   * @param ids makes an id for each line; where it makes none the order number is one
   * @throws BadListException where it is no such list, with the line
   */
  public static List<StockPart> read(
      Path file, Set<String> kinds, Whence whence, Supplier<String> ids) {
    try {
      if (Files.size(file) > LARGEST_BYTES) {
        throw new BadListException(0, "the file is larger than any drawer; expected at most 8 MB");
      }
      return read(Files.readString(file), kinds, whence, ids);
    } catch (IOException e) {
      throw new BadListException(0, "the file cannot be read as UTF-8 text: " + e.getMessage());
    }
  }

  /** The same of a text. */
  public static List<StockPart> read(
      String text, Set<String> kinds, Whence whence, Supplier<String> ids) {
    String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
    if (plain.indexOf('\0') >= 0) {
      throw new BadListException(1, "this is no text; save the sheet as CSV first");
    }
    CSVFormat format =
        CSVFormat.DEFAULT
            .builder()
            .setHeader()
            .setSkipHeaderRecord(true)
            .setIgnoreHeaderCase(true)
            .setDuplicateHeaderMode(DuplicateHeaderMode.DISALLOW)
            .setIgnoreEmptyLines(true)
            .setTrim(true)
            .get();
    StockCsv list = new StockCsv(kinds, whence, ids);
    List<StockPart> parts = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    try (CSVParser parser = CSVParser.parse(new StringReader(plain), format)) {
      check(parser.getHeaderMap());
      for (CSVRecord row : parser) {
        Line line = new Line(row, parser.getCurrentLineNumber());
        if (parts.size() >= MOST) {
          throw line.bad("the list has more than " + MOST + " lines; bring it in in pieces");
        }
        StockPart part = list.part(line);
        if (!seen.add(part.id())) {
          throw line.bad("\"" + part.title() + "\" stands here a second time");
        }
        parts.add(part);
      }
    } catch (UncheckedIOException | IOException | IllegalStateException e) {
      throw new BadListException(
          parts.size() + 2L, "a quotation mark is not closed, or stands inside a cell");
    } catch (IllegalArgumentException e) {
      throw new BadListException(1, "the headings cannot be told apart: " + e.getMessage());
    }
    return List.copyOf(parts);
  }

  private static void check(Map<String, Integer> headings) {
    Set<String> known =
        COLUMNS.stream().map(c -> c.toLowerCase(Locale.ROOT)).collect(Collectors.toSet());
    List<String> strange =
        headings.keySet().stream()
            .filter(h -> !known.contains(h.toLowerCase(Locale.ROOT)))
            .toList();
    if (!strange.isEmpty()) {
      throw new BadListException(
          1,
          "no such column: \""
              + strange.getFirst()
              + "\"; expected some of "
              + String.join(", ", COLUMNS));
    }
    if (headings.keySet().stream().noneMatch(h -> h.equalsIgnoreCase(ORDER))) {
      throw new BadListException(1, "a column \"" + ORDER + "\" is needed that names each part");
    }
  }

  private StockPart part(Line line) {
    String title = line.text(ORDER);
    String made = ids.get();
    String id = made.isEmpty() ? title.replaceAll("[^A-Za-z0-9-]", "-") : made;
    try {
      Ware ware =
          switch (line.text(WHAT).toLowerCase(Locale.ROOT)) {
            case "resistor" -> resistor(line);
            case "device" -> new DeviceWare(line.text(KIND), "");
            default -> capacitor(line);
          };
      double unit = ware instanceof CapacitorWare ? MICRO : 1;
      OptionalInt quantity =
          whence == Whence.CATALOGUE
              ? OptionalInt.empty()
              : OptionalInt.of(line.whole(QUANTITY).orElse(1));
      return new StockPart(
          id,
          whence,
          title,
          ware,
          quantity,
          line.number(MEASURED, unit),
          line.whole(MADE),
          line.number(PRICE, 1),
          line.whole(PACK).orElse(1),
          line.text(WHERE),
          line.yes(WITHDRAWN),
          line.text(REMARK));
    } catch (IllegalArgumentException e) {
      throw line.bad(String.valueOf(e.getMessage()));
    }
  }

  private CapacitorWare capacitor(Line line) {
    if (!line.text(WHAT).isEmpty() && !line.text(WHAT).equalsIgnoreCase("capacitor")) {
      throw line.bad(
          "\""
              + line.text(WHAT)
              + "\" stands under \"what\"; expected capacitor, resistor or device");
    }
    String kind = line.text(KIND);
    if (!kinds.contains(kind)) {
      throw line.bad(
          "no such kind of capacitor: \""
              + kind
              + "\"; expected one of "
              + String.join(", ", kinds.stream().sorted().toList()));
    }
    return new CapacitorWare(
        kind,
        line.needed(CAPACITANCE, MICRO),
        line.number(TOLERANCE, 0.01).orElse(0.2),
        line.needed(VOLTS, 1),
        line.yes(AC),
        line.code(CLASS, SafetyClass.values()),
        line.code(LEADS, Leads.values()),
        line.number(DIAMETER, MILLI),
        line.number(LENGTH, MILLI),
        line.number(RIPPLE, MILLI),
        line.number(ESR, 1),
        line.number(CELSIUS, 1),
        line.number(LIFE, 1));
  }

  private static ResistorWare resistor(Line line) {
    return new ResistorWare(
        line.needed(RESISTANCE, 1),
        line.number(TOLERANCE, 0.01).orElse(0.05),
        line.needed(WATTS, 1),
        line.code(LEADS, Leads.values()),
        line.number(DIAMETER, MILLI),
        line.number(LENGTH, MILLI),
        line.number(CELSIUS, 1));
  }

  /** One line of the list. */
  private record Line(CSVRecord row, long number) {
    BadListException bad(String problem) {
      return new BadListException(number, problem);
    }

    String text(String column) {
      String cell = row.isMapped(column) && row.isSet(column) ? row.get(column).strip() : "";
      if (cell.length() > LONGEST) {
        throw bad("the cell under \"" + column + "\" is longer than " + LONGEST + " characters");
      }
      return cell.startsWith("'") ? cell.substring(1) : cell;
    }

    OptionalDouble number(String column, double unit) {
      String cell = text(column);
      if (cell.isEmpty()) {
        return OptionalDouble.empty();
      }
      if (!cell.matches("-?\\d{1,15}(\\.\\d{1,15})?([eE]-?\\d{1,2})?")) {
        throw bad(
            "\""
                + cell
                + "\" stands under \""
                + column
                + "\"; expected a figure with a decimal point");
      }
      // 0.047 µF shall be the same figure as 47 nF.
      return OptionalDouble.of(
          new BigDecimal(cell).multiply(BigDecimal.valueOf(unit)).doubleValue());
    }

    double needed(String column, double unit) {
      return number(column, unit)
          .orElseThrow(() -> bad("a figure is needed under \"" + column + "\""));
    }

    OptionalInt whole(String column) {
      String cell = text(column);
      if (cell.isEmpty()) {
        return OptionalInt.empty();
      }
      if (!cell.matches("\\d{1,7}")) {
        throw bad("\"" + cell + "\" stands under \"" + column + "\"; expected a whole number");
      }
      return OptionalInt.of(Integer.parseInt(cell));
    }

    boolean yes(String column) {
      return switch (text(column).toLowerCase(Locale.ROOT)) {
        case "", "no" -> false;
        case "yes" -> true;
        default ->
            throw bad(
                "\"" + text(column) + "\" stands under \"" + column + "\"; expected yes or no");
      };
    }

    <E extends Enum<E> & Coded> E code(String column, E[] values) {
      String cell = text(column);
      if (cell.isEmpty()) {
        return values[0];
      }
      return Stream.of(values)
          .filter(v -> v.code().equalsIgnoreCase(cell))
          .findFirst()
          .orElseThrow(() ->
              bad(
                  "\""
                      + cell
                      + "\" stands under \""
                      + column
                      + "\"; expected one of "
                      + String.join(", ", Stream.of(values).map(Coded::code).toList())));
    }
  }

  // --- out
  // -----------------------------------------------------------------------------------------------------------------

  /** Whether a file has the headings of this list. */
  public static boolean ours(Path file) {
    try {
      return PartsListTable.read(file).headings().stream().anyMatch(ORDER::equalsIgnoreCase);
    } catch (BadListException _) {
      // Reading it says what is wrong with it.
      return true;
    }
  }

  /** The list of some parts, which {@link #read} reads again. */
  public static String write(List<StockPart> parts) {
    StringBuilder text = new StringBuilder("\uFEFF");
    try (CSVPrinter out = new CSVPrinter(text, CSVFormat.DEFAULT)) {
      out.printRecord(COLUMNS);
      for (StockPart p : parts) {
        out.printRecord(cells(p).stream().map(StockCsv::harmless).toList());
      }
    } catch (IOException e) {
      throw new UncheckedIOException("a list in memory cannot fail to be written", e);
    }
    return text.toString();
  }

  private static List<String> cells(StockPart p) {
    Ware w = p.ware();
    List<String> own =
        switch (w) {
          case CapacitorWare c ->
              List.of(
                  "capacitor",
                  c.kind(),
                  plain(c.farads(), MICRO),
                  "",
                  plain(c.tolerance(), 0.01),
                  plain(c.volts(), 1),
                  c.ratedForMains() ? "yes" : "",
                  said(c.safety()),
                  "");
          case ResistorWare r ->
              List.of(
                  "resistor",
                  "",
                  "",
                  plain(r.ohms(), 1),
                  plain(r.tolerance(), 0.01),
                  "",
                  "",
                  "",
                  plain(r.watts(), 1));
          case DeviceWare d -> List.of("device", d.type(), "", "", "", "", "", "", "");
        };
    List<String> more =
        switch (w) {
          case CapacitorWare c ->
              List.of(
                  plain(c.rippleAmperes(), MILLI),
                  plain(c.esrOhms(), 1),
                  plain(c.celsius(), 1),
                  plain(c.lifeHours(), 1));
          case ResistorWare r -> List.of("", "", plain(r.celsius(), 1), "");
          case DeviceWare _ -> List.of("", "", "", "");
        };
    double unit = w instanceof CapacitorWare ? MICRO : 1;
    return Stream.of(
            List.of(p.title()),
            own,
            List.of(
                said(w.leads()), plain(w.diameterMetres(), MILLI), plain(w.lengthMetres(), MILLI)),
            more,
            List.of(
                plain(p.price(), 1),
                Integer.toString(p.pack()),
                p.quantity().isPresent() ? Integer.toString(p.quantity().getAsInt()) : "",
                plain(p.measured(), unit),
                p.made().isPresent() ? Integer.toString(p.made().getAsInt()) : "",
                p.where(),
                p.withdrawn() ? "yes" : "",
                p.remark()))
        .flatMap(List::stream)
        .toList();
  }

  private static String said(Coded value) {
    return value.name().equals("UNSTATED") ? "" : value.code();
  }

  private static String plain(OptionalDouble value, double unit) {
    return value.isPresent() ? plain(value.getAsDouble(), unit) : "";
  }

  private static String plain(double value, double unit) {
    return BigDecimal.valueOf(value)
        .divide(BigDecimal.valueOf(unit), DIGITS)
        .stripTrailingZeros()
        .toPlainString();
  }

  /** No cell that a spreadsheet would take for a formula. */
  static String harmless(String cell) {
    boolean formula = !cell.isEmpty() && "=+-@\t\r'".indexOf(cell.charAt(0)) >= 0;
    return (formula ? "'" : "") + cell;
  }
}
