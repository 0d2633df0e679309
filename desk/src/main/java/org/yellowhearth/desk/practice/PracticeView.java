package org.yellowhearth.desk.practice;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import javafx.util.Duration;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.practice.Debrief;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.Measuring;
import org.yellowhearth.core.practice.Spent;
import org.yellowhearth.core.quantity.Money;
import org.yellowhearth.desk.forms.AddLine;
import org.yellowhearth.desk.forms.Grid;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.PracticeSession;
import org.yellowhearth.workshop.words.Labels;

/**
 * An exercise: the very stages of real work, the meters of the practice bench under them, and at
 * the end what there was to be found.
 */
public final class PracticeView extends BorderPane {
  private static final Duration BEAT = Duration.millis(500);
  private static final String RIPPLE = " ~";
  private static final double POINT_WIDTH = 300;

  private final PracticeSession session;
  private final DeskModel model;
  private final Label chosen = new Label();
  private final Label time = Page.text("", "quiet");
  private final FlowPane meters = new FlowPane();

  /**
   * A view.
   *
   * @param stages the window of the session's model
   */
  public PracticeView(PracticeSession session, Node stages) {
    this.session = session;
    this.model = session.model();
    getStyleClass().add("practice");
    setCenter(stages);
    chosen.getStyleClass().add("lane-ref");
    chosen.setId("practice-chosen");
    time.setId("practice-time");
    meters.getStyleClass().addAll("line-form", "practice-meters");
    FlowPane whole =
        new FlowPane(
            Page.button("practice.rail-button", "practice-rail", session::measureRail),
            Page.button("practice.mains-button", "practice-mains", session::lookAtMains),
            Page.button("practice.wait", "practice-wait", session::pass));
    if (!session.points().isEmpty()) {
      whole.getChildren().add(underPower());
    }
    whole
        .getChildren()
        .addAll(
            Page.button("practice.hint-button", "practice-hint", session::hint),
            Page.button("practice.hand-in", "practice-hand-in", session::handIn),
            time);
    whole.getStyleClass().addAll("line-form", "practice-meters");
    VBox bar =
        new VBox(Page.text(asked(session.exercise(), model.words()), "quiet"), meters, whole);
    List<String> printed = session.exercise().theme().printed();
    if (!printed.isEmpty()) {
      bar.getChildren()
          .add(1, Page.text(Labels.of("practice.printed", String.join("  ·  ", printed))));
    }
    bar.getStyleClass().add("practice-bar");
    setBottom(bar);
    model.openProperty().addListener((_, _, now) -> now.ifPresent(_ -> tell()));
    model.chosenProperty().addListener((_, _, now) -> choose(now));
    choose(model.chosenProperty().get());
    session.debriefProperty().addListener((_, _, now) -> now.ifPresent(this::show));
    Timeline beat = new Timeline(new KeyFrame(BEAT, _ -> session.poll()));
    beat.setCycleCount(Animation.INDEFINITE);
    sceneProperty()
        .addListener((_, _, scene) -> {
          if (scene == null) {
            beat.stop();
          } else {
            beat.play();
          }
        });
  }

  /** What an exercise asks, in a line. */
  static String asked(Exercise exercise, Words words) {
    return Labels.of(
        "practice.asked",
        Stream.concat(
                exercise.theme().goals().stream().map(words::word),
                Stream.of(Labels.of("practice.judged")))
            .collect(Collectors.joining(". ")));
  }

  /** Clips that were put on before the set got its power. */
  private Node underPower() {
    AddLine line = new AddLine(model, () -> false);
    line.setPrefWrapLength(POINT_WIDTH);
    List<String> all =
        Stream.concat(
                session.points().stream().flatMap(p -> Stream.of(p, p + RIPPLE)),
                Stream.of(SupplyMains.POINT))
            .toList();
    ComboBox<String> point =
        line.pick(
            "practice.point",
            "practice-point",
            all,
            p -> p.endsWith(RIPPLE) ? p.replace(RIPPLE, " " + Labels.of("practice.ripple")) : p);
    line.getChildren()
        .add(
            Page.button(
                "practice.point-button",
                "practice-read",
                () ->
                    session.readPoint(
                        point.getValue().replace(RIPPLE, ""), point.getValue().endsWith(RIPPLE))));
    return line;
  }

