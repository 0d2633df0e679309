package org.yellowhearth.desk;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.image.PixelReader;
import javafx.scene.image.WritableImage;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Checks;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.shell.ShellView;
import org.yellowhearth.desk.shop.ShopView;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.SqliteShop;
import org.yellowhearth.workshop.Background;
import org.yellowhearth.workshop.DeskModel;

/**
 * Redraws the pictures of the documentation from the demo shop, always on the same day, so that
 * only real changes show.
 */
public final class Shots extends Application {
  private static final Instant START = Instant.parse("2026-11-23T10:00:00Z");
  private static final double SETTLING_MILLIS = 700;

  /** Rests between discharging and measuring until nothing comes back. */
  private static final int RESTS = 4;

  /** Steps that the first minute of a supply is given to be worked out. */
  private static final int WARM_UP = 12;

  private static final List<Double> BURN_HOURS =
      List.of(0.1, 0.2, 0.35, 0.55, 1.0, 1.5, 2.0, 3.0, 4.0, 6.0, 8.0, 13.0);
  private static final int PLANNING = 60;
  private static final double WAKE_SPEED = 20;
  private static final int WAKE_STEPS = 4;
  private static final int WAKE_SECONDS = 14;
  private static final double STAND_IN_SPEED = 100;
  private static final int READINGS = 50;

  private final StillClock clock = new StillClock(START);
  private final ExecutorService keeper = Executors.newSingleThreadExecutor();
  private final Appearance appearance = new Appearance();
  private final Deque<Runnable> steps = new ArrayDeque<>();
  private DeskModel model;
  private Scene scene;
  private Path folder;
  private SqliteShop shop;
  private Path shopFolder;
  private ShellView shell;

