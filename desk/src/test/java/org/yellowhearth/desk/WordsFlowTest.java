package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Labeled;
import javafx.scene.control.ToggleButton;
import javafx.scene.text.Text;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;
import org.yellowhearth.core.job.SetPlate.Dialect;
import org.yellowhearth.desk.shop.ShopView;
import org.yellowhearth.workshop.Stage;
import org.yellowhearth.workshop.words.Labels;

/** The window speaks as one chooses, at once and on every page. */
public class WordsFlowTest extends Window {
  /**
   * What a restorer who says tube and ground would not say; a picture tube has an anode there too.
   */
  private static final Pattern BRITISH =
      Pattern.compile("(?i)\\b(mains|earthed|earthing|isolating|stabilisers?|aluminium)\\b");

  @AfterMethod(alwaysRun = true)
  public void speakAsBefore() {
    Labels.speak(Dialect.BRITISH);
  }

  private void said(Node node, List<String> all) {
    if (!node.isVisible()) {
      return;
    }
    if (node instanceof Text t) {
      all.add(t.getText());
    } else if (node instanceof Labeled l) {
      all.add(l.getText());
    }
    if (node instanceof Parent p) {
      p.getChildrenUnmodifiable().forEach(n -> said(n, all));
    }
  }

  private List<String> british() {
    List<String> all = new ArrayList<>();
    robot.interact(() -> said(stage.getScene().getRoot(), all));
    return all.stream().filter(t -> t != null && BRITISH.matcher(t).find()).distinct().toList();
  }

  @Test
  @SuppressWarnings("unchecked")
  public void theChoiceTakesEffectAtOnceOnEveryPage() throws InterruptedException {
    List<Dialect> asked = new ArrayList<>();
    robot.interact(
        () -> robot.lookup(n -> n instanceof ShopView).queryAs(ShopView.class).onSpeak(asked::add));
    ComboBox<Dialect> words = find("window-words", ComboBox.class);
    robot.interact(() -> words.setValue(Dialect.AMERICAN));
    assertThat(asked).containsExactly(Dialect.AMERICAN);
    assertThat(words.getValue()).as("not done, so not shown as done").isEqualTo(Dialect.BRITISH);
    close();
    Labels.speak(Dialect.AMERICAN);
    robot.interact(() -> open(new ShopView(appearance)));
    settle();
    robot.interact(() -> model.arrive("Galley set"));
    settle();
    for (Stage at : Stage.values()) {
      robot.interact(() -> model.stageProperty().set(at));
      settle();
      assertThat(british()).as(at.name()).isEmpty();
      List<ToggleButton> tabs =
          robot
              .lookup(n -> n instanceof ToggleButton && n.getStyleClass().contains("page-tab"))
              .queryAllAs(ToggleButton.class)
              .stream()
              .filter(Window::shown)
              .toList();
      for (ToggleButton tab : tabs) {
        robot.interact(tab::fire);
        settle();
        assertThat(british()).as(at.name() + ", " + tab.getText()).isEmpty();
      }
    }
  }
}
