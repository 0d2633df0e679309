package org.yellowhearth.desk.replace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.binding.Bindings;
import javafx.beans.binding.DoubleBinding;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.ProgressBar;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.DeviceWare;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Money;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.ChoiceEffect;
import org.yellowhearth.core.replace.Combination;
import org.yellowhearth.core.replace.Demand;
import org.yellowhearth.core.replace.DeviceSearch;
import org.yellowhearth.core.replace.ResistorSearch;
import org.yellowhearth.core.replace.SemiSheet;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.replace.Substitute;
import org.yellowhearth.core.replace.Substitutes;
import org.yellowhearth.desk.forms.Bound;
import org.yellowhearth.desk.forms.Columns;
import org.yellowhearth.desk.forms.Form;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.ReplaceModel;
import org.yellowhearth.workshop.ReplaceModel.Answer;
import org.yellowhearth.workshop.ReplaceModel.Row;
import org.yellowhearth.workshop.words.Labels;

/**
 * The old part at the left, the new one at the right, the reasons between them; beneath, everything
 * that could come in its place.
 */
final class ChoosePage extends Page {
  private static final int REFUSALS = 6;

  /** Narrower than this many heights of the text the three stand beneath one another. */
  private static final double ROOM_FOR_THREE = 40;

  /** From here on a point speaks against a part; below it is only another part's advantage. */
  private static final double MATTERS = 0.2;

  private final ReplaceModel renew;
  private final VBox old = card("replace.old");
  private final VBox why = card("replace.why");
  private final VBox fresh = card("replace.new");
  private final ListView<Offer> offers = new ListView<>();
  private final ProgressBar progress = new ProgressBar();
  private final GridPane effect = new GridPane();
  private final VBox effectNotes = column();
  private final VBox refused = column();
  private final Button choose = button("replace.choose", "renew-choose", this::choose);
  private Optional<Answer> shown = Optional.empty();
  private boolean filling;

  /** One that could come in: capacitors or resistors. */
  private record Offer(
      int rank,
      Optional<Substitute> substitute,
      Optional<ResistorSearch.Found> resistor,
      Optional<DeviceSearch.Found> device) {
    List<StockPart> parts() {
      return substitute
          .map(Substitute::parts)
          .or(() -> resistor.map(ResistorSearch.Found::parts))
          .orElseGet(() -> List.of(device.orElseThrow().part()));
    }
  }

  ChoosePage(DeskModel model) {
    super(model);
    renew = model.renew();
    offers.setId("offers");
    offers.getStyleClass().addAll("lanes", "offers");
    offers.setAccessibleText(Labels.of("replace.offers"));
    offers.setCellFactory(_ -> new OfferCell<Offer>(model, ChoosePage.this::described));
    offers
        .getSelectionModel()
        .selectedItemProperty()
        .addListener((_, _, o) -> {
          if (!filling) {
            renew.look(Optional.ofNullable(o).flatMap(Offer::substitute));
            showCards();
          }
        });
    offers.setOnMouseClicked(e -> {
      if (e.getClickCount() == 2) {
        choose();
      }
    });
    choose.getStyleClass().add("keep-button");
    progress.setId("renew-progress");
    progress.progressProperty().bind(Bound.number(renew.answering().progressProperty()));
    HBox working =
        new HBox(
            progress,
            text(Labels.of("replace.working"), "quiet"),
            button("suspects.stop", "renew-stop", renew.answering()::stop));
    working.getStyleClass().add("item-row");
    working
        .visibleProperty()
        .bind(Bound.number(renew.answering().progressProperty()).greaterThanOrEqualTo(0));
    working.managedProperty().bind(working.visibleProperty());
    Label heading = heading("replace.offers");
    effect.getStyleClass().add("sums");
    effect.setId("renew-effect");
    refused.setId("renew-refused");
    VBox cards = column();
    DoubleBinding em =
        Bindings.createDoubleBinding(() -> heading.getFont().getSize(), heading.fontProperty());
    Runnable place =
        () -> {
          boolean wide = getWidth() >= ROOM_FOR_THREE * em.get();
          if (getWidth() > 0
              && (cards.getChildren().isEmpty()
                  || wide != cards.getChildren().getFirst() instanceof Columns)) {
            cards.getChildren().clear();
            cards
                .getChildren()
                .setAll(wide ? List.of(columns(old, why, fresh)) : List.of(old, fresh, why));
          }
        };
    widthProperty().addListener((_, _, _) -> place.run());
    em.addListener((_, _, _) -> place.run());
    add(
        cards,
        working,
        heading,
        offers,
        heading("replace.effect"),
        effect,
        effectNotes,
        heading("replace.refused"),
        refused);
    renew.answerProperty().addListener((_, _, _) -> again());
    renew.effectProperty().addListener((_, _, _) -> showEffect());
    model.chosenProperty().addListener((_, _, _) -> again());
    model.reasonsShownProperty().addListener((_, _, _) -> again());
  }

