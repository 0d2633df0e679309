package org.yellowhearth.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Random;
import org.assertj.core.data.Offset;
import org.testng.annotations.Test;
import org.yellowhearth.core.benchline.BenchEntry;
import org.yellowhearth.core.benchline.BenchOutcome;
import org.yellowhearth.core.reading.Connection;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Qualifier;

/**
 * Ten thousand lines of imagined bench talk, figures, conditions and words in any order: none
 * throws, and none is taken for something that was not said. A line may be refused or asked about;
 * most must not be.
 */
public class BenchTalkTest {
  private static final int LINES = 10_000;
  private static final double MOST_REFUSED = 0.02;

  /** What was meant by a line. */
  private static final class Meant {
    private final List<String> words = new ArrayList<>();
    private OptionalDouble farads = OptionalDouble.empty();
    private OptionalDouble esr = OptionalDouble.empty();
    private OptionalDouble dissipation = OptionalDouble.empty();
    private OptionalDouble hertz = OptionalDouble.empty();
    private Connection connection = Connection.OUT_OF_CIRCUIT;
    private final List<Qualifier> said = new ArrayList<>();
  }

  private static final Object[][] PLACES = {
    {"in circuit", Connection.IN_CIRCUIT},
    {"in", Connection.IN_CIRCUIT},
    {"on the board", Connection.IN_CIRCUIT},
    {"out of circuit", Connection.OUT_OF_CIRCUIT},
    {"pulled", Connection.OUT_OF_CIRCUIT},
    {"one leg lifted", Connection.ONE_LEG_LIFTED},
    {"leg up", Connection.ONE_LEG_LIFTED}
  };
  private static final Object[][] WORDS = {
    {"open", Qualifier.READS_OPEN},
    {"no reading", Qualifier.READS_OPEN},
    {"shorted", Qualifier.READS_SHORT},
    {"dead short", Qualifier.READS_SHORT},
    {"no good", Qualifier.CALLED_BAD},
    {"tests good", Qualifier.CALLED_GOOD},
    {"weak", Qualifier.CALLED_WEAK},
    {"dried up", Qualifier.DRIED_OUT},
    {"tester calls it a resistor", Qualifier.READS_RESISTOR},
    {"eye closed", Qualifier.INDICATOR_CLOSED},
    {"intermittent", Qualifier.INTERMITTENT},
    {"creeps up", Qualifier.RISES},
    {"keeps falling", Qualifier.FALLS}
  };

  @Test
  public void nothingIsSilentlyMisread() {
    Random r = new Random(7);
    Bench b = Bench.of(1965).type("+ C1 10u 450V electrolytic smoothing");
    int refused = 0;
    for (int i = 0; i < LINES; i++) {
      Meant meant = meant(r);
      String line = "C1 " + String.join(" ", meant.words);
      BenchOutcome outcome = b.read(line);
      if (outcome instanceof BenchOutcome.Understood(BenchEntry.KeepReading e)) {
        near(line, e.figures().get(Figure.CAPACITANCE), meant.farads);
        near(line, e.figures().get(Figure.ESR), meant.esr);
        near(line, e.figures().get(Figure.DISSIPATION), meant.dissipation);
        near(line, e.conditions().frequencyHertz(), meant.hertz);
        assertThat(e.conditions().connection()).as(line).isEqualTo(meant.connection);
        assertThat(e.figures().qualifiers())
            .as(line)
            .containsExactlyInAnyOrderElementsOf(meant.said);
      } else {
        assertThat(outcome).as(line).isNotInstanceOf(BenchOutcome.Understood.class);
        refused++;
      }
    }
    assertThat((double) refused / LINES)
        .as("what a person says is understood")
        .isLessThan(MOST_REFUSED);
  }

