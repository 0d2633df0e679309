package org.yellowhearth.core.finaltest;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.FunctionRule;
import org.yellowhearth.core.knowledge.Knowledge;

/**
 * What a set of a kind has to do before it goes back (common practice); a proposal that the person
 * changes.
 */
public final class FunctionList {
  private FunctionList() {}

  /**
   * One thing.
   *
   * @param group what belongs together
   */
  public record Function(FinalTestWords group, FinalTestWords what) {}

  /** The list for a job's set. */
  public static List<Function> of(Job job, Knowledge knowledge) {
    List<Function> all = new ArrayList<>();
    SetPlate plate = job.plate();
    for (FunctionRule rule : knowledge.functions()) {
      if (rule.kind().isEmpty() || rule.kind().get().equals(plate.kind().code())) {
        rule.functions()
            .forEach(f -> all.add(new Function(key("group", rule.group()), key("fn", f))));
      }
    }
    if (job.aspect(Build.class).pictureTube().isPresent()
        && all.stream().noneMatch(f -> f.what() == FinalTestWords.FN_FOCUS)) {
      add(
          all,
          FinalTestWords.GROUP_PICTURE,
          FinalTestWords.FN_BRIGHTNESS,
          FinalTestWords.FN_FOCUS,
          FinalTestWords.FN_DEFLECTION);
    }
    if (job.aspect(Build.class).memory().isPresent()) {
      add(all, FinalTestWords.GROUP_ALWAYS, FinalTestWords.FN_MEMORY);
    }
    if (job.aspect(Build.class).features().contains(Feature.HEAT_SINKS)) {
      add(all, FinalTestWords.GROUP_ALWAYS, FinalTestWords.FN_SINKS);
    }
    return all;
  }

  private static FinalTestWords key(String what, String code) {
    String name = (what + "_" + code).toUpperCase(Locale.ROOT).replace('-', '_');
    return FinalTestWords.valueOf(name);
  }

  private static void add(List<Function> all, FinalTestWords group, FinalTestWords... what) {
    for (FinalTestWords w : what) {
      all.add(new Function(group, w));
    }
  }
}
