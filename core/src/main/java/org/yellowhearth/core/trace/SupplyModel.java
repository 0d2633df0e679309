package org.yellowhearth.core.trace;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Stream;
import org.yellowhearth.core.belief.Belief;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.SupplyRules;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.supply.Supply;

/**
 * The supply that a job describes, with a value and its origin for every parameter: typed, marked,
 * measured, guessed by kind and age, or assumed.
 *
 * @param supply what can be worked out; none while something is missing
 * @param points the points that sections name, in the order they come up
 * @param cathodes how fast the cathodes of valves and vacuum rectifiers warm up, by the names of
 *     their sections
 * @param ratings what its rectifiers are made for, by the names of their sections, where that is
 *     stated
 * @param missing what keeps it from being worked out
 * @param notes what was typed and could not be used
 */
public record SupplyModel(
    Optional<Supply> supply,
    List<String> points,
    List<ModelValue> values,
    Map<String, SupplyRules.Cathode> cathodes,
    Map<String, Rating> ratings,
    List<Message> missing,
    List<Message> notes) {
  public SupplyModel {
    points = List.copyOf(points);
    values = List.copyOf(values);
    cathodes = Map.copyOf(cathodes);
    ratings = Map.copyOf(ratings);
    missing = List.copyOf(missing);
    notes = List.copyOf(notes);
  }

  /**
   * What a rectifier is made for.
   *
   * @param amperes direct current of a leg
   * @param peakAmperes again and again
   * @param surgeAmperes for one half-wave of this length
   * @param source of the two
   */
  public record Rating(
      double amperes, double peakAmperes, double surgeAmperes, double surgeSeconds, String source) {
    /** What one half-wave may bring, in A²s: that of a sine of its height. */
    public double squareSeconds() {
      return surgeAmperes * surgeAmperes * surgeSeconds / 2;
    }
  }

  /** Every point where a meter can be put: those that sections name, and those inside sections. */
  public List<String> readable() {
    return supply
        .map(s -> Stream.concat(points.stream(), s.innerPoints().stream()).toList())
        .orElse(points);
  }

  /** Which state of the set is worked out. */
  public enum View implements Coded {
    /** As it should be: every part as marked and sound, at nominal mains. */
    AS_DRAWN,
    /**
     * As it is: parts as measured, or as parts of their age commonly are, at the mains that is
     * there.
     */
    AS_IT_IS
  }

  /** The model of a job's supply, with its parts as their readings alone, or kind and age, say. */
  public static SupplyModel of(Job job, Knowledge knowledge, View view, OptionalDouble ageYears) {
    double years = ageYears.orElse(0);
    return of(job, knowledge, view, ageYears, p -> Belief.now(job, p, knowledge, years));
  }

  /**
   * The model of a job's supply.
   *
   * @param now what each part is believed to be, for the view of the set as it is
   */
  public static SupplyModel of(
      Job job,
      Knowledge knowledge,
      View view,
      OptionalDouble ageYears,
      Function<Part, Belief> now) {
    return new SupplyBuilder(job, knowledge, view, ageYears.orElse(0), now).build();
  }
}
