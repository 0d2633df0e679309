package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import java.util.function.BooleanSupplier;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.Slider;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.Region;
import org.testfx.util.WaitForAsyncUtils;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.SupplyBridge;
import org.yellowhearth.core.fact.SupplyConverter;
import org.yellowhearth.core.fact.SupplyFilter;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyMains;
import org.yellowhearth.core.fact.SupplyOutput;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.fact.SupplyState;
import org.yellowhearth.core.fact.SupplyTarget;
import org.yellowhearth.core.fact.SupplyValue;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.TraceModel;

/**
 * Trace in the real window: a supply described from an arrangement, the river dragged, readings,
 * suspects, signs and margins.
 */
public class TraceFlowTest extends Window {
  private void page(String name) {
    robot.interact(() -> find("trace-" + name, ToggleButton.class).fire());
    settle();
  }

  private void trace(String set) {
    openJob(set);
    press(KeyCode.CONTROL, KeyCode.DIGIT5);
    assertThat(model.stageProperty().get()).isEqualTo(Stage.TRACE);
    settle();
  }

  private void eventually(BooleanSupplier so) {
    try {
      WaitForAsyncUtils.waitFor(
          240,
          TimeUnit.SECONDS,
          () -> {
            WaitForAsyncUtils.waitForFxEvents();
            return so.getAsBoolean();
          });
    } catch (TimeoutException e) {
      throw new AssertionError("it did not come to that in a minute", e);
    }
    settle();
  }

  private double dc(String point) {
    return model
        .trace()
        .workedProperty()
        .get()
        .flatMap(TraceModel.Worked::nowFigures)
        .orElseThrow()
        .points()
        .stream()
        .filter(p -> p.name().equals(point))
        .findFirst()
        .orElseThrow()
        .dcVolts();
  }

  /** A heater line that the drawing promises is no direct voltage, wherever it is typed. */
  @Test
  public void aPromiseInAcStaysOne() {
    openJob("Brindlecote");
    robot.interact(() -> model.stageProperty().set(Stage.TRACE));
    robot.interact(() -> find("trace-readings", ToggleButton.class).fire());
    type("target-point", "heater");
    type("target-volts", "6.3 V AC");
    click("target-add");
    assertThat(job().items(SupplyTarget.class))
        .filteredOn(t -> t.point().equals("heater"))
        .singleElement()
        .matches(SupplyTarget::alternating);
  }

  @Test
  public void aSupplyIsDescribedFromAnArrangementAndCorrected() {
    trace("Quillandry");
    page("describe");
    robot.interact(() -> combo("preset").getSelectionModel().select(0));
    click("preset-add");
    assertThat(job().items(SupplySection.class)).hasSize(5);
    eventually(() -> model.trace().points().equals(List.of("HT", "HT2")));
    double before = dc("HT2");
    assertThat(before).isBetween(150.0, 400.0);
    String winding = job().items(SupplySection.class).getFirst().id();
    click("section-of-" + winding);
    fill("section-volts", "350 V");
    eventually(() -> dc("HT2") > before + 20);
    fill("section-volts", "nonsense");
    assertThat(job().item(winding).orElseThrow().toString()).contains("350");
    // A filter stage more, taken back by undo; the drawing follows.
    click("add-stage");
    eventually(() -> model.trace().points().contains("HT3"));
    page("river");
    assertThat(find("symbol-set", Region.class).getWidth()).isPositive();
    robot.interact(model::undo);
    settle();
    eventually(() -> !model.trace().points().contains("HT3"));
    // Safety takes the rails from there, all at once; one undo takes them back.
    press(KeyCode.CONTROL, KeyCode.DIGIT2);
    int listed = job().items(Rail.class).size();
    click("rails-of-supply");
    eventually(() -> job().items(Rail.class).size() == listed + 2);
    assertThat(job().items(Rail.class)).extracting(Rail::name).contains("HT", "HT2");
    robot.interact(model::undo);
    settle();
    assertThat(job().items(Rail.class)).hasSize(listed);
  }

  /**
   * A symbol of the drawing leads to the fields; a value that the model assumed is typed, counts,
   * and is forgotten again.
   */
  @Test
  public void anyValueOfTheModelIsTypedAndForgotten() {
    trace("Brindlecote");
    page("describe");
    eventually(() -> model.trace().workedProperty().get().isPresent());
    robot.interact(() -> find("described-C16b", Region.class).requestFocus());
    press(KeyCode.ENTER);
    eventually(() -> robot.lookup("#value-C16b-leakage-resistance").tryQuery().isPresent());
    double before = dc("HT2");
    fill("value-C16b-leakage-resistance", "4k7");
    eventually(() -> job().items(SupplyValue.class).size() == 1 && dc("HT2") < before - 5);
    fill("value-C16b-leakage-resistance", "much");
    assertThat(job().items(SupplyValue.class)).singleElement().returns(4700.0, SupplyValue::value);
    fill("value-C16b-leakage-resistance", "");
    eventually(
        () -> job().items(SupplyValue.class).isEmpty() && Math.abs(dc("HT2") - before) < 0.01);
  }

