package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.lang.reflect.Proxy;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Bench;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.safety.ChargeState;
import org.yellowhearth.storage.photo.PhotoStore;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.storage.store.ShopException;

/** The window's behaviour without the window. */
public class DeskModelTest {
  private Path folder;
  private Shop shop;
  private DeskModel model;

  @BeforeMethod
  public void openShop() {
    folder = Rooms.folder();
    shop = Rooms.shop(folder);
    model = Rooms.model(shop);
  }

  @AfterMethod
  public void closeShop() {
    shop.close();
  }

  private Job job() {
    return model.openProperty().get().orElseThrow().job();
  }

  private Echo echo(String line) {
    model.benchLine().lineProperty().set(line);
    return model.benchLine().echoProperty().get();
  }

  @Test
  public void aSetArrivesACapacitorIsJudgedAndEverythingIsThereAgain() {
    model.arrive("Arrived set");
    assertThat(model.stageProperty().get()).isEqualTo(Stage.ARRIVAL);
    assertThat(echo("+ C21 8 MFD 450 V electrolytic").understood()).contains("8 µF 450 V");
    model.benchLine().enter();
    assertThat(model.chosenProperty().get()).contains(Rooms.ref("C21"));
    Echo reading = echo("9.1u 400r D2.4 @100");
    assertThat(reading.understood())
        .contains("9.1 µF", "ESR 400 Ω", "D 2.4", "100 Hz", "out of circuit");
    assertThat(reading.verdict()).contains(Verdict.REPLACE);
    assertThat(reading.trouble()).isEmpty();
    model.benchLine().enter();
    assertThat(model.benchLine().lineProperty().get()).isEmpty();
    Job before = job();
    shop.close();
    shop = Rooms.shop(folder);
    model = Rooms.model(shop);
    model.shelf().refresh();
    model.openJob(model.shelf().jobsProperty().get().getFirst().id());
    assertThat(job().journal()).isEqualTo(before.journal());
    assertThat(job().readings()).hasSize(1);
    assertThat(model.stageProperty().get()).isEqualTo(Stage.ASSESS);
  }

  @Test
  public void aContradictionIsNamedWhileTyping() {
    model.arrive("X");
    Rooms.type(model, "+ C1 10 MFD 63 V electrolytic");
    Echo echo = echo("10u 90r D0.1 @100");
    assertThat(echo.trouble()).contains("contradict", "bad contact");
    assertThat(echo.verdict()).contains(Verdict.RECHECK);
    assertThat(echo.ready()).isTrue();
  }

  @Test
  public void wrongInputSaysWhatWasExpectedAndChangesNothing() {
    model.arrive("X");
    Rooms.type(model, "+ C1 10 MFD 63 V electrolytic");
    Job before = job();
    for (String wrong :
        List.of("5..5u", "450 V", "-9u", "C99 9u", "9.1", "+ C1 8 MFD", "+ C2 -8 MFD", "banana")) {
      Echo echo = echo(wrong);
      assertThat(echo.trouble()).as(wrong).isNotBlank().endsWith(".");
      assertThat(echo.ready()).isFalse();
      model.benchLine().enter();
      assertThat(job()).isSameAs(before);
      assertThat(model.benchLine().lineProperty().get()).isEqualTo(wrong);
    }
  }

  @Test
  public void aThousandOrADecimalIsAskedAbout() {
    model.arrive("X");
    Rooms.type(model, "+ C1 1000 pF mica");
    Echo question = echo("1,000p");
    assertThat(question.ready()).isFalse();
    assertThat(question.choices()).hasSize(2);
    assertThat(echo(question.choices().get(1).line()).understood()).contains("0.001 µF");
    assertThat(echo(question.choices().get(0).line()).understood()).contains("1 pF");
  }

