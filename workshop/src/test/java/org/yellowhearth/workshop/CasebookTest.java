package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.PowerUpPlan;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.fact.SupplySign;
import org.yellowhearth.core.finaltest.VoltageChart;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.Combination;
import org.yellowhearth.core.replace.Substitute;
import org.yellowhearth.core.replace.Substitutes;
import org.yellowhearth.core.supply.Parameter.Which;
import org.yellowhearth.core.trace.SwapOrder;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.storage.store.Shop;
import org.yellowhearth.workshop.ReplaceModel.Answer;

/**
 * The casebook: what is typed at a bench, and what a good restorer would conclude. Each file is one
 * case, typed into the bench line as a person would; what it says is common practice unless the
 * file names a source. How a case is written stands in {@code casebook/README.md}; a new case is a
 * new file and no code.
 */
public class CasebookTest {
  private static final Path BOOK =
      Path.of(System.getProperty("hearth.root"), "workshop/src/test/resources/casebook");
  private static final Pattern RISK = Pattern.compile("(\\S+) risk (above|below) (\\S+)");
  private static final Pattern VERDICT =
      Pattern.compile("(\\S+) (not )?(keep|watch|reform|replace|recheck)");
  private static final Pattern LIKELY =
      Pattern.compile("(\\S+) most likely (sound|worn|leaky|short|open)");
  private static final Pattern VALUE =
      Pattern.compile("(\\S+) (farads|esr|leak) (above|below) (\\S+)");
  private static final Map<String, Which> VALUES =
      Map.of(
          "farads", Which.CAPACITANCE,
          "esr", Which.SERIES_RESISTANCE,
          "leak", Which.LEAKAGE_RESISTANCE);
  private static final Pattern SAYS = Pattern.compile("(\\S+) says \"(.+)\"");
  private static final Pattern READ = Pattern.compile("(\\S+) read \"(.+)\"");
  private static final Pattern PART = Pattern.compile("(\\S+) is \"(.+)\"");

  private static final Pattern AT = Pattern.compile("at (\\S+) (\\S+) (\\S+)");
  private static final Pattern PROPOSED =
      Pattern.compile("(\\S+) (first|offered|not offered|weighs|refuses) \"(.+)\"");
  private static final Pattern LAMP = Pattern.compile("first power lamp (\\S+) to (\\S+) W");
  private static final Pattern METER =
      Pattern.compile("first power at (\\d+) % (\\S+) (\\S+) (passes|stops)");
  private static final Pattern FITTED = Pattern.compile("(\\S+) fitted \"(.+)\"");
  private static final Pattern CHART =
      Pattern.compile("chart (\\S+) (unread|within|undecided|out)");
  private static final Pattern NEEDED = Pattern.compile("(\\S+) needs (above|below) (\\S+) V");

  private Shop shop;
  private DeskModel model;

  @BeforeClass
  public void openShop() {
    shop = Rooms.shop(Rooms.folder());
    model = Rooms.model(shop);
  }

  @AfterClass
  public void closeShop() {
    shop.close();
  }

  @DataProvider
  public Object[][] cases() throws IOException {
    try (Stream<Path> files = Files.list(BOOK)) {
      return files
          .filter(f -> f.toString().endsWith(".txt"))
          .sorted()
          .map(f -> new Object[] {f.getFileName().toString()})
          .toArray(Object[][]::new);
    }
  }

  @Test(dataProvider = "cases")
  public void aRestorerWouldConcludeTheSame(String name) throws IOException {
    model.arrive(name);
    int expected = 0;
    for (String line : Files.readAllLines(BOOK.resolve(name))) {
      if (line.isBlank() || line.startsWith("#")) {
        continue;
      }
      if (line.startsWith("set ")) {
        set(line.substring(4));
      } else if (line.startsWith("= ")) {
        concluded(line.substring(2));
        expected++;
      } else if (line.startsWith("job ")) {
        model.shelf().bringIn(List.of(BOOK.resolve(line.substring(4))));
        model.openJob(model.shelf().jobsProperty().get().getFirst().id());
      } else if (line.startsWith("! ")) {
        refused(line.substring(2));
        expected++;
      } else {
        typed(line);
      }
    }
    assertThat(expected).as("it says what must come out").isPositive();
    model.toShop();
  }

