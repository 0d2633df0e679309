package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.AssessWords;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.assess.Criterion;
import org.yellowhearth.core.assess.Finding;
import org.yellowhearth.core.assess.Finding.Outcome;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.partslist.MarkingParser;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.core.reading.ReadingParser;
import org.yellowhearth.core.replace.Replacement;
import org.yellowhearth.core.replace.ReplacementRules;

public class VerdictTest {
  static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final Judge JUDGE = new Judge(KNOWLEDGE);
  private static final LocalDate TODAY = LocalDate.of(2026, 6, 1);
  private static final ZonedDateTime NOW =
      Instant.parse("2026-05-05T12:00:00Z").atZone(ZoneOffset.UTC);
  private static final Policy MEASURED =
      Policy.USUAL.with(Policy.WhenToRenew.MEASURED_ONLY).with(Policy.Paper.LEAKAGE_DECIDES);

  /** A job with one part C1, marked and read as written; readings parted by semicolons. */
  static Job job(String marking, String readings, Policy policy, SetPlate plate) {
    Capacitor part =
        MarkingParser.parse(Token.of(marking), KNOWLEDGE.vocabulary())
            .asPart(PartRef.of("C1"), marking, "")
            .orElseThrow();
    List<Entry> journal = new ArrayList<>();
    journal.add(entry(journal, new Edit.Arrived(plate, policy)));
    journal.add(entry(journal, new Edit.PartAdded(part)));
    for (String line : readings.isBlank() ? new String[0] : readings.split(";", -1)) {
      ReadingParser parser = new ReadingParser(Sort.CAPACITOR);
      parser.read(Token.of(line));
      journal.add(
          entry(
              journal,
              new Edit.ReadingKept(
                  new Reading(
                      "r" + journal.size(),
                      part.ref(),
                      NOW.plusMinutes(journal.size()).toInstant(),
                      parser.figures(),
                      parser.conditions(),
                      line))));
    }
    return Job.of(journal);
  }

  private static Entry entry(List<Entry> journal, Edit edit) {
    return new Entry(journal.size(), NOW.plusMinutes(journal.size()), new Act.Did(edit));
  }

  static SetPlate plate(SetPlate.Purpose purpose) {
    return SetPlate.named("Test set")
        .with(p -> {
          p.purpose = purpose;
          p.made = OptionalInt.of(1950);
          p.mains = Optional.of(new SetPlate.Mains(230, 50));
        });
  }

  private static Assessment assess(String marking, String readings, Policy policy) {
    Job job = job(marking, readings, policy, plate(SetPlate.Purpose.USE));
    return JUDGE.of(job, TODAY).assessment(job.capacitors().getFirst().ref()).orElseThrow();
  }

  /** Common practice: parts as marked, as read, and what every restorer says of them. */
  @DataProvider
  public Object[][] commonPractice() {
    return new Object[][] { //
      {"10 MFD 63 V electrolytic", "5.5u D5.5 @100", Verdict.REPLACE}, //
      {"10 MFD 63 V electrolytic", "7u D2 @100", Verdict.REPLACE}, //
      {"33 MFD 40 V electrolytic", "32u D0.45 24r @100", Verdict.REPLACE}, //
      {"47 MFD 25 V electrolytic", "14u D1.4 150r @100", Verdict.REPLACE}, //
      {"10 MFD 350 V electrolytic", "10u 8r D0.05 @100", Verdict.KEEP}, //
      {"1000 MFD 40 V electrolytic", "930u D0.05 @100", Verdict.KEEP}, //
      {"22 MFD 25 V tantalum sees 15 V", "22u D0.03 @100", Verdict.REPLACE}, //
      {"10 MFD 6.3 V tantalum sees 5 V", "10u D0.03 @100", Verdict.REPLACE}, //
      {"10 MFD 35 V tantalum sees 15 V", "10u D0.03 @100", Verdict.KEEP}, //
      {"4.7 MFD 10 V tantalum sees 5 V", "4.7u D0.03 @100", Verdict.KEEP}, //
      {".068 MFD 400 V paper across the line", "0.068u @1k; IR9G @400V", Verdict.REPLACE}, //
      {".005 MFD 1 kV paper line to chassis", "", Verdict.REPLACE}, //
      {".1 MFD 400 V waxed paper coupling", "", Verdict.REPLACE}
    };
  }

