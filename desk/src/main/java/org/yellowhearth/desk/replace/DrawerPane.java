package org.yellowhearth.desk.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.function.Function;
import java.util.stream.Stream;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TableColumn;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.DeviceWare;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.quantity.Money;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Measure;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.StockModel;
import org.yellowhearth.workshop.words.Labels;

/**
 * The drawer of the shop and the catalogue it orders from: what lies there, what is spoken for, and
 * every change of it. Needs no open job.
 */
public final class DrawerPane extends VBox {
  private static final String RESISTOR = "resistor";
  private static final double TOLERANCE_C = 0.2;
  private static final double TOLERANCE_R = 0.05;

  private final DeskModel model;
  private final StockModel stock;
  private final TableView<StockPart> table = new TableView<>();
  private final TextField filter = new TextField();
  private final ToggleButton drawer = tab("stock.drawer", "stock-drawer");
  private final ToggleButton catalogue = tab("stock.catalogue", "stock-catalogue");
  private final Label count = Page.text("", "quiet");
  private final List<TextField> fields = new ArrayList<>();
  private final ComboBox<String> kind;
  private final ComboBox<Leads> leads;
  private final ComboBox<SafetyClass> safety;
  private final Button keep;
  private Optional<StockPart> changing = Optional.empty();

  private enum Field {
    TITLE,
    VALUE,
    RATING,
    QUANTITY,
    MEASURED,
    MADE,
    PRICE,
    PACK,
    WHERE
  }

  /** A view of the shop's stock that scrolls where large text needs more height. */
  public static ScrollPane scrolling(DeskModel model, FileAsk files) {
    ScrollPane scroll = new ScrollPane(new DrawerPane(model, files));
    scroll.setFitToWidth(true);
    scroll.setFitToHeight(true);
    scroll.getStyleClass().add("page");
    return scroll;
  }

  private DrawerPane(DeskModel model, FileAsk files) {
    this.model = model;
    stock = model.stock();
    getStyleClass().add("drawer");
    ToggleGroup group = new ToggleGroup();
    drawer.setToggleGroup(group);
    catalogue.setToggleGroup(group);
    drawer.setSelected(true);
    for (ToggleButton t : List.of(drawer, catalogue)) {
      t.setOnAction(_ -> {
        // One of the two is always shown.
        t.setSelected(true);
        leave();
        show();
      });
    }
    filter.setId("stock-filter");
    filter.setPromptText(Labels.of("stock.filter"));
    filter.setAccessibleText(Labels.of("stock.filter"));
    filter.textProperty().addListener((_, _, _) -> show());
    FlowPane head =
        new FlowPane(
            drawer,
            catalogue,
            filter,
            Page.button("stock.undo", "stock-undo", stock::undo),
            Page.button("stock.redo", "stock-redo", stock::redo),
            Page.button(
                "stock.bring",
                "stock-bring",
                () -> files.list().ifPresent(f -> stock.bringIn(f, whence()))),
            Page.button(
                "stock.write",
                "stock-write",
                () ->
                    files
                        .newList(Labels.of("stock.file." + whence().code()))
                        .ifPresent(f -> stock.takeOut(f, whence()))),
            count);
    head.getStyleClass().add("line-form");
    table.setId("stock-table");
    table.setAccessibleText(Labels.of("shop.page.drawer"));
    table.getStyleClass().add("part-table");
    table.setColumnResizePolicy(TableView.CONSTRAINED_RESIZE_POLICY_FLEX_LAST_COLUMN);
    columns();
    VBox.setVgrow(table, Priority.ALWAYS);
    AddLine line = new AddLine(model, this::keep);
    for (Field f : List.of(Field.TITLE)) {
      fields.add(line.field("stock.field." + code(f), "stock-" + code(f), 9));
    }
    kind =
        line.pick(
            "stock.field.kind",
            "stock-kind",
            kinds(),
            k -> k.equals(RESISTOR) ? Labels.of("stock.resistor") : model.words().capacitorKind(k));
    for (Field f : List.of(Field.VALUE, Field.RATING)) {
      fields.add(line.field("stock.field." + code(f), "stock-" + code(f), 6));
    }
    leads = line.choice("stock.field.leads", "stock-leads", List.of(Leads.values()));
    safety = line.choice("stock.field.class", "stock-class", List.of(SafetyClass.values()));
    for (Field f :
        List.of(Field.QUANTITY, Field.MEASURED, Field.MADE, Field.PRICE, Field.PACK, Field.WHERE)) {
      fields.add(
          line.field("stock.field." + code(f), "stock-" + code(f), f == Field.WHERE ? 8 : 4));
    }
    line.button("stock.add", "stock-add");
    keep = (Button) line.getChildren().getLast();
    FlowPane acts =
        new FlowPane(
            Page.button("stock.change", "stock-change", this::change),
            Page.button("stock.remove", "stock-remove", () -> selected().ifPresent(stock::remove)),
            Page.button(
                "stock.withdraw", "stock-withdraw", () -> selected().ifPresent(this::withdraw)));
    acts.getStyleClass().add("line-form");
    acts.disableProperty().bind(table.getSelectionModel().selectedItemProperty().isNull());
    getChildren().addAll(head, table, acts, line);
    stock.shelvedProperty().addListener((_, _, _) -> show());
    sceneProperty()
        .addListener((_, _, scene) -> {
          if (scene != null) {
            if (stock.shelvedProperty().get().isEmpty()) {
              stock.refresh();
            }
            show();
          }
        });
  }

