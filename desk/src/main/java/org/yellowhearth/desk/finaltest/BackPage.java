package org.yellowhearth.desk.finaltest;

import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** What still stands against handing the set back. */
final class BackPage extends Page {
  private final Label gate = text("", "wake-gate");
  private final VBox list = column();

  BackPage(DeskModel model) {
    super(model);
    gate.setId("back-gate");
    list.setId("back-list");
    add(gate, list, text(Labels.of("finaltest.back.care"), "caution", "caution-care"));
    model
        .prove()
        .chartProperty()
        .addListener((_, _, _) -> {
          if (model.openProperty().get().isPresent()) {
            show(job());
          }
        });
  }

  @Override
  protected void show(Job job) {
    List<SignOff.Owed> open = model().prove().open();
    long blocking = open.stream().filter(SignOff.Owed::blocks).count();
    gate.setText(
        blocking > 0
            ? Labels.of("finaltest.back.shut", blocking)
            : Labels.of(open.isEmpty() ? "finaltest.back.open" : "finaltest.back.left"));
    gate.getStyleClass().removeAll("gate-open", "gate-shut");
    gate.getStyleClass().add(blocking > 0 ? "gate-shut" : "gate-open");
    fillRows(
        list,
        open,
        "finaltest.back.nothing",
        o ->
            text(
                (o.blocks() ? "!  " : "·  ")
                    + (o.about() + "  " + model().words().say(o.why())).strip(),
                o.blocks() ? "point-against" : "quiet"));
  }
}
