package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.yellowhearth.core.fact.Verdict.KEEP;
import static org.yellowhearth.core.fact.Verdict.RECHECK;
import static org.yellowhearth.core.fact.Verdict.REFORM;
import static org.yellowhearth.core.fact.Verdict.REPLACE;
import static org.yellowhearth.core.fact.Verdict.WATCH;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Policy;

/**
 * Sixty and more parts, each with the verdict of every school and why: common practice, read from
 * the rules of the schools in the design. Columns: the part, what is typed of it, the verdicts
 * under measured plus precaution, measured only, blanket, and measured only with reforming whatever
 * passes, and the reason under the first.
 */
public class VerdictTableTest {
  private static final Policy USUAL = Policy.USUAL;
  private static final Policy MEASURED =
      USUAL.with(Policy.WhenToRenew.MEASURED_ONLY).with(Policy.Paper.LEAKAGE_DECIDES);
  private static final Policy BLANKET =
      USUAL.with(Policy.WhenToRenew.BLANKET).with(Policy.Paper.LEAKAGE_DECIDES);
  private static final Policy REFORMING =
      MEASURED.with(Policy.OldElectrolytics.REFORM_WHATEVER_PASSES);

  @DataProvider
  public Object[][] table() {
    List<Object[]> t = new ArrayList<>();
    String bulk = "32 MFD 450 V electrolytic reservoir";
    String tone = "100 MFD 25 V electrolytic tone";
    String paper = ".1 MFD 400 V waxed paper";
    // electrolytics in the supply
    row(t, bulk, "", REPLACE, RECHECK, REPLACE, RECHECK, "precaution");
    row(t, bulk, "33u D0.08 @100", REPLACE, KEEP, REPLACE, KEEP, "precaution");
    row(t, bulk, "33u D0.08 @100; 0.9mA @450V @5min", REPLACE, KEEP, REPLACE, KEEP, "precaution");
    row(t, bulk, "33u D0.08 @100; 2.1mA @450V @5min", REPLACE, REPLACE, REPLACE, REFORM, "bad");
    row(t, bulk, "12u D0.5 @100", REPLACE, REPLACE, REPLACE, REPLACE, "bad");
    row(t, bulk, "30u D0.25 @100", REPLACE, WATCH, REPLACE, WATCH, "precaution");
    row(t, bulk, "70u D0.1 @100", REPLACE, REPLACE, REPLACE, REPLACE, "bad");
    row(t, bulk, "33u 200r D0.08 @100", REPLACE, RECHECK, REPLACE, RECHECK, "precaution");
    row(t, bulk, "33u D0.08 @100 in", REPLACE, RECHECK, REPLACE, RECHECK, "precaution");
    row(
        t,
        "16 MFD 450 V wet electrolytic smoothing",
        "15u D0.2 @100; 2mA @450V @5min",
        REPLACE,
        REPLACE,
        REPLACE,
        REFORM,
        "bad");
    row(
        t,
        "25 MFD 25 V electrolytic bias filter +chassis",
        "26u D0.1 @100",
        REPLACE,
        KEEP,
        REPLACE,
        KEEP,
        "precaution");
    // electrolytics elsewhere
    row(t, tone, "", RECHECK, RECHECK, REPLACE, RECHECK, "not-measured");
    row(t, tone, "98u D0.1 @100", KEEP, KEEP, REPLACE, KEEP, "good");
    row(t, tone, "98u D0.25 @100", WATCH, WATCH, REPLACE, WATCH, "doubtful");
    row(t, tone, "98u D0.4 @100", REPLACE, REPLACE, REPLACE, REPLACE, "bad");
    row(t, tone, "75u D0.1 @100", WATCH, WATCH, REPLACE, WATCH, "doubtful");
    row(t, tone, "60u D0.1 @100", REPLACE, REPLACE, REPLACE, REPLACE, "bad");
    row(t, tone, "160u D0.1 @100", WATCH, WATCH, REPLACE, WATCH, "doubtful");
    row(t, tone, "98u", RECHECK, RECHECK, REPLACE, RECHECK, "thin");
    row(t, tone, "98u D0.1", KEEP, KEEP, REPLACE, KEEP, "good");
    row(t, tone + " sees 40 V", "98u D0.1 @100", REPLACE, REPLACE, REPLACE, REPLACE, "bad");
    row(t, tone + " sees 12 V", "98u D0.1 @100", KEEP, KEEP, REPLACE, KEEP, "good");
    row(
        t,
        "4 MFD 63 V bipolar electrolytic crossover",
        "4.1u D0.05 @1k",
        KEEP,
        KEEP,
        REPLACE,
        KEEP,
        "good");
    row(
        t,
        "25 MFD 25 V electrolytic cathode bypass",
        "14u D1.4 150r @100",
        REPLACE,
        REPLACE,
        REPLACE,
        REPLACE,
        "bad");
    // looks and past
    row(t, tone, "98u D0.1 @100; C1 bulged", REPLACE, REPLACE, REPLACE, REPLACE, "look");
    row(t, tone, "98u D0.1 @100; C1 reversed", REPLACE, REPLACE, REPLACE, REPLACE, "look");
    row(t, tone, "98u D0.1 @100; C1 overheated", REPLACE, REPLACE, REPLACE, REPLACE, "look");
    row(t, tone, "98u D0.1 @100; C1 oozing", REPLACE, REPLACE, REPLACE, REPLACE, "look");
    row(t, tone, "98u D0.1 @100; C1 lightweight", WATCH, WATCH, REPLACE, WATCH, "doubtful");
    row(t, tone, "98u D0.1 @100; C1 corroded leads", WATCH, WATCH, REPLACE, WATCH, "doubtful");
    row(t, tone, "98u D0.1 @100; C1 residue", RECHECK, RECHECK, REPLACE, RECHECK, "residue");
    row(t, tone, "98u D0.1 @100; C1 residue; C1 glue", KEEP, KEEP, REPLACE, KEEP, "good");
    row(
        t,
        tone,
        "98u D0.1 @100; C1 residue electrolyte",
        REPLACE,
        REPLACE,
        REPLACE,
        REPLACE,
        "look");
    row(t, tone, "98u D0.1 @100; C1 replaced before", KEEP, KEEP, REPLACE, KEEP, "good");
    // what testers show
    row(t, tone, "98u D0.1 @100; as 1.8r", REPLACE, REPLACE, REPLACE, REPLACE, "bad");
    row(t, tone, "98u D0.1 @100; flat", REPLACE, REPLACE, REPLACE, REPLACE, "said");
    row(t, tone, "98u D0.1 @100; slant", REPLACE, REPLACE, REPLACE, REPLACE, "said");
    row(t, tone, "98u D0.1 @100; slant in", RECHECK, RECHECK, REPLACE, RECHECK, "thin");
    row(t, tone, "98u D0.1 @100; oval", KEEP, KEEP, REPLACE, KEEP, "good");
    row(t, tone, "98u D0.1 @100; intermittent", REPLACE, REPLACE, REPLACE, REPLACE, "said");
    row(t, tone, "98u D0.1 @100 shaky", RECHECK, RECHECK, REPLACE, RECHECK, "contact");
    row(t, tone, "98u/60u/97u D0.1 @100", RECHECK, RECHECK, REPLACE, RECHECK, "contact");
    row(t, tone, "98u/97u/99u D0.1 @100", KEEP, KEEP, REPLACE, KEEP, "good");
    row(t, tone, "98u D0.1 @100; R=900r", REPLACE, REPLACE, REPLACE, REPLACE, "bad");
    row(t, tone, "98u D0.1 @100; C OL", RECHECK, RECHECK, REPLACE, RECHECK, "thin");
    // witnesses
    row(t, tone, "98u D0.1 @100; C1 drawn 100u", KEEP, KEEP, REPLACE, KEEP, "good");
    row(t, tone, "98u D0.1 @100; C1 drawn 10u", RECHECK, RECHECK, REPLACE, RECHECK, "witnesses");
    row(t, tone, "98u D0.1 @100; C1 new 47u", KEEP, KEEP, REPLACE, KEEP, "good");
    row(
        t,
        tone + " -chassis",
        "98u D0.1 @100; C1 legend +chassis",
        RECHECK,
        RECHECK,
        REPLACE,
        RECHECK,
        "witnesses");
    // paper, film, mica, ceramic
    row(t, paper + " coupling", "", REPLACE, RECHECK, REPLACE, RECHECK, "on-sight");
    row(t, paper + " tone", "0.1u @1k; IR5G @400V", REPLACE, KEEP, REPLACE, KEEP, "on-sight");
    row(t, paper + " tone", "0.1u @1k; IR50M @400V", REPLACE, REPLACE, REPLACE, REPLACE, "bad");
    row(t, paper + " tone", "0.1u @1k; IR>20G @400V", REPLACE, KEEP, REPLACE, KEEP, "on-sight");
    row(
        t,
        paper + " tone",
        "0.1u @1k; eye-closed @400V",
        REPLACE,
        REPLACE,
        REPLACE,
        REPLACE,
        "said");
    row(
        t,
        paper + " across the line",
        "0.1u @1k; IR9G @400V",
        REPLACE,
        REPLACE,
        REPLACE,
        REPLACE,
        "mains-class");
    row(t, ".1 MFD 275 VAC X2 across the line", "0.1u @1k", KEEP, KEEP, KEEP, KEEP, "good");
    row(t, ".0047 MFD 275 VAC Y2 line to chassis", "0.0047u @1k", KEEP, KEEP, KEEP, KEEP, "good");
    row(
        t,
        "0.1 MFD 250 V polyester coupling",
        "0.1u D0.004 @1k; IR20G @250V",
        KEEP,
        KEEP,
        KEEP,
        KEEP,
        "good");
    row(
        t,
        "0.1 MFD 250 V polyester coupling",
        "0.06u @1k",
        REPLACE,
        REPLACE,
        REPLACE,
        REPLACE,
        "bad");
    row(t, "220 pF 2% polystyrene tuned", "226p @1k", WATCH, WATCH, WATCH, WATCH, "doubtful");
    row(t, "500 pF silver mica tuned", "503p D0.001 @1k", KEEP, KEEP, KEEP, KEEP, "good");
    row(t, "500 pF silver mica tuned", "intermittent", REPLACE, REPLACE, REPLACE, REPLACE, "said");
    row(t, "10n ceramic rf bypass", "9.6n @1k", KEEP, KEEP, KEEP, KEEP, "good");
    row(t, "10n ceramic rf bypass", "4n @1k", REPLACE, REPLACE, REPLACE, REPLACE, "bad");
    // tantalum
    row(
        t,
        "22 MFD 25 V tantalum sees 15 V",
        "22u D0.03 @100",
        REPLACE,
        REPLACE,
        REPLACE,
        REPLACE,
        "bad");
    row(t, "22 MFD 35 V tantalum sees 15 V", "22u D0.03 @100", KEEP, KEEP, KEEP, KEEP, "good");
    row(t, "22 MFD 35 V tantalum", "22u D0.03 @100", RECHECK, RECHECK, RECHECK, RECHECK, "thin");
    row(t, "8 MFD 450 V", "8u D0.1 @100", RECHECK, RECHECK, RECHECK, RECHECK, "kind-unstated");
    return t.toArray(Object[][]::new);
  }

