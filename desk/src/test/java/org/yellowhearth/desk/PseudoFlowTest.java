package org.yellowhearth.desk;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.scene.control.ToggleButton;
import org.assertj.core.api.SoftAssertions;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import org.yellowhearth.knowledge.words.Texts;
import org.yellowhearth.workshop.Stage;

/**
 * Every page in words that are longer by two fifths and accented: what is cut off would be cut off
 * in another language, what has no accent stands in no catalogue.
 */
public class PseudoFlowTest extends Window {
  private static final Pattern ACCENTED = Pattern.compile("[áéíóúýÁÉÍÓÚ]");
  private static final Pattern ENGLISH = Pattern.compile("(?i)[a-z]*[aeiou][a-z]*[a-z]{2,}");

  /** Labels that belong to the window and not to what somebody typed. */
  private static final Set<String> OURS =
      Set.of("form-label", "section-title", "form-title", "stage-title", "page-tab");

  private int seen;
  private final Set<String> cut = new TreeSet<>();
  private final Set<String> untranslated = new TreeSet<>();

  /** Everything that is written of the set in the window. */
  private String set = "";

  @BeforeClass
  public void inOtherWords() {
    Texts.pseudo(true);
  }

  @AfterClass(alwaysRun = true)
  public void inEnglishAgain() {
    Texts.pseudo(false);
  }

  /** Whether each English word of it was typed by somebody: it stands in the file of the set. */
  private boolean typed(String text) {
    return ENGLISH
        .matcher(text)
        .results()
        .allMatch(m -> set.contains(m.group().toLowerCase(Locale.ROOT)));
  }

  private void walk(Node node, String where) {
    if (!node.isVisible()) {
      return;
    }
    if (node instanceof Labeled l && l.getText() != null && !l.getText().isBlank()) {
      boolean ours =
          node instanceof ButtonBase
              || (node instanceof Label && node.getStyleClass().stream().anyMatch(OURS::contains));
      seen += ours ? 1 : 0;
      if (ours && l.isTextTruncated()) {
        cut.add(where + ": " + l.getText());
      }
      if (ours && !ACCENTED.matcher(l.getText()).find() && !typed(l.getText())) {
        untranslated.add(where + ": " + l.getText());
      }
    }
    if (node instanceof Parent p) {
      p.getChildrenUnmodifiable().forEach(n -> walk(n, where));
    }
  }

  private void pages(String where) {
    settle();
    List<ToggleButton> tabs = new ArrayList<>();
    robot
        .lookup(n -> n instanceof ToggleButton && n.getStyleClass().contains("page-tab"))
        .queryAllAs(ToggleButton.class)
        .stream()
        .filter(Window::shown)
        .forEach(tabs::add);
    if (tabs.isEmpty()) {
      robot.interact(() -> walk(stage.getScene().getRoot(), where));
    }
    for (ToggleButton tab : tabs) {
      robot.interact(tab::fire);
      settle();
      robot.interact(() -> walk(stage.getScene().getRoot(), where + ", " + tab.getText()));
    }
  }

  @Test
  public void nothingIsCutOffAndNothingIsLeftInEnglish() throws IOException {
    set =
        Files.readString(Path.of(System.getProperty("hearth.root"), "demo", "mess-receiver.json"))
            .toLowerCase(Locale.ROOT);
    pages("shop");
    robot.interact(() ->
        ((org.yellowhearth.desk.shell.ShellView) stage.getScene().getRoot()).showShop("shelf"));
    openJob("Brindlecote");
    for (Stage at : Stage.values()) {
      robot.interact(() -> model.stageProperty().set(at));
      pages(at.name());
    }
    SoftAssertions all = new SoftAssertions();
    all.assertThat(seen).as("labels looked at").isGreaterThan(700);
    all.assertThat(cut).as("cut off").isEmpty();
    all.assertThat(untranslated).as("in no catalogue").isEmpty();
    all.assertAll();
  }
}