  /** Words thrown together at random: whatever comes of it, nothing throws. */
  @Test
  public void nonsenseIsAnswered() {
    Random r = new Random(8);
    Bench b =
        Bench.of(1965).type("+ C1 10u 450V electrolytic smoothing; + V1 EF89 valve; + D1 diode");
    String[] words = {
      "C1",
      "V1",
      "D1",
      "V1.3",
      "pin",
      "3",
      "hold",
      "until",
      "I",
      "say",
      "otherwise",
      "0.4V",
      "-",
      "–",
      "20-30r",
      "between",
      "and",
      "to",
      "@",
      "@100k",
      "<1n",
      ">",
      "OL",
      "C",
      "ESR",
      "IR",
      "D",
      "about",
      "~2.5r",
      "dc",
      "ac",
      "pp",
      "12Vpp",
      "rising",
      "idss",
      "5mA",
      "vth",
      "both",
      "ways",
      "the",
      "other",
      "way",
      "=",
      "+",
      "\"",
      "µ",
      "·",
      "volts",
      "near",
      "beside",
      "verdict",
      "not",
      "drawn",
      "8/9/10u"
    };
    for (int i = 0; i < LINES; i++) {
      StringBuilder line = new StringBuilder();
      for (int n = 1 + r.nextInt(7); n > 0; n--) {
        line.append(words[r.nextInt(words.length)]).append(' ');
      }
      assertThat(b.read(line.toString())).as(line.toString()).isNotNull();
    }
  }

  private static void near(String line, OptionalDouble read, OptionalDouble meant) {
    assertThat(read.isPresent()).as(line).isEqualTo(meant.isPresent());
    if (meant.isPresent()) {
      assertThat(read.getAsDouble())
          .as(line)
          .isCloseTo(meant.getAsDouble(), Offset.offset(1e-9 + 1e-6 * meant.getAsDouble()));
    }
  }

  private static Meant meant(Random r) {
    Meant m = new Meant();
    List<String> pieces = new ArrayList<>();
    if (r.nextBoolean()) {
      double v = 1 + r.nextInt(200) / 10.0;
      m.farads = OptionalDouble.of(v * 1e-6);
      pieces.add(text(v) + one(r, "u", "uF", "µF", " uF", "MFD"));
    }
    if (r.nextBoolean()) {
      double v = 1 + r.nextInt(300) / 10.0;
      m.esr = OptionalDouble.of(v);
      pieces.add(one(r, "", "ESR ") + text(v) + one(r, "r", "Ω", " ohms", "ohm"));
    }
    if (r.nextInt(3) == 0) {
      double v = (1 + r.nextInt(90)) / 100.0;
      m.dissipation = OptionalDouble.of(v);
      pieces.add(one(r, "D", "D ", "D=", "tan ") + text(v));
    }
    if (r.nextInt(3) == 0 || pieces.isEmpty()) {
      Object[] word = WORDS[r.nextInt(WORDS.length)];
      m.said.add((Qualifier) word[1]);
      pieces.add((String) word[0]);
    }
    boolean figures = m.farads.isPresent() || m.esr.isPresent() || m.dissipation.isPresent();
    if (figures && r.nextInt(3) == 0) {
      Object[][] at = {{"@100", 100.0}, {"@1k", 1e3}, {"at 100 kHz", 1e5}, {"120 Hz", 120.0}};
      Object[] f = at[r.nextInt(at.length)];
      m.hertz = OptionalDouble.of((double) f[1]);
      pieces.add((String) f[0]);
    }
    if (r.nextInt(2) == 0) {
      Object[] place = PLACES[r.nextInt(PLACES.length)];
      m.connection = (Connection) place[1];
      pieces.add((String) place[0]);
    }
    Collections.shuffle(pieces, r);
    m.words.addAll(pieces);
    return m;
  }

  private static String one(Random r, String... of) {
    return of[r.nextInt(of.length)];
  }

  private static String text(double value) {
    return String.format(Locale.ROOT, "%.2f", value).replaceAll("0+$", "").replaceAll("\\.$", "");
  }
}