  private static ToggleButton tab(String label, String id) {
    ToggleButton t = new ToggleButton(Labels.of(label));
    t.setId(id);
    t.getStyleClass().add("page-tab");
    return t;
  }

  private static String code(Field f) {
    return f.name().toLowerCase(Locale.ROOT);
  }

  private List<String> kinds() {
    return Stream.concat(
            model.knowledge().kinds().keySet().stream()
                .sorted(
                    Comparator.comparing(
                        k -> model.words().capacitorKind(k), String.CASE_INSENSITIVE_ORDER)),
            Stream.of(RESISTOR))
        .toList();
  }

  private Whence whence() {
    return catalogue.isSelected() ? Whence.CATALOGUE : Whence.DRAWER;
  }

  private Optional<StockPart> selected() {
    return Optional.ofNullable(table.getSelectionModel().getSelectedItem());
  }

  private void columns() {
    column("title", 0.7, StockPart::title);
    column(
        "ware",
        1.9,
        p ->
            new Describe(model.words()).ware(p.ware())
                + (p.withdrawn() ? "  (" + Labels.of("stock.withdrawn") + ")" : ""));
    column("quantity", 0.5, p -> p.whence() == Whence.CATALOGUE ? "" : lying(p));
    column(
        "measured",
        0.5,
        p ->
            p.measured().isEmpty()
                ? ""
                : (p.ware() instanceof CapacitorWare
                        ? Quantity.farads(p.measured().getAsDouble())
                        : Quantity.ohms(p.measured().getAsDouble()))
                    .toString());
    column(
        "made",
        0.6,
        p ->
            p.made().isEmpty()
                ? ""
                : p.made().getAsInt()
                    + (p.wantsSoak(model.knowledge(), model.now().getYear())
                        ? "  " + Labels.of("stock.soak")
                        : ""));
    column("price", 0.4, p -> p.price().isEmpty() ? "" : Money.amount(p.price().getAsDouble()));
    column("where", 0.7, p -> p.where() + (p.remark().isEmpty() ? "" : "  " + p.remark()));
  }

  /** How many lie there, and how many of them are promised to a set. */
  private String lying(StockPart p) {
    return stock
        .shelvedProperty()
        .get()
        .map(s -> {
          int left = s.uses().left(p);
          int free = s.uses().free(p);
          return left == free
              ? Integer.toString(left)
              : Labels.of("stock.of-these-free", left, free);
        })
        .orElse("");
  }

  private void column(String key, double share, Function<StockPart, String> value) {
    TableColumn<StockPart, String> c = new TableColumn<>(Labels.of("stock.column." + key));
    c.setCellValueFactory(p -> new ReadOnlyStringWrapper(value.apply(p.getValue())));
    c.setPrefWidth(200 * share);
    table.getColumns().add(c);
  }

