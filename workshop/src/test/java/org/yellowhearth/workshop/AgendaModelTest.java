package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.agenda.Agenda;
import org.yellowhearth.core.agenda.Agenda.Bucket;
import org.yellowhearth.core.agenda.ClockWatch;
import org.yellowhearth.core.agenda.DueSource;
import org.yellowhearth.core.agenda.Later;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.OwnTask;
import org.yellowhearth.core.fact.OwnTask.TaskKind;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.Shop;

/** The agenda of a real shop without a window: it is Wednesday, 9 September 2026, 9:09 in UTC. */
public class AgendaModelTest {
  private static final long SECOND = 1_000_000_000L;
  private MovedClock clock;
  private Path folder;
  private Shop shop;
  private DeskModel model;
  private String voltmeter;
  private String receiver;
  private long nanos;

  @BeforeMethod
  public void openShop() {
    folder = Rooms.folder();
    clock = new MovedClock();
    open();
    receiver = arrived("Lampern 3");
    voltmeter = arrived("Quillandry V9");
    model.shelf().refresh();
  }

  private String arrived(String name) {
    model.arrive(name);
    String id = model.openProperty().get().orElseThrow().id();
    model.toShop();
    return id;
  }

  private void open() {
    shop = Rooms.shop(folder);
    model =
        new DeskModel(
            shop,
            new PhotoStore(folder),
            Rooms.KNOWLEDGE,
            clock,
            new Background(Runnable::run, Runnable::run, Runnable::run));
    model.shelf().refresh();
  }

  @AfterMethod
  public void closeShop() {
    shop.close();
  }

  private Agenda agenda() {
    return model.agenda().agendaProperty().get().orElseThrow();
  }

  private List<Agenda.Line> own() {
    return agenda().lines().stream().filter(l -> l.due().own().isPresent()).toList();
  }

  private Agenda.Line only(DueSource source) {
    return agenda().lines().stream()
        .filter(l -> l.due().source() == source)
        .findFirst()
        .orElseThrow();
  }

  private String told() {
    return model.background().noticeProperty().get().text();
  }

  private void pass(Duration time) {
    clock.goOn(time);
    nanos += time.toNanos();
    model.agenda().poll(nanos);
  }

  @Test
  public void ownTasksAreAddedChangedPutOffDoneAndTakenOut() {
    assertThat(
            model.agenda().add(voltmeter, TaskKind.CALL, "Ask about the probe", "tomorrow 14:00"))
        .isTrue();
    assertThat(model.agenda().add(receiver, TaskKind.TASK, "Buy solder", "")).isTrue();
    assertThat(own())
        .extracting(Agenda.Line::bucket)
        .containsExactly(Bucket.TOMORROW, Bucket.UNDATED);
    assertThat(model.agenda().add(voltmeter, TaskKind.CALL, "Ask", "someday")).isFalse();
    assertThat(told()).contains("\"someday\" is no time");
    assertThat(model.agenda().add(voltmeter, TaskKind.CALL, " ", "")).isFalse();
    model.agenda().change(own().getFirst(), "Ask about both probes", "in 3 days");
    assertThat(own().getFirst())
        .satisfies(l -> {
          assertThat(model.agenda().say(l)).isEqualTo("Ask about both probes");
          assertThat(l.due().wholeDay()).isTrue();
          assertThat(l.bucket()).isEqualTo(Bucket.WEEK);
        });
    model.agenda().later(own().getLast(), Later.HOUR);
    assertThat(own())
        .filteredOn(l -> l.bucket() == Bucket.TODAY)
        .singleElement()
        .satisfies(l -> assertThat(l.due().at()).contains(Instant.parse("2026-09-09T10:09:09Z")));
    model.agenda().done(own().getFirst(), true);
    assertThat(own()).extracting(Agenda.Line::bucket).contains(Bucket.DONE);
    model.agenda().undo();
    assertThat(own()).extracting(Agenda.Line::bucket).doesNotContain(Bucket.DONE);
    model.agenda().take(own().getLast());
    assertThat(own()).hasSize(1);
    model.agenda().undo();
    assertThat(own()).hasSize(2);
    shop.close();
    open();
    assertThat(own()).hasSize(2);
  }

  /** What was done to a set in between is not taken back from here. */
  @Test
  public void undoTakesBackNothingElse() {
    model.agenda().add(voltmeter, TaskKind.TASK, "VisualInspection for the probe", "");
    model.openJob(voltmeter);
    model.put(
        new OwnTask("later", TaskKind.TASK, "another", java.util.Optional.empty(), false, false));
    model.toShop();
    model.agenda().undo();
    assertThat(told()).startsWith("Something else was done to ");
    assertThat(own()).hasSize(2);
    assertThat(model.agenda().canUndo()).isFalse();
  }

