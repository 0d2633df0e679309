package org.yellowhearth.publishing.help;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.SetPlate.Dialect;
import org.yellowhearth.core.knowledge.CapacitorKind;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.LimitProfile;
import org.yellowhearth.core.knowledge.Source;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.help.Article.Chapter;

public class HelpBookTest {
  private final Knowledge knowledge = KnowledgeFiles.read();
  private final Words words = Words.of(Dialect.BRITISH);
  private final HelpBook book = HelpBook.of(knowledge, words);

  private String method() {
    StringBuilder all = new StringBuilder();
    book.in(Chapter.METHOD).forEach(a -> all.append(a.text()).append('\n'));
    return all.toString();
  }

  @Test
  public void everyLimitAndEverySourceOfTheVerdictsStandsThere() {
    String method = method();
    for (CapacitorKind kind : knowledge.kinds().values()) {
      assertThat(method).contains(words.capacitorKind(kind.id()).toLowerCase(Locale.ROOT));
      for (LimitProfile profile : kind.limits().keySet()) {
        assertThat(method)
            .contains(
                Quantity.percent(kind.limits().get(profile).kept().renewBelow())
                    + " to "
                    + Quantity.percent(kind.limits().get(profile).kept().renewAbove()));
      }
    }
    for (Role role : Role.values()) {
      assertThat(method).contains(words.word(role).toLowerCase(Locale.ROOT));
    }
    for (Source source : knowledge.sources().values()) {
      assertThat(method).contains(source.title().toLowerCase(Locale.ROOT));
    }
  }

  /**
   * Change a limit and the help says the changed one: it is written from what the rules are given.
   */
  @Test
  public void theMethodFollowsTheValuesTheRulesAreGiven() {
    Set<Source> one =
        Set.of(
            new Source(
                "mine", Source.Standing.COMMON_PRACTICE, "Held at the bench of the lightship"));
    Knowledge other =
        new Knowledge(
            knowledge.kinds(),
            with(one),
            knowledge.vocabulary(),
            knowledge.cautions(),
            knowledge.roles(),
            knowledge.partRules(),
            knowledge.partWear(),
            knowledge.faultSigns(),
            knowledge.faultRules(),
            knowledge.supply(),
            knowledge.renew(),
            knowledge.period(),
            knowledge.esrChart(),
            knowledge.functions(),
            knowledge.devices());
    assertThat(HelpBook.of(other, words).find("held at the bench of the lightship"))
        .extracting(Article::title)
        .containsExactly("Sources");
    assertThat(method()).doesNotContain("held at the bench of the lightship");
  }

  /**
   * The guide in the folder has a picture to most sections, each of which is there; in the window
   * nothing stands in its place.
   */
  @Test
  public void theGuidesPicturesAreThereAndStayOutOfTheWindow() throws IOException {
    Path docs = Path.of(System.getProperty("hearth.root")).resolve("docs");
    List<String> pictures =
        Pattern.compile("!\\[([^]]+)]\\(([^)]+)\\)")
            .matcher(Files.readString(docs.resolve("guide.md")))
            .results()
            .map(m -> m.group(2))
            .toList();
    assertThat(pictures)
        .hasSizeGreaterThan(12)
        .allSatisfy(p -> assertThat(docs.resolve(p)).exists());
    assertThat(book.in(Chapter.GUIDE))
        .noneMatch(a -> a.text().contains("the shelf with the demo shop"));
  }

