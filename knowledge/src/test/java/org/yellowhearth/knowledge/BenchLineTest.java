package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.benchline.BenchLine;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.FaultRule;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.Polarity;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.part.Tolerance;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.knowledge.words.Words;

/**
 * The grammar of the bench line, over the words that ship. The job has C1, 8 µF 450 V electrolytic,
 * and C1 is chosen.
 */
public class BenchLineTest {
  private static final Job JOB =
      VerdictTest.job(
          "8 MFD 450 V electrolytic", "", Policy.USUAL, VerdictTest.plate(SetPlate.Purpose.USE));
  private static final Words WORDS = Words.of(SetPlate.Dialect.BRITISH);

  private static BenchOutcome read(String line) {
    return new BenchLine(JOB, PartRef.parse("C1"), VerdictTest.KNOWLEDGE.vocabulary()).read(line);
  }

  private static BenchEntry understood(String line) {
    assertThat(read(line)).isInstanceOf(BenchOutcome.Understood.class);
    return ((BenchOutcome.Understood) read(line)).entry();
  }

  private static Capacitor added(String line) {
    return (Capacitor) ((BenchEntry.AddParts) understood(line)).parts().getFirst();
  }

  @DataProvider
  public Object[][] markings() {
    return new Object[][] { //
      {"8 MFD 450 V electrolytic", 8e-6, 450, "electrolytic-dry"}, //
      {"8MFD 450VW elko", 8e-6, 450, "electrolytic-dry"},
      {"450 V DC wkg 8 mfd. electrolytic", 8e-6, 450, "electrolytic-dry"}, //
      {".05 mf 600 V paper", 0.05e-6, 600, "paper-waxed"},
      {"0,1 µF 250 V polyester", 0.1e-6, 250, "polyester"}, //
      {"500 µµF 350 V silver mica", 500e-12, 350, "mica-silvered"},
      {"250 mmf mica", 250e-12, 0, "mica-silvered"}, //
      {"68n 100V film", 68e-9, 100, "polyester"},
      {"4n7 400V polypropylene", 4.7e-9, 400, "polypropylene"}, //
      {"1 jar 1 kV paper in oil", 1e-6 / 900, 1000, "paper-oil"},
      {"1000 cm clamped mica", 1112.65e-12, 0, "mica-clamped"}, //
      {"104K 100 V ceramic", 0.1e-6, 100, "ceramic-2"},
      {"473J 250V film", 0.047e-6, 250, "polyester"}, //
      {"16 MFD 450 V 525 V surge wet electrolytic", 16e-6, 450, "electrolytic-wet"}, //
      {"16 MFD 450 V surge 525 V electrolytic", 16e-6, 450, "electrolytic-dry"}, //
      {"16 MFD 450 V 525 V surge -20+100% electrolytic", 16e-6, 450, "electrolytic-dry"}, //
      {"surge 525 V 16 MFD 450 V electrolytic", 16e-6, 450, "electrolytic-dry"}, //
      {"4.7 µF 35 V solid tantalum", 4.7e-6, 35, "tantalum-bead"},
      {"0.1 µF 275 VAC X2", 0.1e-6, 275, "suppression-x"}
    };
  }

  @Test(dataProvider = "markings")
  public void aPartJoinsAsItIsPrinted(String marking, double farads, double volts, String kind) {
    Capacitor part = added("+ C21 " + marking);
    assertThat(part.ref()).hasToString("C21");
    assertThat(part.marking()).isEqualTo(marking);
    assertThat(part.farads()).isCloseTo(farads, within(farads * 1e-5));
    assertThat(part.ratedVolts())
        .isEqualTo(volts == 0 ? OptionalDouble.empty() : OptionalDouble.of(volts));
    assertThat(part.kind()).isEqualTo(kind);
  }

