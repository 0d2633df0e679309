package org.yellowhearth.desk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.prefs.Preferences;
import java.util.stream.Stream;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.PauseTransition;
import javafx.animation.Timeline;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.beans.value.ChangeListener;
import javafx.beans.value.ObservableValue;
import javafx.event.Event;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.Scene;
import javafx.scene.control.TextInputControl;
import javafx.scene.image.Image;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import javafx.util.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.job.SetPlate.Dialect;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.desk.platform.ChooserAsk;
import org.yellowhearth.desk.platform.DesktopNotice;
import org.yellowhearth.desk.platform.FileAsk;
import org.yellowhearth.desk.practice.FirstJobView;
import org.yellowhearth.desk.practice.PracticeView;
import org.yellowhearth.desk.shell.ShellView;
import org.yellowhearth.desk.shell.SorryView;
import org.yellowhearth.desk.shop.ShopView;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.publishing.dossier.DossierFiles;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.PostgresShop;
import org.yellowhearth.storage.store.SharedAddress;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.storage.store.ShopException;
import org.yellowhearth.storage.store.SqliteShop;
import org.yellowhearth.workshop.Background;
import org.yellowhearth.workshop.DeskModel;
import org.yellowhearth.workshop.FirstJob;
import org.yellowhearth.workshop.PracticeClock;
import org.yellowhearth.workshop.PracticeSession;
import org.yellowhearth.workshop.SerialExecutor;
import org.yellowhearth.workshop.words.Labels;

/** The application: opens the shop, shows the window, and at the end has nothing to save. */
public final class HearthApplication extends Application {
  static final double WIDTH = 1280;
  static final double HEIGHT = 800;
  private static final long OUTPUTS_OFF_SECONDS = 3;

  private final ExecutorService keeper =
      Executors.newSingleThreadExecutor(Thread.ofPlatform().name("keeper").daemon(false).factory());
  private final ExecutorService aside = Executors.newVirtualThreadPerTaskExecutor();
  private Future<Opened> opening =
      CompletableFuture.failedFuture(new IllegalStateException("not begun"));
  private Shop shop;
  private Optional<DeskModel> model = Optional.empty();

  /** What is known, and the shop; both take longer to open than the window. */
  private record Opened(Knowledge knowledge, Shop shop) {
    static Opened in(Path folder) {
      Knowledge knowledge = KnowledgeFiles.read();
      return new Opened(
          knowledge,
          SharedAddress.of(folder)
              .map(address -> (Shop) PostgresShop.open(address, knowledge))
              .orElseGet(() -> SqliteShop.open(folder, knowledge)));
    }
  }

  private void open() {
    opening =
        keeper.submit(() -> {
          LogFile.into(Path.of(getParameters().getNamed().get("logs")));
          return Opened.in(folder());
        });
  }

  private Path folder() {
    return Path.of(getParameters().getNamed().get("shop"));
  }

  /** Reads what the first picture needs; to be begun while the toolkit starts. */
  static void readAhead() {
    remembered().getBoolean("night", false);
    Labels.of("app.name");
  }

  private static Preferences remembered() {
    return Preferences.userRoot().node("org/yellowhearth");
  }

  @Override
  public void start(Stage stage) {
    Labels.speak(
        remembered().get("dialect", Locale.getDefault().getCountry()).matches("US|american")
            ? Dialect.AMERICAN
            : Dialect.BRITISH);
    Appearance.loadWords();
    stage.setTitle(Labels.of("app.name"));
    stage.setMinWidth(860);
    stage.setMinHeight(600);
    Preferences remembered = remembered();
    Appearance appearance = Appearance.remembered(remembered);
    // The shop can be seen and typed into before it is open.
    ShopView view = new ShopView(appearance);
    stage.setScene(new Scene(dressed(view, appearance), WIDTH, HEIGHT));
    if (getParameters().getNamed().containsKey("until-ready")) {
      endOnceReady(stage);
    }
    stage.show();
    view.focus();
    // What comes before the first picture is kept short.
    Platform.runLater(() -> {
      view.complete();
      stage.getIcons().add(new Image(HearthApplication.class.getResourceAsStream("icon.png")));
      Appearance.loadFigures();
      open();
      whenOpen(stage, view, appearance, remembered);
    });
  }

  private static StackPane dressed(Node content, Appearance appearance) {
    StackPane pane = new StackPane(content);
    appearance.applyTo(pane);
    pane.getStyleClass().add("hearth-root");
    return pane;
  }

