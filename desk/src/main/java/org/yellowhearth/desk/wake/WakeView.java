package org.yellowhearth.desk.wake;

import java.util.LinkedHashMap;
import java.util.Map;

import javafx.beans.binding.DoubleBinding;
import javafx.scene.Node;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.Stage;
import org.yellowhearth.desk.shell.Alarm;

/** Wake: what must be so before power, the plan of the ramp, the run with its one large stop, and the lines to transformer and meters. */
public final class WakeView extends BorderPane {
    private final DeskModel model;
    private final Map<String, Node> pages = new LinkedHashMap<>();
    private final PageTabs tabs;
    private final WakeRunPage run;
    private final WakeLinkPage link;

    /** A view of the model's open job. */
    public WakeView(DeskModel model, DoubleBinding em) {
        this.model = model;
        getStyleClass().addAll("stage", "wake");
        run = new WakeRunPage(model, em);
        link = new WakeLinkPage(model);
        pages.put("plan", new RampPage(model));
        pages.put("ready", new ReadyPage(model));
        pages.put("run", tall(run));
        pages.put("link", tall(link));
        Label title = new Label(Labels.of("wake.title"));
        title.getStyleClass().add("stage-title");
        title.setMinWidth(USE_PREF_SIZE);
        tabs = new PageTabs(pages.keySet(), "wake.page.", "wake-page-", this::show);
        HBox.setHgrow(tabs, Priority.ALWAYS);
        HBox head = new HBox(title, tabs);
        head.getStyleClass().add("stage-line");
        VBox top = new VBox(head);
        top.getStyleClass().add("trace-head");
        setTop(top);
        model.wake().onAlarm(Alarm::sound);
        model.wake().runProperty().addListener((_, was, is) -> {
            boolean begun = model.wake().on()
                    && was.map(r -> r.phase() != is.orElseThrow().phase()).orElse(true);
            if (begun) {
                show("run");
            }
        });
        model.reform().momentProperty().addListener((_, _, _) -> tick());
        show("plan");
    }

    /** A page that fills its place, and scrolls where large text needs more. */
    private static ScrollPane tall(Region page) {
        ScrollPane scroll = new ScrollPane(page);
        scroll.setFitToWidth(true);
        scroll.setFitToHeight(true);
        scroll.getStyleClass().add("page");
        return scroll;
    }

    /** Shows a page by its name: plan, ready, run or link. */
    public void show(String name) {
        tabs.mark(name);
        setCenter(pages.get(name));
    }

    private void tick() {
        if (model.stageProperty().get() == Stage.WAKE && model.openProperty().get().isPresent()) {
            run.tick();
            link.tick();
        }
    }
}
