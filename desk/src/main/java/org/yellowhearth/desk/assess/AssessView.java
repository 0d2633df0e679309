package org.yellowhearth.desk.assess;

import java.util.Map;
import javafx.beans.binding.DoubleBinding;
import javafx.geometry.Orientation;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.SplitPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.parts.PartRow;
import org.yellowhearth.desk.parts.PartTable;
import org.yellowhearth.desk.parts.PickBar;
import org.yellowhearth.desk.parts.StageHead;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.OpenJob;
import org.yellowhearth.workshop.PartsModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * Assess: the ageing field, under it every part with its newest figures and verdict, and reading
 * entry always at hand.
 */
public final class AssessView extends BorderPane {
  /** A stage less high than this many heights of the text starts without its field. */
  private static final double ROOM_FOR_FIELD = 34;

  private static final double FIELD_SHARE = 0.55;

  /**
   * With the field the form has room only in a high window; the bench line does all that it does.
   */
  private static final double ROOM_FOR_FORM = 60;

  private final StageHead head;
  private final Label formFor = new Label();

  /** A view of the model's open job. */
  public AssessView(DeskModel model, FileAsk files, DoubleBinding em) {
    getStyleClass().add("stage");
    PartTable table =
        new PartTable(model, em, "assess.empty")
            .verdicts(6.4)
            .column("table.ref", 4.2, 0, "cell-ref", r -> r.part().ref().toString())
            .column(
                "table.value",
                7.8,
                0,
                "cell-text",
                r -> new Describe(model.words()).value(r.part()))
            .column("table.role", 7.9, 3, "cell-text", r -> place(model, r))
            .column("table.c", 5.9, 1, "cell-figure", PartRow::capacitance)
            .column("table.esr", 4.9, 2, "cell-figure", PartRow::esr)
            .column("table.d", 4.2, 4, "cell-figure", PartRow::dissipation)
            .column("table.leak", 5.6, 5, "cell-figure", PartRow::other)
            .column("table.risk", 5.3, 6, "cell-figure", AssessView::risk);
    table.setId("assess-table");
    FieldPane field = new FieldPane(model, files);
    SplitPane split = new SplitPane(field, table);
    split.setOrientation(Orientation.VERTICAL);
    split.setDividerPositions(FIELD_SHARE);
    split.getStyleClass().add("quiet-split");
    setCenter(split);
    formFor.getStyleClass().add("form-title");
    VBox entry = new VBox(formFor, new ReadingForm(model).node());
    entry.getStyleClass().add("entry");
    setBottom(new VBox(new PickBar(model), entry));
    head =
        new StageHead("assess.title", this, entry, ROOM_FOR_FORM, em, model.reasonsShownProperty());
    ToggleButton first = head.toggle("assess.first", "what-first", false);
    first
        .selectedProperty()
        .addListener((_, _, risk) ->
            model
                .parts()
                .orderProperty()
                .set(risk ? PartsModel.Order.RISK : PartsModel.Order.REFERENCE));
    model
        .parts()
        .orderProperty()
        .addListener((_, _, order) -> first.setSelected(order == PartsModel.Order.RISK));
    ToggleButton shown = head.toggle("assess.field", "show-field", true);
    shown
        .selectedProperty()
        .addListener((_, _, is) -> {
          split.getItems().remove(field);
          if (is) {
            split.getItems().addFirst(field);
            split.setDividerPositions(FIELD_SHARE);
          }
        });
    boolean[] decided = {false};
    shown.setOnAction(_ -> decided[0] = true);
    heightProperty()
        .addListener((_, _, height) -> {
          if (!decided[0] && height.doubleValue() > 0) {
            shown.setSelected(height.doubleValue() >= ROOM_FOR_FIELD * em.get());
          }
        });
    ToggleButton limits = head.toggle("limits.shown", "show-limits", false);
    LimitsPage page = new LimitsPage(model);
    ToggleButton loading = head.toggle("loading.shown", "show-loading", false);
    LoadingPage loadingPage = new LoadingPage(model);
    ToggleButton triage = head.toggle("triage.shown", "show-triage", false);
    oneOf(split, Map.of(limits, page, loading, loadingPage, triage, new TriagePage(model, em)));
    setTop(new VBox(head, Page.row(field.tools(), StageHead.filterField(model.parts()))));
    model.openProperty().addListener((_, _, open) -> open.ifPresent(this::show));
    model
        .chosenProperty()
        .addListener((_, _, ref) ->
            formFor.setText(
                Labels.of("assess.form")
                    + " "
                    + ref.map(PartRef::toString).orElse(Labels.of("plate.nothing"))));
  }

  /** At most one of these pages stands in the place of the table. */
  private void oneOf(Node table, Map<ToggleButton, Node> pages) {
    pages.forEach((button, page) ->
        button
            .selectedProperty()
            .addListener((_, _, is) -> {
              if (is) {
                pages.keySet().stream()
                    .filter(b -> !b.equals(button))
                    .forEach(b -> b.setSelected(false));
                setCenter(page);
              } else if (pages.keySet().stream().noneMatch(ToggleButton::isSelected)) {
                setCenter(table);
              }
            }));
  }

  private static String place(DeskModel model, PartRow row) {
    return row.part() instanceof Capacitor c
        ? model.words().word(c.role())
        : new Describe(model.words()).kind(row.part());
  }

  /** Chance times consequence, as it orders the list. */
  private static String risk(PartRow row) {
    Assessment a = row.assessment();
    return a.risk().chanceShown() + " × " + a.risk().consequence();
  }

  private void show(OpenJob open) {
    long measured = open.assessments().stream().filter(Assessment::measured).count();
    head.count(Labels.of("assess.count", measured, open.assessments().size()));
  }
}
