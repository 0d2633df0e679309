package org.yellowhearth.desk.shell;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import javafx.geometry.HPos;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.assess.Risk;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.knowledge.RoleRule;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.replace.Replacement;
import org.yellowhearth.core.replace.ReplacementRules;
import org.yellowhearth.core.safety.Caution;
import org.yellowhearth.core.safety.SetCautions;
import org.yellowhearth.core.trace.InPlace;
import org.yellowhearth.core.trace.SupplyModel;
import org.yellowhearth.desk.theme.VerdictGlyph;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.OpenJob;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/**
 * The pane at the right: for the part chosen, the verdict with every number, limit, formula, source
 * and caution.
 */
final class ReasonsView extends ScrollPane {
  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("d MMM yyyy HH:mm", Locale.ENGLISH);

  private static final double METER_HERTZ = 100;

  private final DeskModel model;
  private final ReplacementRules rules;
  private final VBox content = new VBox();

  ReasonsView(DeskModel model) {
    this.model = model;
    this.rules = new ReplacementRules(model.knowledge());
    getStyleClass().add("reasons");
    content.getStyleClass().add("reasons-content");
    setContent(content);
    setFitToWidth(true);
    setHbarPolicy(ScrollBarPolicy.NEVER);
    model.openProperty().addListener((_, _, _) -> show());
    model.chosenProperty().addListener((_, _, _) -> show());
    show();
  }

  private void show() {
    content.getChildren().clear();
    model
        .openProperty()
        .get()
        .ifPresent(open ->
            model
                .chosenProperty()
                .get()
                .flatMap(open::assessment)
                .ifPresentOrElse(
                    a -> show(open, a),
                    () ->
                        add(
                            text(
                                Labels.of(
                                    open.assessments().isEmpty()
                                        ? "reasons.noparts"
                                        : "reasons.none"),
                                "reasons-quiet"))));
    setVvalue(0);
  }

  private void add(Node... nodes) {
    content.getChildren().addAll(nodes);
  }

  private void show(OpenJob open, Assessment a) {
    Words words = model.words();
    Describe describe = new Describe(words);
    Part part = a.part();
    add(text(part.ref() + ", " + describe.part(part), "reasons-part"));
    if (!part.marking().isEmpty()) {
      add(text(Labels.of("reasons.marked", "“" + part.marking() + "”"), "reasons-quiet"));
    }
    Label verdict = new Label(words.word(a.verdict()), new VerdictGlyph(a.verdict()));
    verdict.getStyleClass().addAll("reasons-verdict", VerdictGlyph.styleClass(a.verdict()));
    verdict.setId("reasons-verdict");
    add(verdict, text(words.say(a.because()), "reasons-because"));
    a.overruled()
        .ifPresent(o ->
            add(
                text(
                    Labels.of("reasons.rules", words.word(o.verdict()), words.say(o.because())),
                    "reasons-quiet")));
    a.next().ifPresent(n -> add(heading("reasons.next"), text(words.say(n), "reasons-text")));
    if (part instanceof Capacitor c && c.polarity() == Polarity.POSITIVE_TO_CHASSIS) {
      add(text("⊕ " + words.word(c.polarity()), "positive-earth"));
    }
    Caution.forPart(model.hearthProperty().get().state(), part, model.knowledge()).stream()
        .filter(c -> c.level() == Caution.Level.DANGER)
        .forEach(c -> add(caution(words, c)));
    if (!a.findings().isEmpty()) {
      add(findings(words, a.findings()));
    }
    written(describe, open.job().of(part.ref(), OfPart.class));
    risk(words, a.risk(), part);
    if (part instanceof Capacitor) {
      inPlace(open, part);
      replacement(words, describe, rules.propose(open.job(), part));
    }
    if (!a.findings().isEmpty()) {
      add(heading("reasons.worked"));
      a.findings().forEach(f -> add(working(words, f)));
    }
    readings(describe, open.job().readingsOf(part.ref()).reversed());
    kind(words, part);
    setDangers(words, open);
    Caution.forPart(model.hearthProperty().get().state(), part, model.knowledge()).stream()
        .filter(c -> c.level() == Caution.Level.CARE)
        .forEach(c -> add(caution(words, c)));
  }

