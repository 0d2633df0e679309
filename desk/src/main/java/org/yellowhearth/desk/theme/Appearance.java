package org.yellowhearth.desk.theme;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.prefs.Preferences;

import javafx.beans.binding.DoubleBinding;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleIntegerProperty;
import javafx.scene.Parent;
import javafx.scene.text.Font;

/** Day bench or night bench, and the size of the text. */
public final class Appearance {
    /** Text sizes in per cent that can be chosen, rising. */
    public static final List<Integer> SIZES = List.of(90, 100, 115, 130, 150, 175, 200);
    private static final double BASE_PIXELS = 14;
    private static final List<String> FACES = List.of("Lato-Regular.ttf", "Lato-Bold.ttf", "DejaVuSansMono.ttf",
            "DejaVuSansMono-Bold.ttf");

    private final BooleanProperty night = new SimpleBooleanProperty();
    private final IntegerProperty percent = new SimpleIntegerProperty(100);

    /** Loads the typefaces that ship with the program. */
    public static void loadTypefaces() {
        for (String face : FACES) {
            try (InputStream in = Appearance.class.getResourceAsStream("/org/yellowhearth/records/fonts/" + face)) {
                Font.loadFont(in, BASE_PIXELS);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    /** An appearance that starts as the user left it and remembers what is chosen. */
    public static Appearance remembered(Preferences preferences) {
        Appearance a = new Appearance();
        a.night.set(preferences.getBoolean("night", false));
        int size = preferences.getInt("text", 100);
        a.percent.set(SIZES.contains(size) ? size : 100);
        a.night.addListener((_, _, now) -> preferences.putBoolean("night", now));
        a.percent.addListener((_, _, now) -> preferences.putInt("text", now.intValue()));
        return a;
    }

    public BooleanProperty nightProperty() {
        return night;
    }

    public IntegerProperty percentProperty() {
        return percent;
    }

    /** The height of the text in pixels, for layouts that must give way when it grows. */
    public DoubleBinding em() {
        return percent.multiply(BASE_PIXELS / 100);
    }

    /** One size larger or smaller. */
    public void resize(int step) {
        int at = Math.clamp((long) SIZES.indexOf(percent.get()) + step, 0, SIZES.size() - 1);
        percent.set(SIZES.get(at));
    }

    /** Gives a root its style and keeps it in step. */
    public void applyTo(Parent root) {
        root.getStylesheets().add(Appearance.class.getResource("hearth.css").toExternalForm());
        Runnable dress = () -> {
            root.getStyleClass().removeAll("day", "night");
            root.getStyleClass().add(night.get() ? "night" : "day");
            root.setStyle("-fx-font-size: " + BASE_PIXELS * percent.get() / 100 + "px;");
        };
        night.addListener((_, _, _) -> dress.run());
        percent.addListener((_, _, _) -> dress.run());
        dress.run();
    }
}
