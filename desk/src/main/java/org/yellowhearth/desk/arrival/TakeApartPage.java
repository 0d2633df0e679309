package org.yellowhearth.desk.arrival;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.TextField;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.arrival.Reassembly;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * What came off the set, in order; and the same from last to first, to be ticked off when it goes
 * together again.
 */
final class TakeApartPage extends Page {
  private final VBox log = column();
  private final VBox back = column();

  TakeApartPage(DeskModel model) {
    super(model);
    add(
        stepLine(),
        columns(column(heading("apart.log"), log), column(heading("apart.back"), back)));
  }

  private AddLine stepLine() {
    List<TextField> f = new ArrayList<>();
    List<ComboBox<TakeApartStep.Fixing>> fixing = new ArrayList<>();
    AddLine line =
        new AddLine(
            model(),
            () ->
                model()
                    .made(() -> {
                      String count = f.get(1).getText().strip();
                      if (!count.matches("\\d{0,4}")) {
                        throw new IllegalArgumentException(Labels.of("apart.bad-count", count));
                      }
                      model()
                          .put(
                              new TakeApartStep(
                                  model().newId(),
                                  Reassembly.next(job()),
                                  fixing.getFirst().getValue(),
                                  count.isEmpty() ? 1 : Integer.parseInt(count),
                                  f.get(0).getText().strip(),
                                  f.get(2).getText().strip(),
                                  f.get(3).getText().strip(),
                                  Optional.empty(),
                                  false));
                    }));
    f.add(line.field("apart.what", "apart-what", 20));
    f.add(line.field("apart.count", "apart-count", 3));
    fixing.add(line.choice("apart.fixing", "apart-fixing", List.of(TakeApartStep.Fixing.values())));
    f.add(line.field("apart.kept", "apart-kept", 10));
    f.add(line.field("apart.orientation", "apart-orientation", 14));
    return line.button("form.add-line", "apart-add");
  }

  @Override
  protected void show(Job job) {
    fill(
        log,
        Reassembly.log(job),
        "apart.none",
        s ->
            log.getChildren()
                .add(
                    row(
                        text(s.number() + ".  " + said(s)),
                        quiet("form.take-out", () -> model().take(s)))));
    fill(
        back,
        Reassembly.list(job),
        "apart.back.none",
        s -> {
          CheckBox done = new CheckBox(said(s));
          done.setWrapText(true);
          done.setId("back-" + s.number());
          done.setSelected(s.refitted());
          done.setOnAction(_ -> model().put(s.refitted(done.isSelected())));
          back.getChildren().add(done);
        });
  }

  private String said(TakeApartStep s) {
    StringBuilder text =
        new StringBuilder(s.count() > 1 ? s.count() + " × " : "")
            .append(s.what())
            .append(" (")
            .append(model().words().word(s.fixing()))
            .append(')');
    if (!s.orientation().isEmpty()) {
      text.append(", ").append(s.orientation());
    }
    if (!s.kept().isEmpty()) {
      text.append("  →  ").append(s.kept());
    }
    return text.toString();
  }
}
