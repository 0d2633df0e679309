package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import javafx.scene.control.Button;
import javafx.scene.control.TextArea;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.ReformPlan;
import org.yellowhearth.core.job.Reforming;
import org.yellowhearth.core.reform.ReformRun;
import org.yellowhearth.desk.model.Stage;

/** Reform in the real window: a lane chosen, planned, run on the stand-in and by hand, stopped, given up with a reason. */
public class ReformFlowTest extends Window {
    private void page(String name) {
        robot.interact(() -> find("reform-" + name, ToggleButton.class).fire());
        settle();
    }

    private void lane() {
        openJob("Brindlecote");
        press(KeyCode.CONTROL, KeyCode.DIGIT6);
        assertThat(model.stageProperty().get()).isEqualTo(Stage.REFORM);
        click("lane-C16b");
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
        assertThat(job().items(ReformPlan.class)).hasSize(1).allSatisfy(p -> assertThat(p.targetVolts()).isEqualTo(330));
        page("link");
        click("link-stand-in");
        choose("link-channel", "channel 1");
        assertThat(said("link-state")).contains("stand-in leakage meter").contains("15 s");
        page("run");
        click("run-begin");
        assertThat(find("lanes-live", Button.class).getText()).isEqualTo("C16b under voltage");
        pass(1, 12);
        assertThat(run().readings()).isNotEmpty();
        assertThat(said("run-counsel")).contains("Wait");
        page("link");
        assertThat(find("link-said", TextArea.class).getText()).contains("OUTP1 ON").doesNotContain("SIM:TIME?");
        page("run");
        click("run-pause");
        assertThat(run().phase()).isEqualTo(ReformRun.RunPhase.PAUSED);
        assertThat(said("run-counsel")).contains("output is off");
        page("link");
        click("link-down");
        assertThat(said("link-state")).contains("No instrument");
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
        assertThat(said("run-counsel")).contains("current above its bound");
        click("run-abort");
        assertThat(run().phase()).as("a reason is wanted").isEqualTo(ReformRun.RunPhase.STOPPED);
        type("run-reason", "it hissed");
        click("run-abort");
        assertThat(job().events().getLast().event()).isEqualTo(new Reforming.ReformAborted("reform-C16b", "it hissed"));
        assertThat(find("lane-C16b", Button.class).getAccessibleText()).contains("given up");
    }
}
