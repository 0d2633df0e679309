package org.yellowhearth.desk.safety;

import java.util.stream.Collectors;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.safety.SetCautions;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** What can hurt in this very set, and the usual precaution. */
final class CautionsPage extends Page {
  private final VBox list = column();

  CautionsPage(DeskModel model) {
    super(model);
    add(text(Labels.of("safety.cautions.note"), "quiet"), list);
  }

  @Override
  protected void show(Job job) {
    fillRows(list, SetCautions.of(job, model().knowledge()), "safety.cautions.none", this::caution);
  }

  private VBox caution(CautionRule rule) {
    VBox box =
        column(
            text(model().words().term("Danger." + rule.id()), "strong-note"),
            text(model().words().term("Precaution." + rule.id())),
            text(
                Labels.of(
                    "safety.cautions.again",
                    rule.stages().stream()
                        .map(model().words()::word)
                        .collect(Collectors.joining(", ")),
                    model().knowledge().source(rule.source()).title()),
                "reasons-source"));
    box.getStyleClass().addAll("caution", rule.danger() ? "caution-danger" : "caution-care");
    return box;
  }
}