  private void show() {
    if (getScene() == null) {
      return;
    }
    Optional<StockModel.Shelved> s = stock.shelvedProperty().get();
    List<StockPart> all =
        s.map(x -> whence() == Whence.CATALOGUE ? x.catalogue() : x.stock().drawer())
            .orElse(List.of());
    String[] words = filter.getText().strip().toLowerCase(Locale.ROOT).split("\\s+");
    Describe describe = new Describe(model.words());
    List<StockPart> shown =
        all.stream()
            .filter(p -> {
              String text =
                  (p.title() + " " + describe.ware(p.ware()) + " " + p.where() + " " + p.remark())
                      .toLowerCase(Locale.ROOT);
              return Stream.of(words).allMatch(text::contains);
            })
            .toList();
    Label empty =
        Page.text(Labels.of(all.isEmpty() ? "stock.empty" : "stock.none-match"), "empty-state");
    table.setPlaceholder(empty);
    Optional<String> was = selected().map(StockPart::id);
    table.getItems().setAll(shown);
    was.flatMap(id -> shown.stream().filter(p -> p.id().equals(id)).findFirst())
        .ifPresent(table.getSelectionModel()::select);
    count.setText(Labels.of("stock.count", shown.size(), all.size()));
    keep.setText(
        Labels.of(
            changing.isPresent()
                ? "stock.keep"
                : whence() == Whence.DRAWER ? "stock.add" : "stock.add-catalogue"));
  }

  private TextField field(Field f) {
    return fields.stream()
        .filter(x -> x.getId().equals("stock-" + code(f)))
        .findFirst()
        .orElseThrow();
  }

  private void leave() {
    changing = Optional.empty();
    fields.forEach(TextField::clear);
  }

  /** Fills the form with the chosen line, to change it. */
  private void change() {
    selected()
        .ifPresent(p -> {
          changing = Optional.of(p);
          field(Field.TITLE).setText(p.title());
          switch (p.ware()) {
            case CapacitorWare c -> {
              kind.setValue(c.kind());
              field(Field.VALUE).setText(Measure.FARADS.write(OptionalDouble.of(c.farads())));
              field(Field.RATING).setText(Measure.VOLTS.write(OptionalDouble.of(c.volts())));
              safety.setValue(c.safety());
            }
            case ResistorWare r -> {
              kind.setValue(RESISTOR);
              field(Field.VALUE).setText(Measure.OHMS.write(OptionalDouble.of(r.ohms())));
              field(Field.RATING).setText(Measure.WATTS.write(OptionalDouble.of(r.watts())));
            }
            case DeviceWare _ -> {
              // The drawer's form asks for a value; devices come by a list.
            }
          }
          leads.setValue(p.ware().leads());
          int fitted =
              stock
                  .shelvedProperty()
                  .get()
                  .map(s -> p.quantity().orElse(0) - s.uses().left(p))
                  .orElse(0);
          field(Field.QUANTITY)
              .setText(
                  p.quantity().isPresent()
                      ? Integer.toString(p.quantity().getAsInt() - fitted)
                      : "");
          field(Field.MEASURED)
              .setText(
                  (p.ware() instanceof CapacitorWare ? Measure.FARADS : Measure.OHMS)
                      .write(p.measured()));
          field(Field.MADE)
              .setText(p.made().isPresent() ? Integer.toString(p.made().getAsInt()) : "");
          field(Field.PRICE)
              .setText(p.price().isPresent() ? Double.toString(p.price().getAsDouble()) : "");
          field(Field.PACK).setText(p.pack() == 1 ? "" : Integer.toString(p.pack()));
          field(Field.WHERE).setText(p.where());
          field(Field.TITLE).requestFocus();
          show();
        });
  }

  private void withdraw(StockPart p) {
    stock.put(
        new StockPart(
            p.id(),
            p.whence(),
            p.title(),
            p.ware(),
            p.quantity(),
            p.measured(),
            p.made(),
            p.price(),
            p.pack(),
            p.where(),
            !p.withdrawn(),
            p.remark()));
  }