  private static VBox card(String title) {
    VBox box = new VBox();
    box.getStyleClass().add("renew-card");
    box.setUserData(title);
    return box;
  }

  private void again() {
    if (getScene() != null && model().openProperty().get().isPresent()) {
      show(job());
    }
  }

  private Optional<Row> row() {
    return model().chosenProperty().get().flatMap(renew::row);
  }

  @Override
  protected void show(Job job) {
    Optional<Answer> now =
        renew
            .answerProperty()
            .get()
            .filter(a -> model().chosenProperty().get().equals(Optional.of(a.ref())));
    if (!now.equals(shown)) {
      boolean other = !shown.map(Answer::ref).equals(now.map(Answer::ref));
      shown = now;
      if (other) {
        setVvalue(0);
      }
      filling = true;
      offers.getItems().setAll(offers(now));
      filling = false;
      Label none =
          text(
              Labels.of(
                  model().chosenProperty().get().isEmpty()
                      ? "replace.choose-part"
                      : now.isPresent() ? "replace.no-offer" : "replace.not-yet"),
              "quiet");
      offers.setPlaceholder(none);
      if (!offers.getItems().isEmpty()) {
        offers.getSelectionModel().select(chosenIndex());
      }
      showRefused(now);
    }
    showCards();
    showEffect();
  }

  /** Where what was chosen already stands among the offers; the best where nothing was. */
  private int chosenIndex() {
    List<String> taken =
        row()
            .flatMap(Row::choice)
            .map(c -> c.all().stream().map(Choice.Taken::stock).sorted().toList())
            .orElse(List.of());
    for (Offer o : offers.getItems()) {
      if (o.parts().stream().map(StockPart::id).sorted().toList().equals(taken)) {
        return o.rank - 1;
      }
    }
    return 0;
  }

  private static List<Offer> offers(Optional<Answer> answer) {
    List<Offer> all = new ArrayList<>();
    answer.ifPresent(a -> {
      switch (a) {
        case Answer.ForCapacitor c ->
            c.of()
                .best()
                .forEach(s ->
                    all.add(
                        new Offer(
                            all.size() + 1, Optional.of(s), Optional.empty(), Optional.empty())));
        case Answer.ForResistor r ->
            r.found()
                .forEach(f ->
                    all.add(
                        new Offer(
                            all.size() + 1, Optional.empty(), Optional.of(f), Optional.empty())));
        case Answer.ForDevice d ->
            d.found()
                .forEach(f ->
                    all.add(
                        new Offer(
                            all.size() + 1, Optional.empty(), Optional.empty(), Optional.of(f))));
      }
    });
    return all;
  }

  private Optional<Offer> selected() {
    return Optional.ofNullable(offers.getSelectionModel().getSelectedItem());
  }