  @Test(dataProvider = "commonPractice")
  public void theVerdictIsWhatTheTradeSays(String marking, String readings, Verdict verdict) {
    assertThat(assess(marking, readings, Policy.USUAL).verdict()).isEqualTo(verdict);
  }

  /** The rules of the schools in the design: what each does with the same part. */
  @DataProvider
  public Object[][] schools() {
    String reservoir = "32 MFD 450 V electrolytic reservoir";
    String good = "33u D0.08 @100";
    Policy usual = Policy.USUAL;
    return new Object[][] { //
      {reservoir, good, usual, false, Verdict.REPLACE}, //
      {reservoir, good, usual, true, Verdict.REFORM}, //
      {reservoir, good + ";0.9mA @450V @5min", usual, true, Verdict.KEEP}, //
      {reservoir, good + ";2.1mA @450V @5min", usual, true, Verdict.REFORM}, //
      {reservoir, good + ";2.1mA @450V @5min", usual, false, Verdict.REPLACE}, //
      {
        reservoir,
        good + ";2.1mA @450V @5min",
        usual.with(Policy.OldElectrolytics.REFORM_WHATEVER_PASSES),
        false,
        Verdict.REFORM
      }, //
      {
        reservoir,
        good + ";2.1mA @450V @5min",
        usual.with(Policy.OldElectrolytics.NEVER_REFORM),
        true,
        Verdict.REPLACE
      }, //
      {reservoir, "33u 200r D0.08 @100", usual, false, Verdict.REPLACE}, //
      {reservoir, "33u 200r D0.08 @100", usual, true, Verdict.RECHECK}, //
      {reservoir, "33u 200r D0.08 @100", MEASURED, false, Verdict.RECHECK}, //
      {reservoir, good, MEASURED, false, Verdict.KEEP}, //
      {reservoir, good, usual.with(Policy.WhenToRenew.ECONOMIC), false, Verdict.KEEP}, //
      {reservoir, good, usual.with(Policy.WhenToRenew.BLANKET), false, Verdict.REPLACE}, //
      {
        "100 MFD 25 V electrolytic tone",
        "98u D0.1 @100",
        usual.with(Policy.WhenToRenew.BLANKET),
        false,
        Verdict.REPLACE
      }, //
      {
        "100 MFD 25 V electrolytic tone dated 0512",
        "98u D0.1 @100",
        usual.with(Policy.WhenToRenew.BLANKET),
        false,
        Verdict.KEEP
      }, //
      {"100 MFD 25 V electrolytic tone", "98u D0.1 @100", usual, false, Verdict.KEEP}, //
      {
        "100 MFD 25 V electrolytic tone",
        "98u D0.2 @100",
        usual.with(Policy.Profile.MODERN),
        false,
        Verdict.WATCH
      }, //
      {
        "100 MFD 25 V electrolytic tone",
        "98u D0.26 @100",
        usual.with(Policy.Profile.MODERN),
        false,
        Verdict.REPLACE
      }, //
      {"100 MFD 25 V electrolytic tone", "98u D0.26 @100", usual, false, Verdict.WATCH}, //
      {".1 MFD 400 V paper tone", "0.1u @1k; IR5G @400V", usual, false, Verdict.REPLACE}, //
      {".1 MFD 400 V paper tone", "0.1u @1k; IR5G @400V", MEASURED, false, Verdict.KEEP}, //
      {".1 MFD 400 V paper tone", "0.1u @1k; IR50M @400V", MEASURED, false, Verdict.REPLACE}, //
      {".1 MFD 400 V paper tone", "0.1u @1k; 8uA @400V", MEASURED, false, Verdict.REPLACE}, //
      {".1 MFD 400 V paper tone", "0.1u @1k", MEASURED, false, Verdict.RECHECK}, //
      {
        "22 MFD 25 V tantalum sees 15 V",
        "22u D0.03 @100",
        usual.with(Policy.Tantalum.SAME_RATING),
        false,
        Verdict.KEEP
      }, //
      {
        "22 MFD 35 V tantalum sees 15 V",
        "22u D0.03 @100",
        usual.with(Policy.Tantalum.CHANGE_KIND),
        false,
        Verdict.REPLACE
      }
    };
  }