  private static void row(
      List<Object[]> table,
      String part,
      String typed,
      Verdict usual,
      Verdict measured,
      Verdict blanket,
      Verdict reforming,
      String why) {
    table.add(new Object[] {part, typed, usual, measured, blanket, reforming, why});
  }

  @Test
  public void theTableHasSixtyPartsAndMore() {
    assertThat(table().length).isGreaterThanOrEqualTo(60);
  }

  @Test(dataProvider = "table")
  public void everySchoolJudgesAsItSays(
      String part,
      String typed,
      Verdict usual,
      Verdict measured,
      Verdict blanket,
      Verdict reforming,
      String why) {
    assertThat(verdict(part, typed, USUAL)).as("precaution").isEqualTo(usual);
    assertThat(verdict(part, typed, MEASURED)).as("measured only").isEqualTo(measured);
    assertThat(verdict(part, typed, BLANKET)).as("blanket").isEqualTo(blanket);
    assertThat(verdict(part, typed, REFORMING)).as("reforming").isEqualTo(reforming);
    assertThat(
            assess(part, typed, USUAL)
                .because()
                .key()
                .name()
                .toLowerCase(Locale.ROOT)
                .replace('_', '-'))
        .as("why")
        .startsWith("because-" + why);
  }

  private static Assessment assess(String part, String typed, Policy policy) {
    return Bench.with(policy).type("+ C1 " + part + ";" + typed).assess("C1");
  }

  private static Verdict verdict(String part, String typed, Policy policy) {
    return assess(part, typed, policy).verdict();
  }
}
