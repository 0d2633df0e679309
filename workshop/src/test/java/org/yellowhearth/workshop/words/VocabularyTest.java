package org.yellowhearth.workshop.words;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * One word for one thing, in the window, on papers, in the guide and in the README: the words that
 * the trade would not use, or that were used for two things, stand nowhere.
 */
public class VocabularyTest {
  private static final Path ROOT = Path.of(System.getProperty("hearth.root"));

  /** What is written nowhere, with what is said in its place. */
  @DataProvider
  public Object[][] gone() {
    return new Object[][] {
      {"set plate", "set details: a plate is an anode"},
      {"stand-ins?", "simulated instrument"},
      {"patience", "time allowed, give up after"},
      {"touch-safe|meter-safe", "below 60 V, below 1 V"},
      {"banked", "OFF, CHARGED"},
      {"census", "parts list"},
      {"renew(s|ed|ing)?", "replace"},
      {"wakes?|waking", "first power"},
      {"ramps?", "run, plan"},
      {"lanes?", "capacitor, run"},
      {"owed|owes", "outstanding"},
      {"provisional(ly)?", "temporary fit"},
      {"by reckoning", "calculated"},
      {"schools?", "policy, method"},
      {"bring up|brought up", "reform"},
      {"forming|formed", "reforming, reformed"},
      {"a tenth high", "+10 %"},
      {"eyes (away|covered|shielded)", "goggles, eye protection"},
      {"plug in (your|the) hand", "plug where you can see it"}
    };
  }

  /** The sentences of the window and of the trade, in either dialect, without their keys. */
  private static List<String> said() throws IOException {
    List<String> all = new ArrayList<>();
    for (String file :
        List.of(
            "knowledge/src/main/resources/org/yellowhearth/knowledge/words/words",
            "workshop/src/main/resources/org/yellowhearth/workshop/words/labels")) {
      for (String dialect : List.of("", "_american")) {
        Files.readAllLines(ROOT.resolve(file + dialect + ".properties")).stream()
            .filter(l -> !l.startsWith("#") && l.contains("="))
            .map(l -> l.substring(l.indexOf('=') + 1))
            // What is typed in an example is the bench's.
            .map(l -> l.replaceAll("\\S+ => ", " "))
            .forEach(all::add);
      }
    }
    Files.readAllLines(
            ROOT.resolve("knowledge/src/main/resources/org/yellowhearth/knowledge/sources.json"))
        .stream()
        .filter(l -> l.contains("\"title\""))
        .forEach(all::add);
    for (String page : List.of("README.md", "docs/guide.md", "docs/bench-line.md")) {
      Files.readAllLines(ROOT.resolve(page)).stream()
          .map(l -> l.replaceAll("`[^`]*`", " ").replaceAll("\\([^) ]*[/#][^)]*\\)", " "))
          .forEach(all::add);
    }
    return all;
  }

  @Test(dataProvider = "gone")
  public void aWordThatIsGoneStandsNowhere(String gone, String instead) throws IOException {
    Pattern word = Pattern.compile("(?i)(?<![\\w-])(" + gone + ")(?![\\w-])");
    assertThat(said()).hasSizeGreaterThan(4000);
    assertThat(said().stream().filter(l -> word.matcher(l).find()))
        .as("said instead: " + instead)
        .isEmpty();
  }

  /** A verdict is the only thing on a screen that is called so; a stage may share its word. */
  @Test
  public void nothingElseIsCalledByTheWordOfAVerdict() throws IOException {
    List<String> stages =
        List.of(
            "stage.reform", "stage.replace", "reform.title", "replace.title", "shop.guide.drawer");
    assertThat(
            Files.readAllLines(
                    ROOT.resolve(
                        "workshop/src/main/resources/org/yellowhearth/workshop/words/labels.properties"))
                .stream()
                .filter(l -> l.matches("[a-z.-]+=(Keep|Watch|Reform|Replace|Recheck)"))
                .filter(l -> !stages.contains(l.substring(0, l.indexOf('=')))))
        .isEmpty();
  }
}
