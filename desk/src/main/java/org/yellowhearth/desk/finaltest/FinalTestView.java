package org.yellowhearth.desk.finaltest;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.forms.Paged;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.workshop.DeskModel;

/**
 * Prove: the evidence that a set is good, page by page, and what still stands against handing it
 * back.
 */
public final class FinalTestView extends BorderPane implements Paged {
  private final Map<String, Node> pages = new LinkedHashMap<>();
  private final PageTabs tabs;

  /** A view of the model's open job. */
  public FinalTestView(DeskModel model, FileAsk files) {
    getStyleClass().addAll("stage", "prove");
    PaperTray tray = new PaperTray(model, files, this);
    pages.put("chart", new ChartPage(model, tray));
    pages.put("adjust", new AdjustPage(model));
    pages.put("loads", new LoadsPage(model));
    pages.put("functions", new FunctionsPage(model));
    pages.put("accuracy", new AccuracyPage(model));
    pages.put("burn", new BurnPage(model));
    pages.put("causes", new CausesPage(model));
    pages.put("back", new BackPage(model));
    tabs = new PageTabs(pages.keySet(), "finaltest.page.", "prove-page-", this::show);
    setTop(tabs.head("finaltest.title"));
    show("chart");
  }

  /** Shows a page by its name: chart, adjust, loads, functions, accuracy, burn, causes or back. */
  @Override
  public void show(String name) {
    tabs.mark(name);
    setCenter(pages.get(name));
  }
}
