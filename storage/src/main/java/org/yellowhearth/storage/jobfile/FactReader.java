package org.yellowhearth.storage.jobfile;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.yellowhearth.core.fact.Aspect;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.knowledge.json.JsonValue;
import org.yellowhearth.knowledge.json.RecordJson;

/** Reads aspects and items of a job file. */
final class FactReader {
  private FactReader() {}

  /** What stands of each aspect; blank ones are left out. */
  static List<Aspect> aspects(JsonValue root) {
    Set<Class<?>> seen = new HashSet<>();
    return root.list("aspects", Aspect.BLANKS.size()).stream()
        .map(v -> {
          Aspect aspect = aspect(v);
          if (!seen.add(aspect.getClass())) {
            throw v.bad("this aspect stands here a second time");
          }
          return aspect;
        })
        .filter(a -> !Aspect.BLANKS.contains(a))
        .toList();
  }

  /** What stands of the items. */
  static List<Item> items(JsonValue root) {
    Set<String> seen = new HashSet<>();
    return root.list("items", JobFormat.MOST_ITEMS).stream()
        .map(v -> {
          Item item = item(v);
          if (!seen.add(item.id())) {
            throw v.field("id").bad("the id " + item.id() + " stands here a second time");
          }
          return item;
        })
        .toList();
  }

  static Aspect aspect(JsonValue v) {
    return RecordJson.readTagged(v, "aspect", Aspect.class);
  }

  static Item item(JsonValue v) {
    return RecordJson.readTagged(v, "item", Item.class);
  }
}
