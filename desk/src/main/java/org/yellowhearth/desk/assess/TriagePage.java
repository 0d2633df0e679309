package org.yellowhearth.desk.assess;

import java.util.List;
import java.util.Optional;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import org.yellowhearth.core.assess.Triage;
import org.yellowhearth.core.assess.Triage.Heap;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** The parts of a board on five heaps, by what was read of them in place. */
final class TriagePage extends Page {
  /** Widths of the reference, the value and the reading, in heights of the text. */
  private static final double[] COLUMNS = {3.4, 7.5, 6};

  private final GridPane heaps = new GridPane();
  private final DoubleBinding em;

  TriagePage(DeskModel model, DoubleBinding em) {
    super(model);
    this.em = em;
    heaps.getStyleClass().add("sums");
    heaps.setId("triage-heaps");
    add(
        heading("triage.title"),
        text(Labels.of("triage.how"), "quiet"),
        heaps,
        text(Labels.of("triage.worth"), "quiet"));
  }

  @Override
  protected void show(Job job) {
    heaps.getChildren().clear();
    List<Triage> sorted =
        Triage.of(model().openProperty().get().orElseThrow().judged().assessments());
    if (sorted.isEmpty()) {
      across(text(Labels.of("triage.empty")));
      return;
    }
    widen();
    Describe describe = new Describe(model().words(), job);
    for (Heap heap : Heap.values()) {
      List<Triage> on = sorted.stream().filter(t -> t.heap() == heap).toList();
      across(
          text(
              Labels.of("triage.count", model().words().word(heap), on.size()),
              "section-title",
              "heap-" + heap.code()));
      for (Triage t : on) {
        Region why = text(model().words().say(t.why()));
        GridPane.setHgrow(why, Priority.ALWAYS);
        heaps.addRow(
            heaps.getRowCount(),
            reference(t.part()),
            whole(describe.value(t.part()), "quiet"),
            whole(read(job, t.part()), "figure"),
            why);
      }
    }
  }

  private void across(Region whole) {
    heaps.add(whole, 0, heaps.getRowCount(), COLUMNS.length + 1, 1);
  }

  /** The columns as wide as the text is large now. */
  private void widen() {
    heaps.getColumnConstraints().clear();
    for (double width : COLUMNS) {
      ColumnConstraints column = new ColumnConstraints();
      column.setMinWidth(width * em.get());
      heaps.getColumnConstraints().add(column);
    }
  }

  /** A word that is not wrapped. */
  private static Label whole(String text, String style) {
    Label label = new Label(text);
    label.getStyleClass().add(style);
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  /** A click chooses the part, so that the next line is of it. */
  private Button reference(Part part) {
    Button button = quiet(part.ref().toString());
    button.setId("triage-" + part.ref());
    button.setOnAction(_ -> model().chosenProperty().set(Optional.of(part.ref())));
    return button;
  }

  private static Button quiet(String text) {
    Button button = new Button(text);
    button.getStyleClass().add("quiet-button");
    button.setMinWidth(Region.USE_PREF_SIZE);
    return button;
  }

  /** The newest reading as it was typed, without its reference. */
  private static String read(Job job, Part part) {
    PartRef ref = part.ref();
    return job.readingsOf(ref).isEmpty()
        ? ""
        : job.readingsOf(ref).getLast().typed().replaceFirst("(?i)^" + ref + "\\s+", "");
  }
}
