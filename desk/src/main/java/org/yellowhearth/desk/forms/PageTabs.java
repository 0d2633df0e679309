package org.yellowhearth.desk.forms;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Consumer;

import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import org.yellowhearth.desk.Labels;

/** The tabs of the pages of a stage, which wrap where the window is narrow. */
public final class PageTabs extends FlowPane {
    private final Map<String, ToggleButton> tabs = new LinkedHashMap<>();

    /**
     * A tab for each page.
     *
     * @param labels what the key of a label begins with, before the name of its page
     * @param ids the same for the id of a tab
     * @param asked what happens when a page is asked for
     */
    public PageTabs(Collection<String> pages, String labels, String ids, Consumer<String> asked) {
        getStyleClass().add("page-tabs");
        ToggleGroup group = new ToggleGroup();
        for (String page : pages) {
            ToggleButton tab = new ToggleButton(Labels.of(labels + page));
            tab.setId(ids + page);
            tab.setToggleGroup(group);
            tab.getStyleClass().add("page-tab");
            tab.setOnAction(_ -> asked.accept(page));
            tabs.put(page, tab);
            getChildren().add(tab);
        }
    }

    /** Marks a page as the one that is shown. */
    public void mark(String page) {
        tabs.get(page).setSelected(true);
    }
}