  @Override
  public void start(Stage stage) {
    Appearance.loadTypefaces();
    folder = Path.of(getParameters().getNamed().get("shots"));
    try {
      Files.createDirectories(folder);
      shopFolder = Files.createTempDirectory("yellow-hearth-shots");
      shop = SqliteShop.open(shopFolder, KnowledgeFiles.read());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    Knowledge knowledge = KnowledgeFiles.read();
    model =
        new DeskModel(
            shop,
            new PhotoStore(shopFolder),
            knowledge,
            clock,
            new Background(keeper, keeper, Platform::runLater));
    FileAsk nobody = new FileAsk() {};
    shell = new ShellView(new ShopView(appearance), model, appearance, nobody, folder);
    double width = Double.parseDouble(getParameters().getNamed().getOrDefault("width", "1280"));
    double height = Double.parseDouble(getParameters().getNamed().getOrDefault("height", "800"));
    appearance
        .percentProperty()
        .set(Integer.parseInt(getParameters().getNamed().getOrDefault("text", "100")));
    appearance.nightProperty().set(getParameters().getNamed().containsKey("night"));
    scene = new Scene(shell, width, height);
    stage.setScene(scene);
    stage.show();
    plan();
    next();
  }

  private void plan() {
    Path demo = Path.of(getParameters().getNamed().get("demo"));
    steps.add(() -> model.shelf().bringIn(DemoFiles.in(demo)));
    steps.add(() -> model.stock().bringIn(DemoFiles.drawerIn(demo), Whence.DRAWER));
    steps.add(() -> model.tell("", false));
    shot("shop");
    steps.add(() -> open("Brindlecote"));
    steps.add(() -> choose("C14"));
    shot("assess");
    steps.add(() -> model.benchLine().lineProperty().set("2.1u 1k1 D0.4 @100"));
    steps.add(() -> {
      model.benchLine().lineProperty().set("");
      model.power(Edit.Power.LIT);
      model
          .gateProperty()
          .get()
          .ifPresent(g -> g.goOn().accept("on the variable transformer, to hear the hum once"));
    });
    steps.add(() -> {
      model.stageProperty().set(org.yellowhearth.workshop.Stage.PARTS);
      model.benchLine().lineProperty().set("+ C24 .25 MFD 350 V paper decoupling");
    });
    shot("parts");
    steps.add(() -> {
      model.benchLine().lineProperty().set("");
      choose("C16a");
      ((ToggleButton) shell.lookup("#show-decoder")).fire();
    });
    for (String colour : List.of("green", "blue", "orange", "silver")) {
      steps.add(() -> ((Button) shell.lookup("#colour-" + colour)).fire());
    }
    shot("parts-colours");
    steps.add(() -> {
      model.benchLine().lineProperty().set("");
      model.stageProperty().set(org.yellowhearth.workshop.Stage.ARRIVAL);
    });
    shot("arrival");
    steps.add(() -> model.stageProperty().set(org.yellowhearth.workshop.Stage.SAFETY));
    steps.add(() -> model.power(Edit.Power.OFF));
    steps.add(() -> {
      clock.goOn(Duration.ofSeconds(4));
      model.tick();
    });
    shot("safety");
    steps.add(() -> {
      model.stageProperty().set(org.yellowhearth.workshop.Stage.ASSESS);
      model.benchLine().lineProperty().set("C14 2.1u 1k1 D0.4 @100");
      model.benchLine().enter();
    });
    steps.add(() -> model.gateProperty().get().ifPresent(g -> g.leave().run()));
    steps.add(() -> ((ToggleButton) shell.lookup("#show-limits")).fire());
    steps.add(() -> model.benchLine().lineProperty().set(""));
    for (int rest = 0; rest < RESTS; rest++) {
      steps.add(() ->
          model
              .hearthProperty()
              .get()
              .stores()
              .forEach(s -> model.happened(new Edit.VoltsMeasured(s.store().id(), 0.1))));
      steps.add(() -> clock.goOn(Duration.ofHours(1)));
    }
    steps.add(() -> {
      model.stageProperty().set(org.yellowhearth.workshop.Stage.SAFETY);
      ((ToggleButton) shell.lookup("#safety-cautions")).fire();
      model.tick();
    });
    trace();
    renew();
    wake();
    prove();
    steps.add(() -> model.stageProperty().set(org.yellowhearth.workshop.Stage.DOSSIER));
    steps.add(() -> {});
    steps.add(() -> {});
    shot("dossier");
    reform();
  }

  private void trace() {
    steps.add(() -> model.stageProperty().set(org.yellowhearth.workshop.Stage.TRACE));
    steps.add(() -> model.trace().chosenProperty().set("HT"));
    steps.add(() -> {});
    shot("trace");
    steps.add(() -> ((ToggleButton) shell.lookup("#trace-describe")).fire());
    steps.add(() -> ((Button) shell.lookup("#section-of-s-supply04")).fire());
    steps.add(() -> ((ToggleButton) shell.lookup("#trace-suspects")).fire());
    steps.add(() -> model.trace().suspect());
    shot("trace-suspects");
  }

  /** The reservoir chosen, the drawer matched to the rest, and the sheet to work from. */
  private void renew() {
    steps.add(() -> choose("C16a"));
    steps.add(() -> shell.show(org.yellowhearth.workshop.Stage.REPLACE, "choose"));
    wait(WARM_UP);
    steps.add(() -> ((Button) scene.lookup("#renew-choose")).fire());
    wait(4);
    shot("replace");
    steps.add(() -> model.renew().matchDrawer());
    wait(4);
    steps.add(() -> model.renew().acceptMatch());
    steps.add(() ->
        model
            .renew()
            .fit(
                PartRef.of("C16a"),
                f -> {
                  f.removed = true;
                  f.fitted = true;
                }));
    steps.add(() -> shell.show(org.yellowhearth.workshop.Stage.REPLACE, "sheet"));
    steps.add(() -> model.tell("", false));
    shot("replace-sheet");
  }

  /**
   * The ramp of the set as it stands, made ready with written reasons, and run on the stand-ins at
   * the night bench.
   */
  private void wake() {
    steps.add(() -> shell.show(org.yellowhearth.workshop.Stage.FIRST_POWER, "plan"));
    wait(PLANNING);
    steps.add(() -> model.wake().keepPlan());
    shot("first-power");
    steps.add(() ->
        Checks.blocking(model.job(), clock.instant())
            .forEach(c ->
                model.put(
                    new CheckResult(
                        model.newId(),
                        c.code(),
                        CheckResult.Outcome.OVERRIDDEN,
                        OptionalDouble.empty(),
                        "looked at by the keeper of the workshop",
                        clock.instant()))));
    wait(4);
    steps.add(() ->
        model.wake().ready().stream()
            .filter(Check::blocks)
            .forEach(c ->
                model
                    .wake()
                    .answer(
                        c,
                        c.automatic().isPresent()
                            ? "clips stay on, bridged from outside for this run"
                            : "")));
    wait(4);
    steps.add(() -> model.wake().lines().useStandIns(WAKE_SPEED));
    wait(2);
    steps.add(() -> model.wake().begin());
    for (int step = 0; step < WAKE_STEPS; step++) {
      for (int k = 0; k < WAKE_SECONDS; k++) {
        steps.add(() -> {
          clock.goOn(Duration.ofSeconds(1));
          model.tick();
          model.reform().poll();
          model.wake().poll();
        });
        wait(1);
      }
      if (step < WAKE_STEPS - 1) {
        steps.add(() -> model.wake().next());
        wait(2);
      }
    }
    steps.add(() -> appearance.nightProperty().set(true));
    shot("first-power-run");
    steps.add(
        () -> appearance.nightProperty().set(getParameters().getNamed().containsKey("night")));
    steps.add(() -> model.power(Edit.Power.OFF));
    wait(2);
    steps.add(() -> model.wake().lines().disconnect());
  }

  /** A burn-in half way through its day: dense readings first, a crackle told. */
  private void prove() {
    steps.add(() -> shell.show(org.yellowhearth.workshop.Stage.FINAL_TEST, "burn"));
    steps.add(() ->
        model
            .prove()
            .beginBurn(
                OptionalDouble.of(24),
                List.of(
                    new BurnIn.BurnChannel("HT", "V", OptionalDouble.of(250), 8),
                    new BurnIn.BurnChannel("mains transformer", "°C", OptionalDouble.empty(), 6))));
    wait(3);
    double gone = 0;
    for (double h : BURN_HOURS) {
      Duration on = Duration.ofMillis((long) ((h - gone) * 3_600_000));
      gone = h;
      steps.add(() -> {
        clock.goOn(on);
        model
            .prove()
            .readBurn(
                Map.of(
                    "HT",
                    251 - 6 * Math.exp(-2 * h) + Math.sin(9 * h),
                    "mains transformer",
                    52 - 30 * Math.exp(-3 * h) + 0.4 * Math.sin(5 * h)),
                h == 2 ? "one crackle from the loudspeaker" : "");
      });
      wait(2);
    }
    steps.add(() -> model.reform().poll());
    wait(2);
    shot("final-test");
    agenda();
  }

  /** What is due across the shop, with tasks of somebody's own. */
  private void agenda() {
    steps.add(() -> model.prove().hold("oven of the reference", OptionalDouble.of(8)));
    steps.add(() -> {
      shell.showShop("agenda");
      model.toShop();
    });
    wait(2);
    steps.add(() ->
        model
            .agenda()
            .add(
                id("Brindlecote"),
                OwnTask.TaskKind.CALL,
                "Ask the curator whether the knobs may be polished",
                "tomorrow 14:30"));
    steps.add(() ->
        model
            .agenda()
            .add(id("Tarrowmere"), OwnTask.TaskKind.PARTS, "Valves from the estate sale", "fri"));
    wait(3);
    shot("agenda");
    steps.add(() -> shell.showShop("learned"));
    wait(3);
    shot("learned");
    steps.add(() -> shell.showShop("practice"));
    wait(2);
    shot("practice");
    steps.add(() -> press(KeyCode.F1));
    wait(3);
    steps.add(() -> ((TextField) shell.lookup("#help-search")).setText("limits: can electrolytic"));
    wait(2);
    shot("help");
    steps.add(() -> press(KeyCode.ESCAPE));
    steps.add(() -> open("Brindlecote"));
    wait(2);
  }

  private String id(String name) {
    return model.shelf().jobsProperty().get().stream()
        .filter(j -> j.name().startsWith(name))
        .findFirst()
        .orElseThrow()
        .id();
  }

  /**
   * One can on the stand-in, judged by modern limits: the plan, the run with its forecast, the
   * line.
   */
  private void reform() {
    steps.add(() -> choose("C16b"));
    steps.add(() -> model.changePolicy(Policy.Profile.MODERN));
    steps.add(() ->
        model
            .reform()
            .plans()
            .plan(
                PartRef.of("C16b"),
                ReformPlan.ReformSchool.GENTLE,
                OptionalDouble.of(330),
                Optional.empty()));
    steps.add(() -> shell.show(org.yellowhearth.workshop.Stage.REFORM, "plan"));
    wait(4);
    steps.add(() -> model.reform().connectStandIn(STAND_IN_SPEED));
    steps.add(() -> model.reform().hang(PartRef.of("C16b"), Optional.of(1)));
    steps.add(() -> shell.show(org.yellowhearth.workshop.Stage.REFORM, "run"));
    steps.add(() -> model.reform().begin(PartRef.of("C16b")));
    for (int k = 0; k < READINGS; k++) {
      double seconds = k < READINGS / 2 ? 0.5 : 1.5;
      steps.add(() -> {
        clock.goOn(Duration.ofMillis((long) (seconds * 1000)));
        model.reform().poll();
      });
    }
    shot("reform");
    steps.add(() -> model.reform().pause(PartRef.of("C16b")));
    steps.add(() -> model.reform().disconnect());
  }

  private void wait(int times) {
    for (int k = 0; k < times; k++) {
      steps.add(() -> {});
    }
  }

  private void shot(String name) {
    steps.add(() -> write(scene.snapshot(null), folder.resolve(name + ".png")));
  }

  private void press(KeyCode key) {
    shell.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", key, false, false, false, false));
  }

  private void open(String name) {
    model.openJob(id(name));
  }

  private void choose(String ref) {
    model.chosenProperty().set(PartRef.parse(ref));
  }

  private void next() {
    if (steps.isEmpty()) {
      keeper.shutdown();
      shop.close();
      Platform.exit();
      return;
    }
    PauseTransition pause = new PauseTransition(javafx.util.Duration.millis(SETTLING_MILLIS));
    pause.setOnFinished(_ -> {
      if (!model.background().busyProperty().get()) {
        steps.removeFirst().run();
      }
      next();
    });
    pause.play();
  }

  private static void write(WritableImage picture, Path file) {
    int width = (int) picture.getWidth();
    int height = (int) picture.getHeight();
    BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    PixelReader pixels = picture.getPixelReader();
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        image.setRGB(x, y, pixels.getArgb(x, y));
      }
    }
    try {
      ImageIO.write(image, "png", file.toFile());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** A clock that stands until it is told to go on. */
  private static final class StillClock extends Clock {
    private Instant now;

    StillClock(Instant now) {
      this.now = now;
    }

    void goOn(Duration time) {
      now = now.plus(time);
    }

    @Override
    public ZoneId getZone() {
      return ZoneId.of("UTC");
    }

    @Override
    public Clock withZone(ZoneId zone) {
      throw new UnsupportedOperationException("the pictures keep to UTC");
    }

    @Override
    public Instant instant() {
      return now;
    }
  }
}
