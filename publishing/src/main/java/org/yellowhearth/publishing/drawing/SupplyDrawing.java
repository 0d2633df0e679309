package org.yellowhearth.publishing.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyNames;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRegulator;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyStage;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.part.PartRef;

/**
 * Where the symbols of a described supply stand: mains at the left, one row for each line of
 * current, what hangs between a point and the chassis below it. Columns and rows are counted, not
 * measured; {@link SupplySymbols} draws them.
 *
 * @param placed the symbols
 * @param spans the points, each a stretch of wire
 * @param drops wires from a point down to a row that branches off it
 */
record SupplyDrawing(
    List<Placed> placed, List<Span> spans, List<Drop> drops, int columns, int rows) {
  /** What is drawn. */
  enum Symbol {
    MAINS,
    WINDING,
    TAPPED_WINDING,
    RECTIFIER,
    BRIDGE,
    DOUBLER,
    CHOKE,
    RESISTOR,
    REGULATOR,
    CONVERTER,
    CAPACITOR,
    UPPER_CAPACITOR,
    LOWER_CAPACITOR,
    SERIES_CAPACITOR,
    BLEEDER,
    LOAD,
    STAGE,
    STABILISER
  }

  /**
   * One symbol.
   *
   * @param element its name in the circuit
   * @param column the middle of its cell
   * @param turned whether its positive side is down
   */
  record Placed(
      Symbol symbol, String element, String section, double column, int row, boolean turned) {}

  /** A point. */
  record Span(String point, int row, double from, double to) {
    double middle() {
      return (from + to) / 2;
    }
  }

  /** A wire downwards. */
  record Drop(double column, int fromRow, int toRow) {}

  SupplyDrawing {
    placed = List.copyOf(placed);
    spans = List.copyOf(spans);
    drops = List.copyOf(drops);
  }

  /** The drawing of what is described. */
  static SupplyDrawing of(List<SupplySection> sections) {
    return new Draft(sections).done();
  }

  Optional<Span> span(String point) {
    return spans.stream().filter(s -> s.point.equals(point)).findFirst();
  }

  private static final class Draft {
    private static final int FIRST_POINT = 2;

    private final List<SupplySection> sections;
    private final SupplyNames names;
    private final List<Placed> placed = new ArrayList<>();
    private final Map<String, Span> spans = new LinkedHashMap<>();
    private final List<Drop> drops = new ArrayList<>();

    /** The row in which each winding is drawn. */
    private final Map<String, Integer> windings = new HashMap<>();

    private final Set<String> drawn = new HashSet<>();
    private final Map<String, Boolean> negative = new HashMap<>();
    private int rows;

    Draft(List<SupplySection> sections) {
      this.sections = sections;
      this.names = new SupplyNames(sections);
    }

    SupplyDrawing done() {
      of(SupplyRectifier.class).forEach(this::rectifier);
      of(SupplyWinding.class).stream()
          .filter(w -> !windings.containsKey(w.name()))
          .forEach(w -> winding(w, rows++));
      for (SupplySection s : sections) {
        for (String point : s.points()) {
          if (!point.equals(SupplySection.CHASSIS) && !spans.containsKey(point)) {
            chain(point, rows++, FIRST_POINT);
          }
        }
      }
      double most = placed.stream().mapToDouble(p -> p.column + 0.5).max().orElse(1);
      double wide = spans.values().stream().mapToDouble(Span::to).max().orElse(1);
      return new SupplyDrawing(
          placed, List.copyOf(spans.values()), drops, (int) Math.ceil(Math.max(most, wide)), rows);
    }

    private <S extends SupplySection> List<S> of(Class<S> type) {
      return sections.stream().filter(type::isInstance).map(type::cast).toList();
    }

    private void winding(SupplyWinding w, int row) {
      placed.add(
          new Placed(
              w.tapped() ? Symbol.TAPPED_WINDING : Symbol.WINDING,
              w.name(),
              w.id(),
              0.5,
              row,
              false));
    }

    private void rectifier(SupplyRectifier r) {
      if (spans.containsKey(r.to())) {
        // A second rectifier on a point that is drawn already stands in a row of its own, its wire
        // led up to the point.
        int row = rows++;
        symbols(r, row);
        drops.add(new Drop(spans.get(r.to()).from, spans.get(r.to()).row, row));
        return;
      }
      int row = rows++;
      symbols(r, row);
      negative.put(r.to(), r.negative());
      chain(r.to(), row, FIRST_POINT);
    }

    private void symbols(SupplyRectifier r, int row) {
      of(SupplyWinding.class).stream()
          .filter(w -> w.name().equals(r.winding()))
          .findFirst()
          .ifPresent(w -> {
            if (windings.containsKey(w.name())) {
              drops.add(new Drop(1, windings.get(w.name()), row));
            } else {
              windings.put(w.name(), row);
              winding(w, row);
            }
          });
      Symbol symbol =
          r.scheme().doubles()
              ? Symbol.DOUBLER
              : r.scheme() == SupplyRectifier.Scheme.BRIDGE ? Symbol.BRIDGE : Symbol.RECTIFIER;
      placed.add(new Placed(symbol, r.name(), r.id(), 1.5, row, r.negative()));
      if (r.scheme() == SupplyRectifier.Scheme.CASCADE_DOUBLER) {
        placed.add(new Placed(Symbol.SERIES_CAPACITOR, names.first(r), r.id(), 1, row, false));
      }
    }

    private void chain(String point, int row, double column) {
      List<Function<Double, Placed>> hanging = hanging(point, row);
      double to = column + Math.max(1, hanging.size());
      spans.put(point, new Span(point, row, column, to));
      for (int k = 0; k < hanging.size(); k++) {
        placed.add(hanging.get(k).apply(column + k + 0.5));
      }
      int at = row;
      for (SupplySection s : sections) {
        Optional<Placed> through = through(s, point, to + 0.5, at);
        if (through.isEmpty() || !drawn.add(s.id())) {
          continue;
        }
        String next = after(s);
        boolean again =
            placed.stream()
                .anyMatch(
                    p -> p.symbol == Symbol.CONVERTER && p.element.equals(through.get().element));
        if (again) {
          // Another output of a converter that is drawn already branches off behind it.
          drops.add(new Drop(to + 1, row, at));
        } else {
          if (at > row || spans.containsKey(next)) {
            drops.add(new Drop(to, row, at));
          }
          placed.add(through.get());
        }
        negative.putIfAbsent(next, negative.getOrDefault(point, false));
        if (!spans.containsKey(next)) {
          chain(next, at, to + 1);
        }
        at = rows++;
      }
      if (at > row && at == rows - 1 && placed.stream().noneMatch(p -> p.row == rows - 1)) {
        rows--;
      }
    }

    private static String after(SupplySection s) {
      return switch (s) {
        case SupplyFilter f -> f.to();
        case SupplyRegulator r -> r.to();
        case SupplyOutput o -> o.name();
        default -> throw new IllegalArgumentException(s.title() + " leads nowhere");
      };
    }

    /** What leads from this point to another. */
    private Optional<Placed> through(SupplySection s, String point, double column, int row) {
      return switch (s) {
        case SupplyFilter f
            when f.from().equals(point)
                && !f.to().equals(point)
                && !f.to().equals(SupplySection.CHASSIS) -> {
          boolean choke =
              f.henries().isPresent()
                  || f.through().map(PartRef::toString).orElse("").startsWith("L");
          String name = names.through(f);
          yield Optional.of(
              new Placed(choke ? Symbol.CHOKE : Symbol.RESISTOR, name, f.id(), column, row, false));
        }
        case SupplyRegulator r
            when r.kind() == SupplyRegulator.Kind.SERIES && r.from().equals(point) ->
            Optional.of(new Placed(Symbol.REGULATOR, r.name(), r.id(), column, row, false));
        case SupplyOutput o ->
            of(SupplyConverter.class).stream()
                .filter(c -> c.name().equals(o.converter()) && c.from().equals(point))
                .findFirst()
                .map(c -> new Placed(Symbol.CONVERTER, c.name(), c.id(), column, row, false));
        default -> Optional.empty();
      };
    }

    /** What hangs between this point and the chassis. */
    private List<Function<Double, Placed>> hanging(String point, int row) {
      boolean turned =
          negative.getOrDefault(point, false)
              || of(SupplyRectifier.class).stream().anyMatch(r -> r.common().equals(point));
      List<Function<Double, Placed>> all = new ArrayList<>();
      for (SupplySection s : sections) {
        switch (s) {
          case SupplyFilter f -> {
            if (f.to().equals(point) && (f.shunt().isPresent() || f.farads().isPresent())) {
              String name = names.shunt(f);
              all.add(x -> new Placed(Symbol.CAPACITOR, name, f.id(), x, row, turned));
            }
            if (f.from().equals(point) && f.to().equals(SupplySection.CHASSIS)) {
              String name = names.through(f);
              all.add(x -> new Placed(Symbol.BLEEDER, name, f.id(), x, row, turned));
            }
          }
          case SupplyOutput o when o.name().equals(point) -> {
            if (o.capacitor().isPresent() || o.farads().isPresent()) {
              String name = o.capacitor().map(PartRef::toString).orElse("C-" + o.name());
              all.add(x -> new Placed(Symbol.CAPACITOR, name, o.id(), x, row, o.volts() < 0));
            }
            all.add(x -> new Placed(Symbol.LOAD, o.name(), o.id(), x, row, false));
          }
          case SupplyLoad l when l.at().equals(point) ->
              all.add(x -> new Placed(Symbol.LOAD, l.name(), l.id(), x, row, turned));
          case SupplyStage v when v.at().equals(point) ->
              all.add(x -> new Placed(Symbol.STAGE, v.name(), v.id(), x, row, turned));
          case SupplyRegulator r
              when r.kind() == SupplyRegulator.Kind.SHUNT && r.to().equals(point) ->
              all.add(x -> new Placed(Symbol.STABILISER, r.name(), r.id(), x, row, r.negative()));
          case SupplyRectifier r
              when r.to().equals(point)
                  && r.scheme() == SupplyRectifier.Scheme.FULL_WAVE_DOUBLER -> {
            all.add(x -> new Placed(Symbol.UPPER_CAPACITOR, names.first(r), r.id(), x, row, false));
            all.add(
                x -> new Placed(Symbol.LOWER_CAPACITOR, names.shunt(r), r.id(), x - 1, row, false));
          }
          case SupplyRectifier r
              when r.to().equals(point) && r.scheme() == SupplyRectifier.Scheme.CASCADE_DOUBLER ->
              all.add(x -> new Placed(Symbol.CAPACITOR, names.shunt(r), r.id(), x, row, turned));
          default -> {}
        }
      }
      return all;
    }
  }
}
