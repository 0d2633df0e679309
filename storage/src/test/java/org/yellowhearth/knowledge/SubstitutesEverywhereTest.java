package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.CanMark;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.replace.Ceiling;
import org.yellowhearth.core.replace.Demand;
import org.yellowhearth.core.replace.ReplaceWords;
import org.yellowhearth.core.replace.ReplacementRules;
import org.yellowhearth.core.replace.Stock;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.core.replace.Substitute;
import org.yellowhearth.core.replace.Substitutes;
import org.yellowhearth.storage.stock.StockCsv;

/**
 * For whatever is printed on an old part, in whatever place, under whatever policy, behind whatever
 * rectifier: an answer, in order.
 */
public class SubstitutesEverywhereTest {
  private static final List<StockPart> CATALOGUE =
      StockCsv.shipped(VerdictTest.KNOWLEDGE.kinds().keySet());
  private static final long SEED = 20_261_201;
  private static final int CASES = Boolean.getBoolean("hearth.long") ? 20_000 : 150;

  /** Values and ratings as they are printed on old parts (common practice). */
  private static final double[] MICROFARADS = {
    500e-6, .001, .005, .01, .02, .05, .1, .25, .5, 1, 2, 4, 5, 8, 10, 15, 16, 20, 24, 25, 30, 32,
    40, 50, 60, 80, 100, 125, 150, 200, 250, 500, 1000, 2000, 4000, 10_000
  };

  private static final double[] VOLTS = {
    3, 6, 6.3, 10, 12, 15, 16, 25, 30, 35, 40, 50, 63, 100, 150, 160, 200, 250, 300, 350, 400, 450,
    475, 500, 525, 600, 700, 1000, 1600, 2000
  };

  private static Substitutes asked(
      Capacitor part,
      Policy policy,
      Demand demand,
      Optional<Ceiling> ceiling,
      List<StockPart> stock) {
    return Substitutes.of(
        new Substitutes.Question(
            job(part, policy),
            part,
            demand,
            ceiling,
            stock,
            Stock.Uses.NONE,
            VerdictTest.KNOWLEDGE,
            2026));
  }

  private static Job job(Capacitor part, Policy policy) {
    Instant now = Instant.parse("2026-05-05T12:00:00Z");
    return Job.of(
        List.of(
            new Entry(
                0,
                now.atZone(ZoneOffset.UTC),
                new Act.Did(new Edit.Arrived(VerdictTest.plate(SetPlate.Purpose.USE), policy))),
            new Entry(1, now.atZone(ZoneOffset.UTC), new Act.Did(new Edit.PartAdded(part)))));
  }

  private static Capacitor part(String kind, double farads, double volts, Role role) {
    return new Capacitor(
        PartRef.of("C1"),
        "",
        kind,
        farads,
        Optional.empty(),
        OptionalDouble.of(volts),
        false,
        role,
        Polarity.UNSTATED,
        OptionalDouble.empty(),
        CanMark.UNSTATED,
        "",
        "");
  }

  private static void inOrder(Substitutes answer, String what) {
    List<Substitute> best = answer.best();
    assertThat(best.stream().limit(3).filter(s -> s.parts().size() > 1).count())
        .as(what)
        .isLessThanOrEqualTo(
            Math.max(1, 3 - best.stream().filter(s -> s.parts().size() == 1).count()));
    for (Substitute s : best) {
      assertThat(s.score()).as(what).isFinite();
      assertThat(s.combination().farads())
          .as(what)
          .isBetween(answer.window().least() * (1 - 1e-5), answer.window().most() * (1 + 1e-5));
    }
    if (best.isEmpty()) {
      assertThat(answer.refused().size() + answer.notes().size())
          .as(what + ": an empty answer says why")
          .isPositive();
    }
  }

  private static <E> E any(List<E> of, Random random) {
    return of.get(random.nextInt(of.size()));
  }

  @Test
  public void everyMarkingHasAnAnswer() {
    Random random = new Random(SEED);
    List<String> kinds = VerdictTest.KNOWLEDGE.kinds().keySet().stream().sorted().toList();
    for (int k = 0; k < CASES; k++) {
      Capacitor part =
          part(
              any(kinds, random),
              MICROFARADS[random.nextInt(MICROFARADS.length)] * 1e-6,
              VOLTS[random.nextInt(VOLTS.length)],
              any(List.of(Role.values()), random));
      Policy policy =
          Policy.USUAL
              .with(any(List.of(Policy.VoltageRating.values()), random))
              .with(any(List.of(Policy.CapacitanceChoice.values()), random))
              .with(any(List.of(Policy.Tantalum.values()), random));
      double times = any(List.of(0.0, 1.0, 1.1, 1.5, 2.2, 4.0), random);
      Optional<Ceiling> ceiling =
          times == 0
              ? Optional.empty()
              : Optional.of(new Ceiling(part.farads() * times, Message.of(ReplaceWords.NO_KIND)));
      OptionalDouble worst =
          random.nextBoolean()
              ? OptionalDouble.empty()
              : OptionalDouble.of(part.ratedVolts().getAsDouble() * (0.4 + random.nextDouble()));
      Demand demand =
          new Demand(
              worst,
              OptionalDouble.empty(),
              worst.stream()
                  .mapToObj(
                      v -> new Demand.Seen(any(List.of(Demand.Circumstance.values()), random), v))
                  .toList(),
              random.nextInt(3) == 0 ? OptionalDouble.of(0.05) : OptionalDouble.empty());
      String what =
          "seed " + SEED + " case " + k + ": " + part + " " + policy + " " + ceiling + " " + demand;
      inOrder(asked(part, policy, demand, ceiling, CATALOGUE), what);
    }
  }