  private void choose() {
    selected()
        .ifPresent(o -> {
          o.substitute.ifPresent(s ->
              shown
                  .filter(Answer.ForCapacitor.class::isInstance)
                  .ifPresent(a -> renew.choose(((Answer.ForCapacitor) a).of(), s)));
          o.resistor.ifPresent(f -> shown.ifPresent(a -> renew.choose(a.ref(), f)));
          o.device.ifPresent(f -> shown.ifPresent(a -> renew.choose(a.ref(), f)));
        });
  }

  /** What an offer is called, what it is, and the weightiest words about it. */
  private OfferCell.Lines described(Offer o) {
    Choice c = choice(o);
    List<Label> points = new ArrayList<>();
    o.substitute.ifPresent(s -> s.points().stream().limit(1).forEach(p -> points.add(point(p))));
    o.resistor.ifPresent(f -> points.add(text(resistor(f))));
    o.device.ifPresent(f -> f.points().forEach(w -> points.add(text(model().words().say(w)))));
    boolean drawer = o.parts().stream().anyMatch(p -> p.whence() == Choice.Whence.DRAWER);
    OptionalDouble price =
        o.parts().stream().anyMatch(p -> p.price().isEmpty())
            ? OptionalDouble.empty()
            : OptionalDouble.of(o.parts().stream().mapToDouble(p -> p.price().getAsDouble()).sum());
    return new OfferCell.Lines(
        o.rank,
        Describe.choice(c),
        String.join(" + ", c.all().stream().map(t -> brief(t.ware())).distinct().toList()),
        drawer,
        price.isPresent() ? Money.amount(price.getAsDouble()) : "",
        points);
  }

  private String brief(Ware w) {
    String leads = w.leads() == Leads.UNSTATED ? "" : model().words().word(w.leads());
    if (w instanceof DeviceWare d) {
      return d.ratings();
    }
    if (!(w instanceof CapacitorWare c)) {
      return leads;
    }
    String kind = model().words().capacitorKind(c.kind());
    return leads.isEmpty() || kind.contains(leads) ? kind : kind + ", " + leads;
  }

  private static Choice choice(Offer o) {
    PartRef any = PartRef.of("C1");
    return o.substitute
        .map(s -> s.choice(any, 0))
        .or(() -> o.resistor.map(f -> f.choice(any)))
        .orElseGet(() -> o.device.orElseThrow().choice(any));
  }

  private String resistor(ResistorSearch.Found f) {
    String shares =
        f.shares().size() == 1
            ? ""
            : "  "
                + Labels.of(
                    "replace.shares",
                    String.join(
                        " : ", f.shares().stream().map(s -> Math.round(100 * s) + " %").toList()),
                    model().words().word(f.joined()));
    return Labels.of("replace.resistor", Quantity.ohms(f.ohms()), Quantity.watts(f.watts()))
        + shares;
  }

  private Label point(Substitute.Point p) {
    boolean against = p.weight() >= MATTERS;
    boolean speaks = p.weight() <= 0;
    return text(
        (against ? "−  " : speaks ? "+  " : "·  ") + model().words().say(p.words()),
        against ? "point-against" : speaks ? "point-for" : "point-plain");
  }

  // --- the three cards
  // -----------------------------------------------------------------------------------------------------

  private void begin(VBox card) {
    card.getChildren().setAll(text(Labels.of((String) card.getUserData()), "section-title"));
  }

  private void showCards() {
    begin(old);
    begin(why);
    begin(fresh);
    row()
        .ifPresentOrElse(
            r -> {
              showOld(r);
              showWhy(r);
              showNew(r);
            },
            () -> old.getChildren().add(text(Labels.of("replace.choose-part"), "quiet")));
  }

