package org.yellowhearth.desk.replace;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.Node;
import javafx.scene.layout.BorderPane;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.desk.dossier.PaperTray;
import org.yellowhearth.desk.forms.PageTabs;
import org.yellowhearth.desk.forms.Paged;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.Stage;

/**
 * Renew: the condemned parts at the left, and at the right what comes in their places, from the
 * choice to the last tick at the bench.
 */
public final class ReplaceView extends BorderPane implements Paged {
  private static final double PLACES_EMS = 20;
  private static final double PLACES_SHARE = 0.3;

  /** Pages about one part stand beside the list of parts; the others take the whole width. */
  private static final Set<String> OF_ONE = Set.of("choose", "record");

  private final DeskModel model;
  private final PlacesPane places;
  private final Map<String, Node> pages = new LinkedHashMap<>();
  private final PageTabs tabs;

  /** A view of the model's open job. */
  public ReplaceView(DeskModel model, FileAsk files, DoubleBinding em) {
    this.model = model;
    getStyleClass().addAll("stage", "renew");
    places = new PlacesPane(model);
    places
        .prefWidthProperty()
        .bind(Bindings.min(em.multiply(PLACES_EMS), widthProperty().multiply(PLACES_SHARE)));
    PaperTray tray = new PaperTray(model, files, this);
    pages.put("glance", new GlancePage(model, em, this::closer));
    pages.put("choose", new ChoosePage(model));
    pages.put("kit", new KitPage(model, files, tray));
    pages.put("cans", new CansPage(model));
    pages.put("rectifier", new RectifierPage(model));
    pages.put("mains", new MainsWorkPage(model));
    pages.put("sheet", new SheetPage(model, tray));
    pages.put("record", new RecordPage(model, tray));
    pages.put("drawer", DrawerPane.scrolling(model, files));
    pages.put("shopping", new ShoppingPage(model, files, tray));
    tabs = new PageTabs(pages.keySet(), "replace.page.", "renew-page-", this::show);
    setTop(tabs.head("replace.title"));
    model.renew().rowsProperty().addListener((_, _, _) -> again());
    model.chosenProperty().addListener((_, _, _) -> again());
    model.stageProperty().addListener((_, _, _) -> arrive());
    show("choose");
  }

  /**
   * Shows a page by its name: glance, choose, kit, cans, rectifier, mains, sheet, record, drawer or
   * shopping.
   */
  @Override
  public void show(String name) {
    tabs.mark(name);
    setLeft(OF_ONE.contains(name) ? places : null);
    setCenter(pages.get(name));
    again();
  }

  private void closer(PartRef ref) {
    model.chosenProperty().set(Optional.of(ref));
    show("choose");
  }

  /** The work begins with a part that wants another. */
  private void arrive() {
    if (model.stageProperty().get() == Stage.REPLACE && model.openProperty().get().isPresent()) {
      boolean there =
          model
              .chosenProperty()
              .get()
              .map(ref ->
                  model.renew().rowsProperty().get().stream().anyMatch(r -> r.ref().equals(ref)))
              .orElse(false);
      if (!there) {
        model.renew().rowsProperty().get().stream()
            .findFirst()
            .ifPresent(r -> model.chosenProperty().set(Optional.of(r.ref())));
      }
      again();
    }
  }

  private void again() {
    if (model.openProperty().get().isPresent() && model.stageProperty().get() == Stage.REPLACE) {
      places.show(model.renew().rowsProperty().get());
    }
  }
}
