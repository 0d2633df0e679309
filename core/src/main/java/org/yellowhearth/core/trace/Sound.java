package org.yellowhearth.core.trace;

import org.yellowhearth.core.knowledge.Family;

/**
 * What the model takes for parts nobody has measured: sound ones, and ones aged as their family commonly ages. Common practice, with a
 * wide scatter: a reading is always better, and every figure that rests on these says so.
 */
final class Sound {
    private static final double HERTZ = 100;
    private static final double MOST_YEARS = 60;

    private Sound() {
    }

    /** Series resistance of a sound capacitor at 100 Hz, from a usual dissipation of its family. */
    static double esrOhms(Family family, double farads) {
        return dissipation(family) / (2 * Math.PI * HERTZ * farads);
    }

    private static double dissipation(Family family) {
        return switch (family) {
            case ELECTROLYTIC, UNSTATED -> 0.06;
            case TANTALUM -> 0.04;
            case PAPER -> 0.008;
            case FILM, CERAMIC, SUPPRESSION -> 0.003;
            case MICA, AIR -> 0.0005;
        };
    }

    /** Leakage resistance of a sound capacitor: electrolytics by R·C of 500 s, others 10 GΩ; never above what the model can tell. */
    static double leakOhms(Family family, double farads) {
        return switch (family) {
            case ELECTROLYTIC, TANTALUM, UNSTATED -> Math.min(1e9, 500 / farads);
            case PAPER, FILM, MICA, CERAMIC, SUPPRESSION, AIR -> 1e10;
        };
    }

    /** The share of its marking that an unmeasured capacitor commonly has left: electrolytics dry, paper takes up moisture. */
    static double capacitanceLeft(Family family, double years) {
        double age = Math.clamp(years, 0, MOST_YEARS);
        return switch (family) {
            case ELECTROLYTIC -> 1 - 0.006 * age;
            case PAPER -> 1 + 0.003 * age;
            case UNSTATED, TANTALUM, FILM, MICA, CERAMIC, SUPPRESSION, AIR -> 1;
        };
    }

    /** By how much its series resistance has commonly grown. */
    static double esrGrowth(Family family, double years) {
        return family == Family.ELECTROLYTIC ? 1 + Math.clamp(years, 0, MOST_YEARS) / 12 : 1;
    }

    /** The leakage resistance that an unmeasured one commonly still has. */
    static double leakLeft(Family family, double years, double farads) {
        double age = Math.clamp(years, 0, MOST_YEARS);
        return switch (family) {
            case ELECTROLYTIC -> leakOhms(family, farads) / (1 + age / 5);
            case PAPER -> Math.max(1e6, leakOhms(family, farads) / Math.pow(10, age / 15));
            case UNSTATED, TANTALUM, FILM, MICA, CERAMIC, SUPPRESSION, AIR -> leakOhms(family, farads);
        };
    }
}
