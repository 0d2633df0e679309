package org.yellowhearth.core.learn;

/**
 * One count: how many were seen of what the key names, and how many of them it happened to. Counts
 * of several jobs add up.
 *
 * @param key codes joined by {@link #BETWEEN}
 */
public record Tally(Topic topic, String key, long seen, long hits) {
  /** Joins the codes of a key. */
  public static final String BETWEEN = "|";

  public Tally {
    if (key.isBlank() || seen < 0 || hits < 0) {
      throw new IllegalArgumentException(
          "a count has a key and is not negative: " + key + ", " + seen + ", " + hits);
    }
  }

  /** The codes of the key. */
  public String[] codes() {
    return key.split("\\|", -1);
  }
}