  private void tell() {
    Spent spent = session.spent();
    Exercise e = session.exercise();
    time.setText(
        Labels.of(
            "practice.time",
            spent.minutes(),
            e.minutes(),
            Money.amount(spent.money()),
            Money.amount(e.money(model.job()))));
  }

  /** Only the meters that say something of the part are laid out. */
  private void choose(Optional<PartRef> ref) {
    Optional<Part> part = model.openProperty().get().flatMap(o -> ref.flatMap(o.job()::part));
    String name =
        ref.map(r ->
                session
                    .channel(r)
                    .map(c -> Labels.of("practice.channel", r, c))
                    .orElse(r.toString()))
            .orElse("—");
    chosen.setText(Labels.of("practice.bench", name));
    meters
        .getChildren()
        .setAll(chosen, Page.button("practice.look", "practice-look", session::look));
    for (Measuring how : Measuring.values()) {
      if (part.map(how::fits).orElse(false)) {
        Button b =
            Page.button(
                "practice.measure-" + how.code(),
                "measure-" + how.code(),
                () -> session.measure(how));
        meters.getChildren().add(b);
      }
    }
  }

  private void show(Debrief d) {
    Words words = model.words();
    VBox box =
        new VBox(
            Page.text(
                Labels.of(d.ended() ? "practice.ended" : "practice.score", d.score()),
                "stage-title"),
            Page.text(
                Labels.of(
                    "practice.used",
                    d.readings(),
                    d.spent().minutes(),
                    session.exercise().minutes(),
                    d.enough(),
                    Money.amount(d.spent().money()),
                    Money.amount(d.spent().parts())),
                "strong-note"));
    if (!d.asked().isEmpty()) {
      Grid asked = Grid.ofWords("debrief-asked");
      asked.head(List.of(Labels.of("practice.goal"), ""));
      d.asked()
          .forEach(a ->
              asked.row(
                  List.of(
                      words.word(a.goal()),
                      Labels.of(a.reached() ? "practice.reached" : "practice.not-reached")),
                  a.reached() ? "quiet" : "point-against"));
      box.getChildren().add(asked);
    }
    d.remarks().forEach(r -> box.getChildren().add(Page.text(words.say(r))));
    Grid grid = Grid.ofWords("debrief");
    grid.head(
        List.of(
            Labels.of("practice.part"),
            Labels.of("practice.truth"),
            Labels.of("practice.verdict"),
            ""));
    d.lines()
        .forEach(l ->
            grid.row(
                List.of(
                    l.part().toString(),
                    words.word(l.truth()),
                    words.word(l.verdict()),
                    words.word(l.mark())),
                switch (l.mark()) {
                  case RIGHT, BY_SCHOOL -> "quiet";
                  case MISSED, NEEDLESS -> "point-against";
                  case UNDECIDED -> "strong-note";
                }));
    box.getChildren().add(grid);
    d.substitutes()
        .forEach(s ->
            box.getChildren()
                .add(
                    Page.text(
                        Labels.of(
                            "practice.substitute",
                            s.part(),
                            s.title(),
                            Money.amount(s.price()),
                            judged(s, words)),
                        s.refused().isPresent() ? "point-against" : "quiet")));
    box.getStyleClass().add("practice-debrief");
    box.setId("practice-debrief");
    ScrollPane scroll = new ScrollPane(box);
    scroll.setFitToWidth(true);
    scroll.getStyleClass().add("page");
    setCenter(scroll);
    setBottom(null);
  }

  private static String judged(Debrief.Substituted s, Words words) {
    Optional<Message> refused = s.refused();
    if (refused.isPresent()) {
      return Labels.of("practice.refused", words.say(refused.get()));
    }
    return s.against().isEmpty()
        ? Labels.of("practice.acceptable")
        : Labels.of(
            "practice.against",
            s.against().stream().map(words::say).collect(Collectors.joining(" ")));
  }
}
