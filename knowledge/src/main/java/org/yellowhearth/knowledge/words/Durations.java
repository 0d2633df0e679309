package org.yellowhearth.knowledge.words;

/** Stretches of time as a person says them. */
public final class Durations {
  private Durations() {}

  /** So many seconds in seconds, minutes, hours and minutes, or days. */
  public static String text(double seconds) {
    if (seconds < 90) {
      return Math.round(seconds) + " s";
    }
    if (seconds < 90 * 60) {
      return Math.round(seconds / 60) + " min";
    }
    if (seconds < 48 * 3600) {
      long minutes = Math.round(seconds / 60);
      return minutes / 60 + " h" + (minutes % 60 == 0 ? "" : " " + minutes % 60 + " min");
    }
    return Math.round(seconds / 86_400) + " d";
  }
}
