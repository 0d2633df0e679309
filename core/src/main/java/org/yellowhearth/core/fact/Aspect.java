package org.yellowhearth.core.fact;

import java.util.List;

/**
 * What is written down once about a set, beside its plate. A job has one of each, blank until
 * somebody fills it.
 */
public sealed interface Aspect
    permits Build,
        Complaint,
        MainsEntry,
        Bench,
        BenchHours,
        Budget,
        DrawingStyle,
        DossierScope,
        ShopExperience,
        MeterSettings {
  /** One of each, blank, in the order they are asked for. */
  List<Aspect> BLANKS =
      List.of(
          Build.BLANK,
          Complaint.BLANK,
          MainsEntry.BLANK,
          Bench.BLANK,
          BenchHours.BLANK,
          Budget.BLANK,
          DrawingStyle.BLANK,
          DossierScope.BLANK,
          ShopExperience.BLANK,
          MeterSettings.BLANK);

  /** The blank aspect of a type. */
  static <A extends Aspect> A blank(Class<A> type) {
    return BLANKS.stream().filter(type::isInstance).map(type::cast).findFirst().orElseThrow();
  }
}
