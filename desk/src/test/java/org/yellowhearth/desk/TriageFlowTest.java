package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.MeterSettings;
import org.yellowhearth.core.part.PartRef;

/** A board measured in place with an ESR meter: settings that hold, and five heaps. */
public class TriageFlowTest extends Window {
  @Test
  public void aBoardIsSortedByShortLinesAlone() {
    robot.interact(() -> model.arrive("Board of the echo sounder"));
    settle();
    for (String line :
        List.of(
            "+ C1 100u 25V electrolytic decoupling",
            "+ C2 100u 25V electrolytic decoupling",
            "+ C3 10u 63V electrolytic coupling",
            "+ C4 47u 35V electrolytic smoothing",
            "+ C5 47u 35V electrolytic smoothing",
            "+ R1 1r resistor",
            "C4 beside R1",
            "hold 100 kHz in circuit")) {
      type(line);
    }
    Button held = robot.lookup("#held").queryButton();
    assertThat(held.isVisible()).isTrue();
    assertThat(held.getText()).contains("100 kHz").contains("in circuit");
    for (String line : List.of("C1 0.3r", "C2 9r", "C3 open", "C4 0.2r")) {
      type(line);
    }
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    robot.clickOn("#show-triage");
    settle();
    assertThat(heap("bad")).isEqualTo("Bad  2");
    assertThat(heap("lift")).isEqualTo("Lift a leg to know  1");
    assertThat(heap("passes")).isEqualTo("Passes  1");
    assertThat(heap("unknown")).isEqualTo("Not known yet  2");
    robot.clickOn("#triage-C5");
    settle();
    assertThat(model.chosenProperty().get()).contains(PartRef.of("C5"));
    type("0.4r");
    assertThat(heap("passes")).isEqualTo("Passes  2");
    robot.clickOn("#held");
    settle();
    assertThat(job().aspect(MeterSettings.class)).isEqualTo(MeterSettings.BLANK);
    assertThat(held.isVisible()).isFalse();
  }

  private String heap(String code) {
    return robot.lookup(".heap-" + code).queryAs(Label.class).getText();
  }
}
