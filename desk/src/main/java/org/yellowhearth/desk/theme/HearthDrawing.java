package org.yellowhearth.desk.theme;

import javafx.scene.Group;
import javafx.scene.layout.StackPane;
import javafx.scene.shape.SVGPath;
import javafx.scene.text.Text;
import org.yellowhearth.core.safety.HearthState;

/** The fire-box: dark with a question mark while nothing is known, a yellow flame when the set is under power. */
public final class HearthDrawing extends StackPane {
    private static final String BOX = "M2 44 L2 18 Q2 2 24 2 Q46 2 46 18 L46 44 Z";
    private static final String FLAME = "M24 8 C30 17 37 21 35 32 C34 39 29 42 24 42 C19 42 13 39 13 31 C13 26 17 24 17 18 C20 20 22 22 22 25 "
            + "C25 21 26 14 24 8 Z";
    private static final String HEART = "M24 26 C27 31 29 33 28 38 C27 41 21 41 20 38 C19 34 23 32 24 26 Z";

    private final SVGPath flame = path(FLAME, "hearth-flame");
    private final SVGPath heart = path(HEART, "hearth-heart");
    private final Text mark = new Text("?");

    /** A drawing that shows nothing known. */
    public HearthDrawing() {
        getStyleClass().add("hearth-drawing");
        mark.getStyleClass().add("hearth-mark");
        getChildren().addAll(new Group(path(BOX, "hearth-box"), flame, heart), mark);
        show(HearthState.UNKNOWN);
    }

    private static SVGPath path(String outline, String style) {
        SVGPath p = new SVGPath();
        p.setContent(outline);
        p.getStyleClass().add(style);
        return p;
    }

    /** Shows a state. */
    public void show(HearthState state) {
        boolean lit = state == HearthState.LIT;
        flame.setVisible(lit);
        heart.setVisible(lit);
        mark.setVisible(!lit);
    }
}
