package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Optional;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reform.Judgement;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.workshop.ReformModel;
import org.yellowhearth.workshop.Stage;

/**
 * Reform in the real window: a lane chosen, planned, run on the stand-in and by hand, stopped,
 * given up with a reason.
 */
public class ReformFlowTest extends Window {
  private void page(String name) {
    robot.interact(() -> find("reform-" + name, ToggleButton.class).fire());
    settle();
  }

  private void lane() {
    openJob("Brindlecote");
    press(KeyCode.CONTROL, KeyCode.DIGIT6);
    assertThat(model.stageProperty().get()).isEqualTo(Stage.REFORM);
    robot.clickOn("#lane-C16b");
    settle();
    page("plan");
    type("plan-target", "330");
    click("plan-make");
  }

  private ReformRun run() {
    return ReformRun.of(job().items(ReformPlan.class).getFirst(), job().events());
  }

  private void pass(double seconds, int times) {
    for (int k = 0; k < times; k++) {
      clock.goOn(Duration.ofMillis((long) (seconds * 1000)));
      robot.interact(() -> model.reform().poll());
      settle();
    }
  }

  @Test
  public void aLaneIsPlannedAndRunOnTheStandIn() {
    lane();
    assertThat(job().items(ReformPlan.class))
        .hasSize(1)
        .allSatisfy(p -> assertThat(p.targetVolts()).isEqualTo(330));
    page("link");
    click("link-stand-in");
    choose("link-channel", "channel 1");
    assertThat(said("link-state")).contains("stand-in leakage meter").contains("15 s");
    page("run");
    click("run-begin");
    assertThat(find("lanes-live", Button.class).getText()).isEqualTo("C16b under voltage");
    pass(1, 12);
    assertThat(run().readings()).isNotEmpty();
    until(() -> said("run-counsel").contains("Wait"));
    page("link");
    assertThat(find("link-said", TextArea.class).getText())
        .contains("OUTP1 ON")
        .doesNotContain("SIM:TIME?");
    page("run");
    click("run-pause");
    assertThat(run().phase()).isEqualTo(ReformRun.RunPhase.PAUSED);
    assertThat(said("run-counsel")).contains("Output off");
    page("link");
    click("link-down");
    assertThat(said("link-state")).contains("No instrument");
  }

  private String counsel(String ref) {
    robot.interact(() -> model.chosenProperty().set(Optional.of(PartRef.of(ref))));
    settle();
    return said("run-counsel");
  }

  private boolean over(String ref) {
    return model
            .reform()
            .lane(PartRef.of(ref))
            .flatMap(ReformModel.Lane::judgement)
            .orElseThrow()
            .counsel()
        != Judgement.Counsel.WAIT;
  }

  /**
   * A thousand times faster than life, in the window: one recovers, one stays on a plateau, one
   * runs away; the program is killed in between, comes back with the outputs off and says where it
   * was, and all three go on.
   */
  @Test
  public void oneComesUpOneStaysHighOneRunsAwayAndTheProgramIsKilledBetween()
      throws InterruptedException {
    openJob("Brindlecote");
    for (int k = 1; k <= 3; k++) {
      String part = "C90" + k;
      robot.interact(() -> {
        model.benchLine().lineProperty().set("+ " + part + " 32 MFD 450 V can electrolytic");
        model.benchLine().enter();
      });
      settle();
    }
    press(KeyCode.CONTROL, KeyCode.DIGIT6);
    start(true);
    pass(0.2, 10);
    assertThat(model.reform().underVoltage()).hasSize(3);
    String id = model.openProperty().get().orElseThrow().id();
    close();
    open();
    robot.interact(() -> model.openJob(id));
    settle();
    assertThat(model.background().noticeProperty().get().text())
        .contains("C901 was at step 1 of 1", "C903");
    press(KeyCode.CONTROL, KeyCode.DIGIT6);
    assertThat(counsel("C901")).contains("Output off");
    start(false);
    pass(0.2, 15);
    for (int n = 0; n < 60 && !over("C902"); n++) {
      pass(1, 1);
    }
    assertThat(counsel("C901")).contains("Finished");
    assertThat(counsel("C902")).containsAnyOf("No use waiting", "The time allowed is over");
    assertThat(counsel("C903")).contains("Stopped, output off");
    assertThat(find("lanes-live", Button.class).getText())
        .as("the one on its plateau")
        .contains("C902");
  }

  private void start(boolean plan) {
    page("link");
    choose("link-speed", "1000 × as fast as life");
    click("link-stand-in");
    for (int k = 1; k <= 3; k++) {
      String ref = "C90" + k;
      robot.interact(() -> model.chosenProperty().set(Optional.of(PartRef.of(ref))));
      if (plan) {
        page("plan");
        choose("plan-school", "constant current, then constant voltage");
        click("plan-make");
        page("link");
      }
      choose("link-channel", "channel " + k);
      page("run");
      click("run-begin");
      page("link");
    }
    page("run");
  }