  @Test(dataProvider = "schools")
  public void theSchoolDecides(
      String marking, String readings, Policy policy, boolean museum, Verdict verdict) {
    Job job =
        job(
            marking,
            readings,
            policy,
            plate(museum ? SetPlate.Purpose.MUSEUM : SetPlate.Purpose.USE));
    assertThat(
            JUDGE
                .of(job, TODAY)
                .assessment(job.capacitors().getFirst().ref())
                .orElseThrow()
                .verdict())
        .isEqualTo(verdict);
  }

  /**
   * Thin or contradictory evidence never gives a confident verdict, and says what would settle it.
   */
  @DataProvider
  public Object[][] thin() {
    return new Object[][] { //
      {"100 MFD 25 V electrolytic", "", "NEXT_MEASURE_ELECTROLYTIC"}, //
      {"100 MFD 25 V electrolytic", "98u", "NEXT_MEASURE_LOSS"}, //
      {"100 MFD 25 V electrolytic", "0.3r @100k", "NEXT_MEASURE_CAPACITANCE"}, //
      {"100 MFD 25 V electrolytic", "98u 3.6r", "NEXT_STATE_FREQUENCY"}, //
      {"100 MFD 25 V electrolytic", "98u D0.25", "NEXT_STATE_FREQUENCY"}, //
      {"100 MFD 25 V electrolytic", "98u D0.1 @100 in", "NEXT_LIFT_LEG"}, //
      {"100 MFD 25 V electrolytic", "98u 16r D0.1 @100", "NEXT_SETTLE_CONTRADICTION"}, //
      {"100 MFD 25 V electrolytic", "98u D0.1 @100; 0.2mA", "NEXT_LEAKAGE_AT_RATING"}, //
      {"100 MFD 25 V electrolytic", "98u D0.1 @100; 0.2mA @12V", "NEXT_LEAKAGE_AT_RATING"}, //
      {"100 MFD 25 V electrolytic", "98u D0.1 @100; 9mA @25V @1min", "NEXT_LEAKAGE_AT_RATING"}, //
      {"10 MFD 35 V tantalum", "10u D0.03 @100", "NEXT_MEASURE_RAIL"}, //
      {"500 pF mica", "", "NEXT_MEASURE_CAPACITANCE"}, //
      {"8 MFD 450 V", "8u D0.1 @100", "NEXT_NAME_KIND"}
    };
  }

  @Test(dataProvider = "thin")
  public void thinEvidenceAsksForTheOneMeasurementThatSettlesIt(
      String marking, String readings, String next) {
    Assessment a = assess(marking, readings, Policy.USUAL);
    assertThat(a.verdict()).isEqualTo(Verdict.RECHECK);
    assertThat(a.next().orElseThrow().key().name()).isEqualTo(next);
  }

  @Test
  public void acrossTheMainsTheClassDecidesWhateverIsMeasured() {
    Assessment film =
        assess(".1 MFD 400 V polyester across the line", "0.1u @1k; IR9G @400V", MEASURED);
    assertThat(film.verdict()).isEqualTo(Verdict.REPLACE);
    assertThat(film.because().key()).isEqualTo(AssessWords.BECAUSE_MAINS_CLASS);
    assertThat(assess("0.1 µF 275 VAC X2 across the line", "0.1u @1k", MEASURED).verdict())
        .isEqualTo(Verdict.KEEP);
  }