  private void whenOpen(Stage stage, ShopView view, Appearance appearance, Preferences remembered) {
    // The keeper has opened it, or failed to, before it comes to this.
    keeper.execute(() ->
        Platform.runLater(() -> {
          if (opening.state() == Future.State.SUCCESS) {
            serve(stage, view, opening.resultNow(), appearance, remembered);
            fill(model.orElseThrow());
          } else if (opening.exceptionNow() instanceof ShopException e) {
            log().error("The shop could not be opened", e);
            // Why the shop does not open, and what can be done about it.
            stage
                .getScene()
                .setRoot(
                    dressed(
                        new SorryView(
                            e.getMessage(),
                            folder(),
                            aside,
                            () -> {
                              open();
                              stage.getScene().setRoot(dressed(view, appearance));
                              whenOpen(stage, view, appearance, remembered);
                            }),
                        appearance));
          } else {
            throw new IllegalStateException(opening.exceptionNow());
          }
        }));
  }

  private void serve(
      Stage stage, ShopView view, Opened opened, Appearance appearance, Preferences remembered) {
    shop = opened.shop();
    DeskModel desk =
        new DeskModel(
            shop,
            new PhotoStore(folder()),
            opened.knowledge(),
            Clock.system(ZoneId.systemDefault()),
            new Background(keeper, aside, Platform::runLater));
    model = Optional.of(desk);
    FileAsk files = new ChooserAsk(stage);
    desk.safekeeping().at(folder());
    desk.safekeeping().sign(remembered.get("signature", ""));
    desk.safekeeping()
        .signatureProperty()
        .addListener((_, _, name) -> remembered.put("signature", name));
    ShellView shell =
        new ShellView(view, desk, appearance, files, DossierFiles.usualFolder(folder()));
    shell.onFirstJob(() -> firstJob(desk, appearance, files));
    shell.takeOver(stage.getScene());
    CrashReports.tell(desk);
    desk.practice().rememberIn(remembered.node("practice"));
    desk.practice().onBegin(exercise -> practise(desk, exercise, appearance, files));
    desk.safekeeping().backUpWhenDue();
    Timeline hourly =
        new Timeline(new KeyFrame(Duration.hours(1), _ -> desk.safekeeping().backUpWhenDue()));
    hourly.setCycleCount(Animation.INDEFINITE);
    hourly.play();
    view.onSpeak(dialect -> {
      if (desk.anythingOn()) {
        desk.tell(Labels.of("look.words.on"), true);
        return;
      }
      // Every label is set when its view is built: the window is built anew, over the same shop.
      hourly.stop();
      desk.reform().disconnect();
      desk.wake().lines().disconnect();
      Labels.speak(dialect);
      remembered.put("dialect", dialect.code());
      stage.setTitle(Labels.of("app.name"));
      serve(stage, new ShopView(appearance), opened, appearance, remembered);
      model.orElseThrow().shelf().refresh();
    });
    DesktopNotice.of(System.getProperty("os.name"), System.getenv().getOrDefault("PATH", ""))
        .ifPresent(notice ->
            desk.agenda()
                .onDue(lines ->
                    notice.show(
                        Labels.of("agenda.notice", lines.size()), desk.agenda().summary(lines))));
  }

  /** What it was started with goes on the shelf. */
  private void fill(DeskModel desk) {
    String demo = getParameters().getNamed().get("demo");
    List<Path> brought = getParameters().getUnnamed().stream().map(Path::of).toList();
    if (!brought.isEmpty()) {
      // Job files that the desktop opened with it.
      desk.shelf().bringIn(brought);
    } else if (demo == null) {
      desk.shelf().refresh();
    } else {
      desk.shelf().bringIn(DemoFiles.in(Path.of(demo)));
      desk.stock().bringIn(DemoFiles.drawerIn(Path.of(demo)), Whence.DRAWER);
    }
  }

  /**
   * Types one letter as soon as a field takes it, says how long after the start of the process that
   * was, and ends so many seconds after the shelf stands.
   */
  private void endOnceReady(Stage stage) {
    stage
        .getScene()
        .focusOwnerProperty()
        .addListener(
            new ChangeListener<>() {
              @Override
              public void changed(ObservableValue<? extends Node> p, Node was, Node owner) {
                if (owner instanceof TextInputControl field) {
                  p.removeListener(this);
                  Platform.runLater(() -> typeInto(field));
                }
              }
            });
  }

