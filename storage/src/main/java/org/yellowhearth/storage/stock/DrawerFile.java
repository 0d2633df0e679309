package org.yellowhearth.storage.stock;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.knowledge.json.JsonValue;
import org.yellowhearth.knowledge.json.RecordJson;
import org.yellowhearth.storage.store.Shop.DatedAct;

/**
 * Drawer and changed catalogue with everything that was ever done to them, as one JSON file; see
 * docs/shop-format.md.
 */
public final class DrawerFile {
  private static final String FORMAT = "yellow-hearth-drawer";
  private static final int VERSION = 1;
  private static final int MOST = 200_000;
  private static final int LONGEST = 100;

  private DrawerFile() {}

  /** Whether a file says that it is one of these. */
  public static boolean is(JsonValue root) {
    return root.text("format", LONGEST).equals(FORMAT);
  }

  /** The file. */
  public static String write(List<DatedAct> acts) {
    ArrayNode all = JsonNodeFactory.instance.arrayNode();
    for (DatedAct a : acts) {
      ObjectNode node =
          JsonNodeFactory.instance
              .objectNode()
              .put("at", a.at().toInstant().toString())
              .put("zone", a.at().getZone().getId());
      node.setAll(RecordJson.writeTagged("act", (Record) a.act()));
      all.add(node);
    }
    ObjectNode root =
        JsonNodeFactory.instance.objectNode().put("format", FORMAT).put("version", VERSION);
    root.set("acts", all);
    return root.toPrettyString() + "\n";
  }

  /** What it says, each act held against what stands before it. */
  public static List<DatedAct> read(JsonValue root) {
    root.object("format", "version", "acts");
    root.field("version").integer(1, VERSION);
    List<DatedAct> acts = new ArrayList<>();
    Stock stock = Stock.EMPTY;
    for (JsonValue v : root.list("acts", MOST)) {
      DatedAct act =
          new DatedAct(moment(v), RecordJson.readTagged(v, "act", Stock.Act.class, "at", "zone"));
      try {
        stock = stock.after(act.act());
      } catch (IllegalArgumentException e) {
        throw v.bad("it does not fit what stands before it: " + e.getMessage());
      }
      acts.add(act);
    }
    return acts;
  }

  private static ZonedDateTime moment(JsonValue v) {
    try {
      return Instant.parse(v.field("at").text(LONGEST))
          .atZone(ZoneId.of(v.field("zone").text(LONGEST)));
    } catch (DateTimeException e) {
      throw v.bad(
          "expected a time in UTC such as 2026-11-20T10:15:00Z and a zone such as Europe/London");
    }
  }
}