  @Test
  public void undoAndRedoFollowTheJobAndTheChosenPart() {
    model.arrive("X");
    Rooms.type(model, "+ C1 10 MFD 63 V electrolytic");
    Rooms.type(model, "9u D0.1 @100");
    model.undo();
    assertThat(job().readings()).isEmpty();
    model.undo();
    assertThat(job().census()).isEmpty();
    assertThat(model.chosenProperty().get()).isEmpty();
    model.undo();
    assertThat(model.background().noticeProperty().get().text()).contains("undo");
    model.redo();
    model.redo();
    assertThat(job().readings()).hasSize(1);
    model.redo();
    assertThat(model.background().noticeProperty().get().text()).contains("redo");
    Rooms.type(model, "- C1");
    assertThat(job().census()).isEmpty();
    model.undo();
    assertThat(job().readings()).hasSize(1);
  }

  @Test
  public void policyRecomputesEveryVerdict() {
    model.arrive("X");
    Rooms.type(model, "+ C1 .1 MFD 400 V paper");
    assertThat(verdict()).isEqualTo(Verdict.REPLACE);
    model.changePolicy(Policy.Paper.LEAKAGE_DECIDES);
    assertThat(verdict()).isEqualTo(Verdict.RECHECK);
    model.changePolicy(Policy.Paper.LEAKAGE_DECIDES);
    assertThat(job().journal()).hasSize(3);
  }

  private Verdict verdict() {
    return model.openProperty().get().map(OpenJob::assessments).orElseThrow().getFirst().verdict();
  }

  @Test
  public void theHearthIsLitAndOffByOneKeyAndWarnsAtTheReading() {
    model.arrive("X");
    Rooms.type(model, "+ C1 10 MFD 63 V electrolytic");
    lit();
    assertThat(hearth()).isEqualTo(ChargeState.LIT);
    assertThat(echo("9u").trouble()).contains("The set is ON");
    model.power(Edit.Power.OFF);
    assertThat(hearth()).as("no rail is listed").isEqualTo(ChargeState.UNKNOWN);
    Rooms.type(model, "lit");
    answer("bench run");
    assertThat(hearth()).isEqualTo(ChargeState.LIT);
  }

  private ChargeState hearth() {
    return model.hearthProperty().get().state();
  }

  /** Power with the checks open: a reason is asked for and given. */
  private void lit() {
    model.power(Edit.Power.LIT);
    answer("heard it on the bench");
  }

  private void answer(String text) {
    model.gateProperty().get().orElseThrow().goOn().accept(text);
  }

  @Test
  public void earlierLinesComeBack() {
    model.arrive("X");
    Rooms.type(model, "+ C1 10 MFD 63 V electrolytic");
    Rooms.type(model, "9u D0.1 @100");
    model.benchLine().recall(-1);
    assertThat(model.benchLine().lineProperty().get()).isEqualTo("9u D0.1 @100");
    model.benchLine().recall(-5);
    assertThat(model.benchLine().lineProperty().get()).startsWith("+ C1");
    model.benchLine().recall(9);
    assertThat(model.benchLine().lineProperty().get()).isEmpty();
  }

  @Test
  public void pageKeysWalkTheCensus() {
    model.shelf().bringIn(List.of(Rooms.demo("valve-voltmeter.json")));
    model.openJob(model.shelf().jobsProperty().get().getFirst().id());
    assertThat(model.chosenProperty().get()).contains(Rooms.ref("C1"));
    model.chooseBy(1);
    assertThat(model.chosenProperty().get()).contains(Rooms.ref("C2"));
    model.chooseBy(99);
    assertThat(model.chosenProperty().get()).contains(Rooms.ref("C5"));
    model.chooseBy(-99);
    assertThat(model.chosenProperty().get()).contains(Rooms.ref("C1"));
    Rooms.type(model, "c3");
    assertThat(model.chosenProperty().get()).contains(Rooms.ref("C3"));
  }

  @Test
  public void filesComeInWholeOrNotAtAllAndGoOutWithoutLoss() throws IOException {
    Path broken =
        Files.writeString(
            Files.createTempFile("broken", ".json"),
            "{\"format\":\"yellow-hearth-job\",\n\"version\":1}");
    model.shelf().bringIn(List.of(Rooms.demo("mess-receiver.json"), broken));
    assertThat(model.background().noticeProperty().get().trouble()).isTrue();
    assertThat(model.background().noticeProperty().get().text())
        .contains("On the shelf now: Brindlecote 51.", "line 1", "shop is as it was");
    assertThat(model.shelf().jobsProperty().get()).hasSize(1);
    model.openJob(model.shelf().jobsProperty().get().getFirst().id());
    Job original = job();
    Path out = folder.resolve("out.json");
    model.takeOut(out);
    assertThat(model.background().noticeProperty().get().trouble()).isFalse();
    model.takeOut(out);
    assertThat(model.background().noticeProperty().get().trouble()).isTrue();
    model.toShop();
    model.shelf().bringIn(List.of(out));
    assertThat(model.shelf().jobsProperty().get())
        .hasSize(2)
        .allSatisfy(l -> assertThat(shop.job(l.id()).journal()).isEqualTo(original.journal()));
  }

