package org.yellowhearth.desk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.prefs.Preferences;
import java.util.stream.Stream;

import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.event.Event;
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
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.desk.dossier.DossierView;
import org.yellowhearth.desk.model.Background;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.InTurn;
import org.yellowhearth.desk.model.PracticeSession;
import org.yellowhearth.desk.practice.PracticeView;
import org.yellowhearth.desk.shell.ChooserAsk;
import org.yellowhearth.desk.shell.DesktopNotice;
import org.yellowhearth.desk.shell.FileAsk;
import org.yellowhearth.desk.shell.ShellView;
import org.yellowhearth.desk.shell.SorryView;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.records.dossier.DossierFiles;
import org.yellowhearth.records.knowledge.KnowledgeFiles;
import org.yellowhearth.records.photo.PhotoStore;
import org.yellowhearth.records.store.PostgresShop;
import org.yellowhearth.records.store.SharedAddress;
import org.yellowhearth.records.store.Shop;
import org.yellowhearth.records.store.ShopException;
import org.yellowhearth.records.store.SqliteShop;

/** The application: opens the shop, shows the window, and at the end has nothing to save. */
public final class HearthApplication extends Application {
    private static final Logger LOG = LoggerFactory.getLogger(HearthApplication.class);
    static final double WIDTH = 1280;
    static final double HEIGHT = 800;
    private static final long OUTPUTS_OFF_SECONDS = 3;

    private final ExecutorService keeper = Executors
            .newSingleThreadExecutor(Thread.ofPlatform().name("keeper").daemon(false).factory());
    private final ExecutorService aside = Executors.newVirtualThreadPerTaskExecutor();
    private Shop shop;
    private Optional<DeskModel> model = Optional.empty();

    @Override
    public void start(Stage stage) {
        Appearance.loadTypefaces();
        Path folder = Path.of(getParameters().getNamed().get("shop"));
        stage.setTitle(Labels.of("app.name"));
        stage.setMinWidth(860);
        stage.setMinHeight(600);
        try {
            Knowledge knowledge = KnowledgeFiles.read();
            Optional<String> shared = SharedAddress.of(folder);
            Shop opened = shared.isPresent() ? PostgresShop.open(shared.get(), knowledge) : SqliteShop.open(folder, knowledge);
            shop = opened;
            DeskModel desk = new DeskModel(opened, new PhotoStore(folder), knowledge, Clock.system(ZoneId.systemDefault()),
                    new Background(keeper, aside, Platform::runLater));
            model = Optional.of(desk);
            FileAsk files = new ChooserAsk(stage);
            Preferences remembered = Preferences.userRoot().node("org/yellowhearth");
            Appearance appearance = Appearance.remembered(remembered);
            desk.safekeeping().at(folder);
            desk.safekeeping().sign(remembered.get("signature", ""));
            desk.safekeeping().signatureProperty().addListener((_, _, name) -> remembered.put("signature", name));
            ShellView shell = new ShellView(desk, appearance, files,
                    new DossierView(desk, files, DossierFiles.usualFolder(folder)));
            stage.setScene(new Scene(shell, WIDTH, HEIGHT));
            CrashReports.tell(desk);
            desk.practice().rememberIn(remembered.node("practice"));
            desk.practice().onBegin(exercise -> practise(desk, exercise, appearance, files));
            desk.safekeeping().backUpWhenDue();
            Timeline hourly = new Timeline(new KeyFrame(Duration.hours(1), _ -> desk.safekeeping().backUpWhenDue()));
            hourly.setCycleCount(Animation.INDEFINITE);
            hourly.play();
            DesktopNotice.of(System.getProperty("os.name"), System.getenv().getOrDefault("PATH", ""))
                    .ifPresent(notice -> desk.agenda().onDue(lines -> notice.show(Labels.of("agenda.notice", lines.size()),
                            desk.agenda().summary(lines))));
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
        } catch (ShopException e) {
            LOG.error("The shop could not be opened", e);
            stage.setScene(new Scene(sorry(e.getMessage(), folder, () -> start(stage)), 900, 520));
        }
        stage.getIcons().add(new Image(HearthApplication.class.getResourceAsStream("icon.png")));
        if (getParameters().getNamed().containsKey("until-ready")) {
            endOnceReady(stage);
        }
        stage.show();
    }

    /** Types one letter as soon as a field takes it, says how long after the start of the process that was, and ends. */
    private static void endOnceReady(Stage stage) {
        stage.getScene().focusOwnerProperty().addListener((_, _, owner) -> {
            if (owner instanceof TextInputControl field) {
                Platform.runLater(() -> {
                    Event.fireEvent(field,
                            new KeyEvent(KeyEvent.KEY_TYPED, "x", "", KeyCode.UNDEFINED, false, false, false, false));
                    if (field.getText().endsWith("x")) {
                        Instant began = ProcessHandle.current().info().startInstant().orElseThrow();
                        System.out.println("ready " + java.time.Duration.between(began, Instant.now()).toMillis());
                        Platform.exit();
                    }
                });
            }
        });
    }

    /** An exercise has a window and a shop of its own, which go when it is closed. */
    private void practise(DeskModel desk, Exercise exercise, Appearance appearance, FileAsk files) {
        try {
            Path folder = Files.createTempDirectory("hearth-practice");
            Shop bench = SqliteShop.open(folder, desk.knowledge());
            Executor turns = new InTurn(aside);
            DeskModel trial = new DeskModel(bench, new PhotoStore(folder), desk.knowledge(), Clock.system(ZoneId.systemDefault()),
                    new Background(turns, aside, Platform::runLater));
            PracticeSession session = new PracticeSession(trial, bench, exercise);
            session.debriefProperty()
                    .addListener((_, _, now) -> now.ifPresent(d -> desk.practice().scored(exercise.theme(), d.score())));
            ShellView shell = new ShellView(trial, appearance, files, new DossierView(trial, files, folder));
            PracticeView view = new PracticeView(session, shell);
            appearance.applyTo(view);
            Stage window = new Stage();
            window.setTitle(Labels.of("practice.window", exercise.plate().name()));
            window.setScene(new Scene(view, WIDTH, HEIGHT));
            window.setOnHidden(_ -> {
                window.getScene().setRoot(new StackPane());
                turns.execute(() -> cleared(bench, folder));
            });
            window.show();
        } catch (IOException e) {
            desk.tell(Labels.of("practice.no-room", String.valueOf(e.getMessage())), true);
        }
    }

    private static void cleared(Shop bench, Path folder) {
        bench.close();
        try (Stream<Path> all = Files.walk(folder)) {
            for (Path p : all.sorted(Comparator.reverseOrder()).toList()) {
                Files.delete(p);
            }
        } catch (IOException e) {
            LOG.warn("The practice shop in {} could not be cleared away", folder, e);
        }
    }

    /** Says why the shop does not open, and offers what can be done about it. */
    private StackPane sorry(String message, Path folder, Runnable again) {
        StackPane pane = new StackPane(new SorryView(message, folder, aside, again));
        new Appearance().applyTo(pane);
        pane.getStyleClass().add("hearth-root");
        return pane;
    }

    @Override
    public void stop() throws InterruptedException {
        boolean open = model.map(m -> m.reform().line().open() || m.wake().lines().source().open()).orElse(false);
        // Outputs go off before the program does; an instrument that cannot be reached has its watchdog.
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
            LOG.error("The keeper did not finish in time");
        }
        if (shop != null) {
            shop.close();
        }
    }
}