  /**
   * What the supply around a part does to its reading, for a part that the described supply has.
   */
  private void inPlace(OpenJob open, Part part) {
    open.judged()
        .supply(SupplyModel.View.AS_IT_IS)
        .supply()
        .flatMap(s -> InPlace.of(s, part.ref().toString(), METER_HERTZ))
        .ifPresent(i ->
            add(
                heading("trace.in-place"),
                text(
                    Labels.of(
                        "trace.in-place.shows",
                        Quantity.farads(Math.abs(i.alone().farads())),
                        Quantity.ohms(i.alone().ohms()),
                        Quantity.farads(Math.abs(i.inPlace().farads())),
                        Quantity.ohms(i.inPlace().ohms())),
                    "reasons-text")));
  }

  private static Label text(String text, String style) {
    Label label = new Label(text);
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    label.getStyleClass().add(style);
    return label;
  }

  private static Label heading(String key) {
    return text(Labels.of(key), "reasons-heading");
  }

  private static GridPane findings(Words words, List<Finding> findings) {
    GridPane grid = new GridPane();
    grid.getStyleClass().add("findings");
    ColumnConstraints first = new ColumnConstraints();
    first.setHgrow(Priority.ALWAYS);
    ColumnConstraints figure = new ColumnConstraints();
    figure.setHalignment(HPos.RIGHT);
    figure.setMinWidth(Region.USE_PREF_SIZE);
    grid.getColumnConstraints().addAll(first, figure, figure);
    grid.addRow(
        0,
        text(Labels.of("reasons.criterion"), "findings-head"),
        text(Labels.of("reasons.read"), "findings-head"),
        text(Labels.of("reasons.limit"), "findings-head"));
    int row = 1;
    for (Finding f : findings) {
      Label read = text(f.measured().map(Object::toString).orElse("—"), "figure");
      Label limit = text(f.limit().map(Object::toString).orElse(words.word(f.outcome())), "figure");
      Label criterion = text(words.word(f.criterion()), "findings-criterion");
      String style = "outcome-" + f.outcome().code();
      read.getStyleClass().add(style);
      criterion.getStyleClass().add(style);
      grid.addRow(row++, criterion, read, limit);
    }
    return grid;
  }

  private VBox working(Words words, Finding f) {
    Source source = model.knowledge().source(f.source());
    VBox box = new VBox(text(words.say(f.words()), "reasons-text"));
    f.working().ifPresent(w -> box.getChildren().add(text(words.say(w), "reasons-working")));
    box.getChildren()
        .add(
            text(
                Labels.of("reasons.source", words.word(source.standing()), source.title()),
                "reasons-source"));
    box.getStyleClass().add("working");
    return box;
  }

  /** What is seen, told, stated or decided of the part, each with a button that takes it out. */
  private void written(Describe describe, List<OfPart> items) {
    if (!items.isEmpty()) {
      add(heading("reasons.written"));
    }
    for (OfPart item : items) {
      Label said = text(describe.item(item), "reasons-text");
      HBox.setHgrow(said, Priority.ALWAYS);
      Button take = new Button(Labels.of("reasons.takeout"));
      take.getStyleClass().add("quiet-button");
      take.setMinWidth(Region.USE_PREF_SIZE);
      take.setOnAction(_ -> model.take(item));
      add(new HBox(said, take));
    }
  }

