package org.yellowhearth.desk.reform;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.StackPane;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.forms.Paged;
import org.yellowhearth.desk.platform.Alarm;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReformModel;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/**
 * Reform: lanes at the left, one for each capacitor; at the right the run, the plan or the line to
 * the instrument.
 */
public final class ReformView extends BorderPane implements Paged {
  private static final double LANES_EMS = 25;
  private static final double LANES_SHARE = 0.4;

  private final DeskModel model;
  private final ReformModel reform;
  private final LanesPane lanes;
  private final RunPage run;
  private final LinkPage link;
  private final Map<String, Node> pages = new LinkedHashMap<>();
  private final PageTabs tabs;
  private final StackPane nothing;
  private String page = "run";

  /** A view of the model's open job. */
  public ReformView(DeskModel model, FileAsk files, DoubleBinding em) {
    this.model = model;
    reform = model.reform();
    getStyleClass().addAll("stage", "reform");
    lanes = new LanesPane(model);
    lanes
        .prefWidthProperty()
        .bind(Bindings.min(em.multiply(LANES_EMS), widthProperty().multiply(LANES_SHARE)));
    PaperTray tray = new PaperTray(model, files, this);
    run = new RunPage(model, tray);
    link = new LinkPage(model);
    pages.put("run", Page.tall(run));
    pages.put("plan", new PlanPage(model, tray));
    pages.put("hours", new HoursPage(model, files));
    pages.put("link", Page.tall(link));
    pages.put("quality", new QualityPage(model));
    nothing = new StackPane(Page.text(Labels.of("reform.no-plan"), "quiet"));
    nothing.getStyleClass().add("run-page");
    tabs = new PageTabs(pages.keySet(), "reform.page.", "reform-", this::show);
    setTop(tabs.head("reform.title"));
    setLeft(lanes);
    reform.onAlarm(Alarm::sound);
    reform.lanesProperty().addListener((_, _, _) -> again());
    model.chosenProperty().addListener((_, _, _) -> again());
    model.stageProperty().addListener((_, _, _) -> again());
    reform.momentProperty().addListener((_, _, _) -> tick());
    show("run");
  }

  private void tick() {
    if (model.stageProperty().get() == Stage.REFORM) {
      chosen().ifPresent(run::tick);
      link.said();
    }
  }

  /** Shows a page by its name: run, plan, hours, link or quality. */
  @Override
  public void show(String name) {
    page = name;
    tabs.mark(name);
    again();
  }

  private void workOut() {
    if (page.equals("plan")) {
      model.chosenProperty().get().ifPresent(reform.plans()::workOut);
    } else if (page.equals("hours")) {
      reform.schedule().workOut();
    }
  }

  private Optional<ReformModel.Lane> chosen() {
    return model.chosenProperty().get().flatMap((PartRef ref) -> reform.lane(ref));
  }

  private void again() {
    if (model.openProperty().get().isEmpty() || model.stageProperty().get() != Stage.REFORM) {
      return;
    }
    workOut();
    lanes.show(reform.lanesProperty().get());
    run.show(chosen());
    link.show();
    boolean planned = chosen().flatMap(ReformModel.Lane::run).isPresent();
    setCenter(page.equals("run") && !planned ? nothing : pages.get(page));
  }
}