  @Test
  public void everythingElseThatCanBeSaidIsTaken() {
    Capacitor part =
        added(
            "+c21a 50 MFD 25V -10+50% electrolytic bias filter +chassis sees 18,5 V \"under the tag strip\"");
    assertThat(part.ref()).hasToString("C21a");
    assertThat(part.role()).isEqualTo(Role.BIAS_FILTER);
    assertThat(part.polarity()).isEqualTo(Polarity.POSITIVE_TO_CHASSIS);
    assertThat(part.tolerance()).contains(new Tolerance(-0.1, 0.5));
    assertThat(part.workingVolts()).hasValue(18.5);
    assertThat(part.remark()).isEqualTo("under the tag strip");
    assertThat(added("+ C9 .1 mf 250 V AC paper across the line").ratedForMains()).isTrue();
    assertThat(added("+ C9 1n ±5% mica").tolerance()).contains(Tolerance.plusMinus(0.05));
  }

  @Test
  public void aReadingBelongsToThePartNamedOrElseChosen() {
    BenchEntry.KeepReading chosen = (BenchEntry.KeepReading) understood("9.1u 400r D2.4 @100");
    assertThat(chosen.part()).hasToString("C1");
    assertThat(chosen.figures().get(Figure.ESR)).hasValue(400);
    assertThat(((BenchEntry.KeepReading) understood("c1 D=2.4 9,1u")).figures())
        .isEqualTo(((BenchEntry.KeepReading) understood("9.1u D2.4")).figures());
  }

  @Test
  public void theOtherLinesAreUnderstood() {
    assertThat(understood("C1")).isEqualTo(new BenchEntry.ShowPart(PartRef.of("C1")));
    assertThat(understood("- C1")).isEqualTo(new BenchEntry.RemovePart(JOB.census().getFirst()));
    assertThat(understood("\" smells of wax")).isEqualTo(new BenchEntry.WriteNote("smells of wax"));
    assertThat(understood("lit")).isEqualTo(new BenchEntry.SwitchPower(Edit.Power.LIT));
    assertThat(understood("OFF")).isEqualTo(new BenchEntry.SwitchPower(Edit.Power.OFF));
    BenchEntry.CorrectPart corrected = (BenchEntry.CorrectPart) understood("C1 = 16 MFD reservoir");
    Capacitor after = (Capacitor) corrected.after();
    assertThat(after.farads()).isEqualTo(16e-6);
    assertThat(after.role()).isEqualTo(Role.RESERVOIR);
    assertThat(after.ratedVolts()).hasValue(450);
    assertThat(read("   ")).isInstanceOf(BenchOutcome.Empty.class);
  }

