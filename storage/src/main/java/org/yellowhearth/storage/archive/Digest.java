package org.yellowhearth.storage.archive;

import java.util.List;
import java.util.Optional;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.learn.Tally;
import org.yellowhearth.core.part.PartRef;

/**
 * What shelf, agenda and archive keep of a job, so that none of them reads its journal: it follows
 * from the job, can be made anew at any time and says of how many entries it was made.
 *
 * @param watched whether anything of it may fall due
 * @param things what there is to be found in it
 * @param tallies what it teaches
 */
public record Digest(
    String job, int entries, Card card, boolean watched, List<Thing> things, List<Tally> tallies) {
  /** Changes whenever a digest of an unchanged job would come out otherwise. */
  public static final int EDITION = 3;

  public Digest {
    things = List.copyOf(things);
    tallies = List.copyOf(tallies);
  }

  /**
   * What its card on the shelf shows, in the words of its set.
   *
   * @param measured how many of the parts
   * @param owed how many provisional repairs stand
   * @param blocks whether one of them keeps it here
   */
  public record Card(
      SetPlate.Dialect dialect,
      String facts,
      String complaint,
      int parts,
      int measured,
      List<Count> verdicts,
      int owed,
      boolean blocks) {
    public Card {
      verdicts = List.copyOf(verdicts);
    }
  }

  /** How many parts have a verdict. */
  public record Count(Verdict verdict, int parts) {}

  /**
   * One thing to be found.
   *
   * @param own its words, folded as {@link Search} folds them
   * @param plate those of the plate of its set
   */
  public record Thing(
      Hit.Where where, Optional<PartRef> part, String text, String own, String plate) {}
}