  private Job job() {
    return model.openProperty().get().orElseThrow().job();
  }

  /**
   * {@code set 1965 measured}: its year, and that only measurements count; {@code set 1951 valve
   * radio-receiver 230V 50Hz 60W}: what it is, its mains, and what its plate says it takes.
   */
  private void set(String said) {
    List<String> words = List.of(said.split(" "));
    model.changePlate(
        p -> p.with(d -> d.made = OptionalInt.of(Integer.parseInt(words.getFirst()))));
    for (String w : words.subList(1, words.size())) {
      if (w.equals("measured")) {
        model.changePolicy(Policy.WhenToRenew.MEASURED_ONLY);
      } else if (w.matches("[\\d.]+V")) {
        double volts = number(w);
        model.changePlate(p -> p.with(d -> d.mains = Optional.of(new SetPlate.Mains(volts, 50))));
      } else if (w.matches("[\\d.]+W")) {
        model.changeAspect(Build.class, b -> b.with(d -> d.watts = OptionalDouble.of(number(w))));
      } else {
        model.changePlate(p -> p.with(d -> kind(d, w)));
      }
    }
  }

  private static double number(String word) {
    return Double.parseDouble(word.substring(0, word.length() - 1));
  }

  private static void kind(SetPlate.Draft d, String word) {
    Stream.of(SetPlate.Kind.values()).filter(k -> k.code().equals(word)).forEach(k -> d.kind = k);
    Stream.of(SetPlate.Technology.values())
        .filter(t -> t.code().equals(word))
        .forEach(t -> d.technology = t);
  }

  private void typed(String line) {
    int before = job().journal().size();
    model.benchLine().lineProperty().set(line);
    Echo echo = model.benchLine().echoProperty().get();
    model.benchLine().enter();
    assertThat(job().journal().size())
        .as("\"%s\" is understood: %s", line, echo.trouble())
        .isGreaterThan(before);
  }

  private void refused(String line) {
    int before = job().journal().size();
    model.benchLine().lineProperty().set(line);
    assertThat(model.benchLine().echoProperty().get().trouble()).as(line).isNotEmpty();
    model.benchLine().enter();
    assertThat(job().journal()).as("\"%s\" is not taken", line).hasSize(before);
    model.benchLine().lineProperty().set("");
  }