  @DataProvider
  public Object[][] refused() {
    return new Object[][] { //
      {"C99 9.1u", "BenchWords.unknown-reference-with-reading", "C99"},
      {"C99", "BenchWords.unknown-reference", "+ C99"}, //
      {"R47", "BenchWords.unknown-reference", "R47"},
      {"+ C1 8 MFD", "BenchWords.reference-exists", "C1 ="}, //
      {"+ 8 MFD 450 V", "BenchWords.reference-expected", "letters and a number"},
      {"+", "BenchWords.reference-expected", "C21"}, //
      {"+ C2", "PartsListWords.capacitance-missing", "C2"},
      {"+ C2 450 V electrolytic", "PartsListWords.capacitance-missing", "as printed"}, //
      {"+ C2 -8 MFD", "MarkingWords.not-above-zero", "above zero"},
      {"+ C2 5..5 MFD", "MarkingWords.not-a-number", "5..5"}, //
      {"+ C2 8 MFD 450 V 500 V", "PartsListWords.stated-twice", "voltage"},
      {"+ C2 8 MFD paper mica", "PartsListWords.stated-twice", "kind"}, //
      {"+ C2 8 MFD 16 MFD", "PartsListWords.stated-twice", "capacitance"},
      {"+ C2a 16+16 MFD", "PartsListWords.sections", "without letter"}, //
      {"+ C2 8 MFD 400r", "PartsListWords.not-part-of-a-marking", "400r"},
      {"+ C2 8 MFD cheese", "PartsListWords.unknown-word", "cheese"}, //
      {"+ C2 8 MFD sees", "PartsListWords.working-voltage-expected", "260 V"},
      {"+ C2 20 F", "PartsListWords.farads-range", "10 F"}, //
      {"+ C2 8u 999 kV", "PartsListWords.volts-range", "100 kV"},
      {"+ C2 8u 300%", "PartsListWords.tolerance-range", "300%"}, //
      {"450 V", "ReadingWords.voltage-not-a-reading", "450 V is a voltage"},
      {"5..5u", "MarkingWords.not-a-number", "5..5"}, //
      {"-8u", "MarkingWords.not-above-zero", "-8u"},
      {"hums badly", "BenchWords.neither", "quotation mark"},
      {"it hums", "BenchWords.hum-frequency", "100 Hz"},
      {"C99 hot", "BenchWords.unknown-reference-with-reading", "C99"},
      {"rail", "BenchWords.rail-line-expected", "rail HT 340V C1 C2"},
      {"rail HT 340V", "BenchWords.rail-line-expected", "340V"},
      {"rail HT C1", "BenchWords.rail-line-expected", "C1"},
      {"rail HT 340V C99", "BenchWords.rail-line-expected", "C99"},
      {"rail HT 2A C1", "BenchWords.rail-line-expected", "2A"},
      {"HT 250", "BenchWords.neither", "HT 250V"},
      {"TP3 12.4", "BenchWords.point-volts-expected", "TP3 12.4V"},
      {"C1 pin 3", "BenchWords.pin-volts-expected", "C1 pin 3 212V"},
      {"hold", "BenchWords.hold-expected", "100 kHz"},
      {"hold on a bit", "BenchWords.hold-expected", "100 kHz"},
      {"C1 pretty", "ReadingWords.word-not-a-reading", "(capacitor)"},
      {"C1 =", "BenchWords.nothing-to-correct", "C1"}, //
      {"C9 = 8 MFD", "BenchWords.unknown-reference", "C9"},
      {"- C9", "BenchWords.unknown-reference", "C9"}, //
      {"- C1 please", "BenchWords.nothing-after", "please"},
      {"\"", "BenchWords.note-empty", "words"}, //
      {"x".repeat(401), "BenchWords.too-long", "400"}
    };
  }

  @Test(dataProvider = "refused")
  public void wrongInputGetsOneClearSentence(String line, String key, String said) {
    assertThat(read(line))
        .isInstanceOfSatisfying(
            BenchOutcome.Refused.class,
            r -> {
              assertThat(r.problem().key().key()).isEqualTo(key);
              assertThat(WORDS.say(r.problem())).contains(said).endsWith(".");
              assertThat(r.index()).isBetween(0, line.length());
            });
  }

  @DataProvider
  public Object[][] questions() {
    return new Object[][] {
      {"1,000u D0.1", "1.000u D0.1", "1000u D0.1"},
      {"+ C5 1,000 pF mica", "+ C5 1.000 pF mica", "+ C5 1000 pF mica"},
      {"1.2mF", "1200u", "1.2u"},
      {"+ C5 104 ceramic", "+ C5 100000p ceramic", "+ C5 104p ceramic"}
    };
  }

  @Test(dataProvider = "questions")
  public void whatHasTwoMeaningsIsAskedAboutAndEitherAnswerIsUnderstood(
      String line, String first, String second) {
    assertThat(read(line))
        .isInstanceOfSatisfying(
            BenchOutcome.Question.class,
            q -> {
              assertThat(q.choices())
                  .extracting(BenchOutcome.Choice::line)
                  .containsExactly(first, second);
              q.choices().forEach(c -> understood(c.line()));
              assertThat(WORDS.say(q.question())).endsWith("?");
            });
  }