  /**
   * A letter that no typeface has is told before a file is written; asked for again it is written.
   */
  @Test
  public void whatCannotBeDrawnIsToldBeforeAFileIsWritten() throws IOException {
    Path dossiers = folder.resolve("dossiers");
    model.arrive("灯台船 מקלט \ud83e\udee0");
    model.dossier().save(dossiers);
    assertThat(model.background().noticeProperty().get().text())
        .contains("\ud83e\udee0 [U+1FAE0]")
        .doesNotContain("灯", "מ");
    assertThat(dossiers).doesNotExist();
    model.dossier().save(dossiers);
    try (Stream<Path> written = Files.list(dossiers)) {
      assertThat(written.map(p -> p.getFileName().toString()))
          .singleElement()
          .asString()
          .startsWith("灯台船 מקלט");
    }
  }

  /**
   * Memory that runs out over one thing is told, and nothing waits for it for ever: neither the
   * window nor what comes after.
   */
  @Test
  public void anErrorBesideTheWindowIsToldAndTheBusySignFalls() {
    Background b = model.background();
    List<String> done = new ArrayList<>();
    for (Error e :
        List.of(
            new OutOfMemoryError("no room for the picture"), new StackOverflowError("too deep"))) {
      assertThatThrownBy(() ->
              b.aside(
                  () -> {
                    throw e;
                  },
                  _ -> done.add("never")))
          .isSameAs(e);
      assertThat(b.busyProperty().get()).isFalse();
      assertThat(b.noticeProperty().get().trouble()).isTrue();
      assertThat(b.noticeProperty().get().text()).contains(e.getMessage());
    }
    b.aside(() -> "next", done::add);
    assertThat(done).containsExactly("next");
  }

  /**
   * One bad file among good ones: the good ones come in, the bad one is told, and the window waits
   * for nothing.
   */
  @Test
  public void oneBadFileStopsNoBatch() throws IOException {
    model.arrive("X");
    BufferedImage picture = new BufferedImage(20, 10, BufferedImage.TYPE_INT_RGB);
    Path good = folder.resolve("good.png");
    ImageIO.write(picture, "png", good.toFile());
    Path bad = Files.writeString(folder.resolve("bad.png"), "no picture");
    model.photographs().bringIn(List.of(bad, good, folder.resolve("gone.jpg")));
    assertThat(job().items(Photograph.class)).hasSize(1);
    assertThat(model.photographs().progressProperty().get()).isEmpty();
    assertThat(model.background().noticeProperty().get().text()).contains("bad.png", "gone.jpg");
    Path jobs = Files.writeString(folder.resolve("bad.json"), "[");
    model.toShop();
    int before = model.shelf().jobsProperty().get().size();
    model.shelf().bringIn(List.of(jobs, Rooms.demo("mess-receiver.json")));
    assertThat(model.shelf().jobsProperty().get()).hasSize(before + 1);
    assertThat(model.background().busyProperty().get()).isFalse();
  }

  @Test
  public void aNamelessSetIsAskedForItsName() {
    model.arrive("   ");
    assertThat(model.openProperty().get()).isEmpty();
    assertThat(model.background().noticeProperty().get().trouble()).isTrue();
  }

