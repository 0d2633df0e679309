package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TableView;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.Verdict;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.safety.HearthState;
import org.yellowhearth.desk.dossier.DossierView;
import org.yellowhearth.desk.model.DeskModel;
import org.yellowhearth.desk.shell.FileAsk;
import org.yellowhearth.desk.shell.ShellView;
import org.yellowhearth.desk.theme.Appearance;
import org.yellowhearth.records.store.Shop;

/** The real window, driven as a person would: the whole flow by keyboard alone, and by mouse. */
public class FlowTest {
    private final FxRobot robot = new FxRobot();
    private final Appearance appearance = new Appearance();
    private ExecutorService keeper;
    private Path folder;
    private Shop shop;
    private DeskModel model;
    private List<Path> asked = List.of();
    private Stage stage;

    @BeforeClass
    public void startToolkit() throws TimeoutException {
        stage = FxToolkit.registerPrimaryStage();
        Appearance.loadTypefaces();
    }

    @BeforeMethod
    public void openWindow() {
        folder = Rooms.folder();
        open();
        model.bringIn(List.of(Rooms.demo("mess-receiver.json"), Rooms.demo("valve-voltmeter.json")));
        settle();
    }

    private void open() {
        keeper = Executors.newSingleThreadExecutor();
        shop = Rooms.shop(folder);
        model = new DeskModel(shop, Rooms.KNOWLEDGE, Rooms.CLOCK, keeper, keeper, Platform::runLater);
        FileAsk files = new FileAsk() {
            @Override
            public List<Path> jobFiles() {
                return asked;
            }

            @Override
            public Optional<Path> newJobFile(String suggestedName) {
                return Optional.of(folder.resolve(suggestedName));
            }
        };
        robot.interact(() -> {
            stage.setScene(
                    new Scene(new ShellView(model, appearance, files, new DossierView(model, files, folder.resolve("dossiers"))),
                            1280, 800));
            stage.show();
            model.refreshShelf();
        });
        settle();
    }

    @AfterMethod
    public void closeWindow() throws InterruptedException {
        close();
    }

    private void close() throws InterruptedException {
        settle();
        keeper.shutdown();
        assertThat(keeper.awaitTermination(20, TimeUnit.SECONDS)).isTrue();
        shop.close();
    }

    private void settle() {
        WaitForAsyncUtils.waitForFxEvents();
        until(() -> !model.busyProperty().get());
        WaitForAsyncUtils.waitForFxEvents();
    }

    private static void until(BooleanSupplier condition) {
        try {
            WaitForAsyncUtils.waitFor(20, TimeUnit.SECONDS, condition::getAsBoolean);
        } catch (TimeoutException e) {
            throw new AssertionError("it never came true", e);
        }
    }

    private <T extends Node> T find(String id, Class<T> type) {
        return robot.lookup(n -> id.equals(n.getId()) && shown(n)).queryAs(type);
    }

    private static boolean shown(Node node) {
        for (Node n = node; n != null; n = n.getParent()) {
            if (!n.isVisible()) {
                return false;
            }
        }
        return true;
    }

    private void press(KeyCode... keys) {
        robot.push(keys);
        settle();
    }

    private void enter(String line) {
        robot.write(line);
        press(KeyCode.ENTER);
    }

    private String said(String id) {
        return find(id, Label.class).getText();
    }

    private Job job() {
        return model.openProperty().get().orElseThrow().job();
    }

    private void openJob(String name) {
        robot.interact(() -> find("shelf", ListView.class).requestFocus());
        until(() -> model.shelfProperty().get().size() >= 2);
        press(KeyCode.HOME);
        for (int i = 0; i < model.shelfProperty().get().size(); i++) {
            if (model.shelfProperty().get().get(i).job().plate().name().startsWith(name)) {
                break;
            }
            press(KeyCode.DOWN);
        }
        press(KeyCode.ENTER);
        assertThat(job().plate().name()).startsWith(name);
    }

