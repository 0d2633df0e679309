package org.yellowhearth.desk.firstpower;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.forms.Paged;
import org.yellowhearth.desk.platform.Alarm;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Stage;

/**
 * Wake: what must be so before power, the plan of the ramp, the run with its one large stop, and
 * the lines to transformer and meters.
 */
public final class FirstPowerView extends BorderPane implements Paged {
  private final DeskModel model;
  private final Map<String, Node> pages = new LinkedHashMap<>();
  private final PageTabs tabs;
  private final FirstPowerRunPage run;
  private final FirstPowerLinkPage link;

  /** A view of the model's open job. */
  public FirstPowerView(DeskModel model, DoubleBinding em) {
    this.model = model;
    getStyleClass().addAll("stage", "wake");
    run = new FirstPowerRunPage(model, em);
    link = new FirstPowerLinkPage(model);
    pages.put("plan", new PowerUpPage(model));
    pages.put("ready", new ReadyPage(model));
    pages.put("run", Page.tall(run));
    pages.put("link", Page.tall(link));
    tabs = new PageTabs(pages.keySet(), "firstpower.page.", "wake-page-", this::show);
    setTop(tabs.head("firstpower.title"));
    model.wake().onAlarm(Alarm::sound);
    model
        .wake()
        .runProperty()
        .addListener((_, was, is) -> {
          boolean begun =
              model.wake().on() && was.map(r -> r.phase() != is.orElseThrow().phase()).orElse(true);
          if (begun) {
            show("run");
          }
        });
    model.reform().momentProperty().addListener((_, _, _) -> tick());
    show("plan");
  }

  /** Shows a page by its name: plan, ready, run or link. */
  @Override
  public void show(String name) {
    tabs.mark(name);
    setCenter(pages.get(name));
  }

  private void tick() {
    if (model.stageProperty().get() == Stage.FIRST_POWER
        && model.openProperty().get().isPresent()) {
      run.tick();
      link.tick();
    }
  }
}
