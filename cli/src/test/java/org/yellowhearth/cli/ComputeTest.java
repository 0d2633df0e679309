package org.yellowhearth.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import picocli.CommandLine;

public class ComputeTest {
  private static final String JOB =
      """
      {"format": "yellow-hearth-job", "version": 1,
       "set": {"name": "Test set", "made": 1950, "mains": {"volts": 230, "hertz": 50}},
       "policy": {"renew": "measured-only"},
       "parts": [{"ref": "C21", "marking": "8 MFD 450 V electrolytic bias filter +chassis"},
                 {"ref": "C22", "marking": ".1 MFD 250 V paper across the line"}],
       "readings": [{"part": "C21", "typed": "9.1u 400r D2.4 @100"}]}
      """;

  private final StringWriter out = new StringWriter();
  private final StringWriter err = new StringWriter();

  private int run(Path file) {
    out.getBuffer().setLength(0);
    err.getBuffer().setLength(0);
    Clock clock = Clock.fixed(Instant.parse("2026-01-02T00:00:00Z"), ZoneOffset.UTC);
    return new CommandLine(
            new ComputeCommand(clock, new PrintWriter(out, true), new PrintWriter(err, true)))
        .setErr(new PrintWriter(err, true))
        .execute(file.toString());
  }

  private static Path file(String text) throws IOException {
    return Files.writeString(Files.createTempFile("job", ".json"), text);
  }

  private static final String SUPPLY =
      """
      {"format": "yellow-hearth-job", "version": 4,
       "set": {"name": "Test set", "mains": {"volts": 230, "hertz": 50}},
       "parts": [{"ref": "C1", "marking": "32 MFD 450 V electrolytic reservoir"}],
       "items": [
        {"item": "supply-winding", "id": "s1", "name": "w", "volts": 300, "ohms": 150, "tapped": true},
        {"item": "supply-rectifier", "id": "s2", "name": "V1", "winding": "w", "scheme": "full-wave", "make": "vacuum",
         "dropVolts": 20, "dropAmperes": 0.125, "to": "HT"},
        {"item": "supply-filter", "id": "s3", "from": "HT", "to": "HT", "farads": 16e-6, "esrOhms": 1.25, "leakOhms": 5e6},
        {"item": "supply-filter", "id": "s4", "from": "HT", "to": "HT2", "ohms": 300, "henries": 10, "farads": 32e-6,
         "esrOhms": 0.625, "leakOhms": 5e6},
        {"item": "supply-load", "id": "s5", "name": "set", "at": "HT2", "kind": "resistance", "value": 4000}]}
      """;

  /**
   * Every sentence that the demo's sets bring about, in both dialects, read as a careful reader
   * would.
   */
  @Test
  public void whatIsSaidOfWholeSetsReadsWell() throws IOException {
    Pattern wrong =
        Pattern.compile(
            "[{}]|''|\\bnull\\b|\\bNaN\\b|Infinity|Optional|\\.\\.(?!\\.)|[,;:] ?[.,;:](?!\\d)");
    List<String> found = new ArrayList<>();
    int sentences = 0;
    try (Stream<Path> files = Files.list(Path.of(System.getProperty("hearth.root"), "demo"))) {
      for (Path job :
          files
              .filter(f -> f.toString().endsWith(".json") && !f.toString().contains("drawer"))
              .sorted()
              .toList()) {
        for (String dialect :
            job.toString().contains("mess") ? List.of("british", "american") : List.of("british")) {
          String text =
              Files.readString(job)
                  .replaceFirst("\"dialect\": ?\"\\w+\"", "\"dialect\": \"" + dialect + "\"");
          assertThat(run(file(text))).as(err.toString()).isZero();
          Deque<JsonNode> left =
              new ArrayDeque<>(List.of(new ObjectMapper().readTree(out.toString())));
          while (!left.isEmpty()) {
            JsonNode node = left.pop();
            node.forEach(left::push);
            if (node.isTextual() && node.asText().contains(" ") && !node.asText().contains("\n")) {
              sentences++;
              if (wrong.matcher(node.asText()).find()) {
                found.add(job.getFileName() + ": " + node.asText());
              }
            }
          }
        }
      }
    }
    assertThat(sentences).isGreaterThan(600);
    assertThat(String.join("\n", found)).isEmpty();
  }

