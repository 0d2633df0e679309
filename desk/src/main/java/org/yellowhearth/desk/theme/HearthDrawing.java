package org.yellowhearth.desk.theme;

import java.util.Optional;
import javafx.animation.Animation;
import javafx.animation.FadeTransition;
import javafx.application.Platform;
import javafx.scene.Group;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;
import javafx.util.Duration;
import org.yellowhearth.core.safety.ChargeState;

/**
 * The fire-box: a question mark while nothing is known, dark when cold, embers when banked, a flame
 * under power.
 */
public final class HearthDrawing extends StackPane {
  private static final String BOX = "M2 44 L2 18 Q2 2 24 2 Q46 2 46 18 L46 44 Z";
  private static final String FLAME =
      "M24 8 C30 17 37 21 35 32 C34 39 29 42 24 42 C19 42 13 39 13 31 C13 26 17 24 17 18 C20 20 22 22 22 25 "
          + "C25 21 26 14 24 8 Z";
  private static final String EMBERS =
      "M8 42 C8 36 13 35 16 37 C18 32 25 31 27 36 C31 32 38 34 40 42 Z";
  private static final String HEART =
      "M24 26 C27 31 29 33 28 38 C27 41 21 41 20 38 C19 34 23 32 24 26 Z";

  /** Embers breathe slowly: seen when looked at, not calling. */
  private static final Duration BREATH = Duration.seconds(2.4);

  private static final double GLOW_LEAST = 0.6;

  private final SVGPath flame = path(FLAME, "hearth-flame");
  private final SVGPath heart = path(HEART, "hearth-heart");
  private final SVGPath embers = path(EMBERS, "hearth-embers");
  private final Text mark = new Text("?");

  private Optional<FadeTransition> glow = Optional.empty();

  /** A drawing that shows nothing known. */
  public HearthDrawing() {
    getStyleClass().add("hearth-drawing");
    mark.getStyleClass().add("hearth-mark");
    getChildren().addAll(new Group(path(BOX, "hearth-box"), embers, flame, heart), mark);
    show(ChargeState.UNKNOWN);
  }

  private static SVGPath path(String outline, String style) {
    SVGPath p = new SVGPath();
    p.setContent(outline);
    p.getStyleClass().add(style);
    return p;
  }

  private FadeTransition breathing() {
    FadeTransition breath = new FadeTransition(BREATH, embers);
    breath.setFromValue(1);
    breath.setToValue(GLOW_LEAST);
    breath.setAutoReverse(true);
    breath.setCycleCount(Animation.INDEFINITE);
    return breath;
  }

  /** Shows a state. */
  public void show(ChargeState state) {
    flame.setVisible(state == ChargeState.LIT);
    heart.setVisible(state == ChargeState.LIT);
    embers.setVisible(state == ChargeState.BANKED);
    // Who asked the desktop for less motion sees embers that do not breathe.
    if (state == ChargeState.BANKED && !Platform.getPreferences().isReducedMotion()) {
      glow = Optional.of(glow.orElseGet(this::breathing));
      glow.get().play();
    } else {
      glow.ifPresent(Animation::stop);
    }
    mark.setVisible(state == ChargeState.UNKNOWN);
  }
}
