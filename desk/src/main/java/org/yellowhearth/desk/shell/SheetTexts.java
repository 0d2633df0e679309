package org.yellowhearth.desk.shell;

import java.util.ArrayList;
import java.util.List;

import org.yellowhearth.desk.Labels;

/** The lines of the shortcut sheet, as the labels give them. */
final class SheetTexts {
    private SheetTexts() {
    }

    /** What is pressed or typed, and what it does. */
    record Line(String typed, String meaning) {
    }

    static List<Line> keys() {
        return lines("sheet.key.");
    }

    static List<Line> line() {
        return lines("sheet.bench.");
    }

    private static List<Line> lines(String prefix) {
        List<Line> lines = new ArrayList<>();
        for (String entry : Labels.of(prefix + "all").split("\\|", -1)) {
            String[] parts = entry.split("=>", 2);
            lines.add(new Line(parts[0].strip(), parts[1].strip()));
        }
        return lines;
    }
}
