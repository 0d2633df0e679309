package org.yellowhearth.desk.shell;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import javafx.animation.Animation;
import javafx.animation.KeyFrame;
import javafx.animation.Timeline;
import javafx.application.Platform;
import javafx.beans.binding.Bindings;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.BorderPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.Rectangle;
import javafx.util.Duration;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.desk.arrival.ArrivalView;
import org.yellowhearth.desk.assess.AssessView;
import org.yellowhearth.desk.census.CensusView;
import org.yellowhearth.desk.dossier.DossierView;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.model.Stage;
import org.yellowhearth.desk.prove.ProveView;
import org.yellowhearth.desk.reform.ReformView;
import org.yellowhearth.desk.renew.RenewView;
import org.yellowhearth.desk.safety.SafetyView;
import org.yellowhearth.desk.shop.ShopView;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.desk.trace.TraceView;
import org.yellowhearth.desk.wake.WakeView;

/** The whole window: the shop, or one job with its plate, path, bench, reasons and bench line. */
public final class ShellView extends StackPane {
    private static final Duration BEAT = Duration.millis(500);
    /** A window less wide than this many heights of the text starts without the reasons; F4 brings them. */
    private static final double ROOM_FOR_REASONS = 55;
    private static final double REASONS_EMS = 22;
    private static final double REASONS_SHARE = 0.31;

    private final DeskModel model;
    private final Appearance appearance;
    private final ShopView shop;
    private final ArrivalView arrival;
    private final BorderPane job = new BorderPane();
    private boolean roomForReasons = true;
    private final StackPane bench = new StackPane();
    private final ReasonsView reasons;
    private final BenchLineView benchLine;
    private final ShortcutSheet sheet = new ShortcutSheet();
    private final DossierView dossier;
    private final ReformView reform;
    private final RenewView renew;
    private final WakeView wake;
    private final ProveView prove;
    private final Map<Stage, Region> stages = new EnumMap<>(Stage.class);

    /** A window over a model. */
    public ShellView(DeskModel model, Appearance appearance, FileAsk files, DossierView dossier) {
        this.model = model;
        this.appearance = appearance;
        this.dossier = dossier;
        shop = new ShopView(model, files, appearance, sheet::open);
        arrival = new ArrivalView(model, files, appearance.em());
        reasons = new ReasonsView(model);
        benchLine = new BenchLineView(model, sheet::open);
        stages.put(Stage.ARRIVAL, arrival);
        stages.put(Stage.SAFETY, new SafetyView(model, files));
        stages.put(Stage.CENSUS, new CensusView(model, files, appearance.em()));
        stages.put(Stage.ASSESS, new AssessView(model, files, appearance.em()));
        stages.put(Stage.TRACE, new TraceView(model, files, appearance.em()));
        reform = new ReformView(model, files, appearance.em());
        stages.put(Stage.REFORM, reform);
        renew = new RenewView(model, files, appearance.em());
        stages.put(Stage.RENEW, renew);
        wake = new WakeView(model, appearance.em());
        stages.put(Stage.WAKE, wake);
        prove = new ProveView(model, files);
        stages.put(Stage.PROVE, prove);
        stages.put(Stage.DOSSIER, dossier);
        getStyleClass().add("hearth-root");
        bench.getStyleClass().add("bench");
        bench.setMinWidth(0);
        bench.setMinHeight(0);
        // What has no room is cut off inside the bench: the plate above and the line below are always in sight.
        stages.values().forEach(s -> s.setMinHeight(0));
        Rectangle sight = new Rectangle();
        sight.widthProperty().bind(bench.widthProperty());
        sight.heightProperty().bind(bench.heightProperty());
        bench.setClip(sight);
        job.setTop(new SetPlateView(model, () -> toShop("agenda")));
        job.setLeft(path(model));
        job.setCenter(bench);
        job.setRight(reasons);
        job.setBottom(benchLine);
        reasons.prefWidthProperty()
                .bind(Bindings.min(appearance.em().multiply(REASONS_EMS), widthProperty().multiply(REASONS_SHARE)));
        getChildren().addAll(shop, job, sheet, new GateView(model, benchLine::focus));
        Timeline heartbeat = new Timeline(new KeyFrame(BEAT, _ -> {
            model.tick();
            model.reform().poll();
            model.wake().poll();
            model.agenda().poll();
            model.lookAround();
        }));
        heartbeat.setCycleCount(Animation.INDEFINITE);
        sceneProperty().addListener((_, _, scene) -> {
            if (scene == null) {
                heartbeat.stop();
            } else {
                heartbeat.play();
            }
        });
        appearance.applyTo(this);
        addEventFilter(KeyEvent.KEY_PRESSED, this::pressed);
        model.openProperty().addListener((_, was, is) -> {
            showJobOrShop();
            if (is.isPresent() && was.map(o -> !o.id().equals(is.get().id())).orElse(true)) {
                benchLine.focus();
            }
        });
        model.stageProperty().addListener((_, _, _) -> showStage());
        Runnable makeRoom = () -> {
            boolean room = getWidth() >= ROOM_FOR_REASONS * appearance.em().get();
            if (getWidth() > 0 && room != roomForReasons) {
                roomForReasons = room;
                model.reasonsShownProperty().set(room);
            }
        };
        widthProperty().addListener((_, _, _) -> makeRoom.run());
        appearance.em().addListener((_, _, _) -> makeRoom.run());
        model.reasonsShownProperty().addListener((_, _, _) -> showReasons());
        sceneProperty().addListener((_, _, _) -> Platform.runLater(this::showJobOrShop));
        showStage();
        showJobOrShop();
    }