  @Test
  public void withoutAFrequencyOnlyWhatHoldsAtEveryFrequencyIsJudged() {
    assertThat(outcome("100 MFD 25 V electrolytic", "98u 0.2r", Criterion.ESR))
        .isEqualTo(Outcome.GOOD);
    assertThat(outcome("100 MFD 25 V electrolytic", "98u 3.6r", Criterion.ESR))
        .isEqualTo(Outcome.OPEN);
    assertThat(outcome("100 MFD 25 V electrolytic", "98u 60r", Criterion.ESR))
        .isEqualTo(Outcome.BAD);
  }

  private static Outcome outcome(String marking, String readings, Criterion criterion) {
    return finding(marking, readings, criterion).outcome();
  }

  private static Finding finding(String marking, String readings, Criterion criterion) {
    return assess(marking, readings, MEASURED).findings().stream()
        .filter(f -> f.criterion() == criterion)
        .findFirst()
        .orElseThrow();
  }

  @Test
  public void limitsAtOtherFrequenciesFollowFromElectrolyteAndOxide() {
    // (0.30 − 0.04)/(2π·100 Hz·100 µF) + 0.04/(2π·1 kHz·100 µF) = 4.138 Ω + 0.0637 Ω, worked by
    // hand.
    Finding f = finding("100 MFD 25 V electrolytic", "98u 9r @1k", Criterion.ESR);
    assertThat(f.limit().orElseThrow().value().value()).isCloseTo(4.2017, within(1e-3));
    assertThat(f.margin().orElseThrow()).isNegative();
  }

  @Test
  public void inCircuitAHighEsrCondemnsButNothingElseIsBelieved() {
    Assessment a = assess("100 MFD 25 V electrolytic", "400u 90r @100 in", Policy.USUAL);
    assertThat(a.verdict()).isEqualTo(Verdict.REPLACE);
    assertThat(a.findings())
        .filteredOn(f -> f.criterion() == Criterion.CAPACITANCE_KEPT)
        .extracting(Finding::outcome)
        .containsExactly(Outcome.OPEN);
  }

  @Test
  public void aPrintedToleranceWidensWhatMayBeGained() {
    assertThat(outcome("100 MFD 25 V electrolytic", "160u D0.1 @100", Criterion.CAPACITANCE_KEPT))
        .isEqualTo(Outcome.DOUBTFUL);
    assertThat(
            outcome(
                "100 MFD -20+100% 25 V electrolytic", "160u D0.1 @100", Criterion.CAPACITANCE_KEPT))
        .isEqualTo(Outcome.GOOD);
    assertThat(outcome("220 pF 2% polystyrene tuned", "226p @1k", Criterion.CAPACITANCE_KEPT))
        .isEqualTo(Outcome.DOUBTFUL);
  }

  @Test
  public void theNewestReadingIsTheOneThatIsJudged() {
    assertThat(
            assess("100 MFD 25 V electrolytic", "40u D0.9 @100; 98u D0.1 @100", Policy.USUAL)
                .verdict())
        .isEqualTo(Verdict.KEEP);
  }

  /** Property: among consistent readings a worse one never gives a better verdict. */
  @Test
  public void aWorseReadingNeverGivesABetterVerdict() {
    List<Verdict> order = Arrays.asList(Verdict.KEEP, Verdict.WATCH, Verdict.REPLACE);
    Random random = new Random(7);
    Job job = job("47 MFD 63 V electrolytic", "", MEASURED, plate(SetPlate.Purpose.USE));
    Capacitor part = job.capacitors().getFirst();
    for (int i = 0; i < 3000; i++) {
      double c = part.farads() * (0.3 + 0.7 * random.nextDouble());
      double d = Math.pow(10, -2 + 3 * random.nextDouble());
      Verdict one = verdict(job, part, c, d);
      Verdict lessC = verdict(job, part, c * (0.5 + 0.5 * random.nextDouble()), d);
      Verdict moreD = verdict(job, part, c, d * (1 + random.nextDouble()));
      assertThat(order.indexOf(lessC)).isGreaterThanOrEqualTo(order.indexOf(one));
      assertThat(order.indexOf(moreD)).isGreaterThanOrEqualTo(order.indexOf(one));
    }
  }

