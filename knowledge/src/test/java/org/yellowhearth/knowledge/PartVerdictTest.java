package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;
import static org.yellowhearth.core.fact.Verdict.KEEP;
import static org.yellowhearth.core.fact.Verdict.RECHECK;
import static org.yellowhearth.core.fact.Verdict.REPLACE;
import static org.yellowhearth.core.fact.Verdict.WATCH;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.AssessWords;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Sort;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Winding;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;

/**
 * Parts that are no capacitors: how they are entered, and how they are judged (common practice).
 */
public class PartVerdictTest {
  private static Bench bench(String lines) {
    return Bench.with(Policy.USUAL).type(lines);
  }

  @DataProvider
  public Object[][] parts() {
    return new Object[][] { //
      {"+ R1 4k7 10% 1W carbon bleeder", Sort.RESISTOR, "4.7 kΩ 1 W ±10 %"},
      {"+ VR1 500k log", Sort.POTENTIOMETER, "500 kΩ"}, //
      {"+ P2 10k 20% linear", Sort.POTENTIOMETER, "10 kΩ ±20 %"},
      {"+ D3 1N4007 silicon 1000V 1A", Sort.RECTIFIER, "1N4007 silicon 1000V 1A 1 kV 1 A"}, //
      {"+ MR1 selenium 12 plates 250V 60mA", Sort.RECTIFIER, null},
      {"+ ZD2 5.6V 5% 400mW", Sort.ZENER, "5.6 V 400 mW ±5 %"}, //
      {"+ Q4 OC71 pnp germanium hfe 30-75", Sort.TRANSISTOR, null},
      {"+ V3 6V6GT output 6.3V 0.45A", Sort.VALVE, null}, //
      {"+ V1 5Y3 rectifier 5V 2A", Sort.VALVE, null},
      {"+ L2 smoothing choke 10H 200r", Sort.WINDING, "200 Ω 10 H"}, //
      {"+ T1 mains primary 45r", Sort.WINDING, "45 Ω"},
      {"+ M1 50uA 2k", Sort.MOVEMENT, "50 µA 2 kΩ"}, //
      {"+ RL1 24V 700r", Sort.RELAY, "24 V 700 Ω"},
      {"+ F1 1A slow", Sort.FUSE, "1 A"},
      {"+ LP1 6.3V 0.3A", Sort.LAMP, "6.3 V 300 mA"}, //
      {"+ SK3 8 pins", Sort.CONNECTOR, "8 contacts"},
      {"+ BT1 3.6V nicad", Sort.BATTERY, "3.6 V"},
      {"+ X9 resistor 22k", Sort.RESISTOR, "22 kΩ"}
    };
  }

  @Test(dataProvider = "parts")
  public void aPartIsEnteredAsItIsPrinted(String line, Sort sort, String value) {
    Bench bench = bench(line);
    assertThat(bench.job().census())
        .singleElement()
        .satisfies(p -> {
          assertThat(p.sort()).isEqualTo(sort);
          if (value != null) {
            assertThat(new Describe(Words.of(SetPlate.Dialect.BRITISH)).value(p)).isEqualTo(value);
          }
        });
  }

  @Test
  public void whatWasSaidOfAPartIsKept() {
    Bench b =
        bench(
            "+ MR1 selenium 12 plates 250V 60mA; + Q4 OC71 pnp germanium hfe 30-75; + V1 5Y3 rectifier 5V 2A;"
                + "+ L2 smoothing choke 10H 200r");
    assertThat((Rectifier) b.job().census().get(1))
        .satisfies(r -> {
          assertThat(r.make()).isEqualTo(RectifierTechnology.SELENIUM);
          assertThat(r.plates()).hasValue(12);
          assertThat(r.inverseVolts()).hasValue(250);
        });
    assertThat((Transistor) b.job().census().get(2))
        .satisfies(t -> {
          assertThat(t.material()).isEqualTo(Transistor.Material.GERMANIUM);
          assertThat(t.leastGain()).hasValue(30);
          assertThat(t.mostGain()).hasValue(75);
        });
    assertThat(((Valve) b.job().census().get(3)).task()).isEqualTo(Valve.Task.RECTIFIER);
    assertThat(((Winding) b.job().census().get(0)).task()).isEqualTo(Winding.Task.CHOKE);
    b.type("L2 = 180r");
    assertThat(((Winding) b.job().census().get(0)).ohms()).hasValue(180);
    assertThat(((Winding) b.job().census().get(0)).henries())
        .as("what is not said stays")
        .hasValue(10);
  }

