package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.GridPane;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.firstpower.PowerUpRun;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.PoweringUp;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.core.safety.Checks;
import org.yellowhearth.workshop.Stage;

/**
 * First power in the real window: planned, made ready, run on the stand-ins, stopped at the third
 * step by the space bar, and by a sign.
 */
public class FirstPowerFlowTest extends Window {
  private void page(String name) {
    robot.interact(() -> find("wake-page-" + name, ToggleButton.class).fire());
    settle();
  }

  private PowerUpRun run() {
    return PowerUpRun.of(job().items(PowerUpPlan.class).getLast(), job().events());
  }

  private void pass(double seconds, int times) {
    for (int k = 0; k < times; k++) {
      clock.goOn(Duration.ofMillis((long) (seconds * 1000)));
      robot.interact(() -> {
        model.tick();
        model.reform().poll();
        model.wake().poll();
      });
      settle();
    }
  }

  private void planned() {
    openJob("Brindlecote");
    press(KeyCode.CONTROL, KeyCode.DIGIT8);
    assertThat(model.stageProperty().get()).isEqualTo(Stage.FIRST_POWER);
    until(() -> model.wake().proposedProperty().get().isPresent());
    settle();
    assertThat(find("ramp-table", GridPane.class).getChildren()).hasSizeGreaterThan(40);
    click("ramp-keep");
    assertThat(job().items(PowerUpPlan.class)).hasSize(1);
  }

  private boolean shown(String id) {
    return robot.lookup("#" + id).tryQuery().isPresent();
  }

  private void ready() {
    page("ready");
    assertThat(said("ready-gate")).startsWith("Not ready");
    robot.interact(() -> {
      for (Check c : Checks.blocking(model.job(), model.now().toInstant())) {
        model.put(
            new CheckResult(
                model.newId(),
                c.code(),
                CheckResult.Outcome.OVERRIDDEN,
                OptionalDouble.empty(),
                "looked at",
                model.now().toInstant()));
      }
      model
          .hearthProperty()
          .get()
          .stores()
          .forEach(s -> model.happened(new Edit.VoltsMeasured(s.store().id(), 0.1, true)));
    });
    // So many edits come one after the other: all of them are on the disk before anything is
    // answered.
    long stores = model.hearthProperty().get().stores().size();
    until(() ->
        Checks.blocking(job(), model.now().toInstant()).isEmpty()
            && job().events().stream()
                    .filter(h ->
                        h.event() instanceof Edit.VoltsMeasured && h.at().equals(clock.instant()))
                    .count()
                >= stores);
    settle();
    pass(1, 1);
    for (Check c : List.copyOf(model.wake().ready())) {
      if (c.blocks() && c.automatic().isEmpty()) {
        until(() -> shown("so-" + c.code()));
        click("so-" + c.code());
      } else if (c.blocks()) {
        until(() -> shown("reason-" + c.code()));
        fill("reason-" + c.code(), "bridged from outside for this run");
      }
      until(() ->
          model.wake().ready().stream()
              .filter(x -> x.code().equals(c.code()))
              .noneMatch(Check::blocks));
      settle();
    }
    assertThat(said("ready-gate")).startsWith("Ready");
  }

  private String counsel() {
    return said("wake-counsel");
  }

  @Test
  public void aFullRampIsStoppedAtItsThirdStep() {
    planned();
    ready();
    page("link");
    click("wake-stand-in");
    until(() -> said("meter-state").contains("stand-in multimeter"));
    page("run");
    assertThat(counsel()).contains("Planned in 5 steps");
    click("wake-begin");
    for (int step = 0; step < 2; step++) {
      pass(1, 14);
      int now = step;
      until(() -> {
        pass(2, 1);
        return counsel().contains("go on") || now != run().step();
      });
      press(KeyCode.ENTER);
      assertThat(run().step()).isEqualTo(step + 1);
    }
    pass(1, 8);
    Label rail = find("figure-HT-direct", Label.class);
    assertThat(rail.getText()).contains("V");
    assertThat(rail.getFont().getSize()).as("legible from two metres").isGreaterThanOrEqualTo(48);
    assertThat(find("wake-stop", Button.class).getHeight()).isGreaterThan(60);
    assertThat(said("hearth-state")).isEqualTo("POWER ON");
    press(KeyCode.SPACE);
    assertThat(run().phase()).isEqualTo(PowerUpRun.PowerUpPhase.STOPPED);
    assertThat(run().step()).isEqualTo(2);
    assertThat(job().power()).contains(Edit.Power.OFF);
    pass(1, 1);
    assertThat(counsel()).contains("Stopped at step 3");
    assertThat(model.wake().lines().source().lines())
        .extracting(l -> l.text())
        .filteredOn(t -> t.startsWith("OUTP O"))
        .last()
        .isEqualTo("OUTP OFF");
  }

  @Test
  public void aSignHasItsKeyAndTypedFiguresAreHeldAgainstTheirBands() {
    planned();
    ready();
    page("run");
    click("wake-begin");
    assertThat(find("wake-signs", FlowPane.class).isVisible()).isTrue();
    pass(12, 1);
    fill("read-HT-direct", "0.1");
    assertThat(run().readings()).hasSize(1);
    robot.interact(() -> find("wake-stop", Button.class).requestFocus());
    press(KeyCode.K);
    assertThat(run().stopped()).contains(PoweringUp.StopCause.SMOKE);
    assertThat(counsel()).contains("smoke");
    assertThat(said("stop-look")).as("turned by hand").contains("pull the plug");
    click("stop-seen-off");
    ready();
    page("run");
    click("wake-begin");
    pass(2, 1);
    fill("read-HT-direct", "260");
    assertThat(run().stopped())
        .as("more than this step could bring")
        .contains(PoweringUp.StopCause.METER_OFF);
  }
}
