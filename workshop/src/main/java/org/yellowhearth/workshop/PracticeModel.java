package org.yellowhearth.workshop;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import java.util.prefs.Preferences;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.practice.Exercise;
import org.yellowhearth.core.practice.ExerciseMaker;
import org.yellowhearth.core.practice.Theme;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;

/**
 * The practice bench without the window: its exercises, and the best score of each as this bench
 * remembers it.
 */
public final class PracticeModel {
  private static final int REMEMBERED = 10;

  private final ExerciseMaker maker;
  private final Value<Integer> changes = new Value<>(0);
  private Preferences scores = Preferences.userRoot().node("org/yellowhearth/practice");
  private Consumer<Exercise> begin = _ -> {};

  PracticeModel(DeskModel model) {
    maker = new ExerciseMaker(model.knowledge());
  }

  /** Where scores are remembered. */
  public void rememberIn(Preferences node) {
    scores = node;
    changes.set(changes.get() + 1);
  }

  /** What is done to begin one. */
  public void onBegin(Consumer<Exercise> then) {
    begin = then;
  }

  /** The graded exercises. */
  public List<Exercise> graded() {
    return maker.graded();
  }

  /** Begins an exercise. */
  public void begin(Theme theme, long seed) {
    begin.accept(maker.make(theme, seed));
  }

  /** Goes up whenever a score is another. */
  public Watched<Integer> changesProperty() {
    return changes.watched();
  }

  /** How often a theme was handed in. */
  public int times(Theme theme) {
    return scores.getInt(theme.code() + ".times", 0);
  }

  /** The best score of a theme. */
  public int best(Theme theme) {
    return scores.getInt(theme.code() + ".best", 0);
  }

  /** The last scores of a theme, the oldest first. */
  public List<Integer> history(Theme theme) {
    return Stream.of(scores.get(theme.code() + ".scores", "").split(","))
        .filter(s -> !s.isEmpty())
        .map(Integer::valueOf)
        .toList();
  }

  /** Remembers what came of one. */
  public void scored(Theme theme, int score) {
    scores.putInt(theme.code() + ".times", times(theme) + 1);
    List<Integer> all = new ArrayList<>(history(theme));
    all.add(score);
    scores.put(
        theme.code() + ".scores",
        all.subList(Math.max(0, all.size() - REMEMBERED), all.size()).stream()
            .map(String::valueOf)
            .collect(Collectors.joining(",")));
    scores.putInt(theme.code() + ".best", Math.max(best(theme), score));
    changes.set(changes.get() + 1);
  }
}
