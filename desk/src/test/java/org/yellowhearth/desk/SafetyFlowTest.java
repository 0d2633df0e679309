package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.OptionalDouble;
import javafx.scene.control.Button;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javax.imageio.ImageIO;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.CheckResult;
import org.yellowhearth.core.fact.Complaint;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.MainsEntry;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Pin;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.Symptom;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.workshop.Stage;

/**
 * Arrival and Safety in the real window: plug, unplug, countdown, a blocked reading, pages filled
 * by hand.
 */
public class SafetyFlowTest extends Window {
  private void page(String name) {
    robot.interact(() -> find("page-" + name, ToggleButton.class).fire());
    settle();
  }

  private void listRail(String name, String volts, String capacitors, String bleeder, String ohms) {
    type("rail-name", name);
    type("rail-volts", volts);
    type("rail-capacitors", capacitors);
    choose("rail-bleeder", bleeder);
    type("rail-ohms", ohms);
    click("rail-add");
  }

  private void goOn(Duration time) {
    clock.goOn(time);
    robot.interact(model::tick);
  }

  @Test
  public void pluggedUnpluggedCountedDownAndBlocked() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT2);
    assertThat(model.stageProperty().get()).isEqualTo(Stage.SAFETY);
    listRail("HT", "250", "8µF", "bleeder as measured", "100k");
    assertThat(job().items(Rail.class))
        .singleElement()
        .satisfies(r -> assertThat(r.otherFarads()).hasValue(8e-6));
    press(KeyCode.F8);
    press(KeyCode.ESCAPE);
    assertThat(job().power()).as("left at the gate").isEmpty();
    press(KeyCode.F8);
    robot.write("lamp in series");
    press(KeyCode.ENTER);
    assertThat(said("hearth-state")).isEqualTo("POWER ON");
    press(KeyCode.F9);
    assertThat(said("hearth-state")).isEqualTo("OFF, CHARGED  250 V");
    assertThat(said("hearth-big")).startsWith("OFF, CHARGED");
    assertThat(find("hearth-since", Label.class).getText()).startsWith("below 60 V in about");
    goOn(Duration.ofSeconds(1));
    assertThat(said("hearth-state")).startsWith("OFF, CHARGED").isNotEqualTo("OFF, CHARGED  250 V");

    enter("C1 100n @1k");
    assertThat(model.gateProperty().get()).isPresent();
    int readings = job().readings().size();
    click("gate-leave");
    assertThat(job().readings()).hasSize(readings);
    press(KeyCode.ENTER);
    click("gate-measured");
    assertThat(job().readings()).hasSize(readings + 1);
    assertThat(job().events().getLast().event())
        .isInstanceOfSatisfying(
            Edit.Answered.class,
            a -> {
              assertThat(a.question()).isEqualTo(Edit.Question.READ_WHILE_BANKED);
              assertThat(a.volts().getAsDouble()).isBetween(60.0, 250.0);
            });

    goOn(Duration.ofHours(1));
    assertThat(said("hearth-state")).isEqualTo("DISCHARGED");
    enter("C1 101n @1k");
    assertThat(model.gateProperty().get()).isEmpty();
    assertThat(job().readings()).hasSize(readings + 2);
  }

  @Test
  public void aRailWithoutBleederIsDischargedMeasuredAndMayComeBack() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT2);
    listRail("HT", "250", "8µF", "no bleeder, or open", "");
    assertThat(said("hearth-state")).isEqualTo("NOT KNOWN");
    press(KeyCode.F2);
    enter("clip HT 1k");
    enter("volts HT 0.2V");
    assertThat(said("hearth-state")).startsWith("OFF, CHARGED");
    assertThat(find("hearth-since", Label.class).getText()).contains("may creep back to");
    enter("unclip HT");
    assertThat(job().journal().getLast().act()).isInstanceOf(Act.Did.class);
    press(KeyCode.CONTROL, KeyCode.Z);
    until(() -> model.gateProperty().get().isPresent());
    assertThat(model.gateProperty().get().orElseThrow().gate().question())
        .as("taking back a charged rail is asked about like taking it out")
        .isEqualTo(Edit.Question.RAIL_WHILE_CHARGED);
    fill("gate-reason", "typed by mistake");
    assertThat(said("hearth-state"))
        .as("the rail is undone, what happened stays")
        .isEqualTo("NOT KNOWN");
    assertThat(job().events()).hasSize(4);
  }

  @Test
  public void theChecksAreAnsweredAndAReasonOpensTheRest() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT2);
    type("answer-earth", "half typed");
    click("good-switch");
    assertThat(find("answer-earth", TextField.class).getText()).isEqualTo("half typed");
    assertThat(job().items(CheckResult.class))
        .singleElement()
        .satisfies(r -> assertThat(r.outcome()).isEqualTo(CheckResult.Outcome.PASSED));
    type("answer-cord", "broken at the grommet");
    click("bad-cord");
    assertThat(job().items(CheckResult.class))
        .anySatisfy(r -> {
          assertThat(r.outcome()).isEqualTo(CheckResult.Outcome.FAILED);
          assertThat(r.note()).isEqualTo("broken at the grommet");
        });
    assertThat(said("wake-gate")).startsWith("Not ready for power");
    fill("jumper-place", "lid switch");
    assertThat(said("wake-gate")).startsWith("Not ready for power");
    robot.interact(() -> find("safety-cautions", ToggleButton.class).fire());
    settle();
    assertThat(robot.lookup(".caution-danger").queryAll()).hasSizeGreaterThanOrEqualTo(2);
  }

  @Test
  public void theSetIsWrittenDownPageByPage() {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT1);
    fill("plate-watts", "25 W");
    fill("plate-made", "1955");
    fill("plate-made", "often");
    assertThat(said("notice")).contains("“often”");
    assertThat(find("plate-made", TextField.class).getText()).isEqualTo("1955");
    choose("plate-chassis", "isolated by transformer");
    settle();
    type("paper-title", "Service sheet");
    click("paper-add");
    assertThat(job().aspect(Build.class).watts()).hasValue(25);
    fill("build-anode", "2 kV");
    fill("build-anode-farads", "1.5 nF");
    assertThat(job().aspect(Build.class).pictureTube())
        .contains(new Build.PictureTube(2000, OptionalDouble.of(1.5e-9)));
    page("complaint");
    robot.interact(() -> find("chip-needle-pinned", ToggleButton.class).fire());
    settle();
    assertThat(job().aspect(Complaint.class).symptoms()).contains(Symptom.NEEDLE_PINNED);
    page("mains");
    fill("bench-volts", "238");
    fill("bench-hertz", "50");
    fill("entry-volts", "115");
    assertThat(job().aspect(Bench.class).mainsVolts()).hasValue(238);
    assertThat(job().aspect(MainsEntry.class).settingVolts()).hasValue(115);
    assertThat(robot.lookup(".point-stop").queryAll()).isNotEmpty();
    page("apart");
    type("apart-what", "knobs");
    type("apart-count", "3");
    click("apart-add");
    assertThat(job().items(TakeApartStep.class))
        .singleElement()
        .satisfies(s -> assertThat(s.count()).isEqualTo(3));
    page("scope");
    type("estimate-text", "Supply");
    type("estimate-hours", "1 / 2 / 4");
    type("estimate-money", "20");
    click("estimate-add");
    fill("budget-worth", "200");
    fill("budget-rate", "10");
    assertThat(job().items(EstimateLine.class))
        .singleElement()
        .satisfies(l -> assertThat(l.money().high()).isEqualTo(20));
    assertThat(said("advice")).isEqualTo("Go");
    press(KeyCode.F2);
    press(KeyCode.CONTROL, KeyCode.Z);
    press(KeyCode.CONTROL, KeyCode.Z);
    assertThat(said("advice")).isEqualTo("Not to be said yet");
    page("policy");
    find("arrival-renew", ComboBox.class);
  }

  private Path picture(String name, int width, int height) throws IOException {
    Path file = Files.createTempDirectory("camera").resolve(name);
    ImageIO.write(
        new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB), "jpg", file.toFile());
    return file;
  }

  @Test
  public void photographsComeInWithoutStallingAndWhatIsNoneIsTold() throws IOException {
    openJob("Quillandry");
    press(KeyCode.CONTROL, KeyCode.DIGIT1);
    page("photographs");
    Path letter =
        Files.writeString(Files.createTempDirectory("camera").resolve("letter.jpg"), "no picture");
    asked = List.of(picture("large.jpg", 6720, 4480), letter);
    robot.interact(() -> find("photo-pick", Button.class).fire());
    int answers = 0;
    while (model.photographs().progressProperty().get().isPresent()) {
      robot.interact(() -> {});
      answers++;
    }
    settle();
    assertThat(answers).as("the window answers while thirty megapixels come in").isPositive();
    assertThat(job().items(Photograph.class))
        .singleElement()
        .satisfies(p -> assertThat(p.widthPixels()).isEqualTo(6720));
    assertThat(said("notice")).contains("letter.jpg").contains("no photograph");
    type("pin-label", "C3");
    type("pin-across", "40");
    type("pin-down", "55");
    click("pin-add");
    assertThat(job().items(Pin.class))
        .singleElement()
        .satisfies(p -> assertThat(p.across()).isEqualTo(0.4));
  }
}