  private void showOld(Row r) {
    Describe describe = new Describe(model().words());
    old.getChildren()
        .addAll(
            text(r.ref() + "  " + describe.value(r.part()), "renew-name"),
            text(
                describe.kind(r.part())
                    + (r.part().marking().isEmpty() ? "" : "  “" + r.part().marking() + "”"),
                "quiet"));
    job().of(r.ref(), Place.class).stream()
        .findFirst()
        .filter(p -> !p.where().isEmpty())
        .ifPresent(p -> old.getChildren().add(text(p.where(), "quiet")));
    if (!r.condemned()) {
      old.getChildren().add(text(Labels.of("replace.not-condemned"), "quiet"));
    }
    shown
        .filter(Answer.ForCapacitor.class::isInstance)
        .map(a -> ((Answer.ForCapacitor) a).of())
        .ifPresent(this::asks);
  }

  /** What the place asks. */
  private void asks(Substitutes s) {
    GridPane grid = new GridPane();
    grid.getStyleClass().add("sums");
    Demand d = s.demand();
    int row = 0;
    if (d.steadyVolts().isPresent()) {
      row =
          asked(
              grid,
              row,
              "replace.asks.steady",
              Quantity.volts(d.steadyVolts().getAsDouble()).toString());
    }
    if (d.typedVolts().isPresent()) {
      row =
          asked(
              grid,
              row,
              "replace.asks.typed",
              Quantity.volts(d.typedVolts().getAsDouble()).toString());
    }
    if (s.needed().isPresent()) {
      row =
          asked(
              grid,
              row,
              "replace.asks.rating",
              Quantity.volts(s.needed().getAsDouble()).toString());
    }
    if (d.rippleAmperes().isPresent()) {
      row =
          asked(
              grid,
              row,
              "replace.asks.ripple",
              Quantity.amperes(d.rippleAmperes().getAsDouble()).toString());
    }
    asked(
        grid,
        row,
        "replace.asks.window",
        Labels.of(
            "replace.from-to",
            Quantity.farads(s.window().least()),
            Quantity.farads(s.window().most())));
    old.getChildren().add(grid);
    d.cases().stream()
        .sorted(Comparator.comparingDouble(Demand.Seen::volts).reversed())
        .forEach(seen ->
            old.getChildren()
                .add(
                    text(
                        Labels.of(
                            "replace.asks.when",
                            Quantity.volts(seen.volts()),
                            model().words().word(seen.when())),
                        "quiet")));
    s.ceiling().ifPresent(c -> old.getChildren().add(text(model().words().say(c.why()))));
    s.notes().forEach(n -> old.getChildren().add(text(model().words().say(n), "strong-note")));
  }

  private static int asked(GridPane grid, int row, String key, String figure) {
    Label name = text(Labels.of(key), "quiet");
    name.setMinWidth(USE_PREF_SIZE);
    Label value = text(figure, "figure");
    value.setMinWidth(USE_PREF_SIZE);
    grid.addRow(row, name, value);
    return row + 1;
  }

  private void showWhy(Row r) {
    if (!(r.part() instanceof org.yellowhearth.core.part.Capacitor
        || r.part() instanceof org.yellowhearth.core.part.Resistor)) {
      semiconductor(r.part());
      return;
    }
    selected()
        .ifPresentOrElse(
            o -> {
              o.substitute.ifPresent(s -> s.points().forEach(p -> why.getChildren().add(point(p))));
              o.resistor.ifPresent(f -> why.getChildren().add(text(resistor(f))));
            },
            () -> why.getChildren().add(text(Labels.of("replace.why-empty"), "quiet")));
  }

  /** What a substitute has to meet, and what to verify with it in the hand. */
  private void semiconductor(Part part) {
    List<org.yellowhearth.core.message.Message> sheet = SemiSheet.of(part, job());
    if (sheet.isEmpty()) {
      why.getChildren().add(text(Labels.of("replace.by-hand"), "quiet"));
    }
    sheet.forEach(m -> why.getChildren().add(text("–  " + model().words().say(m))));
  }