  /**
   * Keys pressed faster than the disk: each edit waits for the one before and starts from what then
   * stands.
   */
  @Test
  public void editsAskedForInARushAreDoneInTurn() {
    Deque<Runnable> disk = new ArrayDeque<>();
    model =
        new DeskModel(
            shop,
            new PhotoStore(Rooms.folder()),
            Rooms.KNOWLEDGE,
            Rooms.CLOCK,
            new Background(disk::add, disk::add, Runnable::run));
    model.arrive("X");
    disk.removeFirst().run();
    Rooms.type(model, "+ C1 10 MFD 63 V electrolytic");
    model.benchLine().enter();
    model.changePlate(p -> p.with(d -> d.place = "mess"));
    model.changePlate(p -> p.with(d -> d.complaint = "hums"));
    model.undo();
    model.undo();
    model.power(Edit.Power.OFF);
    while (!disk.isEmpty()) {
      disk.removeFirst().run();
    }
    assertThat(job().census()).hasSize(1);
    assertThat(job().plate().place()).isEmpty();
    assertThat(job().plate().complaint()).isEmpty();
    assertThat(job().power()).contains(Edit.Power.OFF);
    assertThat(job().journal()).hasSize(7);
    assertThat(model.background().noticeProperty().get().trouble()).isFalse();
  }

  /**
   * What is typed stays in the line until it is on the disk, and when the disk refuses it stays for
   * another try.
   */
  @Test
  public void theLineIsClearedOnlyOnceItIsKept() {
    Deque<Runnable> disk = new ArrayDeque<>();
    boolean[] full = {false};
    Shop failing =
        (Shop)
            Proxy.newProxyInstance(
                Shop.class.getClassLoader(),
                new Class<?>[] {Shop.class},
                (_, method, given) -> {
                  if (full[0] && method.getName().equals("append")) {
                    throw new ShopException("The disk is full.");
                  }
                  return method.invoke(shop, given);
                });
    model =
        new DeskModel(
            failing,
            new PhotoStore(Rooms.folder()),
            Rooms.KNOWLEDGE,
            Rooms.CLOCK,
            new Background(disk::add, disk::add, Runnable::run));
    model.arrive("X");
    disk.removeFirst().run();
    Rooms.type(model, "+ C1 10 MFD 63 V electrolytic");
    assertThat(model.benchLine().lineProperty().get()).startsWith("+ C1");
    assertThat(model.background().busyProperty().get()).isTrue();
    full[0] = true;
    disk.removeFirst().run();
    assertThat(model.background().noticeProperty().get().text()).isEqualTo("The disk is full.");
    assertThat(model.benchLine().lineProperty().get()).startsWith("+ C1");
    assertThat(job().census()).isEmpty();
    full[0] = false;
    model.benchLine().enter();
    disk.removeFirst().run();
    assertThat(model.benchLine().lineProperty().get()).isEmpty();
    assertThat(job().census()).hasSize(1);
    assertThat(model.background().busyProperty().get()).isFalse();
  }

  private void bankedAt300Volts() {
    model.arrive("X");
    Rooms.type(model, "+ C1 10 MFD 450 V electrolytic");
    model.put(
        new Rail(
            "r1",
            "HT",
            300,
            List.of(Rooms.ref("C1")),
            OptionalDouble.empty(),
            "unstated",
            Rail.Bleeder.NONE,
            OptionalDouble.empty()));
    lit();
    model.power(Edit.Power.OFF);
    assertThat(hearth()).isEqualTo(ChargeState.BANKED);
  }

  @Test
  public void aReadingInABankedSetWaitsForAnAnswerThatIsKeptWithIt() {
    bankedAt300Volts();
    Rooms.type(model, "C1 9u @100");
    assertThat(job().readings()).isEmpty();
    assertThat(model.benchLine().lineProperty().get()).as("the line stays").isEqualTo("C1 9u @100");
    model.gateProperty().get().orElseThrow().leave().run();
    assertThat(job().readings()).isEmpty();
    model.benchLine().enter();
    answer("lifted out and discharged");
    assertThat(job().readings()).hasSize(1);
    assertThat(model.benchLine().lineProperty().get()).isEmpty();
    assertThat(job().events().getLast().event())
        .isEqualTo(
            new Edit.Answered(
                Edit.Question.READ_WHILE_BANKED,
                OptionalDouble.of(300),
                "lifted out and discharged"));
    model.undo();
    assertThat(job().readings()).isEmpty();
    assertThat(job().events().getLast().event())
        .as("the answer was given, whatever came of it")
        .isInstanceOf(Edit.Answered.class);
  }