  /** What the failure of the part costs, how likely it is, and what made it so. */
  private void risk(Words words, Risk risk, Part part) {
    String leaves = part instanceof Capacitor c ? c.role().code() : "sort-" + part.sort().code();
    add(
        heading("reasons.risk"),
        text(
            Labels.of(
                "reasons.risk.chance",
                risk.chanceShown(),
                Quantity.ratio(Risk.YEARS),
                risk.consequence()),
            "reasons-text"),
        text(words.term("Leaves." + leaves), "reasons-text"));
    if (part instanceof Capacitor c && c.role() != Role.UNSTATED) {
      RoleRule rule = model.knowledge().role(c.role());
      add(
          text(
              Labels.of(
                  "reasons.window",
                  Quantity.percent(rule.leastShare()),
                  Quantity.percent(rule.mostShare())),
              "reasons-text"));
    }
    risk.factors()
        .forEach(f ->
            add(
                text(
                    Labels.of(
                        "reasons.risk.factor", words.say(f.words()), Quantity.ratio(f.times())),
                    "reasons-source")));
  }

  /** What is known of the kind: how it fails and how that shows. */
  private void kind(Words words, Part part) {
    if (part instanceof Capacitor c && !c.kind().equals(Capacitor.UNSTATED_KIND)) {
      CapacitorKind kind = model.knowledge().kind(c.kind());
      add(
          heading("reasons.kind"),
          text(words.term("Fails." + kind.id()), "reasons-text"),
          text(words.term("Shows." + kind.id()), "reasons-text"),
          text(
              Labels.of("reasons.kind.years", kind.made().from(), kind.made().to()),
              "reasons-source"));
    }
  }

  private void replacement(Words words, Describe describe, Replacement replacement) {
    Label part =
        text(
            describe.replacement(replacement).orElse(Labels.of("reasons.noreplacement")),
            "reasons-replacement");
    part.setId("reasons-replacement");
    add(heading("reasons.replacement"), part);
    replacement.reasons().forEach(r -> add(text(words.say(r), "reasons-text")));
  }

  private void readings(Describe describe, List<Reading> newestFirst) {
    add(heading("reasons.readings"));
    if (newestFirst.isEmpty()) {
      add(text(Labels.of("reasons.noreadings"), "reasons-quiet"));
    }
    for (Reading r : newestFirst) {
      VBox said =
          new VBox(
              text(describe.reading(r.figures(), r.conditions()), "reasons-text"),
              text(MOMENT.format(r.at().atZone(ZoneId.systemDefault())), "reasons-source"));
      HBox.setHgrow(said, Priority.ALWAYS);
      Button withdraw = new Button(Labels.of("reasons.withdraw"));
      withdraw.getStyleClass().add("quiet-button");
      withdraw.setTooltip(new Tooltip(Labels.of("reasons.withdraw.tip")));
      withdraw.setMinWidth(Region.USE_PREF_SIZE);
      withdraw.setOnAction(_ -> model.withdraw(r));
      add(new HBox(said, withdraw));
    }
  }

  /** What can hurt in this set while it is looked over, or measured. */
  private void setDangers(Words words, OpenJob open) {
    CautionRule.Moment moment =
        model.stageProperty().get() == Stage.PARTS
            ? CautionRule.Moment.PARTS
            : CautionRule.Moment.MEASURING;
    List<CautionRule> dangers = SetCautions.dangersAt(moment, open.job(), model.knowledge());
    if (!dangers.isEmpty()) {
      add(heading("reasons.set"));
    }
    dangers.forEach(c -> {
      VBox box =
          new VBox(
              text(words.term("Danger." + c.id()), "caution-level"),
              text(words.term("Precaution." + c.id()), "caution-text"));
      box.getStyleClass().addAll("caution", "caution-danger");
      add(box);
    });
  }

  private static VBox caution(Words words, Caution c) {
    VBox box =
        new VBox(
            text(words.word(c.level()), "caution-level"),
            text(words.say(c.words()), "caution-text"));
    box.getStyleClass().addAll("caution", "caution-" + c.level().code());
    return box;
  }
}
