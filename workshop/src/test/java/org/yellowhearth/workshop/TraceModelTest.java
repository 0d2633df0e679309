package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.SupplyLoad;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplySection;
import org.yellowhearth.core.fact.SupplyWinding;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.trace.Preset;
import org.yellowhearth.core.trace.SupplyFigures;
import org.yellowhearth.storage.store.Shop;

/** Trace without a window: what is worked out when, what a trial changes, what undo takes back. */
public class TraceModelTest {
  private Shop shop;
  private DeskModel model;

  @BeforeMethod
  public void openShop() {
    shop = Rooms.shop(Rooms.folder());
    model = Rooms.model(shop);
    model.arrive("Trial set");
  }

  @AfterMethod
  public void closeShop() {
    shop.close();
  }

  private void describe(Preset preset) {
    model.putAll(preset.sections(model.job(), model::newId));
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

  @Test
  public void aSupplyIsWorkedOutOnlyWhileItIsLookedAt() {
    describe(Preset.VALVE_CHOKE);
    assertThat(model.trace().workedProperty().get()).isEmpty();
    model.stageProperty().set(Stage.TRACE);
    assertThat(model.trace().points()).containsExactly("HT", "HT2");
    assertThat(dc("HT")).isGreaterThan(dc("HT2"));
    double before = dc("HT2");
    SupplyWinding winding = model.job().items(SupplyWinding.class).getFirst();
    model.put(
        new SupplyWinding(
            winding.id(),
            winding.name(),
            winding.part(),
            1.1 * winding.volts(),
            winding.ohms(),
            true));
    assertThat(dc("HT2") / before).isCloseTo(1.1, within(0.03));
    model.undo();
    assertThat(dc("HT2")).isCloseTo(before, within(1e-6 * before));
    model.undo();
    assertThat(model.job().items(SupplySection.class))
        .as("an arrangement goes with one undo")
        .isEmpty();
    model.redo();
    assertThat(dc("HT2")).isCloseTo(before, within(1e-6 * before));
  }

  @Test
  public void aTrialMovesTheFiguresAndNothingElse() {
    describe(Preset.VALVE_CHOKE);
    model.stageProperty().set(Stage.TRACE);
    int entries = model.job().journal().size();
    Parameter mains = new Parameter(Parameter.MAINS, Which.MAINS_VOLTS);
    double volts = model.trace().original(mains).orElseThrow();
    double before = dc("HT");
    model.trace().attempt(mains, volts / 2);
    assertThat(model.trace().value(mains)).hasValue(volts / 2);
    double now = model.trace().trialProperty().get().orElseThrow().points().getFirst().dcVolts();
    assertThat(now).isBetween(0.3 * before, 0.6 * before);
    assertThat(model.job().journal()).hasSize(entries);
    model.trace().leaveTrial();
    assertThat(model.trace().value(mains)).hasValue(volts);
    assertThat(model.trace().trialProperty().get()).isEmpty();
    assertThat(model.trace().value(new Parameter("C99", Which.CAPACITANCE))).isEmpty();
    // A change of the job ends a trial: it would be one of another supply.
    model.trace().attempt(mains, volts / 2);
    model.put(new SupplyLoad(model.newId(), "lamp", "HT", SupplyLoad.Kind.CURRENT, 0.01));
    assertThat(model.trace().trialProperty().get()).isEmpty();
    assertThat(dc("HT")).isLessThan(before);
  }

  @Test
  public void whatIsMissingIsSaidAndTwoOfANameAreRefused() {
    describe(Preset.SILICON_BRIDGE);
    model.stageProperty().set(Stage.TRACE);
    model.put(
        new SupplyWinding(
            model.newId(), "T1", Optional.empty(), 12, OptionalDouble.empty(), false));
    TraceModel.Worked worked = model.trace().workedProperty().get().orElseThrow();
    assertThat(worked.now().supply()).isEmpty();
    assertThat(worked.now().missing())
        .extracting(m -> model.words().say(m))
        .anySatisfy(s -> assertThat(s).contains("T1", "two sections"));
    model.trace().suspect();
    model.trace().margins();
    assertThat(model.trace().findingsProperty().get()).isEmpty();
    assertThat(model.trace().marginsProperty().get()).isEmpty();
  }

  @Test
  public void readingsInTheBenchLineAreKeptTogetherAndAnswered() {
    describe(Preset.VALVE_CHOKE);
    model.stageProperty().set(Stage.TRACE);
    model.trace().suspect();
    assertThat(model.trace().findingsProperty().get().orElseThrow().explanations())
        .as("nothing read, nothing said")
        .isEmpty();
    // What a set would show whose reservoir has dried out to a tenth.
    Parameter reservoir = new Parameter("C-HT", Which.CAPACITANCE);
    model.trace().attempt(reservoir, model.trace().original(reservoir).orElseThrow() / 10);
    SupplyFigures.Point dry = model.trace().trialProperty().get().orElseThrow().points().getFirst();
    Rooms.type(
        model,
        String.format(
            Locale.ROOT, "HT dc %.0fV ac %.1fV line 230V", dry.dcVolts(), dry.rippleRms()));
    assertThat(model.job().items(SupplyReading.class))
        .extracting(SupplyReading::kind)
        .containsExactlyInAnyOrder(SupplyReading.Kind.DIRECT, SupplyReading.Kind.TRUE_RMS);
    assertThat(model.trace().chosenProperty().get()).isEqualTo("HT");
    model.trace().suspect();
    assertThat(
            model.trace().findingsProperty().get().orElseThrow().explanations().getFirst().parts())
        .isEqualTo(List.of("C-HT"));
    model.undo();
    assertThat(model.job().items(SupplyReading.class)).as("both go with one undo").isEmpty();
    assertThat(model.trace().findingsProperty().get())
        .as("what it said of them is forgotten")
        .isEmpty();
    model.toShop();
    assertThat(model.trace().workedProperty().get()).isEmpty();
  }
}
