package org.yellowhearth.desk.trace;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.circuit.SpiceText;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.forms.Paged;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.publishing.drawing.PlotSvg;
import org.yellowhearth.publishing.drawing.River;
import org.yellowhearth.publishing.drawing.SupplySymbols;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.TraceModel;
import org.yellowhearth.workshop.words.Labels;

/** Trace: the voltage river of this very set, its description, readings, suspects and margins. */
public final class TraceView extends BorderPane implements Paged {
  private static final double DETAILS_EMS = 24;
  private static final double DETAILS_SHARE = 0.37;
  private static final double SVG_WIDTH = 1100;
  private static final double SVG_RIVER = 420;
  private static final double SVG_EM = 14;

  private final DeskModel model;
  private final Map<String, Node> pages = new LinkedHashMap<>();
  private final PageTabs tabs;
  private final RiverPage river;
  private final TraceDetails details;
  private final HBox legend = new HBox();
  private String page = "river";

  /** A view of the model's open job. */
  public TraceView(DeskModel model, FileAsk files, DoubleBinding em) {
    this.model = model;
    getStyleClass().addAll("stage", "trace");
    river = new RiverPage(model);
    details = new TraceDetails(model);
    details
        .prefWidthProperty()
        .bind(Bindings.min(em.multiply(DETAILS_EMS), widthProperty().multiply(DETAILS_SHARE)));
    pages.put("river", river);
    pages.put("describe", new DescribePage(model));
    pages.put("readings", new ReadingsPage(model));
    pages.put("signs", new SignsPage(model));
    pages.put("suspects", new SuspectsPage(model));
    pages.put("margins", new MarginsPage(model));
    Label title = new Label(Labels.of("trace.title"));
    title.getStyleClass().add("stage-title");
    title.setMinWidth(USE_PREF_SIZE);
    tabs = new PageTabs(pages.keySet(), "trace.page.", "trace-", this::show);
    HBox.setHgrow(tabs, Priority.ALWAYS);
    Button svg =
        Page.button(
            "trace.svg",
            "trace-svg",
            () -> files.newPicture("supply.svg").ifPresent(f -> model.save(f, svg())));
    Button spice =
        Page.button(
            "trace.spice",
            "trace-spice",
            () -> files.newPicture("supply.cir").ifPresent(f -> model.save(f, spice())));
    said(svg, "trace.svg.long");
    said(spice, "trace.spice.long");
    ToggleButton reasons = new ToggleButton(Labels.of("trace.details"));
    reasons.setId("show-details");
    reasons.setMinWidth(USE_PREF_SIZE);
    Bound.both(reasons.selectedProperty(), model.reasonsShownProperty());
    legend.getStyleClass().add("river-legend");
    legend
        .getChildren()
        .addAll(
            swatch("river-drawn-swatch", "trace.legend.drawn"),
            swatch("river-now-swatch", "trace.legend.now"),
            swatch("river-post-swatch", "trace.legend.posts"));
    HBox head = new HBox(title, tabs, svg, spice, reasons);
    head.getStyleClass().add("stage-line");
    VBox top = new VBox(head, legend);
    top.getStyleClass().add("trace-head");
    setTop(top);
    model.reasonsShownProperty().addListener((_, _, _) -> show(page));
    show("river");
  }

  /** A short word on the button, the whole sentence for who asks. */
  private static void said(Button button, String label) {
    button.setTooltip(new Tooltip(Labels.of(label)));
    button.setAccessibleText(Labels.of(label));
    button.getStyleClass().add("quiet-button");
  }

  private static Label swatch(String style, String label) {
    Region colour = new Region();
    colour.getStyleClass().addAll("river-swatch", style);
    Label text = new Label(Labels.of(label), colour);
    text.getStyleClass().add("quiet");
    text.setMinWidth(0);
    return text;
  }

  /** Shows a page by its name: river, describe, readings, signs, suspects or margins. */
  @Override
  public void show(String name) {
    page = name;
    tabs.mark(name);
    setCenter(pages.get(name));
    boolean river = name.equals("river");
    legend.setVisible(river);
    legend.setManaged(river);
    setRight(river && model.reasonsShownProperty().get() ? details : null);
  }

  private List<SupplySection> sections() {
    return model.job().items(SupplySection.class);
  }

  /** River and drawing as one picture. */
  private String svg() {
    River shown = river.shown();
    return PlotSvg.supply(
        Labels.of("trace.title") + ", " + model.job().plate().name(),
        shown,
        river.values(),
        SVG_WIDTH,
        SVG_RIVER,
        SVG_RIVER + SupplySymbols.height(sections(), SVG_EM));
  }

  private String spice() {
    SupplyModel now =
        model
            .trace()
            .workedProperty()
            .get()
            .map(TraceModel.Worked::now)
            .filter(m -> m.supply().isPresent())
            .orElseThrow(() ->
                new IllegalStateException("a supply that cannot be worked out has no netlist"));
    return SpiceText.study(
        now.supply().orElseThrow().circuit(), model.job().plate().name(), now.points());
  }
}
