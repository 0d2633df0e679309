package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeSet;
import javafx.scene.AccessibleRole;
import javafx.scene.Node;
import javafx.scene.Parent;
import javafx.scene.control.ComboBoxBase;
import javafx.scene.control.Control;
import javafx.scene.control.Labeled;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.ToggleButton;
import javafx.scene.input.KeyCode;
import javafx.scene.layout.Region;
import javafx.scene.paint.Color;
import javafx.scene.text.Text;
import org.assertj.core.api.SoftAssertions;
import org.testng.annotations.Test;
import org.yellowhearth.workshop.Stage;

/**
 * What a screen reader says of the window, and whether the keyboard reaches what the mouse does.
 * Every stage and every page of it is walked through.
 */
public class AccessibleFlowTest extends Window {
  private final TreeSet<String> nameless = new TreeSet<>();
  private final TreeSet<String> roleless = new TreeSet<>();
  private final TreeSet<String> unreached = new TreeSet<>();
  private final TreeSet<String> faint = new TreeSet<>();
  private int controls;
  private int texts;

  private void walk(Node node, String where) {
    if (!node.isVisible()) {
      return;
    }
    look(node, where);
    if (node instanceof Text t) {
      contrast(t, where);
    }
    if (node instanceof Parent p && !(node instanceof ComboBoxBase<?>)) {
      p.getChildrenUnmodifiable().forEach(c -> walk(c, where));
    }
  }

  private void look(Node node, String where) {
    String what =
        where
            + ": "
            + node.getClass().getSimpleName()
            + " "
            + Optional.ofNullable(node.getId()).orElse("")
            + " "
            + node.getStyleClass();
    boolean reached = node.isFocusTraversable();
    if (reached && !(node instanceof ScrollPane)) {
      controls++;
      if (name(node).isBlank()) {
        nameless.add(what);
      }
      AccessibleRole role = node.getAccessibleRole();
      if (role == null || role == AccessibleRole.NODE || role == AccessibleRole.PARENT) {
        roleless.add(what);
      }
    }
    // A pin is set by its two figures as well as by a click on the picture.
    boolean otherwise =
        "photo-pins".equals(node.getId()) || node.getStyleClass().contains("viewport");
    if (!reached
        && !otherwise
        && ours(node)
        && (node.getOnMouseClicked() != null || node.getOnMousePressed() != null)) {
      unreached.add(what);
    }
  }

  /** Inner parts of controls are the toolkit's. */
  private static boolean ours(Node node) {
    for (Node n = node.getParent(); n != null; n = n.getParent()) {
      if (n instanceof Control && !(n instanceof ScrollPane)) {
        return false;
      }
    }
    return true;
  }

  /**
   * Text against what is painted behind it, as the window computes both: 4.5 : 1, large text 3 : 1
   * (WCAG 2.2, 1.4.3).
   */
  private void contrast(Text text, String where) {
    boolean bare =
        text.getText().isBlank()
            || !(text.getFill() instanceof Color)
            || !shown(text)
            || disabled(text);
    Color ground = bare ? Color.TRANSPARENT : ground(text);
    if (ground.getOpacity() < 1) {
      return;
    }
    texts++;
    double size = text.getFont().getSize();
    boolean bold = text.getFont().getStyle().toLowerCase(Locale.ROOT).contains("bold");
    double least = size >= 24 || (bold && size >= 18.66) ? 3 : 4.5;
    double has = ThemeTest.contrast(hex((Color) text.getFill()), hex(ground));
    if (has < least) {
      faint.add("%s: '%s' %.1f : 1".formatted(where, text.getText(), has));
    }
  }

  private static String hex(Color c) {
    return c.toString().substring(2, 8);
  }

  /** What is painted behind it, what shows through counted in. */
  private static Color ground(Node node) {
    Color over = Color.TRANSPARENT;
    for (Node n = node.getParent(); n != null && over.getOpacity() < 1; n = n.getParent()) {
      if (n instanceof Region r
          && r.getBackground() != null
          && !r.getBackground().getFills().isEmpty()) {
        if (!(r.getBackground().getFills().getLast().getFill() instanceof Color c)) {
          return Color.TRANSPARENT;
        }
        double through = 1 - over.getOpacity();
        double whole = over.getOpacity() + through * c.getOpacity();
        over =
            whole == 0
                ? over
                : c.interpolate(over, over.getOpacity() / whole).deriveColor(0, 1, 1, 1);
        over = new Color(over.getRed(), over.getGreen(), over.getBlue(), Math.min(1, whole));
      }
    }
    return over;
  }

  private static boolean disabled(Node node) {
    for (Node n = node; n != null; n = n.getParent()) {
      if (n.isDisabled() || n.getOpacity() < 1) {
        return true;
      }
    }
    return false;
  }

  private static String name(Node node) {
    List<String> names = new ArrayList<>();
    names.add(node.getAccessibleText());
    if (node instanceof Labeled l) {
      names.add(l.getText());
    }
    return String.join("", names.stream().filter(n -> n != null && !n.isBlank()).toList());
  }

  private List<ToggleButton> tabs() {
    return robot
        .lookup(
            n -> n instanceof ToggleButton && n.getStyleClass().contains("page-tab") && shown(n))
        .queryAllAs(ToggleButton.class)
        .stream()
        .toList();
  }

  private void everything(String where) {
    robot.interact(() -> walk(stage.getScene().getRoot(), where));
  }

  private void pages(String where) {
    settle();
    List<ToggleButton> tabs = tabs();
    if (tabs.isEmpty()) {
      everything(where);
    }
    for (ToggleButton tab : tabs) {
      robot.interact(tab::fire);
      settle();
      everything(where + " " + tab.getText());
    }
  }

  @Test
  public void everyControlHasANameARoleAndAKey() {
    everyPage("");
    robot.interact(() -> appearance.nightProperty().set(true));
    everyPage(" by night");
    assertThat(texts).isGreaterThan(2000);
    assertThat(controls).isGreaterThan(500);
    SoftAssertions all = new SoftAssertions();
    all.assertThat(nameless).as("without a name").isEmpty();
    all.assertThat(roleless).as("without a role").isEmpty();
    all.assertThat(faint).as("too faint").isEmpty();
    all.assertThat(unreached).as("only for the mouse").isEmpty();
    all.assertAll();
  }

  /** Of the shop, of a set, of the help, and of a set of which nothing is known. */
  private void everyPage(String light) {
    pages("shop" + light);
    robot.interact(() ->
        ((org.yellowhearth.desk.shell.ShellView) stage.getScene().getRoot()).showShop("shelf"));
    openJob("Brindlecote");
    for (Stage at : Stage.values()) {
      robot.interact(() -> model.stageProperty().set(at));
      pages(at.name() + light);
    }
    press(KeyCode.F1);
    pages("help" + light);
    press(KeyCode.ESCAPE);
    robot.interact(() -> model.arrive("Never seen before"));
    until(() ->
        model
            .openProperty()
            .get()
            .filter(o -> o.job().plate().name().startsWith("Never"))
            .isPresent());
    for (Stage at : List.of(Stage.SAFETY, Stage.FIRST_POWER, Stage.FINAL_TEST)) {
      robot.interact(() -> model.stageProperty().set(at));
      pages("nothing " + at.name() + light);
    }
    robot.interact(model::toShop);
    settle();
  }
}