  /** A burn-in seen from the shelf: due, overdue, put off, put away, opened where it is done. */
  @Test
  public void whatAStageAsksForIsAnswered() {
    model.openJob(voltmeter);
    model
        .prove()
        .beginBurn(
            OptionalDouble.of(24),
            List.of(new BurnIn.BurnChannel("HT", "V", OptionalDouble.of(250), 8)));
    model.toShop();
    assertThat(only(DueSource.BURN_IN).bucket()).isEqualTo(Bucket.TODAY);
    List<List<Agenda.Line>> reminded = new ArrayList<>();
    model.agenda().onDue(reminded::add);
    pass(Duration.ofMinutes(6));
    assertThat(only(DueSource.BURN_IN).bucket()).isEqualTo(Bucket.OVERDUE);
    assertThat(reminded)
        .singleElement()
        .satisfies(lines -> assertThat(model.agenda().summary(lines)).contains("Reading 1 of 13"));
    model.agenda().later(only(DueSource.BURN_IN), Later.HOUR);
    model.agenda().done(only(DueSource.BURN_IN), true);
    assertThat(agenda().lines()).filteredOn(l -> l.bucket() == Bucket.DONE).hasSize(1);
    model.agenda().open(only(DueSource.BURN_IN));
    assertThat(model.stageProperty().get()).isEqualTo(Stage.FINAL_TEST);
    assertThat(model.openProperty().get().orElseThrow().id()).isEqualTo(voltmeter);
  }

  /**
   * A night's sleep is told and brings what fell due at once; a clock set back is told and brings
   * nothing a second time.
   */
  @Test
  public void aSleepingComputerAndAMovedClock() {
    model.agenda().add(voltmeter, TaskKind.TASK, "VisualInspection", "in 2 h");
    List<List<Agenda.Line>> reminded = new ArrayList<>();
    model.agenda().onDue(reminded::add);
    pass(Duration.ofSeconds(1));
    assertThat(model.agenda().jumpProperty().get()).isEmpty();
    clock.goOn(Duration.ofHours(9));
    model.agenda().poll(nanos += SECOND);
    assertThat(model.agenda().jumpProperty().get().orElseThrow().jump())
        .isEqualTo(ClockWatch.Jump.AHEAD);
    assertThat(reminded).hasSize(1);
    clock.goOn(Duration.ofHours(-5));
    model.agenda().poll(nanos += SECOND);
    assertThat(model.agenda().jumpProperty().get().orElseThrow().jump())
        .isEqualTo(ClockWatch.Jump.BACK);
    assertThat(reminded).hasSize(1);
    assertThat(agenda().behind()).isEmpty();
    clock.goOn(Duration.ofDays(-30));
    model.agenda().poll(nanos += SECOND);
    assertThat(agenda().behind()).isPresent();
    pass(Duration.ofMinutes(16));
    assertThat(model.agenda().jumpProperty().get()).isEmpty();
  }

  /**
   * Out, changed by another hand, in: what was moved and ticked off follows; foreign events become
   * tasks, once.
   */
  @Test
  public void theCalendarGoesOutAndComesBack() throws IOException {
    model.openJob(voltmeter);
    model.prove().hold("oven", OptionalDouble.of(8));
    model.toShop();
    model.agenda().add(voltmeter, TaskKind.CALL, "Ask about the probe", "tomorrow 14:00");
    String text = model.agenda().calendar();
    assertThat(text).contains("DTSTART:20260909T170909Z", "DTSTART:20260910T140000Z");
    String moved =
        text.replace("20260909T170909Z", "20260909T200000Z")
            .replace("DTSTART:20260910T140000Z", "STATUS:CANCELLED\r\nDTSTART:20260910T140000Z")
            .replace(
                "END:VCALENDAR",
                "BEGIN:VEVENT\r\nUID:club@host\r\nDTSTART:20260912T180000Z\r\nSUMMARY:Meter club\r\nEND:VEVENT\r\n"
                    + "BEGIN:VEVENT\r\nUID:gone.burn-x-1@yellow-hearth\r\nDTSTART:20260912T180000Z\r\nSUMMARY:x\r\nEND:VEVENT\r\nEND:VCALENDAR");
    Path file = folder.resolve("back.ics");
    Files.writeString(file, moved);
    model.agenda().bringIn(file, receiver);
    assertThat(told())
        .isEqualTo("Brought in: 1 task; 2 of our own moved or ticked off; 1 known to no set here.");
    assertThat(only(DueSource.WARM_UP).due().at()).contains(Instant.parse("2026-09-09T20:00:00Z"));
    assertThat(own())
        .filteredOn(l -> l.job().equals(voltmeter))
        .extracting(Agenda.Line::bucket)
        .containsExactly(Bucket.DONE);
    assertThat(own())
        .filteredOn(l -> l.job().equals(receiver))
        .extracting(l -> model.agenda().say(l))
        .containsExactly("Meter club");
    int lines = agenda().lines().size();
    model.agenda().bringIn(file, receiver);
    assertThat(agenda().lines()).hasSize(lines);
    Files.write(file, "no calendar".getBytes(StandardCharsets.UTF_8));
    model.agenda().bringIn(file, receiver);
    assertThat(told()).contains("back.ics", "BEGIN:VCALENDAR");
  }
}