  @DataProvider
  public Object[][] verdicts() {
    return new Object[][] { //
      {"+ R1 5k1 10%; 5k1 leg", KEEP},
      {"+ R1 5k1 10%; 5k7 leg", WATCH},
      {"+ R1 5k1 10%; 8k leg", REPLACE},
      {"+ R1 5k1 10%; 68r in", RECHECK}, //
      {"+ R1 100k 20% carbon; 119k leg", KEEP},
      {"+ R1 100k 10% carbon; 150k in", REPLACE},
      {"+ R1 1k; OL", REPLACE}, //
      {"+ R1 1k5; 1.5r leg", RECHECK},
      {"+ R1 47k bleeder 5W; 62k", REPLACE},
      {"+ R1 1k", RECHECK},
      {"+ R1 10k 1% divider; 10.2k", KEEP}, //
      {"+ VR1 1 meg log; R=1.05M wiper 1%", KEEP},
      {"+ VR1 1 meg log; R=1.05M wiper 12%", RECHECK},
      {"+ VR1 1 meg log; OL", REPLACE}, //
      {"+ D1 silicon; 0.62V @1mA", KEEP},
      {"+ D1 silicon; upright", REPLACE},
      {"+ D1 silicon; knee", KEEP},
      {"+ D1 silicon; flat", REPLACE}, //
      {"+ D1 germanium; 0.27V @1mA", KEEP},
      {"+ MR1 selenium 10 plates; 8V @60mA", KEEP},
      {"+ MR1 selenium 10 plates; 20V @60mA", REPLACE}, //
      {"+ MR1 selenium; 8V @60mA", RECHECK},
      {"+ MR1 selenium 10 plates; 8V; MR1 scorched", REPLACE}, //
      {"+ ZD1 5.6V 5%; 5.65V @5mA", KEEP},
      {"+ ZD1 5.6V 5%; 7.1V @5mA", REPLACE}, //
      {"+ Q1 BC108 npn silicon hfe 110-800; hfe 240 0.01uA", KEEP},
      {"+ Q1 BC108 silicon hfe 110-800; hfe 40", REPLACE}, //
      {"+ Q1 OC71 germanium; 200uA", KEEP},
      {"+ Q1 OC71 germanium; 3mA", REPLACE},
      {"+ Q1 BC108 silicon; 3mA", REPLACE}, //
      {"+ V1 EL84 output; em 85", KEEP},
      {"+ V1 EL84 output; em 60", WATCH},
      {"+ V1 EL84 output; em 40", REPLACE},
      {"+ V1 EL84; OL", REPLACE}, //
      {"+ T1 mains primary 45r; 44r", KEEP},
      {"+ T1 mains primary 45r; 30r", REPLACE},
      {"+ T1 mains primary; 44r", RECHECK}, //
      {"+ L1 choke 200r; OL", REPLACE},
      {"+ L1 choke 200r; 205r; IR200k @500V", REPLACE}, //
      {"+ M1 50uA; fs 50.8uA lin 1%", KEEP},
      {"+ M1 50uA; fs 62uA", REPLACE},
      {"+ RL1 24V 700r; 690r", KEEP}, //
      {"+ RL1 24V 700r; 690r; V=22", REPLACE},
      {"+ F1 1A; 0.2r", KEEP},
      {"+ F1 1A; OL", REPLACE},
      {"+ LP1 6.3V; OL", REPLACE}, //
      {"+ SK1 8 pins; 0.02r", KEEP},
      {"+ SK1 8 pins; 4r", REPLACE},
      {"+ BT1 3.6V nicad; 3.7V", KEEP},
      {"+ BT1 3.6V nicad; 1.1V", REPLACE},
      {"+ BT1 3.6V nicad; 3.7V; BT1 oozing", REPLACE}
    };
  }

  @Test(dataProvider = "verdicts")
  public void theVerdictIsWhatTheTradeSays(String lines, Verdict verdict) {
    Bench b = bench(lines);
    assertThat(b.assess(b.job().census().getFirst().ref().toString()).verdict()).isEqualTo(verdict);
  }

  @Test
  public void aBlownFuseSaysToFindOutWhy() {
    assertThat(bench("+ F1 1A; OL").assess("F1").because().key())
        .isEqualTo(AssessWords.BECAUSE_FUSE_BLOWN);
  }

  @Test
  public void theSchoolDecidesOnOldRectifiers() {
    Policy silicon = Policy.USUAL.with(Policy.Rectifiers.SILICON_WITH_RESISTANCE);
    String selenium = "+ MR1 selenium 10 plates; 8V @60mA";
    assertThat(Bench.with(silicon).type(selenium).assess("MR1").verdict()).isEqualTo(REPLACE);
    assertThat(Bench.with(silicon).type("+ D1 silicon; 0.6V").assess("D1").verdict())
        .isEqualTo(KEEP);
  }

  @Test
  public void onAPreWarDrawingMIsAskedAboutUntilItsHabitIsKnown() {
    assertThat(Bench.of(1934).read("+ R1 50M"))
        .isInstanceOfSatisfying(
            BenchOutcome.Question.class,
            q ->
                assertThat(q.choices())
                    .extracting(c -> c.line())
                    .containsExactly("+ R1 50k", "+ R1 50meg"));
    assertThat(Bench.of(1950).type("+ R1 2M").job().census()).hasSize(1);
  }

  /** What cannot be understood gets an answer that belongs to that sort of part. */
  @Test
  public void everySortSaysWhatAReadingOfItIs() {
    Words words = Words.of(SetPlate.Dialect.BRITISH);
    String[][] each = {
      {"R1 10k", "47k"},
      {"D1 silicon", "0.4V OL"},
      {"V1 EL84", "no shorts"},
      {"Q1 npn", "hFE"},
      {"F1 1A", "blown"},
      {"T1 mains primary", "shorted turns"},
      {"U1 7812 regulator", "pin 3"},
      {"BT1 9V", "8.7V"}
    };
    for (String[] e : each) {
      String ref = e[0].substring(0, e[0].indexOf(' '));
      BenchOutcome no = Bench.of(1960).type("+ " + e[0]).read(ref + " nonsense");
      assertThat(no).isInstanceOf(BenchOutcome.Refused.class);
      assertThat(words.say(((BenchOutcome.Refused) no).problem())).as(ref).contains(e[1]);
    }
  }
}