  @Test
  public void withoutAChosenPartAReadingAsksForAReference() {
    BenchOutcome outcome =
        new BenchLine(JOB, Optional.empty(), VerdictTest.KNOWLEDGE.vocabulary()).read("9.1u");
    assertThat(outcome)
        .isInstanceOfSatisfying(
            BenchOutcome.Refused.class,
            r -> assertThat(r.problem().key().key()).isEqualTo("BenchWords.no-part-chosen"));
  }

  @Test
  public void theEchoKeepsWhatWasUnderstoodBeforeTheTrouble() {
    assertThat(read("C1 9.1u 400"))
        .isInstanceOfSatisfying(
            BenchOutcome.Refused.class,
            r -> {
              assertThat(r.index()).isEqualTo(8);
              assertThat(r.soFar().orElseThrow().figures().get(Figure.CAPACITANCE))
                  .hasValue(9.1e-6);
            });
  }

  /** Whatever is typed, the line answers and never throws. */
  @Test
  public void noLineEverBreaksIt() {
    Random random = new Random(11);
    String alphabet = "0123456789.,+-=@%\"CDQRVkMunpµΩ érfasIin\t±~/−";
    for (int i = 0; i < 20_000; i++) {
      StringBuilder line = new StringBuilder();
      for (int n = random.nextInt(24); n >= 0; n--) {
        line.append(alphabet.charAt(random.nextInt(alphabet.length())));
      }
      BenchOutcome outcome = read(line.toString());
      if (outcome instanceof BenchOutcome.Refused r) {
        assertThat(WORDS.say(r.problem()))
            .as(line.toString())
            .isNotBlank()
            .doesNotContain("NaN", "Infinity", "{0}");
      }
    }
  }

  private static BenchOutcome withRails(String line) {
    Job job = JOB;
    for (String name : List.of("HT", "bias")) {
      Rail rail =
          new Rail(
              "id-" + name,
              name,
              300,
              List.of(PartRef.of("C1")),
              OptionalDouble.empty(),
              "unstated",
              Rail.Bleeder.NONE,
              OptionalDouble.empty());
      job =
          job.after(
              new Entry(
                  job.journal().size(),
                  job.journal().getLast().at(),
                  new Act.Did(new Edit.ItemChanged(Optional.empty(), Optional.of(rail)))));
    }
    return new BenchLine(job, PartRef.parse("C1"), VerdictTest.KNOWLEDGE.vocabulary()).read(line);
  }

  @DataProvider
  public Object[][] events() {
    return new Object[][] {
      {"volts HT 212V", new Edit.VoltsMeasured("id-HT", 212)},
      {"VOLTS ht 0.3", new Edit.VoltsMeasured("id-HT", 0.3)},
      {"volts bias -12.5 V", new Edit.VoltsMeasured("id-bias", -12.5)},
      {"volts HT 120 mV found", new Edit.VoltsMeasured("id-HT", 0.12, true)},
      {"clip HT 1k", new Edit.ClipPut("id-HT", 1000)},
      {"clip HT 4k7", new Edit.ClipPut("id-HT", 4700)},
      {"unclip bias", new Edit.ClipTaken("id-bias")}
    };
  }

  @Test(dataProvider = "events")
  public void whatHappensToARailIsUnderstood(String line, Edit.Event event) {
    assertThat(((BenchEntry.Happened) ((BenchOutcome.Understood) withRails(line)).entry()).event())
        .isEqualTo(event);
  }

  @DataProvider
  public Object[][] noEvents() {
    return new Object[][] {
      {"volts HT", "volts on the meter"},
      {"volts 12 V", "expected one of HT, bias"},
      {"volts HT 12k", "volts on the meter"},
      {"clip HT 5 V", "discharge resistor"},
      {"clip HT 0", "discharge resistor"},
      {"unclip HT now", "after"},
      {"volts screen 5", "expected one of"}
    };
  }

  @Test(dataProvider = "noEvents")
  public void whatDoesNotFitARailIsRefusedWithASentence(String line, String why) {
    assertThat(WORDS.say(((BenchOutcome.Refused) withRails(line)).problem())).contains(why);
  }

