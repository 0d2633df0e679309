package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.Locale;
import java.util.Random;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.belief.State;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.part.PartRef;

/**
 * Random parts with random readings: whoever reads something worse of a part afterwards is not told
 * something better, neither by the verdict nor by the risk nor by what the part is believed to be.
 */
public class WorseReadingTest {
  private static final int TRIALS = 1500;
  private static final double SAME = 1e-9;
  private static final String[] PARTS = {
    "10u 450V electrolytic smoothing",
    "50u 350V electrolytic reservoir",
    "100u 25V electrolytic cathode bypass",
    "1000u 16V electrolytic decoupling",
    "22u 16V tantalum bead decoupling",
    "0.1u 400V paper coupling",
    "0.01u 630V paper tone",
    "0.047u 400V polyester coupling"
  };
  private static final Policy.WhenToRenew[] SCHOOLS = {
    Policy.WhenToRenew.MEASURED_ONLY, Policy.WhenToRenew.MEASURED_PLUS_PRECAUTION
  };

  private final Judge judge = new Judge(VerdictTest.KNOWLEDGE);

  /** What is read first, and the same but worse. */
  private record Pair(String first, String worse) {}

  @Test
  public void aWorseReadingIsNeverGoodNews() {
    Random r = new Random(25);
    for (int trial = 0; trial < TRIALS; trial++) {
      String part = PARTS[r.nextInt(PARTS.length)];
      double microfarads = Double.parseDouble(part.substring(0, part.indexOf('u')));
      Pair pair = pair(r, microfarads, part.contains("electrolytic") || part.contains("tantalum"));
      Policy policy = Policy.USUAL.with(SCHOOLS[r.nextInt(SCHOOLS.length)]);
      String earlier = r.nextBoolean() ? "" : "C1 " + other(r, microfarads) + ";";
      Assessment before = judged(policy, "+ C1 " + part + ";" + earlier + "C1 " + pair.first);
      Assessment after =
          judged(policy, "+ C1 " + part + ";" + earlier + "C1 " + pair.first + ";C1 " + pair.worse);
      String told =
          String.format(
              "%s: %s %s, then %s: %s %s became %s %s",
              part,
              earlier,
              pair.first,
              pair.worse,
              before.verdict(),
              before.belief().states(),
              after.verdict(),
              after.belief().states());
      assertThat(grave(after.verdict())).as(told).isGreaterThanOrEqualTo(grave(before.verdict()));
      assertThat(after.risk().chance())
          .as(told)
          .isGreaterThanOrEqualTo(before.risk().chance() - SAME);
      assertThat(after.belief().chance(State.SOUND))
          .as(told)
          .isLessThanOrEqualTo(before.belief().chance(State.SOUND) + SAME);
    }
  }

  /** What is asked to be measured again is neither better nor worse than what is watched. */
  private static int grave(Verdict verdict) {
    return switch (verdict) {
      case KEEP -> 0;
      case WATCH, RECHECK -> 1;
      case REFORM -> 2;
      case REPLACE -> 3;
    };
  }

  private static Pair pair(Random r, double microfarads, boolean losses) {
    double worse = 1.5 + 30 * r.nextDouble();
    double good = Math.exp(r.nextGaussian() * 0.7);
    return switch (r.nextInt(losses ? 5 : 3)) {
      case 0 -> {
        double share = 0.6 + 0.5 * r.nextDouble();
        yield new Pair(
            figure(microfarads * share) + "u D0.01 @1k",
            figure(microfarads * share / (1.5 + 20 * r.nextDouble())) + "u D0.01 @1k");
      }
      case 1 -> {
        double megohms = 1000 * good / microfarads;
        yield new Pair(
            "IR " + figure(megohms) + "Meg @250V", "IR " + figure(megohms / worse) + "Meg @250V");
      }
      case 2 ->
          new Pair(
              "good",
              new String[] {"weak", "bad", "open", "short", "called a resistor"}[r.nextInt(5)]);
      case 3 -> {
        double ohms = good * 3 / Math.sqrt(microfarads / 10);
        yield new Pair(figure(ohms) + "r @100k", figure(ohms * worse) + "r @100k");
      }
      default -> {
        double ohms = good * 3 / Math.sqrt(microfarads / 10);
        yield new Pair(figure(ohms) + "r @100k in", figure(ohms * worse) + "r @100k in");
      }
    };
  }

  private static String other(Random r, double microfarads) {
    return switch (r.nextInt(3)) {
      case 0 -> figure(microfarads * (0.5 + r.nextDouble())) + "u";
      case 1 -> "oval";
      default -> "IR 500Meg @250V";
    };
  }

  private static String figure(double value) {
    return new BigDecimal(String.format(Locale.ROOT, "%.4g", value)).toPlainString();
  }

  private Assessment judged(Policy policy, String lines) {
    Bench b = Bench.with(policy).type(lines);
    return judge.of(b.job(), Bench.TODAY).assessment(PartRef.of("C1")).orElseThrow();
  }
}