  /**
   * The reference supply full-wave-valve-choke, against what the circuit simulator made of it (see
   * core's golden figures).
   */
  @Test
  public void aDescribedSupplyIsWorkedOut() throws IOException {
    assertThat(run(file(SUPPLY))).as(err.toString()).isZero();
    JsonNode drawn = new ObjectMapper().readTree(out.toString()).path("supply").path("asDrawn");
    assertThat(drawn.path("points").path("HT").path("dcVolts").asDouble())
        .isCloseTo(339.646, within(0.03));
    assertThat(drawn.path("points").path("HT2").path("ripplePeakToPeakVolts").asDouble())
        .isCloseTo(0.21981, within(2.2e-4));
    assertThat(drawn.path("elements").path("V1.1").path("peakAmperes").asDouble())
        .isCloseTo(0.308403, within(1.5e-4));
    assertThat(drawn.path("coldStart").path("points").path("HT").path("highestVolts").asDouble())
        .isBetween(339.0, 424.0);
    assertThat(drawn.path("spice").toString()).contains("b_v1_1", "l_lm_ht2", "c_cm_ht");
    assertThat(drawn.path("values").get(0).path("origin").asText()).isEqualTo("typed");
  }

  /** The netlist runs as it is in a general-purpose circuit simulator, which finds the same. */
  @Test
  public void theNetlistRunsAsItIs() throws IOException, InterruptedException {
    if (!Files.isExecutable(Path.of("/usr/bin/ngspice"))) {
      throw new SkipException("the circuit simulator is not installed");
    }
    assertThat(run(file(bridge(20, 0.5, 0.1, 40, "")))).as(err.toString()).isZero();
    JsonNode is = new ObjectMapper().readTree(out.toString()).path("supply").path("asItIs");
    List<String> lines = new ArrayList<>();
    is.path("spice").forEach(l -> lines.add(l.asText()));
    Path netlist = Files.write(Files.createTempFile("netlist", ".cir"), lines);
    Process simulator =
        new ProcessBuilder("ngspice", "-b", netlist.toString()).redirectErrorStream(true).start();
    String said = new String(simulator.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    simulator.waitFor();
    is.path("points")
        .properties()
        .forEach(p ->
            assertThat(said)
                .containsPattern("dc_n_" + p.getKey().toLowerCase(Locale.ROOT) + "\\s+=\\s"));
    Matcher m = Pattern.compile("(dc|pp)_n_(\\w+)\\s+=\\s+(\\S+)").matcher(said);
    while (m.find()) {
      boolean direct = m.group(1).equals("dc");
      JsonNode point =
          is.path("points").properties().stream()
              .filter(p -> p.getKey().equalsIgnoreCase(m.group(2)))
              .findFirst()
              .orElseThrow()
              .getValue();
      double own = point.path(direct ? "dcVolts" : "ripplePeakToPeakVolts").asDouble();
      assertThat(Double.parseDouble(m.group(3)))
          .as(m.group())
          .isCloseTo(own, within(own * (direct ? 1e-4 : 1e-3)));
    }
  }

  private static String bridge(double volts, double ohms, double esr, double load, String more) {
    return """
    {"format": "yellow-hearth-job", "version": 6, "set": {"name": "Test set", "mains": {"volts": 230, "hertz": 50}},
     "items": [
      {"item": "supply-winding", "id": "s1", "name": "w", "volts": %s, "ohms": %s},
      {"item": "supply-rectifier", "id": "s2", "name": "D1", "winding": "w", "scheme": "bridge", "make": "silicon", "to": "b",
       "ratedAmperes": 1},
      {"item": "supply-filter", "id": "s3", "from": "b", "to": "b", "farads": %s, "esrOhms": %s, "leakOhms": 1e5},
      {"item": "supply-load", "id": "s4", "name": "load", "at": "%s", "kind": "resistance", "value": %s}%s]}
    """
        .formatted(
            volts,
            ohms,
            more.contains("U1") ? 2200e-6 : 1000e-6,
            esr,
            more.contains("U1") ? "o" : "b",
            load,
            more);
  }

  private JsonNode drawn(String job) throws IOException {
    assertThat(run(file(job))).as(err.toString()).isZero();
    return new ObjectMapper().readTree(out.toString()).path("supply").path("asDrawn");
  }

  /**
   * Every parameter can be stated in the file: the selenium bridge of core's golden figures, made
   * of silicon by its items and typed over.
   */
  @Test
  public void theLawOfARectifierIsStatedInTheFile() throws IOException {
    JsonNode typed =
        drawn(
            bridge(
                24,
                1.5,
                0.1,
                150,
                """
                ,{"item": "supply-value", "id": "v1", "element": "D1", "which": "saturation-current", "value": 2e-5},
                {"item": "supply-value", "id": "v2", "element": "D1", "which": "junction-resistance", "value": 1.8},
                {"item": "supply-value", "id": "v3", "element": "D9", "which": "capacitance", "value": 1}\
                """));
    assertThat(typed.path("points").path("b").path("dcVolts").asDouble())
        .isCloseTo(28.48805, within(28.5e-4));
    assertThat(typed.path("points").path("b").path("ripplePeakToPeakVolts").asDouble())
        .isCloseTo(1.301533, within(1.3e-3));
    assertThat(typed.path("elements").path("C-b").path("rmsAmperes").asDouble())
        .isCloseTo(0.304161, within(1.5e-4));
    assertThat(typed.path("notes").get(0).asText()).contains("D9");
    assertThat(
            drawn(bridge(24, 1.5, 0.1, 150, ""))
                .path("points")
                .path("b")
                .path("dcVolts")
                .asDouble())
        .as("silicon drops less")
        .isGreaterThan(29.5);
  }

  /**
   * The regulated supply of core's golden figures: its rails, what its regulator turns to heat, and
   * what the start asks of its diodes.
   */
  @Test
  public void regulatorsAndStartArePrinted() throws IOException {
    JsonNode set =
        drawn(
            bridge(
                18,
                0.6,
                0.05,
                30,
                """
                ,{"item": "supply-regulator", "id": "r", "name": "U1", "kind": "series", "from": "b", "to": "o", "volts": 15,
                  "kelvinPerWatt": 12, "mostCelsius": 125},
                {"item": "supply-filter", "id": "f", "from": "o", "to": "o", "farads": 1e-4, "esrOhms": 0.2, "leakOhms": 1e5}\
                """));
    assertThat(set.path("points").path("b").path("dcVolts").asDouble())
        .isCloseTo(21.47128, within(21.5e-4));
    assertThat(set.path("points").path("o").path("dcVolts").asDouble())
        .isCloseTo(14.97503, within(15e-4));
    double watts = (21.47128 - 14.97503) * 14.97503 / 30;
    JsonNode regulator = set.path("regulators").get(0);
    assertThat(regulator.path("watts").asDouble())
        .as("what it drops times what it feeds")
        .isCloseTo(watts, within(0.01 * watts));
    assertThat(regulator.path("junctionCelsius").asDouble())
        .as("25 °C + P·θ")
        .isCloseTo(25 + 12 * watts, within(0.5));
    JsonNode diode = set.path("coldStart").path("rectifiers").get(0);
    assertThat(diode.path("surgeAmperes").asDouble())
        .as("crest by what opposes it, at most")
        .isBetween(10.0, 18 * Math.sqrt(2) / (0.6 + 0.05 + 2 * 0.05));
    assertThat(diode.path("shareOfRating").asDouble())
        .as("30 A for one half-wave")
        .isGreaterThan(diode.path("surgeAmperes").asDouble() / 31);
    assertThat(set.path("warmUp").path("points").path("o").path("steadyVolts").asDouble())
        .isCloseTo(14.975, within(0.01));
    assertThat(set.path("mainsWatts").asDouble())
        .as("load, regulator and diodes")
        .isBetween(14.97503 * 14.97503 / 30 + watts, 13.0);
  }

  /**
   * Readings as the circuit simulator has them of the sound supply: nothing is suspected. With a
   * low rail something is.
   */
  @Test
  public void readingsArePrintedWithWhatTheyPointAt() throws IOException {
    String readings =
        """
        ,{"item": "supply-reading", "id": "r1", "at": "2026-01-01T10:00:00Z", "point": "HT", "kind": "direct", "volts": 339.6},
        {"item": "supply-reading", "id": "r2", "at": "2026-01-01T10:01:00Z", "point": "HT2", "kind": "direct", "volts": %s}]}
        """;
    String sound = SUPPLY.strip().replaceFirst("]}$", readings.formatted("316").strip());
    assertThat(run(file(sound))).as(err.toString()).isZero();
    JsonNode suspects = new ObjectMapper().readTree(out.toString()).path("supply").path("suspects");
    assertThat(suspects.path("readings")).hasSize(2);
    assertThat(suspects.path("explanations").get(0).path("words").asText()).isEqualTo("nothing");
    String low = SUPPLY.strip().replaceFirst("]}$", readings.formatted("200").strip());
    assertThat(run(file(low))).as(err.toString()).isZero();
    JsonNode found = new ObjectMapper().readTree(out.toString()).path("supply").path("suspects");
    assertThat(found.path("explanations").get(0).path("parts")).isNotEmpty();
    assertThat(found.path("explanations").get(0).path("predictedVolts")).hasSize(2);
    assertThat(found.path("next").get(0).path("bits").asDouble()).isNotNegative();
  }

  @Test
  public void aSupplyThatLacksSomethingSaysWhat() throws IOException {
    assertThat(run(file(SUPPLY.replace("\"ohms\": 300, ", "")))).isZero();
    JsonNode drawn = new ObjectMapper().readTree(out.toString()).path("supply").path("asDrawn");
    assertThat(drawn.path("missing").get(0).asText())
        .contains("Section s4 lacks its winding resistance");
    assertThat(drawn.has("points")).isFalse();
    assertThat(run(file(SUPPLY.replace("\"to\": \"HT2\"", "\"to\": \"H T\"")))).isEqualTo(1);
    assertThat(err.toString())
        .contains("/items/3")
        .contains("the point a stage ends at is a short word");
  }

  @Test
  public void everyComputedFigureIsPrinted() throws IOException {
    assertThat(run(file(JOB))).isZero();
    JsonNode root = new ObjectMapper().readTree(out.toString());
    assertThat(root.path("hearth").asText()).isEqualTo("unknown");
    JsonNode part = root.path("parts").get(0);
    assertThat(part.path("interpreted").path("capacitanceFarads").asDouble()).isEqualTo(8e-6);
    assertThat(part.path("interpreted").path("ratedVolts").asDouble()).isEqualTo(450);
    assertThat(part.path("interpreted").path("text").asText())
        .isEqualTo("8 µF 450 V, electrolytic, bias filter, positive to chassis");
    JsonNode derived = part.path("readings").get(0).path("derived");
    assertThat(derived.path("quality").asDouble()).isCloseTo(1 / 2.4, within(1e-12));
    // |Z| = √(400² + (1/(2π·100 Hz·9.1 µF))²) = √(160000 + 174.9²) Ω, worked by hand.
    assertThat(derived.path("impedanceOhms").asDouble()).isCloseTo(436.6, within(0.1));
    JsonNode dissipation = finding(part, "dissipation");
    assertThat(dissipation.path("outcome").asText()).isEqualTo("bad");
    assertThat(dissipation.path("measured").path("value").asDouble()).isEqualTo(2.4);
    assertThat(dissipation.path("limit").path("value").asDouble()).isEqualTo(0.3);
    assertThat(dissipation.path("margin").asDouble()).isCloseTo(-7, within(1e-9));
    assertThat(dissipation.path("source").path("title").asText()).isNotBlank();
    assertThat(finding(part, "agreement").path("working").asText()).contains("420 Ω", "400 Ω");
    assertThat(part.path("verdict").asText()).isEqualTo("Replace");
    assertThat(part.path("replacement").path("text").asText())
        .isEqualTo("10 µF 450 V electrolytic");
    assertThat(root.path("parts").get(1).path("replacement").path("kind").asText())
        .isEqualTo("suppression-x");
    assertThat(root.path("parts").get(1).path("cautions").toString()).contains("mains");
    assertThat(out.toString()).doesNotContain("NaN").doesNotContain("Infinity");
  }

  private static JsonNode finding(JsonNode part, String criterion) {
    for (JsonNode f : part.path("findings")) {
      if (f.path("criterion").asText().equals(criterion)) {
        return f;
      }
    }
    throw new AssertionError("no finding " + criterion + " in " + part);
  }

  @DataProvider
  public Object[][] refused() {
    return new Object[][] {
      {"", "empty"},
      {"{", "no valid JSON"},
      {"[1]", "expected an object"},
      {JOB.replace("8 MFD", "5..5 MFD"), "line 4, /parts/0/marking"},
      {JOB.replace("\"version\": 1", "\"version\": 999"), "/version"},
      {JOB.replace("\"C21\", \"typed\"", "\"C99\", \"typed\""), "/readings/0/part"},
      {"[".repeat(5000), "no valid JSON"}
    };
  }

  @Test(dataProvider = "refused")
  public void aFileThatCannotBeTakenIsRefusedOnStandardErrorWithItsPlace(String text, String why)
      throws IOException {
    assertThat(run(file(text))).isEqualTo(1);
    assertThat(err.toString()).contains(why);
    assertThat(out.toString()).isEmpty();
  }

  @Test
  public void aMissingFileAndAMissingNameAreTold() {
    assertThat(run(Path.of("/no/such/file.json"))).isEqualTo(1);
    assertThat(err.toString()).contains("not a file");
    assertThat(
            new CommandLine(
                    new ComputeCommand(
                        Clock.systemUTC(), new PrintWriter(out), new PrintWriter(err)))
                .setErr(new PrintWriter(err))
                .execute())
        .isEqualTo(2);
  }

  @Test
  public void randomBytesEndInARefusal() throws IOException {
    Random random = new Random(9);
    for (int i = 0; i < 200; i++) {
      byte[] bytes = new byte[random.nextInt(2000)];
      random.nextBytes(bytes);
      Path file = Files.write(Files.createTempFile("random", ".json"), bytes);
      assertThat(run(file)).isEqualTo(1);
      assertThat(err.toString()).isNotBlank();
      Files.delete(file);
    }
  }

  /**
   * Version 2: a rail of 10 µF ±0 at 400 V through the resistor suggested; 60 Hz iron on 50 Hz;
   * PERT 2, 4, 12 (textbook figures).
   */
  @Test
  public void whatArrivalAndSafetyComputeIsPrinted() throws IOException {
    String job =
        """
        {"format": "yellow-hearth-job", "version": 2,
         "set": {"name": "Test set", "made": 1950, "mains": {"volts": 115, "hertz": 60}, "chassis": "isolated"},
         "parts": [{"ref": "C1", "capacitanceFarads": 1e-5, "kind": "electrolytic-dry", "ratedVolts": 450,
                    "tolerance": {"below": 0, "above": 0}, "dateCode": "912"}],
         "aspects": [{"aspect": "bench", "mainsVolts": 115, "mainsHertz": 50, "measured": true}],
         "items": [{"item": "rail", "id": "r", "name": "HT", "volts": 400, "parts": ["C1"], "otherKind": "unstated",
                    "bleeder": "marked", "bleederOhms": 100000},
                   {"item": "estimate-line", "id": "e", "phase": "supply", "text": "x",
                    "hours": {"low": 2, "likely": 4, "high": 12}, "money": {"low": 1, "likely": 1, "high": 1}}]}
        """;
    assertThat(run(file(job))).isZero();
    JsonNode root = new ObjectMapper().readTree(out.toString());
    JsonNode store = root.path("stores").get(0);
    JsonNode discharge = store.path("discharge");
    assertThat(discharge.path("energyJoules").asDouble()).isCloseTo(0.8, within(1e-9));
    double tau = discharge.path("ohms").asDouble() * 1e-5;
    assertThat(discharge.path("secondsTo60Volts").asDouble())
        .isCloseTo(tau * Math.log(400 / 60.0), within(1e-9));
    assertThat(store.path("known").asBoolean()).isFalse();
    assertThat(root.path("mains").toString()).contains("\"severity\":\"stop\"", "120 %");
    assertThat(root.path("estimate").path("whole").path("hours").path("mean").asDouble())
        .isCloseTo(5, within(1e-9));
    assertThat(root.path("dated").get(0).path("year").asInt()).isEqualTo(1949);
    assertThat(root.path("dated").get(0).path("settled").asText()).isEqualTo("by-set");
    assertThat(root.path("checks").findValuesAsText("code")).contains("rail-r", "primary");
    assertThat(root.path("cautions").findValuesAsText("id")).contains("mains", "high-voltage");
  }
}