    /** Large text may leave no room for all ten stages: then the path scrolls, and plate and line stay where they are. */
    private static ScrollPane path(DeskModel model) {
        ScrollPane scroll = new ScrollPane(new PathView(model));
        scroll.getStyleClass().addAll("page", "path-scroll");
        scroll.setFitToWidth(true);
        scroll.setFitToHeight(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.setMinHeight(0);
        scroll.setMinWidth(USE_PREF_SIZE);
        scroll.setFocusTraversable(false);
        List<Stage> all = List.of(Stage.values());
        model.stageProperty().addListener((_, _, now) -> scroll.setVvalue(all.indexOf(now) / (all.size() - 1.0)));
        return scroll;
    }

    private void showJobOrShop() {
        boolean open = model.openProperty().get().isPresent();
        job.setVisible(open);
        shop.setVisible(!open);
        if (!open) {
            shop.focus();
        }
    }

    private void showStage() {
        Stage stage = model.stageProperty().get();
        bench.getChildren().setAll(stages.get(stage));
        showReasons();
        if (stage == Stage.DOSSIER) {
            dossier.refresh();
        }
        if (model.openProperty().get().isPresent()) {
            benchLine.focus();
        }
    }

    private void showReasons() {
        Stage stage = model.stageProperty().get();
        boolean judged = stage == Stage.CENSUS || stage == Stage.ASSESS;
        job.setRight(judged && model.reasonsShownProperty().get() ? reasons : null);
    }

    /** Shows a page of the shop by its name. */
    public void showShop(String page) {
        shop.show(page);
    }

    private void toShop(String page) {
        model.toShop();
        shop.show(page);
    }

    /** Shows a page of Arrival by its name. */
    public void showArrival(String page) {
        model.stageProperty().set(Stage.ARRIVAL);
        arrival.show(page);
    }

    /** Shows a page of Reform by its name. */
    public void showReform(String page) {
        model.stageProperty().set(Stage.REFORM);
        reform.show(page);
    }

    /** Shows a page of Renew by its name. */
    public void showRenew(String page) {
        model.stageProperty().set(Stage.RENEW);
        renew.show(page);
    }

    /** Shows a page of Wake by its name. */
    public void showWake(String page) {
        model.stageProperty().set(Stage.WAKE);
        wake.show(page);
    }

    /** Shows a page of Prove by its name. */
    public void showProve(String page) {
        model.stageProperty().set(Stage.PROVE);
        prove.show(page);
    }

    private void pressed(KeyEvent e) {
        if (model.gateProperty().get().isPresent()) {
            return;
        }
        if (sheet.isVisible() && (e.getCode() == KeyCode.ESCAPE || e.getCode() == KeyCode.F1)) {
            sheet.close();
            benchLine.focus();
            e.consume();
            return;
        }
        if (e.isShortcutDown() ? shortcut(e) : functionKey(e.getCode())) {
            e.consume();
        }
    }

    private boolean functionKey(KeyCode code) {
        boolean inJob = model.openProperty().get().isPresent();
        switch (code) {
            case F1 -> sheet.open();
            case F2 -> benchLine.focus();
            case F4 -> model.reasonsShownProperty().set(!model.reasonsShownProperty().get());
            case F7 -> appearance.nightProperty().set(!appearance.nightProperty().get());
            case F8 -> model.power(Edit.Power.LIT);
            case F9 -> model.power(Edit.Power.OFF);
            case ESCAPE -> {
                if (inJob) {
                    benchLine.focus();
                    model.benchLine().lineProperty().set("");
                }
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    private boolean shortcut(KeyEvent e) {
        boolean inJob = model.openProperty().get().isPresent();
        switch (e.getCode()) {
            case PLUS, EQUALS, ADD -> appearance.resize(1);
            case MINUS, SUBTRACT -> appearance.resize(-1);
            case DIGIT1, DIGIT2, DIGIT3, DIGIT4, DIGIT5, DIGIT6, DIGIT7, DIGIT8, DIGIT9 ->
                model.stageProperty().set(List.of(Stage.values()).get(e.getCode().getCode() - KeyCode.DIGIT1.getCode()));
            case DIGIT0 -> model.stageProperty().set(Stage.DOSSIER);
            case G -> toShop("agenda");
            case F -> toShop("find");
            case HOME -> {
                if (inJob) {
                    model.toShop();
                }
            }
            case S -> {
                if (inJob) {
                    dossier.save();
                }
            }
            case Z -> {
                return undoOrRedo(e.isShiftDown());
            }
            case Y -> {
                return undoOrRedo(true);
            }
            default -> {
                return false;
            }
        }
        return true;
    }

    /** In a field with text, undo belongs to the text; elsewhere it belongs to the job. */
    private boolean undoOrRedo(boolean redo) {
        boolean typing = getScene().getFocusOwner() instanceof TextInputControl t && !t.getText().isEmpty();
        if (typing) {
            return false;
        }
        if (redo) {
            model.redo();
        } else {
            model.undo();
        }
        return true;
    }
}
