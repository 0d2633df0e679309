package org.yellowhearth.desk;

import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.prefs.Preferences;

import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.layout.StackPane;
import javafx.stage.Stage;
import javafx.util.Duration;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.desk.dossier.DossierView;
import org.yellowhearth.desk.model.Background;
import org.yellowhearth.desk.model.DeskModel;
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
            desk.safekeeping().backUpWhenDue();
            Timeline hourly = new Timeline(new KeyFrame(Duration.hours(1), _ -> desk.safekeeping().backUpWhenDue()));
            hourly.setCycleCount(Animation.INDEFINITE);
            hourly.play();
            DesktopNotice.of(System.getProperty("os.name"), System.getenv().getOrDefault("PATH", ""))
                    .ifPresent(notice -> desk.agenda().onDue(lines -> notice.show(Labels.of("agenda.notice", lines.size()),
                            desk.agenda().summary(lines))));
            String demo = getParameters().getNamed().get("demo");
            if (demo == null) {
                desk.shelf().refresh();
            } else {
                desk.shelf().bringIn(DemoFiles.in(Path.of(demo)));
                desk.stock().bringIn(DemoFiles.drawerIn(Path.of(demo)), Whence.DRAWER);
            }
        } catch (ShopException e) {
            LOG.error("The shop could not be opened", e);
            stage.setScene(new Scene(sorry(e.getMessage(), folder, () -> start(stage)), 900, 520));
        }
        stage.show();
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