  private void concluded(String said) {
    Matcher risk = RISK.matcher(said);
    Matcher verdict = VERDICT.matcher(said);
    Matcher likely = LIKELY.matcher(said);
    Matcher value = VALUE.matcher(said);
    Matcher says = SAYS.matcher(said);
    Matcher read = READ.matcher(said);
    Matcher part = PART.matcher(said);
    Matcher at = AT.matcher(said);
    Matcher proposed = PROPOSED.matcher(said);
    Matcher needed = NEEDED.matcher(said);
    Matcher chart = CHART.matcher(said);
    Matcher fitted = FITTED.matcher(said);
    Matcher lamp = LAMP.matcher(said);
    Matcher meter = METER.matcher(said);
    if (said.startsWith("swap ")) {
      assertThat(SwapOrder.of(model.openProperty().get().orElseThrow().judged().assessments()))
          .extracting(a -> a.part().ref().toString())
          .containsExactly(said.substring(5).split(" "));
    } else if (said.startsWith("noticed ")) {
      assertThat(job().items(SupplySign.class))
          .extracting(x -> (x.sign() + " " + x.place()).strip())
          .containsExactly(said.substring(8).split(", "));
    } else if (said.startsWith("points ")) {
      assertThat(job().items(SupplyReading.class).stream().map(SupplyReading::point).distinct())
          .containsExactly(said.substring(7).split(" "));
    } else if (at.matches()) {
      assertThat(job().items(SupplyReading.class))
          .as(said)
          .anyMatch(r ->
              r.point().equals(at.group(1))
                  && r.kind().code().equals(at.group(2))
                  && r.volts() == Double.parseDouble(at.group(3)));
    } else if (risk.matches()) {
      double chance = of(risk.group(1)).risk().chance();
      double bound = Double.parseDouble(risk.group(3));
      assertThat(risk.group(2).equals("above") ? chance > bound : chance < bound)
          .as("%s, which is %.3f", said, chance)
          .isTrue();
    } else if (verdict.matches()) {
      Assessment a = of(verdict.group(1));
      String is = a.verdict().name().toLowerCase(Locale.ROOT);
      assertThat(is.equals(verdict.group(3)))
          .as("%s, which is %s: %s", said, is, model.words().say(a.because()))
          .isEqualTo(verdict.group(2) == null);
    } else if (likely.matches()) {
      Belief belief = of(likely.group(1)).belief();
      assertThat(belief.likeliest().code())
          .as("%s: %s", said, belief.states())
          .isEqualTo(likely.group(2));
    } else if (value.matches()) {
      double is = of(value.group(1)).belief().value(VALUES.get(value.group(2)));
      double bound = Double.parseDouble(value.group(4));
      assertThat(value.group(3).equals("above") ? is > bound : is < bound)
          .as("%s, which is %g", said, is)
          .isTrue();
    } else if (says.matches()) {
      assertThat(of(says.group(1)).findings().stream().map(f -> model.words().say(f.words())))
          .as(said)
          .anyMatch(w -> w.contains(says.group(2)));
    } else if (read.matches()) {
      assertThat(
              new Describe(model.words(), job())
                  .reading(
                      job().readingsOf(PartRef.of(read.group(1))).getLast().figures(),
                      job().readingsOf(PartRef.of(read.group(1))).getLast().conditions()))
          .contains(read.group(2));
    } else if (part.matches()) {
      assertThat(
              new Describe(model.words(), job())
                  .part(job().part(PartRef.of(part.group(1))).orElseThrow()))
          .contains(part.group(2));
    } else if (proposed.matches()) {
      proposed(proposed.group(1), proposed.group(2), proposed.group(3));
    } else if (lamp.matches()) {
      assertThat(plan().lampWatts().orElse(0))
          .as(said)
          .isBetween(Double.parseDouble(lamp.group(1)), Double.parseDouble(lamp.group(2)));
    } else if (meter.matches()) {
      metered(said, meter);
    } else if (fitted.matches()) {
      assertThat(
              job().of(PartRef.of(fitted.group(1)), Choice.class).stream()
                  .flatMap(c -> c.all().stream())
                  .map(Choice.Taken::title))
          .as(said)
          .anyMatch(t -> t.contains(fitted.group(2)));
      assertThat(job().of(PartRef.of(fitted.group(1)), Fitting.class))
          .as(said)
          .anyMatch(Fitting::fitted);
    } else if (chart.matches()) {
      assertThat(
              VoltageChart.of(job(), Optional.empty()).lines().stream()
                  .filter(l -> l.target().point().equals(chart.group(1)))
                  .map(l -> l.verdict().code()))
          .as(said)
          .containsExactly(chart.group(2));
    } else if (needed.matches()) {
      double is = substitutes(needed.group(1)).needed().orElseThrow();
      double bound = Double.parseDouble(needed.group(3));
      assertThat(needed.group(2).equals("above") ? is > bound : is < bound)
          .as("%s, which is %g", said, is)
          .isTrue();
    } else {
      throw new AssertionError("the case says something that is not understood: " + said);
    }
  }

  private Assessment of(String ref) {
    return model.openProperty().get().orElseThrow().assessment(PartRef.of(ref)).orElseThrow();
  }

  /** The plan that is proposed, as the window asks for it. */
  private PowerUpPlan plan() {
    model.stageProperty().set(Stage.FIRST_POWER);
    PowerUpPlan plan =
        model
            .wake()
            .proposedProperty()
            .get()
            .orElseThrow(() -> new AssertionError(model.background().noticeProperty().get().text()))
            .plan();
    model.stageProperty().set(Stage.ASSESS);
    return plan;
  }

