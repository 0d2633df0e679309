package org.yellowhearth.desk.charts;

import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Writes a plot as SVG, in the colours of paper. */
public final class PlotSvg {
    private static final Map<String, String> STYLES = Map.of("plot-grid", "stroke:#DDD2B8", "plot-axis", "stroke:#6E6450",
            "plot-curve", "stroke:#A83E12;stroke-width:2.5", "plot-likely", "stroke:#3F5B73;stroke-width:2;stroke-dasharray:6 4",
            "plot-level", "stroke:#2F7566;stroke-dasharray:3 3");
    private static final double EM = 14;

    private PlotSvg() {
    }

    /** The plot as an SVG document of this size. */
    public static String write(Plot plot, double width, double height) {
        StringBuilder svg = new StringBuilder(String.format(Locale.ROOT,
                "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 %.0f %.0f\" font-family=\"sans-serif\" font-size=\"%.0f\">%n"
                        + "<title>%s</title>%n<rect width=\"100%%\" height=\"100%%\" fill=\"#FBF6EA\"/>%n",
                width, height, EM, escaped(plot.title())));
        for (Plot.Mark mark : plot.in(width, height, EM).marks()) {
            svg.append(element(mark)).append(System.lineSeparator());
        }
        return svg.append("</svg>").append(System.lineSeparator()).toString();
    }

    private static String element(Plot.Mark mark) {
        return switch (mark) {
            case Plot.Mark.Stroke s -> "<polyline fill=\"none\" points=\"" + points(s.pixels()) + "\" style=\""
                    + STYLES.getOrDefault(s.style(), "stroke:#1F1B16") + "\"/>";
            case Plot.Mark.Words w ->
                String.format(Locale.ROOT, "<text x=\"%.1f\" y=\"%.1f\" text-anchor=\"%s\">%s</text>", w.x(),
                        w.y(), w.anchor().name().toLowerCase(Locale.ROOT), escaped(w.text()));
        };
    }

    private static String points(List<Double> pixels) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i + 1 < pixels.size(); i += 2) {
            text.append(String.format(Locale.ROOT, "%.1f,%.1f ", pixels.get(i), pixels.get(i + 1)));
        }
        return text.toString().strip();
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
    }
}
