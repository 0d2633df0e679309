package org.yellowhearth.desk.partslist;

import java.util.List;
import java.util.Optional;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.Clipboard;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.partslist.Gaps;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.parts.CanDrawing;
import org.yellowhearth.desk.parts.PartTable;
import org.yellowhearth.desk.parts.PickBar;
import org.yellowhearth.desk.parts.StageHead;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.storage.partslist.PartsListCsv;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.OpenJob;
import org.yellowhearth.workshop.words.Labels;

/**
 * Census: every part as it is printed and as it was understood, a decoder for its marks, and lists
 * brought in.
 */
public final class PartsListView extends BorderPane {
  private static final int MOST_GAPS = 6;

  /** The decoder leaves at least so much of the stage to the list. */
  private static final double DECODER_SHARE = 0.42;

  private final DeskModel model;
  private final StageHead head;
  private final CanDrawing can = new CanDrawing();
  private final Label gaps = Page.text("", "gaps");

  /** A view of the model's open job. */
  public PartsListView(DeskModel model, FileAsk files, DoubleBinding em) {
    this.model = model;
    getStyleClass().add("stage");
    Describe plain = new Describe(model.words());
    PartTable table =
        new PartTable(model, em, "parts.empty")
            .column("table.ref", 4.3, 0, "cell-ref", r -> r.part().ref().toString())
            .column("table.marking", 9, 2, "cell-figure", r -> r.part().marking())
            .column("table.value", 8, 0, "cell-text", r -> plain.value(r.part()))
            .column(
                "table.kind", 8, 1, "cell-text", r -> new Describe(model.words()).kind(r.part()))
            .column("table.role", 7.8, 1, "cell-text", r -> role(model, r.part()))
            .column("table.polarity", 9, 3, "cell-text", r -> polarity(model, r.part()))
            .column("table.sees", 4.6, 4, "cell-figure", r -> sees(r.part()));
    table.setId("census-table");
    table.addEventHandler(
        KeyEvent.KEY_PRESSED,
        e -> {
          if (e.isShortcutDown()
              && e.getCode() == KeyCode.V
              && Clipboard.getSystemClipboard().hasString()) {
            model.imports().open();
            model.imports().take(Clipboard.getSystemClipboard().getString());
            e.consume();
          }
        });
    ScrollPane list = new ScrollPane(new ImportPane(model, files));
    list.setFitToWidth(true);
    list.setFitToHeight(true);
    setCenter(table);
    PartForm form = new PartForm(model);
    BorderPane row = new BorderPane(form.node());
    row.setRight(can);
    VBox entry = new VBox(row);
    entry.getStyleClass().add("entry");
    DecoderPane decoder = new DecoderPane(model);
    head = new StageHead("parts.title", this, entry, em, model.reasonsShownProperty());
    ToggleButton decode = head.toggle("decoder.title", "show-decoder", false);
    ScrollPane decoding = new ScrollPane(decoder);
    decoding.setFitToWidth(true);
    decoding.setMinHeight(0);
    decoding.getStyleClass().add("decoding");
    decoding.maxHeightProperty().bind(heightProperty().multiply(DECODER_SHARE));
    decoding.visibleProperty().bind(decode.selectedProperty());
    decoding.managedProperty().bind(decode.selectedProperty());
    decode.selectedProperty().addListener((_, _, is) -> head.showForm(!is));
    ToggleButton about = head.toggle("about.title", "show-about", false);
    AboutPage page = new AboutPage(model);
    about.selectedProperty().addListener((_, _, is) -> setCenter(is ? page : table));
    head.button(
        "list.out",
        "list-out",
        () ->
            model
                .openProperty()
                .get()
                .ifPresent(o ->
                    files
                        .newList(o.job().plate().name() + ".csv")
                        .ifPresent(file ->
                            model.save(
                                file,
                                PartsListCsv.write(
                                    o.job(),
                                    model.parts().shown(),
                                    model.knowledge().vocabulary(),
                                    model.words())))));
    head.button("import.title", "show-import", model.imports()::open);
    gaps.setId("gaps");
    setTop(new VBox(head, Page.row(gaps, StageHead.filterField(model.parts()))));
    VBox foot = new VBox(new PickBar(model), decoding, entry);
    setBottom(foot);
    model
        .imports()
        .previewProperty()
        .addListener((_, was, is) -> {
          if (was.isPresent() != is.isPresent()) {
            about.setSelected(false);
            setCenter(is.isPresent() ? list : table);
            foot.setVisible(is.isEmpty());
            foot.setManaged(is.isEmpty());
          }
        });
    model.openProperty().addListener((_, _, open) -> open.ifPresent(this::show));
    model.chosenProperty().addListener((_, _, _) -> showCan());
    showCan();
  }

  private static String role(DeskModel model, Part part) {
    return part instanceof Capacitor c && c.role() != Role.UNSTATED
        ? model.words().word(c.role())
        : "—";
  }

  /** Positive earth is said loudly: it is the one that is fitted the wrong way round. */
  private static String polarity(DeskModel model, Part part) {
    if (!(part instanceof Capacitor c) || c.polarity() == Polarity.UNSTATED) {
      return "—";
    }
    return (c.polarity() == Polarity.POSITIVE_TO_CHASSIS ? "⊕ " : "")
        + model.words().word(c.polarity());
  }

  private static String sees(Part part) {
    return part instanceof Capacitor c
        ? c.workingVolts().stream()
            .mapToObj(Quantity::volts)
            .map(Quantity::toString)
            .findFirst()
            .orElse("—")
        : "—";
  }

  private void show(OpenJob open) {
    long noKind =
        open.job().capacitors().stream()
            .filter(c -> c.kind().equals(Capacitor.UNSTATED_KIND))
            .count();
    long noRole = open.job().capacitors().stream().filter(c -> c.role() == Role.UNSTATED).count();
    head.count(
        Labels.of("parts.count", open.assessments().size())
            + (noKind > 0 ? Labels.of("parts.no-kind", noKind) : "")
            + (noRole > 0 ? Labels.of("parts.no-role", noRole) : ""));
    Gaps found = Gaps.of(open.assessments().stream().map(Assessment::part).map(Part::ref).toList());
    String missing =
        String.join(", ", found.missing().stream().limit(MOST_GAPS).toList())
            + (found.missing().size() > MOST_GAPS ? " …" : "");
    String twice = String.join(", ", found.twice().stream().map(PartRef::toString).toList());
    String text =
        (missing.isEmpty() ? "" : Labels.of("parts.missing", missing))
            + (twice.isEmpty() ? "" : "  " + Labels.of("parts.twice", twice));
    gaps.setText(text.strip());
    showCan();
  }

  private void showCan() {
    Optional<Capacitor> chosen =
        model
            .chosenProperty()
            .get()
            .flatMap(ref -> model.openProperty().get().flatMap(o -> o.job().capacitor(ref)))
            .filter(Capacitor::section);
    can.setVisible(chosen.isPresent());
    can.setManaged(chosen.isPresent());
    chosen.ifPresent(c -> {
      List<Capacitor> sections =
          model.job().capacitors().stream()
              .filter(o -> o.ref().whole().equals(c.ref().whole()))
              .toList();
      can.show(sections, c.ref(), new Describe(model.words()));
    });
  }
}