  /**
   * What the rules work out stands there with its numbers, and the numbers are those of the
   * textbook: a share of the marking, the loss that belongs to an ESR, D = 2πfCR, and twice the
   * rail for solid tantalum (common practice).
   */
  @Test
  public void theFormulasOfTheVerdictsStandThereWithNumbers() {
    String all =
        book.find("worked example").stream()
            .map(Article::text)
            .collect(java.util.stream.Collectors.joining("\n"));
    assertThat(book.find("worked example")).hasSizeGreaterThanOrEqualTo(6);
    assertThat(all).contains("9.1 µf / 8 µf = 114 %").contains("2 · 15 v = 30 v");
    double esrOfTheLoss = 0.2 / (2 * Math.PI * 100 * 16e-6);
    assertThat(esrOfTheLoss).isBetween(19.85, 19.95);
    assertThat(all).as("the ESR that a loss of 0.2 at 16 µF makes").contains("= 19.9 ω");
    assertThat(all)
        .contains(words.word(Verdict.REPLACE).toLowerCase(Locale.ROOT))
        .contains("47 kω");
  }

  private java.util.Map<String, Source> with(Set<Source> more) {
    java.util.Map<String, Source> all = new java.util.HashMap<>(knowledge.sources());
    more.forEach(s -> all.put(s.id(), s));
    return all;
  }

  @Test
  public void everyStageHasItsPlaceInTheGuide() {
    for (String stage :
        List.of(
            "Arrival",
            "Safety",
            "Parts",
            "Assess",
            "Trace",
            "Reform",
            "Replace",
            "First power",
            "Final test",
            "Dossier",
            "The shelf",
            "The agenda",
            "Find",
            "Learned",
            "Practice",
            "Safekeeping",
            "Causes")) {
      assertThat(book.guideTo(stage))
          .as(stage)
          .get()
          .satisfies(a -> assertThat(a.blocks()).isNotEmpty());
    }
  }

  /**
   * A word searched for is found under whichever name the workshop has for it (common practice).
   */
  @Test
  public void wordsOfBothSidesOfTheOceanLeadToTheSameEntry() {
    for (String[] pair :
        new String[][] {
          {"valve", "tube"},
          {"anode", "plate supply"},
          {"earth", "ground"},
          {"ht", "b+"},
          {"mmfd", "micro-microfarad"},
          {"tan δ", "loss factor"},
          {"live chassis", "hot chassis"},
          {"aerial", "antenna"}
        }) {
      List<Article> by =
          book.find(pair[0]).stream().filter(a -> a.chapter() == Chapter.WORDS).toList();
      assertThat(by).as(pair[0]).isNotEmpty();
      assertThat(book.find(pair[1])).as(pair[1]).containsAnyElementsOf(by);
    }
  }

  @Test
  public void noWordIsExplainedTwice() {
    Set<String> seen = new HashSet<>();
    assertThat(book.in(Chapter.WORDS))
        .hasSizeGreaterThan(70)
        .allSatisfy(a -> assertThat(seen.add(a.title())).as(a.title()).isTrue());
  }

  @Test
  public void everyWordSearchedForMustStandInTheText() {
    assertThat(book.find("bleeder measured"))
        .isNotEmpty()
        .allSatisfy(a -> assertThat(a.text()).contains("bleeder").contains("measured"));
    assertThat(book.find("zzzz")).isEmpty();
    assertThat(book.find("  ")).isEmpty();
    assertThat(book.find("x".repeat(500))).isEmpty();
    assertThat(book.find("dielectric absorption").getFirst().title())
        .isEqualTo("dielectric absorption");
  }

  @Test
  public void theTextsKeepTheirTablesAndWhatIsTyped() {
    assertThat(book.guideTo("Verdicts").orElseThrow().blocks())
        .hasAtLeastOneElementOfType(Article.Block.Table.class);
    assertThat(book.in(Chapter.LINE))
        .anySatisfy(a ->
            assertThat(a.blocks())
                .anySatisfy(b ->
                    assertThat(b)
                        .isInstanceOfSatisfying(
                            Article.Block.Passage.class,
                            p ->
                                assertThat(p.spans())
                                    .extracting(Article.Span::look)
                                    .contains(Article.Look.TYPED))));
  }