  private void metered(String said, Matcher meter) {
    PowerUpPlan plan = plan();
    double share = Double.parseDouble(meter.group(1)) / 100;
    PowerUpPlan.Clip clip =
        switch (meter.group(2)) {
          case "lamp" -> PowerUpPlan.Clip.BEHIND_LAMP;
          case "watts" -> PowerUpPlan.Clip.TAKEN;
          default -> new PowerUpPlan.Clip(meter.group(2), PowerUpPlan.Shows.DIRECT);
        };
    int step =
        IntStream.range(0, plan.steps().size())
            .filter(k -> Math.abs(plan.steps().get(k).share() - share) < 0.01)
            .findFirst()
            .orElseThrow();
    PowerUpPlan.Band band = plan.band(step, clip);
    assertThat(band.holds(Double.parseDouble(meter.group(3)), true))
        .as("%s: %s", said, band)
        .isEqualTo(meter.group(4).equals("passes"));
  }

  private void proposed(String ref, String how, String words) {
    if (answer(ref) instanceof Answer.ForDevice device) {
      devices(device, how, words);
      return;
    }
    Substitutes all = substitutes(ref);
    List<String> best = all.best().stream().map(CasebookTest::title).toList();
    switch (how) {
      case "first" ->
          assertThat(best.isEmpty() ? "" : best.getFirst())
              .as("%s of %s, refused: %s", ref, best, said(all))
              .contains(words);
      case "offered" ->
          assertThat(best).as("%s, refused: %s", ref, said(all)).anyMatch(t -> t.contains(words));
      case "weighs" ->
          assertThat(
                  all.best().stream()
                      .flatMap(b -> b.points().stream())
                      .map(p -> model.words().say(p.words())))
              .as("%s, refused: %s", ref, said(all))
              .anyMatch(t -> t.contains(words));
      case "refuses" -> assertThat(said(all)).as(ref).anyMatch(t -> t.contains(words));
      default -> assertThat(best).as(ref).noneMatch(t -> t.contains(words));
    }
  }

  private void devices(Answer.ForDevice of, String how, String words) {
    List<String> titles = of.found().stream().map(f -> f.part().title()).toList();
    List<String> points =
        of.found().stream().flatMap(f -> f.points().stream()).map(model.words()::say).toList();
    switch (how) {
      case "first" -> assertThat(titles.getFirst()).as("%s", titles).contains(words);
      case "offered" -> assertThat(titles).anyMatch(t -> t.contains(words));
      case "weighs" -> assertThat(points).anyMatch(t -> t.contains(words));
      default -> assertThat(titles).noneMatch(t -> t.contains(words));
    }
  }

  private List<String> said(Substitutes all) {
    return all.refused().stream()
        .map(r -> r.count() + " × " + model.words().say(r.why()) + " " + r.nearest())
        .toList();
  }

  /** {@code 22 µF 450 V}; of several {@code parallel 10 µF 450 V + 10 µF 450 V}. */
  private static String title(Substitute of) {
    String joined =
        switch (of.combination()) {
          case Combination.One _ -> "";
          case Combination.Parallel _ -> "parallel ";
          case Combination.Series _ -> "series ";
        };
    return joined
        + of.parts().stream()
            .map(p -> (CapacitorWare) p.ware())
            .map(c -> Quantity.farads(c.farads()) + " " + Quantity.volts(c.volts()))
            .collect(Collectors.joining(" + "));
  }

  /** What could take a part's place, asked as the window asks. */
  private Substitutes substitutes(String ref) {
    return ((Answer.ForCapacitor) answer(ref)).of();
  }

  private Answer answer(String ref) {
    model.stageProperty().set(Stage.REPLACE);
    model.chosenProperty().set(Optional.of(PartRef.of(ref)));
    Answer answer = model.renew().answerProperty().get().orElseThrow();
    model.stageProperty().set(Stage.ASSESS);
    return answer;
  }
}