  /**
   * What a set draws in standby is a field of its load; watts are read at the mains; a converter
   * and its outputs are described.
   */
  @Test
  public void statesWattsAndConvertersAreEntered() {
    trace("Brindlecote");
    page("describe");
    String load = job().items(SupplyLoad.class).getFirst().id();
    click("section-of-" + load);
    fill("section-standby", "40");
    assertThat(job().items(SupplyState.class)).singleElement().returns(0.4, SupplyState::share);
    fill("section-standby", "");
    assertThat(job().items(SupplyState.class)).isEmpty();
    page("readings");
    robot.interact(() -> combo("reading-kind").setValue(SupplyReading.Kind.WATTS));
    type("reading-volts", "63 W");
    click("reading-add");
    assertThat(job().items(SupplyReading.class))
        .anySatisfy(r -> assertThat(r.point()).isEqualTo(SupplyMains.POINT));
    page("describe");
    click("add-output");
    assertThat(job().items(SupplyOutput.class))
        .as("an output without a converter is refused")
        .isEmpty();
    click("add-converter");
    click("add-output");
    assertThat(job().items(SupplyOutput.class))
        .singleElement()
        .returns(job().items(SupplyConverter.class).getFirst().name(), SupplyOutput::converter);
    page("river");
    eventually(() ->
        model.trace().workedProperty().get().map(w -> !w.nowOutputs().isEmpty()).orElse(false));
    assertThat(find("symbol-K1", Region.class).getWidth()).isPositive();
  }

  @SuppressWarnings("unchecked") // the boxes of this window hold what they are made for
  private <T> ComboBox<T> combo(String id) {
    return (ComboBox<T>) find(id, ComboBox.class);
  }

  @Test
  public void draggingASymbolMovesTheRiverAndKeepsNothing() throws IOException {
    trace("Brindlecote");
    eventually(() -> model.trace().workedProperty().get().isPresent());
    Parameter c16a = new Parameter("C16a", Which.CAPACITANCE);
    double was = model.trace().original(c16a).orElseThrow();
    robot.interact(() -> find("symbol-C16a", Region.class).requestFocus());
    for (int k = 0; k < 5; k++) {
      press(KeyCode.DOWN);
    }
    eventually(() -> model.trace().trialProperty().get().isPresent());
    assertThat(model.trace().value(c16a).orElseThrow())
        .isCloseTo(was / Math.pow(1.12, 5), within(was * 1e-6));
    robot.interact(() -> find("symbol-C16a", Region.class).requestFocus());
    press(KeyCode.ENTER);
    robot.interact(() -> find("try-capacitance", Slider.class).setValue(-1));
    eventually(() ->
        model.trace().trialProperty().get().orElseThrow().points().getFirst().ripplePeakToPeak()
            > 40);
    assertThat(find("trace-figures", GridPane.class).getChildren())
        .extracting(n -> ((Label) n).getText())
        .contains("on trial");
    assertThat(job().readings()).as("nothing of a trial is kept").isEqualTo(model.job().readings());
    robot.interact(model.trace()::leaveTrial);
    assertThat(model.trace().trialProperty().get()).isEmpty();
    click("trace-svg");
    click("trace-spice");
    assertThat(Files.readString(folder.resolve("supply.svg")))
        .startsWith("<svg")
        .contains("C16a")
        .doesNotContain("NaN");
    assertThat(Files.readString(folder.resolve("supply.cir")))
        .containsIgnoringCase("c16a")
        .contains(".tran");
  }

  @Test
  public void readingsAreTakenAndPointAtTheSuspect() {
    trace("Brindlecote");
    long before = job().items(SupplyReading.class).size();
    enter("HT2 dc 244V ac 2.6V line 236V");
    eventually(() -> job().items(SupplyReading.class).size() == before + 2);
    page("readings");
    type("reading-point", "screen");
    type("reading-volts", "71");
    type("reading-line", "235");
    click("reading-add");
    assertThat(job().items(SupplyReading.class)).hasSize((int) before + 3);
    type("bridge-part", "C14");
    type("bridge-farads", "4 µF");
    type("bridge-rated", "100");
    click("bridge-add");
    assertThat(job().items(SupplyBridge.class)).as("stands too little").isEmpty();
    type("bridge-rated", "450");
    click("bridge-add");
    assertThat(job().items(SupplyBridge.class)).hasSize(1);
    page("suspects");
    click("suspects-ask");
    eventually(
        () -> model.trace().findingsProperty().get().map(TraceModel.Findings::pairs).orElse(false));
    assertThat(
            model.trace().findingsProperty().get().orElseThrow().explanations().getFirst().parts())
        .isEqualTo(List.of("C14"));
    assertThat(find("suspects-compared", GridPane.class).getChildren()).isNotEmpty();
    assertThat(model.trace().progressProperty().get()).isNegative();
  }

  @Test
  public void signsTheHuntAndTheSums() {
    trace("Brindlecote");
    eventually(() -> model.trace().workedProperty().get().isPresent());
    page("signs");
    int signs = job().items(SupplySign.class).size();
    ComboBox<String> sign = combo("sign-kind");
    robot.interact(() -> sign.setValue("hum-double"));
    type("sign-place", "cabinet");
    click("sign-add");
    assertThat(job().items(SupplySign.class))
        .hasSize(signs + 1)
        .anySatisfy(s -> assertThat(s.place()).isEqualTo("cabinet"));
    type("sum-0", "24 V");
    type("sum-1", "100k");
    type("sum-2", "10 µF");
    type("sum-4", "12 V");
    assertThat(find("sum-result", Label.class).getText()).contains("693 ms");
    type("sum-3", "50k");
    assertThat(find("sum-result", Label.class).getText()).contains("never");
    page("margins");
    click("margins-ask");
    eventually(() -> !model.trace().marginsProperty().get().isEmpty());
    robot.interact(() -> find("spread-ask", Button.class).fire());
    robot.interact(model.trace()::stop);
    settle();
    assertThat(model.trace().runsProperty().get()).as("stopped").isEmpty();
  }

  @Test
  public void aSetWithoutASupplySaysWhatToDo() {
    trace("Quillandry");
    assertThat(stage.getScene().getRoot().lookupAll(".empty-state")).isNotEmpty();
    assertThat(job().items(SupplyFilter.class)).isEmpty();
    assertThat(Optional.of(model.trace().points())).contains(List.of());
  }
}