  /** Everyday values on which it had failed, behind each sort of ceiling. */
  @DataProvider
  public static Object[][] everyday() {
    return new Object[][] {
      {16, 450}, {20, 450}, {15, 450}, {10, 475}, {8, 500}, {32, 450}, {24, 350}
    };
  }

  @Test(dataProvider = "everyday")
  public void everydayValuesAreAnswered(double microfarads, double volts) {
    for (double times : new double[] {1.0, 1.05, 1.2, 1.5, 2.2, 10}) {
      Capacitor part = part("electrolytic-dry", microfarads * 1e-6, volts, Role.RESERVOIR);
      Substitutes answer =
          asked(
              part,
              Policy.USUAL,
              Demand.typed(job(part, Policy.USUAL), part, VerdictTest.KNOWLEDGE),
              Optional.of(new Ceiling(part.farads() * times, Message.of(ReplaceWords.NO_KIND))),
              CATALOGUE);
      inOrder(answer, part + " times " + times);
      assertThat(answer.best()).as(part + " times " + times).isNotEmpty();
    }
  }

  /** However few there are to be had: none, one, two. */
  @Test
  public void anyNumberOfCandidatesIsAnswered() {
    Capacitor part = part("electrolytic-dry", 20e-6, 450, Role.RESERVOIR);
    List<StockPart> fit =
        CATALOGUE.stream()
            .filter(s ->
                s.ware() instanceof CapacitorWare c
                    && c.volts() >= 450
                    && !c.ratedForMains()
                    && VerdictTest.KNOWLEDGE.kind(c.kind()).polarised()
                    && c.farads() > 4e-6
                    && c.farads() < 40e-6)
            .toList();
    assertThat(fit).hasSizeGreaterThan(3);
    assertThat(
            asked(
                    part,
                    Policy.USUAL,
                    Demand.typed(job(part, Policy.USUAL), part, VerdictTest.KNOWLEDGE),
                    Optional.empty(),
                    List.of())
                .best())
        .isEmpty();
    for (int k = 1; k <= fit.size(); k++) {
      Substitutes answer =
          asked(
              part,
              Policy.USUAL,
              Demand.typed(job(part, Policy.USUAL), part, VerdictTest.KNOWLEDGE),
              Optional.empty(),
              fit.subList(0, k));
      inOrder(
          answer,
          k + " of " + fit.stream().map(s -> Quantity.farads(s.value()).toString()).toList());
    }
  }

  /**
   * What Assess proposes first is what Replace does, of everyday values in everyday places; where
   * nobody sells the rating, or the value at that rating, Replace takes the next that is sold.
   */
  @Test
  public void assessProposesWhatReplaceDoes() {
    List<String> differ = new ArrayList<>();
    int all = 0;
    ReplacementRules rules = new ReplacementRules(VerdictTest.KNOWLEDGE);
    for (Capacitor part : everydayParts()) {
      Job job = job(part, Policy.USUAL);
      String assess =
          rules
              .propose(job, part)
              .part()
              .map(x -> Quantity.farads(x.farads()) + " " + Quantity.volts(x.ratedVolts()))
              .orElse("none");
      String replace =
          asked(
                  part,
                  Policy.USUAL,
                  Demand.typed(job, part, VerdictTest.KNOWLEDGE),
                  Optional.empty(),
                  CATALOGUE)
              .best()
              .stream()
              .findFirst()
              .map(Substitute::combination)
              .map(c -> Quantity.farads(c.farads()) + " " + Quantity.volts(c.ratedVolts()))
              .orElse("none");
      all++;
      if (!assess.equals(replace)) {
        differ.add(part.farads() + " " + part.ratedVolts() + " " + assess + " / " + replace);
      }
    }
    assertThat(differ).as("of " + all).hasSizeLessThanOrEqualTo(all / 38);
  }

  private static List<Capacitor> everydayParts() {
    List<Capacitor> all = new ArrayList<>();
    for (double v : new double[] {150, 250, 350, 450, 500}) {
      for (double uf :
          new double[] {1, 2, 4, 5, 8, 10, 16, 20, 24, 25, 30, 32, 40, 47, 50, 60, 80, 100, 120}) {
        all.add(part("electrolytic-dry", uf * 1e-6, v, Role.SMOOTHING));
      }
    }
    for (double v : new double[] {6, 12, 16, 25, 40, 63}) {
      for (double uf : new double[] {5, 10, 25, 50, 100, 220, 250, 500, 1000, 2000}) {
        all.add(part("electrolytic-dry", uf * 1e-6, v, Role.DECOUPLING));
      }
    }
    for (double v : new double[] {200, 400, 600}) {
      for (double nf : new double[] {1, 2, 5, 10, 20, 30, 40, 50, 100, 250, 500, 1000}) {
        all.add(part("paper-waxed", nf * 1e-9, v, Role.COUPLING));
      }
    }
    return all;
  }
}
