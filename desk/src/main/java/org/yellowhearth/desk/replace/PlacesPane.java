package org.yellowhearth.desk.replace;

import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.parts.PartLanes;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReplaceModel.Row;
import org.yellowhearth.workshop.words.Labels;

/**
 * The parts that want others, one beneath another: what each is, what comes in its place, how far
 * it has come.
 */
final class PlacesPane extends PartLanes<Row> {
  private final DeskModel model;

  PlacesPane(DeskModel model) {
    super(model, "places", "place", "replace.places", "replace.nothing", false, "quiet");
    this.model = model;
  }

  @Override
  protected PartRef ref(Row row) {
    return row.ref();
  }

  /** How far an exchange has come, in one word's key. */
  private static String state(Row r) {
    Fitting f = r.fitting();
    if (f.sign() == Fitting.MeterSign.REVERSED) {
      return "reversed";
    }
    if (f.debt() != Fitting.Debt.UNSTATED) {
      return "provisional";
    }
    return f.checked()
        ? "checked"
        : f.fitted()
            ? "fitted"
            : f.removed() ? "removed" : r.choice().isPresent() ? "chosen" : "open";
  }

  @Override
  protected Shown shown(Row row) {
    String key = state(row);
    String light =
        switch (key) {
          case "open" -> "none";
          case "chosen" -> "shut";
          case "removed", "fitted" -> "waiting";
          case "checked" -> "open";
          default -> "trouble";
        };
    Describe describe = new Describe(model.words());
    return new Shown(
        light,
        describe.value(row.part()),
        Labels.of("replace.state." + key),
        row.choice().map(c -> "→ " + Describe.choice(c)).orElse(describe.kind(row.part())));
  }
}