  @Test
  public void nothingElseIsDoneWhileSomebodyStandsAtTheGate() {
    bankedAt300Volts();
    Rooms.type(model, "C1 9u @100");
    model.changePlate(p -> p.with(d -> d.place = "loft"));
    assertThat(job().plate().place()).isEmpty();
    model.gateProperty().get().orElseThrow().leave().run();
    assertThat(job().plate().place()).isEqualTo("loft");
    Rooms.type(model, "C1 9u @100");
    model.toShop();
    assertThat(model.gateProperty().get()).as("leaving the job leaves the gate").isEmpty();
  }

  @Test
  public void aLitSetLetsAPartGoOnlyWithAReason() {
    bankedAt300Volts();
    lit();
    Rooms.type(model, "- C1");
    assertThat(job().census()).hasSize(1);
    answer("listed by mistake");
    assertThat(job().census()).isEmpty();
  }

  @Test
  public void anAspectThatCannotStandIsToldAndNotKept() {
    model.arrive("X");
    model.changeAspect(Bench.class, b -> b.with(d -> d.celsius = OptionalDouble.of(400)));
    assertThat(job().aspect(Bench.class)).isEqualTo(Bench.BLANK);
    assertThat(model.background().noticeProperty().get().text())
        .contains("Ambient temperature", "400");
    model.changeAspect(Bench.class, b -> b.with(d -> d.celsius = OptionalDouble.of(18)));
    assertThat(job().aspect(Bench.class).celsius()).hasValue(18);
    model.undo();
    assertThat(job().aspect(Bench.class)).isEqualTo(Bench.BLANK);
  }

  @Test
  public void photographsGoOutAndComeInBesideTheJobFile() throws Exception {
    model.shelf().bringIn(List.of(Rooms.demo("mess-receiver.json")));
    model.openJob(model.shelf().jobsProperty().get().getFirst().id());
    Photograph photograph = job().items(Photograph.class).getFirst();
    Path out = Rooms.folder();
    model.takeOut(out.resolve("set.json"));
    assertThat(out.resolve("photographs").resolve(photograph.file()))
        .hasSameBinaryContentAs(Rooms.demo("photographs/" + photograph.file()));
    model
        .photographs()
        .picture(photograph, PhotoStore.Size.SMALL, path -> assertThat(path).isPresent());
  }

  /**
   * Where benches share a shop the window shows what another one did, and says who; what this one
   * asks for goes on from there.
   */
  @Test
  public void whatAnotherBenchDidIsShown() {
    Shop shared =
        (Shop)
            Proxy.newProxyInstance(
                Shop.class.getClassLoader(),
                new Class<?>[] {Shop.class},
                (_, method, given) ->
                    method.getName().equals("shared") ? (Object) true : method.invoke(shop, given));
    model =
        new DeskModel(
            shared,
            new PhotoStore(Rooms.folder()),
            Rooms.KNOWLEDGE,
            Rooms.CLOCK,
            new Background(Runnable::run, Runnable::run, Runnable::run));
    model.arrive("Shared");
    String id = model.openProperty().get().orElseThrow().id();
    shop.sign("Ann");
    shop.append(
        id,
        List.of(new Act.Did(new Edit.NoteWritten("from the other bench"))),
        Rooms.CLOCK.instant().atZone(ZoneOffset.UTC));
    model.lookAround(1);
    assertThat(job().journal()).hasSize(2);
    assertThat(model.background().noticeProperty().get().text())
        .contains("Ann")
        .contains("entry 1");
    model.lookAround(2);
    shop.append(
        id,
        List.of(new Act.Did(new Edit.NoteWritten("and again"))),
        Rooms.CLOCK.instant().atZone(ZoneOffset.UTC));
    model.lookAround(3);
    assertThat(job().journal()).as("not more often than every three seconds").hasSize(2);
    model.changePlate(p -> p.with(d -> d.place = "mess"));
    assertThat(job().journal()).hasSize(4);
    model.lookAround(4_000_000_000L);
    assertThat(job().plate().place()).isEqualTo("mess");
  }
}