  private void showNew(Row r) {
    r.choice().ifPresent(c -> chosen(r, c));
    selected()
        .filter(o -> r.choice().map(c -> !same(c, o)).orElse(true))
        .ifPresent(o -> {
          Describe describe = new Describe(model().words());
          if (r.choice().isPresent()) {
            fresh.getChildren().add(text(Labels.of("replace.instead"), "section-title"));
          }
          fresh.getChildren().add(text(Describe.choice(choice(o)), "renew-name"));
          o.parts().stream()
              .distinct()
              .forEach(p ->
                  fresh
                      .getChildren()
                      .add(
                          text(
                              p.title() + ": " + describe.ware(p.ware()) + size(p.ware()),
                              "quiet")));
          o.substitute.filter(s -> s.parts().size() > 1).ifPresent(this::together);
          fresh.getChildren().add(choose);
        });
  }

  /**
   * What several joined come to: value, rating and ripple by their worst tolerances, the balance,
   * size and cost.
   */
  private void together(Substitute s) {
    Combination c = s.combination();
    fresh
        .getChildren()
        .add(
            text(
                Labels.of(
                    "replace.together",
                    Quantity.farads(c.farads()),
                    Quantity.volts(c.ratedVolts()),
                    c.rippleAmperes().isPresent()
                        ? Quantity.amperes(c.rippleAmperes().getAsDouble())
                        : "—",
                    c.esrOhms().isPresent() ? Quantity.ohms(c.esrOhms().getAsDouble()) : "—",
                    Money.amount(s.price()))));
    if (c instanceof Combination.Series series) {
      fresh
          .getChildren()
          .add(text(Labels.of("replace.share-worst", Quantity.percent(series.greatestShare()))));
    }
    shown
        .filter(Answer.ForCapacitor.class::isInstance)
        .map(a -> ((Answer.ForCapacitor) a).of().worstVolts())
        .flatMap(c::balancing)
        .ifPresent(b ->
            fresh
                .getChildren()
                .add(
                    text(
                        Labels.of(
                            "replace.balance-sum",
                            Quantity.ohms(b.ohms()),
                            Quantity.watts(b.watts()),
                            Quantity.amperes(b.drainAmperes())))));
    double litres = s.parts().stream().mapToDouble(p -> volume(p.ware())).sum();
    if (litres > 0) {
      fresh.getChildren().add(text(Labels.of("replace.room", Math.round(1e7 * litres) / 10.0)));
    }
  }

  /** Room that a cylinder takes (m³); nothing where a size is not stated. */
  private static double volume(Ware w) {
    double d = w.diameterMetres().orElse(0);
    return Math.PI * d * d / 4 * w.lengthMetres().orElse(0);
  }

  private static boolean same(Choice c, Offer o) {
    return c.all().stream()
        .map(Choice.Taken::stock)
        .sorted()
        .toList()
        .equals(o.parts().stream().map(StockPart::id).sorted().toList());
  }

  private static String size(Ware w) {
    return w.diameterMetres().isEmpty() || w.lengthMetres().isEmpty()
        ? ""
        : ", "
            + Math.round(1e4 * w.diameterMetres().getAsDouble()) / 10.0
            + " × "
            + Math.round(1e4 * w.lengthMetres().getAsDouble()) / 10.0
            + " mm";
  }