  @Test
  public void withoutRailsTheLineSaysWhereToListThem() {
    assertThat(WORDS.say(((BenchOutcome.Refused) read("volts 12 V")).problem()))
        .contains("rail HT 340V C1 C2");
  }

  @Test
  public void aDateIsPartOfTheMarking() {
    assertThat(added("+ C5 .05 MFD 600 V paper dated 6412").dateCode()).isEqualTo("6412");
    assertThat(WORDS.say(((BenchOutcome.Refused) read("+ C5 .05 MFD dated soon")).problem()))
        .contains("dated 6412");
    assertThat(
            WORDS.say(
                ((BenchOutcome.Refused) read("+ C5 .05 MFD dated 6412 dated 6413")).problem()))
        .contains("second time");
  }

  @DataProvider
  public static Object[][] noticed() {
    return new Object[][] {
      {"C1 runs hot", "hot", "C1"},
      {"c1 Too hot to touch", "hot", "C1"},
      {"C1 smells \"of fish\"", "smell", "C1"},
      {"C1 stays cold", "cold", "C1"},
      {"nothing hot, nothing smells", "nothing-hot", ""},
      {"no smell, no heat.", "nothing-hot", ""},
      {"hums at 100 Hz", "hum-double", ""},
      {"hum 50Hz", "hum-mains", ""},
      {"heat sink hot", "heat-sink-hot", ""},
      {"It motorboats", "motorboating", ""},
      {"blows fuses", "fuse-blown", ""},
    };
  }

  /** What a nose, a hand and an ear say, at a part or of the whole set; hum by its frequency. */
  @Test(dataProvider = "noticed")
  public void whatIsNoticedIsNoFigureAndNoNote(String line, String sign, String place) {
    assertThat(understood(line))
        .isInstanceOfSatisfying(
            BenchEntry.Notice.class,
            n -> {
              assertThat(n.sign()).isEqualTo(sign);
              assertThat(n.place()).isEqualTo(place);
              assertThat(n.said()).isEqualTo(line.contains("fish") ? "of fish" : "");
            });
  }

  @Test
  public void everyWordForASignNamesOneThatTheRulesKnow() {
    assertThat(VerdictTest.KNOWLEDGE.faultSigns())
        .extracting(FaultRule.Sign::id)
        .containsAll(VerdictTest.KNOWLEDGE.vocabulary().signs().values());
  }

  /** A rail for Safety in one line: what holds charge, how high, what drains it. */
  @Test
  public void aRailIsListedInOneLine() {
    assertThat(understood("rail HT 340V C1"))
        .isEqualTo(
            new BenchEntry.KeepRail(
                "HT", 340, List.of(PartRef.of("C1")), OptionalDouble.empty(), false));
    assertThat(understood("rail EHT C1 and 1.2 kV in series bleeder 2M2"))
        .isEqualTo(
            new BenchEntry.KeepRail(
                "EHT", 1200, List.of(PartRef.of("C1")), OptionalDouble.of(2.2e6), true));
  }

  @Test
  public void aRailThatIsListedKeepsWhatIsNotSaid() {
    Rail before =
        new Rail(
            "r1",
            "HT",
            340,
            List.of(PartRef.of("C1")),
            OptionalDouble.of(1e-6),
            "paper-waxed",
            Rail.Bleeder.MEASURED,
            OptionalDouble.of(220e3));
    Rail after =
        new BenchEntry.KeepRail("ht", 350, List.of(), OptionalDouble.empty(), false)
            .rail(Optional.of(before), "new");
    assertThat(after)
        .isEqualTo(
            new Rail(
                "r1",
                "HT",
                350,
                List.of(PartRef.of("C1")),
                OptionalDouble.of(1e-6),
                "paper-waxed",
                Rail.Bleeder.MEASURED,
                OptionalDouble.of(220e3)));
  }
}
