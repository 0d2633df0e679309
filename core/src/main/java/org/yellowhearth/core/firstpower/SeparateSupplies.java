package org.yellowhearth.core.firstpower;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Supply;

/**
 * Supplies of one set that share nothing but the mains transformer and the chassis: each can be run
 * first by itself.
 */
public final class SeparateSupplies {
  private SeparateSupplies() {}

  /**
   * One of them.
   *
   * @param rails the points that it feeds, sorted
   */
  public record Part(List<String> rails, List<Section> sections) {
    public Part {
      rails = List.copyOf(rails);
      sections = List.copyOf(sections);
    }
  }

  /**
   * The supplies of a set, each with its rails, in the order their windings come; windings that
   * feed nothing are no supply.
   */
  public static List<Part> of(Supply supply) {
    Map<String, String> root = new HashMap<>();
    for (Section s : supply.sections()) {
      List<String> nodes = nodes(s);
      nodes.forEach(n -> join(root, nodes.getFirst(), n));
    }
    Map<String, List<Section>> groups = new LinkedHashMap<>();
    for (Section s : supply.sections()) {
      groups.computeIfAbsent(find(root, nodes(s).getFirst()), _ -> new ArrayList<>()).add(s);
    }
    return groups.values().stream()
        .map(g -> new Part(rails(g), g))
        .filter(p -> !p.rails.isEmpty())
        .toList();
  }

  /** The supply with only some of its rails connected. */
  public static Supply only(Supply supply, Collection<String> rails) {
    List<Section> kept =
        of(supply).stream()
            .filter(p -> p.rails.stream().anyMatch(rails::contains))
            .flatMap(p -> p.sections.stream())
            .toList();
    return new Supply(supply.mains(), supply.primary(), kept);
  }

  private static List<String> rails(List<Section> group) {
    TreeSet<String> rails = new TreeSet<>();
    boolean rectified =
        group.stream().anyMatch(s -> s instanceof Section.Rectify || s instanceof Section.Doubler);
    if (rectified) {
      group.stream()
          .filter(s -> !(s instanceof Section.Winding))
          .flatMap(s -> nodes(s).stream())
          .filter(n -> !n.startsWith(WINDING))
          .forEach(rails::add);
    }
    return List.copyOf(rails);
  }

  private static final String WINDING = "winding ";

  /** What a section hangs on, without the chassis, which all share. */
  private static List<String> nodes(Section s) {
    Stream<String> all =
        switch (s) {
          case Section.Winding w -> Stream.of(WINDING + w.id());
          case Section.Rectify r -> Stream.of(WINDING + r.winding(), r.to(), r.common());
          case Section.Doubler d -> Stream.of(WINDING + d.winding(), d.to());
          case Section.Filter f -> Stream.of(f.from(), f.to(), f.against());
          case Section.Resist r -> Stream.of(r.from(), r.to());
          case Section.Load l -> Stream.of(l.at());
          case Section.Stage v -> Stream.of(v.at(), v.gridPoint());
          case Section.Regulate r ->
              Stream.concat(Stream.of(r.from(), r.to()), r.tracks().map(t -> t.point()).stream());
          case Section.Stabilise z -> Stream.of(z.at());
        };
    return all.filter(n -> !n.equals(Section.CHASSIS)).toList();
  }

  private static String find(Map<String, String> root, String node) {
    String at = node;
    while (!root.getOrDefault(at, at).equals(at)) {
      at = root.get(at);
    }
    return at;
  }

  private static void join(Map<String, String> root, String a, String b) {
    root.put(find(root, b), find(root, a));
  }
}