  private void chosen(Row r, Choice c) {
    Describe describe = new Describe(model().words());
    fresh.getChildren().add(text("✓  " + Describe.choice(c), "renew-name", "point-for"));
    c.all().stream()
        .distinct()
        .forEach(t ->
            fresh
                .getChildren()
                .add(text(t.title() + ": " + describe.ware(t.ware()) + size(t.ware()), "quiet")));
    c.balanceOhms()
        .ifPresent(
            b -> fresh.getChildren().add(text(Labels.of("replace.balance", Quantity.ohms(b)))));
    ComboBox<Choice.Way> way = new ComboBox<>();
    way.getItems().setAll(Choice.Way.values());
    way.setConverter(Form.words(model()));
    way.setValue(c.way());
    way.setId("renew-way");
    way.setMaxWidth(Double.MAX_VALUE);
    way.setAccessibleText(Labels.of("replace.way"));
    TextField reason = new TextField(c.reason());
    reason.setId("renew-reason");
    reason.setPromptText(Labels.of("replace.reason"));
    reason.setAccessibleText(Labels.of("replace.reason"));
    CheckBox standing = new CheckBox(Labels.of("replace.standing"));
    standing.setId("renew-standing");
    standing.setSelected(c.standing());
    standing.setWrapText(true);
    Runnable say =
        () -> renew.say(r.ref(), way.getValue(), standing.isSelected(), reason.getText().strip());
    way.setOnAction(_ -> say.run());
    standing.setOnAction(_ -> say.run());
    reason.setOnAction(_ -> say.run());
    reason
        .focusedProperty()
        .addListener((_, was, is) -> {
          if (was && !is && !reason.getText().strip().equals(c.reason())) {
            say.run();
          }
        });
    Button back = button("replace.unchoose", "renew-unchoose", () -> renew.unchoose(r.ref()));
    fresh
        .getChildren()
        .addAll(
            text(Labels.of("replace.way"), "form-label"),
            way,
            reason,
            standing,
            new FlowPane(back));
  }

  // --- what it does, and what was refused
  // ----------------------------------------------------------------------------------

  private void showEffect() {
    effect.getChildren().clear();
    effectNotes.getChildren().clear();
    Optional<ChoiceEffect> found = renew.effectProperty().get();
    if (found.isEmpty()) {
      effectNotes.getChildren().add(text(Labels.of("replace.effect.none"), "quiet"));
      return;
    }
    ChoiceEffect e = found.get();
    effect.addRow(
        0,
        text(""),
        text(Labels.of("replace.effect.volts"), "quiet"),
        text(""),
        text(Labels.of("replace.effect.ripple"), "quiet"),
        text(""));
    effect.addRow(
        1,
        text(Labels.of("replace.effect.point"), "quiet"),
        text(Labels.of("replace.effect.original"), "quiet"),
        text(Labels.of("replace.effect.chosen"), "quiet"),
        text(Labels.of("replace.effect.original"), "quiet"),
        text(Labels.of("replace.effect.chosen"), "quiet"));
    int row = 2;
    for (ChoiceEffect.Rail r : e.rails()) {
      effect.addRow(
          row++,
          text(r.name()),
          figure(Quantity.volts(r.volts().original()).toString()),
          figure(Quantity.volts(r.volts().chosen()).toString()),
          figure(Quantity.volts(r.ripple().original()).toString()),
          figure(Quantity.volts(r.ripple().chosen()).toString()));
    }
    if (e.surge().original() > 0) {
      effectNotes
          .getChildren()
          .add(
              text(
                  Labels.of(
                      "replace.effect.surge",
                      Quantity.amperes(e.surge().original()),
                      Quantity.amperes(e.surge().chosen()))));
    }
  }

  private static Label figure(String text) {
    return text(text, "figure");
  }

  private void showRefused(Optional<Answer> answer) {
    List<Substitutes.Refusal> all =
        answer
            .filter(Answer.ForCapacitor.class::isInstance)
            .map(a -> ((Answer.ForCapacitor) a).of().refused())
            .orElse(List.of());
    fill(
        refused,
        all.stream()
            .sorted((a, b) -> Integer.compare(b.count(), a.count()))
            .limit(REFUSALS)
            .toList(),
        "replace.refused.none",
        r ->
            refused
                .getChildren()
                .add(
                    text(
                        Labels.of(
                            "replace.refused.line",
                            r.count(),
                            model().words().say(r.why()),
                            r.nearest()))));
  }
}