  /** What people ask at a bench, in their words, and the text that answers; it stands first. */
  @DataProvider
  public Object[][] questions() {
    return new Object[][] {
      {"how do I discharge a capacitor", "Safety"},
      {"is the set still charged?", "Safety"},
      {"which dangers", "Safety"},
      {"isolating transformer live chassis", "Before you start"},
      {"how do I enter a reading", "Assess"},
      {"part is open", "Assess"},
      {"ESR meter in circuit", "Assess"},
      {"sort a whole board", "Assess"},
      {"leakage insulation enter", "Assess"},
      {"test a transistor", "Assess"},
      {"valve tester result", "Assess"},
      {"why is the verdict", "Verdicts"},
      {"overrule a verdict", "Parts"},
      {"colour bands", "Parts"},
      {"can with several sections", "Parts"},
      {"spreadsheet parts list", "Parts"},
      {"delete a part", "Parts"},
      {"cause of hum", "Trace"},
      {"voltage is too low", "Trace"},
      {"find a short", "Trace"},
      {"what blows the fuse", "Trace"},
      {"describe the power supply", "Trace"},
      {"bridge a capacitor", "Trace"},
      {"how much ripple is normal", "Trace"},
      {"without instruments", "Trace"},
      {"which change cured the fault", "Causes"},
      {"reform an electrolytic", "Reform"},
      {"how long does reforming take", "Reform"},
      {"is reforming worth it", "Reform"},
      {"replacement for a capacitor", "Replace"},
      {"selenium rectifier silicon", "Replace"},
      {"substitute transistor", "Replace"},
      {"restuff a can", "Replace"},
      {"shopping list", "Replace"},
      {"parts from my drawer", "Replace"},
      {"safety capacitor mains", "Replace"},
      {"choose the right fuse", "Replace"},
      {"switch on for the first time", "First power"},
      {"which lamp in the series lamp", "First power"},
      {"variable transformer use", "First power"},
      {"how do I stop everything", "First power"},
      {"voltages against the drawing", "Final test"},
      {"set the bias", "Final test"},
      {"supply under load", "Final test"},
      {"burn-in", "Final test"},
      {"may the set go back", "Final test"},
      {"print the dossier", "Dossier"},
      {"labels for bags", "Dossier"},
      {"make a backup", "Safekeeping"},
      {"several benches one shop", "A shared shop"},
      {"connect a meter", "Instruments and connections"},
      {"larger text", "The window on one page"},
      {"take back what I typed", "When something goes wrong"},
      {"estimate for the owner", "Arrival"},
      {"where do I find a note again", "Find"},
      {"what is due today", "The agenda"},
      {"american words", "The window on one page"}
    };
  }

  @Test(dataProvider = "questions")
  public void whatPeopleAskIsAnsweredFirst(String asked, String answered) {
    assertThat(book.find(asked).stream().limit(3).map(Article::title))
        .as(asked)
        .anyMatch(t -> t.startsWith(answered));
  }

  /** The index of the guide leads somewhere, and no link of the help leads nowhere. */
  @Test
  public void everyLinkOfTheGuideLeadsToAnArticle() {
    List<String> to =
        book.in(Chapter.GUIDE).stream()
            .flatMap(a -> a.blocks().stream())
            .filter(b -> b instanceof Article.Block.Passage p && p.item())
            .flatMap(b -> ((Article.Block.Passage) b).spans().stream())
            .map(Article.Span::to)
            .filter(a -> !a.isEmpty() && !a.endsWith(".md"))
            .toList();
    assertThat(to).hasSizeGreaterThanOrEqualTo(60).allMatch(a -> book.at(a).isPresent());
  }

  /** Its first texts are in sentences of no more than 25 words. */
  @Test
  public void whatComesFirstInTheGuideIsReadAtOnce() {
    for (String title : List.of("Before you start", "A set in ten minutes", "When something")) {
      Article a = book.guideTo(title).orElseThrow();
      for (Article.Block b : a.blocks()) {
        for (String sentence : Article.text(b).split("[.:;] ", -1)) {
          assertThat(sentence.split(" ", -1).length).as(sentence).isLessThanOrEqualTo(25);
        }
      }
    }
  }
}