  private boolean keep() {
    return model.made(() -> {
      StockPart read = read();
      stock.put(read);
      changing = Optional.empty();
      keep.setText(Labels.of(whence() == Whence.DRAWER ? "stock.add" : "stock.add-catalogue"));
    });
  }

  private StockPart read() {
    String title = field(Field.TITLE).getText().strip();
    boolean resistor = kind.getValue().equals(RESISTOR);
    Measure measure = resistor ? Measure.OHMS : Measure.FARADS;
    double value = needed(measure, Field.VALUE);
    double rating = needed(resistor ? Measure.WATTS : Measure.VOLTS, Field.RATING);
    Optional<Ware> old = changing.map(StockPart::ware);
    Ware ware = resistor ? resistor(value, rating, old) : capacitor(value, rating, old);
    OptionalInt quantity =
        whence() == Whence.CATALOGUE ? OptionalInt.empty() : OptionalInt.of(counted());
    String id =
        changing
            .map(StockPart::id)
            .orElseGet(() ->
                whence() == Whence.DRAWER ? model.newId() : title.replaceAll("[^A-Za-z0-9-]", "-"));
    return new StockPart(
        id,
        whence(),
        title,
        ware,
        quantity,
        measure.read(field(Field.MEASURED).getText()),
        whole(Field.MADE),
        Measure.PLAIN.read(field(Field.PRICE).getText()),
        whole(Field.PACK).orElse(1),
        field(Field.WHERE).getText().strip(),
        changing.map(StockPart::withdrawn).orElse(false),
        changing.map(StockPart::remark).orElse(""));
  }

  /** What lies there now, and what jobs have fitted out of it already. */
  private int counted() {
    int gone =
        changing
            .flatMap(p ->
                stock.shelvedProperty().get().map(s -> s.uses().fitted().getOrDefault(p.id(), 0)))
            .orElse(0);
    return whole(Field.QUANTITY).orElse(1) + gone;
  }

  private ResistorWare resistor(double ohms, double watts, Optional<Ware> old) {
    Optional<ResistorWare> was =
        old.filter(ResistorWare.class::isInstance).map(ResistorWare.class::cast);
    return new ResistorWare(
        ohms,
        was.map(ResistorWare::tolerance).orElse(TOLERANCE_R),
        watts,
        leads.getValue(),
        was.map(ResistorWare::diameterMetres).orElse(OptionalDouble.empty()),
        was.map(ResistorWare::lengthMetres).orElse(OptionalDouble.empty()),
        was.map(ResistorWare::celsius).orElse(OptionalDouble.empty()));
  }

  private CapacitorWare capacitor(double farads, double volts, Optional<Ware> old) {
    Optional<CapacitorWare> was =
        old.filter(CapacitorWare.class::isInstance).map(CapacitorWare.class::cast);
    OptionalDouble none = OptionalDouble.empty();
    return new CapacitorWare(
        kind.getValue(),
        farads,
        was.map(CapacitorWare::tolerance).orElse(TOLERANCE_C),
        volts,
        safety.getValue() != SafetyClass.UNSTATED,
        safety.getValue(),
        leads.getValue(),
        was.map(CapacitorWare::diameterMetres).orElse(none),
        was.map(CapacitorWare::lengthMetres).orElse(none),
        was.map(CapacitorWare::rippleAmperes).orElse(none),
        was.map(CapacitorWare::esrOhms).orElse(none),
        was.map(CapacitorWare::celsius).orElse(none),
        was.map(CapacitorWare::lifeHours).orElse(none));
  }

  private double needed(Measure measure, Field f) {
    return measure
        .read(field(f).getText())
        .orElseThrow(() ->
            new IllegalArgumentException(
                Labels.of("stock.needed", Labels.of("stock.field." + code(f)), measure.example())));
  }

  private OptionalInt whole(Field f) {
    OptionalDouble v = Measure.PLAIN.read(field(f).getText());
    if (v.isPresent() && v.getAsDouble() != Math.rint(v.getAsDouble())) {
      throw new IllegalArgumentException(
          Labels.of("stock.whole", Labels.of("stock.field." + code(f)), field(f).getText()));
    }
    return v.isPresent() ? OptionalInt.of((int) v.getAsDouble()) : OptionalInt.empty();
  }
}