    @Test
    public void theWholePathByKeyboardAlone() throws IOException, InterruptedException {
        openJob("Quillandry");
        enter("+ C21 8 MFD 450 V electrolytic");
        assertThat(job().part(Rooms.ref("C21")).orElseThrow().farads()).isEqualTo(8e-6);
        robot.write("9.1u 400r D2.4 @100");
        assertThat(said("echo-understood")).contains("C21", "9.1 µF", "ESR 400 Ω", "D 2.4", "100 Hz");
        assertThat(said("echo-verdict")).isEqualTo("Renew");
        press(KeyCode.ENTER);
        assertThat(find("bench-line", TextField.class).getText()).isEmpty();
        assertThat(said("reasons-verdict")).isEqualTo("Renew");
        assertThat(said("reasons-replacement")).isEqualTo("10 µF 450 V electrolytic");
        press(KeyCode.CONTROL, KeyCode.S);
        try (Stream<Path> files = Files.list(folder.resolve("dossiers"))) {
            Path pdf = files.findFirst().orElseThrow();
            try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
                assertThat(new PDFTextStripper().getText(document)).contains("Quillandry", "C21", "400 Ω", "Renew", "Journal");
            }
        }
        assertThat(said("notice")).contains("Saved", "dossiers");
        Job before = job();
        close();
        open();
        openJob("Quillandry");
        assertThat(job().journal()).isEqualTo(before.journal());
    }

    @Test
    public void theSameByMouse() {
        openJob("Quillandry");
        robot.clickOn("#stage-census");
        settle();
        robot.clickOn(find("part-ref", TextField.class)).write("C30");
        robot.clickOn(find("part-marking", TextField.class)).write("0,1 uF 400 V");
        choose("part-kind", "polyester");
        choose("part-role", "coupling");
        assertThat(said("echo-understood")).contains("C30", "0.1 µF 400 V", "polyester", "coupling");
        robot.clickOn(find("part-add", Button.class));
        settle();
        assertThat(job().part(Rooms.ref("C30")).orElseThrow().kind()).isEqualTo("polyester");
        robot.clickOn("#stage-assess");
        settle();
        robot.clickOn(find("read-c", TextField.class)).write("0.102");
        robot.clickOn(find("read-d", TextField.class)).write("0.006");
        robot.clickOn(find("read-at", TextField.class)).write("1k");
        robot.clickOn(find("keep-reading", Button.class));
        settle();
        assertThat(job().readingsOf(Rooms.ref("C30")).getFirst().figures().get(Figure.CAPACITANCE)).hasValue(0.102e-6);
        assertThat(said("reasons-verdict")).isEqualTo("Keep");
        robot.clickOn("#hearth");
        settle();
        assertThat(HearthState.of(job())).isEqualTo(HearthState.LIT);
        assertThat(said("hearth-state")).isEqualTo("LIT");
        robot.clickOn("#to-shop");
        settle();
        assertThat(model.openProperty().get()).isEmpty();
    }

    @SuppressWarnings("unchecked")
    private void choose(String id, String words) {
        ComboBox<Object> box = find(id, ComboBox.class);
        robot.interact(
                () -> box.setValue(box.getItems().stream().filter(i -> i != null && box.getConverter().toString(i).equals(words))
                        .findFirst().orElseThrow()));
    }

    @Test
    public void wrongInputIsToldInTheWindowAndChangesNothing() {
        openJob("Quillandry");
        Job before = job();
        for (String wrong : List.of("5..5u", "450 V", "C99 9u", "-9u")) {
            enter(wrong);
            assertThat(said("echo-trouble")).as(wrong).isNotBlank();
            assertThat(job()).isSameAs(before);
            press(KeyCode.ESCAPE);
            assertThat(find("bench-line", TextField.class).getText()).isEmpty();
        }
    }

    @Test
    public void aQuestionIsAnsweredByKeyboard() {
        openJob("Quillandry");
        robot.write("C2 1,000p");
        press(KeyCode.ENTER);
        press(KeyCode.TAB);
        press(KeyCode.ENTER);
        assertThat(find("bench-line", TextField.class).getText()).isEqualTo("C2 1000p");
        assertThat(said("echo-understood")).contains("0.001 µF");
    }

    @Test
    public void undoRedoThemesStagesAndTheSheetAreOnKeys() {
        openJob("Brindlecote");
        enter("C1 500p @1k");
        int readings = job().readings().size();
        press(KeyCode.CONTROL, KeyCode.Z);
        assertThat(job().readings()).hasSize(readings - 1);
        press(KeyCode.CONTROL, KeyCode.SHIFT, KeyCode.Z);
        assertThat(job().readings()).hasSize(readings);
        press(KeyCode.F7);
        assertThat(stage.getScene().getRoot().getStyleClass()).contains("night");
        press(KeyCode.F7);
        press(KeyCode.CONTROL, KeyCode.DIGIT2);
        assertThat(model.stageProperty().get()).isEqualTo(org.yellowhearth.desk.model.Stage.CENSUS);
        press(KeyCode.CONTROL, KeyCode.DIGIT4);
        until(() -> robot.lookup(".paper").tryQuery().isPresent());
        press(KeyCode.CONTROL, KeyCode.DIGIT3);
        press(KeyCode.F1);
        assertThat(robot.lookup(".sheet-title").tryQuery()).isPresent();
        press(KeyCode.ESCAPE);
        press(KeyCode.F8);
        assertThat(said("hearth-state")).isEqualTo("LIT");
        press(KeyCode.F8);
        assertThat(said("hearth-state")).isEqualTo("UNKNOWN");
        press(KeyCode.PAGE_DOWN);
        assertThat(model.chosenProperty().get()).contains(Rooms.ref("C2"));
    }

    @Test
    public void aSetArrivesThroughTheWindow() {
        robot.clickOn("#arrival-name").write("Set with a name that is a good deal longer than any rating plate would ever hold");
        press(KeyCode.ENTER);
        assertThat(model.stageProperty().get()).isEqualTo(org.yellowhearth.desk.model.Stage.ARRIVAL);
        robot.clickOn("#plate-made").eraseText(4).write("1066");
        robot.clickOn("#plate-place").write("workshop");
        press(KeyCode.ENTER);
        assertThat(job().plate().made()).isEmpty();
        assertThat(job().plate().place()).isEqualTo("workshop");
        robot.clickOn("#plate-made").write("1947");
        press(KeyCode.TAB);
        assertThat(job().plate().made()).hasValue(1947);
        choose("arrival-paper", "leakage test at working voltage decides");
        settle();
        press(KeyCode.F2);
        enter("+ C1 .1 MFD 400 V paper");
        assertThat(model.openProperty().get().orElseThrow().assessments().getFirst().verdict()).isEqualTo(Verdict.RECHECK);
    }

    @Test
    public void aFileIsBroughtInThroughTheWindow() throws IOException {
        asked = List.of(Rooms.demo("signal-generator.json"), Files.writeString(folder.resolve("bad.json"), "nonsense"));
        robot.clickOn("#bring-in");
        settle();
        assertThat(model.shelfProperty().get()).hasSize(3);
        assertThat(said("shop-notice")).contains("Tarrowmere", "bad.json was not taken");
    }

    @Test
    public void twoHundredPartsAreShownAndChosenWithoutTrouble() throws IOException {
        String parts = IntStream.range(0, 200)
                .mapToObj(i -> "{\"ref\":\"C" + (1000 + i) + "\",\"marking\":\"8 MFD 450 V electrolytic\"}")
                .collect(Collectors.joining(","));
        asked = List.of(Files.writeString(folder.resolve("many.json"),
                "{\"format\":\"yellow-hearth-job\",\"version\":1,\"set\":{\"name\":\"Many parts\"},\"parts\":[" + parts + "]}"));
        robot.clickOn("#bring-in");
        settle();
        openJob("Many");
        assertThat(find("assess-table", TableView.class).getItems().size()).isEqualTo(200);
        press(KeyCode.F2);
        enter("C1150");
        assertThat(find("assess-table", TableView.class).getSelectionModel().getSelectedIndex()).isEqualTo(150);
    }
}
