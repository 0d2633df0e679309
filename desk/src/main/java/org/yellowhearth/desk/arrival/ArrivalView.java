package org.yellowhearth.desk.arrival;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.control.Label;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.forms.Paged;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.words.Labels;

/** Arrival: everything about the set that later stages compute with, on a few pages. */
public final class ArrivalView extends BorderPane implements Paged {
  private final Map<String, Page> pages = new LinkedHashMap<>();
  private final PageTabs tabs;

  /** A view of the model's open job. */
  public ArrivalView(DeskModel model, FileAsk files, DoubleBinding em) {
    getStyleClass().addAll("stage", "arrival");
    pages.put("set", new SetPage(model));
    pages.put("complaint", new ComplaintPage(model));
    pages.put("mains", new MainsPage(model));
    pages.put("photographs", new PhotographsPage(model, files, em));
    pages.put("apart", new TakeApartPage(model));
    pages.put("scope", new ScopePage(model));
    pages.put("policy", new PolicyPage(model));
    Label title = new Label(Labels.of("arrival.title"));
    title.getStyleClass().add("stage-title");
    title.setMinWidth(USE_PREF_SIZE);
    tabs = new PageTabs(pages.keySet(), "arrival.page.", "page-", this::show);
    HBox head = new HBox(title, tabs);
    head.getStyleClass().add("stage-head");
    HBox.setHgrow(tabs, Priority.ALWAYS);
    setTop(head);
    show("set");
  }

  /** Shows a page by its name: set, complaint, mains, photographs, apart, scope or policy. */
  @Override
  public void show(String name) {
    tabs.mark(name);
    setCenter(pages.get(name));
  }

  /** The names of the pages, in order. */
  public List<String> pageNames() {
    return List.copyOf(pages.keySet());
  }
}
