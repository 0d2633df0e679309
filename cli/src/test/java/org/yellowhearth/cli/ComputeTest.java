package org.yellowhearth.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Random;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import picocli.CommandLine;

public class ComputeTest {
    private static final String JOB = """
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
        return new CommandLine(new ComputeCommand(clock, new PrintWriter(out, true), new PrintWriter(err, true)))
                .setErr(new PrintWriter(err, true)).execute(file.toString());
    }

    private static Path file(String text) throws IOException {
        return Files.writeString(Files.createTempFile("job", ".json"), text);
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
        assertThat(part.path("verdict").asText()).isEqualTo("Renew");
        assertThat(part.path("replacement").path("text").asText()).isEqualTo("10 µF 450 V electrolytic");
        assertThat(root.path("parts").get(1).path("replacement").path("kind").asText()).isEqualTo("suppression-x");
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
        return new Object[][]{{"", "empty"}, {"{", "no valid JSON"}, {"[1]", "expected an object"},
                {JOB.replace("8 MFD", "5..5 MFD"), "line 4, /parts/0/marking"},
                {JOB.replace("\"version\": 1", "\"version\": 7"), "/version"},
                {JOB.replace("\"C21\", \"typed\"", "\"C99\", \"typed\""), "/readings/0/part"},
                {"[".repeat(5000), "no valid JSON"}};
    }

    @Test(dataProvider = "refused")
    public void aFileThatCannotBeTakenIsRefusedOnStandardErrorWithItsPlace(String text, String why) throws IOException {
        assertThat(run(file(text))).isEqualTo(1);
        assertThat(err.toString()).contains(why);
        assertThat(out.toString()).isEmpty();
    }

    @Test
    public void aMissingFileAndAMissingNameAreTold() {
        assertThat(run(Path.of("/no/such/file.json"))).isEqualTo(1);
        assertThat(err.toString()).contains("not a file");
        assertThat(new CommandLine(new ComputeCommand(Clock.systemUTC(), new PrintWriter(out), new PrintWriter(err)))
                .setErr(new PrintWriter(err)).execute()).isEqualTo(2);
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

    /** Version 2: a rail of 10 µF ±0 at 400 V through the resistor suggested; 60 Hz iron on 50 Hz; PERT 2, 4, 12 (textbook figures). */
    @Test
    public void whatArrivalAndSafetyComputeIsPrinted() throws IOException {
        String job = """
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
        assertThat(discharge.path("secondsTo60Volts").asDouble()).isCloseTo(tau * Math.log(400 / 60.0), within(1e-9));
        assertThat(store.path("known").asBoolean()).isFalse();
        assertThat(root.path("mains").toString()).contains("\"severity\":\"stop\"", "120 %");
        assertThat(root.path("estimate").path("whole").path("hours").path("mean").asDouble()).isCloseTo(5, within(1e-9));
        assertThat(root.path("dated").get(0).path("year").asInt()).isEqualTo(1949);
        assertThat(root.path("dated").get(0).path("settled").asText()).isEqualTo("by-set");
        assertThat(root.path("checks").findValuesAsText("code")).contains("rail-r", "primary");
        assertThat(root.path("cautions").findValuesAsText("id")).contains("mains", "high-voltage");
    }
}