  private void typeInto(TextInputControl field) {
    Event.fireEvent(
        field,
        new KeyEvent(KeyEvent.KEY_TYPED, "x", "", KeyCode.UNDEFINED, false, false, false, false));
    if (!field.getText().endsWith("x")) {
      throw new IllegalStateException("the keystroke was not accepted");
    }
    since("ready");
    PauseTransition rest =
        new PauseTransition(
            Duration.seconds(Double.parseDouble(getParameters().getNamed().get("until-ready"))));
    rest.setOnFinished(_ -> Platform.exit());
    Platform.runLater(() ->
        keeper.execute(() ->
            Platform.runLater(() -> {
              since("open");
              rest.play();
            })));
  }

  private static void since(String what) {
    Instant began = ProcessHandle.current().info().startInstant().orElseThrow();
    System.out.println(what + " " + java.time.Duration.between(began, Instant.now()).toMillis());
  }

  /**
   * An exercise, as the first job, has a window and a shop of its own, which go when it is closed.
   */
  private void practise(DeskModel desk, Exercise exercise, Appearance appearance, FileAsk files) {
    PracticeClock clock = new PracticeClock(Clock.system(ZoneId.systemDefault()));
    String title = Labels.of("practice.window", exercise.plate().name());
    apart(
        desk,
        appearance,
        files,
        title,
        clock,
        (trial, bench, shell, window) -> {
          PracticeSession session = new PracticeSession(trial, bench, exercise, clock::forward);
          session
              .debriefProperty()
              .addListener((_, _, now) ->
                  now.ifPresent(d -> desk.practice().scored(exercise.theme(), d.score())));
          return new PracticeView(session, shell);
        });
  }

  private void firstJob(DeskModel desk, Appearance appearance, FileAsk files) {
    apart(
        desk,
        appearance,
        files,
        Labels.of("first.window"),
        Clock.system(ZoneId.systemDefault()),
        (trial, _, shell, window) -> new FirstJobView(new FirstJob(trial), shell, window::close));
  }

  /** What a window apart shows. */
  private interface Content {
    Parent of(DeskModel trial, Shop bench, ShellView shell, Stage window);
  }

  private void apart(
      DeskModel desk,
      Appearance appearance,
      FileAsk files,
      String title,
      Clock clock,
      Content content) {
    try {
      Path folder = Files.createTempDirectory("hearth-practice");
      Shop bench = SqliteShop.open(folder, desk.knowledge());
      Executor turns = new SerialExecutor(aside);
      DeskModel trial =
          new DeskModel(
              bench,
              new PhotoStore(folder),
              desk.knowledge(),
              clock,
              new Background(turns, aside, Platform::runLater));
      ShellView shell = new ShellView(new ShopView(appearance), trial, appearance, files, folder);
      Stage window = new Stage();
      Parent view = content.of(trial, bench, shell, window);
      appearance.applyTo(view);
      window.setTitle(title);
      window.setScene(new Scene(view, WIDTH, HEIGHT));
      window.setOnHidden(_ -> {
        window.getScene().setRoot(new StackPane());
        turns.execute(() -> cleared(bench, folder));
      });
      window.show();
      trial.shelf().refresh();
    } catch (IOException e) {
      desk.tell(Labels.of("practice.no-room", String.valueOf(e.getMessage())), true);
    }
  }

  /** Asked for only when there is something to say: it takes a while to set up. */
  private static Logger log() {
    return LoggerFactory.getLogger(HearthApplication.class);
  }

  private static void cleared(Shop bench, Path folder) {
    bench.close();
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    } catch (IOException e) {
      log().warn("The practice shop in {} could not be cleared away", folder, e);
    }
  }

  @Override
  public void stop() throws InterruptedException {
    boolean open =
        model.map(m -> m.reform().line().open() || m.wake().lines().source().open()).orElse(false);
    // Outputs go off before the program does; an instrument that cannot be reached has its
    // watchdog.
    model.ifPresent(m -> {
      m.reform().disconnect();
      m.wake().lines().disconnect();
    });
    aside.shutdown();
    if (!open || !aside.awaitTermination(OUTPUTS_OFF_SECONDS, TimeUnit.SECONDS)) {
      aside.shutdownNow();
    }
    keeper.shutdown();
    if (!keeper.awaitTermination(10, TimeUnit.SECONDS)) {
      log().error("The keeper did not finish in time");
    }
    if (shop != null) {
      shop.close();
    }
  }
}