  private static Verdict verdict(Job job, Capacitor part, double farads, double d) {
    Reading reading =
        new Reading(
            "x",
            part.ref(),
            NOW.toInstant(),
            Figures.of(Figure.CAPACITANCE, farads).with(Figure.DISSIPATION, d),
            Conditions.UNSTATED.withFrequency(100),
            "");
    return JUDGE.of(job, TODAY).with(part, reading).verdict();
  }

  /** Common practice: what takes the place of an old part. */
  @DataProvider
  public Object[][] replacements() {
    Policy usual = Policy.USUAL;
    Policy working = usual.with(Policy.VoltageRating.BY_WORKING_VOLTAGE);
    return new Object[][] { //
      {"50 MFD 150 V electrolytic", usual, "electrolytic-dry", 47e-6, 160.0}, //
      {"30 MFD 150 V electrolytic", usual, "electrolytic-dry", 33e-6, 160.0}, //
      {"15 MFD 450 V electrolytic sees 260 V", working, "electrolytic-dry", 15e-6, 400.0}, //
      {"250 MFD 25 V electrolytic", usual, "electrolytic-dry", 220e-6, 25.0}, //
      {"8 MFD 450 V electrolytic", usual, "electrolytic-dry", 10e-6, 450.0}, //
      {"8 MFD 450 V electrolytic sees 310 V", usual, "electrolytic-dry", 10e-6, 450.0}, //
      {"16 MFD 350 V electrolytic", usual, "electrolytic-dry", 15e-6, 350.0}, //
      {".05 MFD 400 V paper", usual, "polypropylene", 0.047e-6, 400.0}, //
      {".25 MFD 500 V moulded paper", usual, "polypropylene", 0.22e-6, 630.0}, //
      {".068 MFD 400 V paper across the line", usual, "suppression-x", 0.068e-6, 275.0}, //
      {".005 MFD 1 kV paper line to chassis", usual, "suppression-y", 0.0047e-6, 275.0}, //
      {"22 MFD 25 V tantalum sees 15 V", usual, "tantalum-bead", 22e-6, 35.0}, //
      {"10 MFD 6.3 V tantalum sees 5 V", usual, "tantalum-bead", 10e-6, 10.0}, //
      {
        "22 MFD 25 V tantalum sees 15 V",
        usual.with(Policy.Tantalum.CHANGE_KIND),
        "electrolytic-dry",
        22e-6,
        25.0
      }, //
      {"300 pF 500 V mica tuned", usual, "mica-silvered", 300e-12, 500.0}, //
      {"8 MFD 600 V electrolytic", usual, null, 0, 0.0}, //
      {"8 MFD electrolytic", usual, null, 0, 0.0}, //
      {"8 MFD 450 V", usual, null, 0, 0.0}
    };
  }

  @Test(dataProvider = "replacements")
  public void theReplacementIsTheOneTheTradeTakes(
      String marking, Policy policy, String kind, double farads, double volts) {
    Job job = job(marking, "", policy, plate(SetPlate.Purpose.USE));
    Replacement replacement =
        new ReplacementRules(KNOWLEDGE).propose(job, job.capacitors().getFirst());
    assertThat(replacement.reasons()).isNotEmpty();
    assertThat(replacement.part())
        .isEqualTo(
            kind == null
                ? Optional.empty()
                : Optional.of(
                    new Replacement.Proposed(kind, farads, volts, kind.startsWith("suppression"))));
  }
}