  @Test
  public void byHandAReadingStopsItAndItIsGivenUpWithAReason() {
    lane();
    page("run");
    click("run-begin");
    clock.goOn(Duration.ofMinutes(2));
    type("run-volts", "60 V");
    type("run-amperes", "30 mA");
    click("run-keep");
    assertThat(run().phase()).isEqualTo(ReformRun.RunPhase.STOPPED);
    until(() -> said("run-counsel").contains("current above its limit"));
    click("run-abort");
    assertThat(run().phase()).as("a reason is wanted").isEqualTo(ReformRun.RunPhase.STOPPED);
    type("run-reason", "it hissed");
    click("run-abort");
    assertThat(job().events().getLast().event())
        .isEqualTo(new Reforming.ReformAborted("reform-C16b", "it hissed"));
    assertThat(find("lane-C16b", VBox.class).getParent().getAccessibleText()).contains("given up");
  }

  /**
   * From the gate to the label: the card on paper, a typed reading, the hand at the discharge, the
   * hours, the calendar.
   */
  @Test
  public void theEndTheHoursAndThePapersAreInTheWindow() throws IOException {
    lane();
    until(() -> robot.lookup("#plan-card").tryQuery().isPresent());
    click("plan-card");
    assertThat(text(folder.resolve("reforming C16b.pdf")))
        .contains("Reforming C16b", "330 V", "Switch off at once", "insulated clips");
    page("hours");
    fill("hours-when", "daily 8-20");
    until(() ->
        model
            .reform()
            .schedule()
            .scheduleProperty()
            .get()
            .map(s -> !s.dues().isEmpty())
            .orElse(false));
    assertThat(find("hours-dues", GridPane.class).getChildren())
        .extracting(n -> ((Label) n).getText())
        .contains("C16b", "begin", "end: discharge it");
    click("hours-calendar");
    assertThat(Files.readString(folder.resolve("reforming.ics")))
        .contains("BEGIN:VEVENT", "C16b: begin");
    page("run");
    click("run-begin");
    clock.goOn(Duration.ofMinutes(2));
    type("run-volts", "60 V");
    type("run-amperes", "0.1 mA");
    click("run-keep");
    robot.interact(() -> model.reform().finish(PartRef.of("C16b")));
    settle();
    type("end-ohms", "47k");
    click("end-clipped");
    assertThat(said("end-charge")).contains("below 1 V in");
    clock.goOn(Duration.ofSeconds(20));
    robot.interact(() -> model.reform().poll());
    assertThat(said("end-charge")).contains("measure it");
    type("end-volts", "0.2");
    click("end-keep");
    clock.goOn(Duration.ofHours(25));
    robot.interact(() -> {
      model.benchLine().lineProperty().set("C16b 33u 3r D0.07 @100");
      model.benchLine().enter();
    });
    settle();
    click("end-prove");
    clock.goOn(Duration.ofMinutes(6));
    type("run-volts", "330 V");
    type("run-amperes", "0.2 mA");
    click("run-keep");
    assertThat(said("run-counsel")).contains("Five minutes");
    click("run-finish");
    type("end-volts", "0.1");
    click("end-keep");
    assertThat(said("end-upshot")).contains("good");
    click("end-label");
    assertThat(text(folder.resolve("label C16b.pdf"))).contains("C16b", "Formed", "200 µA");
  }

  /** What it works at and a tenth is enough as a target, where somebody said what it works at. */
  @Test
  public void theTargetMayBeWhatItWorksAt() {
    openJob("Brindlecote");
    robot.interact(() -> {
      model
          .benchLine()
          .lineProperty()
          .set("+ C905 32 MFD 450 V can electrolytic reservoir sees 300 V");
      model.benchLine().enter();
    });
    settle();
    press(KeyCode.CONTROL, KeyCode.DIGIT6);
    page("plan");
    click("plan-enough");
    click("plan-make");
    assertThat(job().items(ReformPlan.class))
        .last()
        .satisfies(p -> assertThat(p.targetVolts()).isEqualTo(330));
  }

  private static String text(Path pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(Files.readAllBytes(pdf))) {
      return new PDFTextStripper().getText(document);
    }
  }

  /**
   * The stand-in LCR meter is read from Assess, and what it shows stands where a typed reading
   * stands.
   */
  @Test
  public void aReadingComesOverTheLine() {
    openJob("Brindlecote");
    press(KeyCode.CONTROL, KeyCode.DIGIT6);
    page("link");
    robot.interact(() -> find("link-lcr", ToggleButton.class).fire());
    click("lcr-stand-in");
    assertThat(said("link-state")).contains("stand-in LCR meter");
    press(KeyCode.CONTROL, KeyCode.DIGIT4);
    int before = job().readings().size();
    robot.interact(() -> model.chosenProperty().set(Optional.of(PartRef.of("C16b"))));
    robot.interact(() -> find("show-form", ToggleButton.class).fire());
    settle();
    type("read-at", "120 Hz");
    click("read-linked");
    assertThat(job().readings())
        .hasSize(before + 1)
        .anySatisfy(r -> {
          assertThat(r.conditions().instrument()).contains("LCR meter");
          assertThat(r.conditions().frequencyHertz()).hasValue(120);
        });
  }
}
