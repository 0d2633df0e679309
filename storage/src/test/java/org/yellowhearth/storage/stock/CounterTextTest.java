package org.yellowhearth.storage.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.DeviceWare;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.CounterList;
import org.yellowhearth.core.replace.Shopping;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.words.Words;

/** A list as a counter wants it: alike together, by value and voltage (common practice). */
public class CounterTextTest {
  private static final List<StockPart> STOCK =
      StockCsv.shipped(KnowledgeFiles.read().kinds().keySet());
  private static final CounterText TEXT = new CounterText(Words.of(SetPlate.Dialect.BRITISH));

  private static StockPart capacitor(double farads, double volts) {
    return STOCK.stream()
        .filter(s ->
            s.ware() instanceof CapacitorWare c
                && c.kind().equals("electrolytic-axial")
                && Math.abs(c.farads() / farads - 1) < 1e-6
                && c.volts() == volts)
        .findFirst()
        .orElseThrow();
  }

  private static Shopping.Line line(
      String id, String title, int bought, String job, String... refs) {
    List<Shopping.Use> uses = new ArrayList<>();
    for (String ref : refs) {
      uses.add(new Shopping.Use(job, PartRef.of(ref)));
    }
    return new Shopping.Line(id, title, refs.length, 0, bought, Optional.empty(), uses);
  }

  private static CounterList list() {
    StockPart large = capacitor(47e-6, 450);
    StockPart small = capacitor(10e-6, 450);
    Map<String, Ware> wares =
        STOCK.stream().collect(Collectors.toMap(StockPart::id, StockPart::ware));
    wares.put("device-1N4007", new DeviceWare("1N4007", "1 kV, 1 A"));
    wares.put("twin", large.ware());
    return CounterList.of(
        new Shopping(
            List.of(
                line("device-1N4007", "1N4007", 2, "Mess set", "D1", "D2"),
                line(large.id(), large.title(), 3, "Mess set", "C1", "C2"),
                line("twin", "TWIN", 1, "Beacon", "C7"),
                line(small.id(), small.title(), 1, "Beacon", "C9")),
            0,
            0,
            0),
        wares,
        STOCK);
  }

  @Test
  public void alikePartsAreOneLineInTheOrderOfACounter() {
    List<CounterList.Line> lines = list().lines();
    assertThat(lines.stream().map(CounterList.Line::bought)).containsExactly(1, 4, 2);
    assertThat(lines.get(0).ware().value()).isEqualTo(10e-6);
    assertThat(lines.get(1).where()).isEqualTo("Mess set: C1, C2; Beacon: C7");
    assertThat(lines.get(2).ware()).isInstanceOf(DeviceWare.class);
  }

  /** What would do as well stands no less and is no smaller, and no more than a quarter larger. */
  @Test
  public void whatWouldDoAsWellStandsBesideIt() {
    List<StockPart> instead = list().lines().getFirst().instead();
    assertThat(instead).isNotEmpty().hasSizeLessThanOrEqualTo(3);
    assertThat(instead)
        .allSatisfy(s -> {
          CapacitorWare c = (CapacitorWare) s.ware();
          assertThat(c.volts()).isGreaterThanOrEqualTo(450);
          assertThat(c.farads()).isBetween(9.99e-6, 12.51e-6);
          assertThat(c.celsius().orElseThrow()).isGreaterThanOrEqualTo(85);
        });
  }

  /** A little more capacitance does not make up for volts that are missing. */
  @Test
  public void whatStandsLessIsNoAlternative() {
    StockPart wanted = capacitor(10e-6, 450);
    StockPart less = like(wanted, "LESS", 11e-6, 400);
    StockPart more = like(wanted, "MORE", 11e-6, 500);
    CounterList list =
        CounterList.of(
            new Shopping(List.of(line(wanted.id(), wanted.title(), 1, "Mess set", "C1")), 0, 0, 0),
            Map.of(wanted.id(), wanted.ware()),
            List.of(less, more));
    assertThat(list.lines().getFirst().instead())
        .extracting(StockPart::title)
        .containsExactly("MORE");
  }

  private static StockPart like(StockPart old, String title, double farads, double volts) {
    CapacitorWare c = (CapacitorWare) old.ware();
    return new StockPart(
        title,
        old.whence(),
        title,
        new CapacitorWare(
            c.kind(),
            farads,
            c.tolerance(),
            volts,
            false,
            c.safety(),
            c.leads(),
            c.diameterMetres(),
            c.lengthMetres(),
            c.rippleAmperes(),
            c.esrOhms(),
            c.celsius(),
            c.lifeHours()),
        old.quantity(),
        old.measured(),
        old.made(),
        old.price(),
        1,
        "",
        false,
        "");
  }

  @Test
  public void theTableAndTheLinesSayTheSame() throws IOException {
    List<CSVRecord> rows =
        CSVFormat.DEFAULT.parse(new StringReader(TEXT.csv(list()).substring(1))).getRecords();
    assertThat(rows).hasSize(4);
    assertThat(rows.get(2).get(0)).isEqualTo("4");
    assertThat(rows.get(2).get(1)).contains("47 µF 450 V");
    assertThat(rows.get(2).get(6)).isEqualTo("85");
    assertThat(rows.get(2).get(8)).isEqualTo("Mess set: C1, C2; Beacon: C7");
    String read = TEXT.lines(list());
    assertThat(read).contains("4 × 47 µF 450 V", "or: ", "2 × 1N4007", "for: Mess set: D1, D2");
  }

  @Test
  public void whatNothingIsKnownOfIsRefused() {
    Shopping unknown = new Shopping(List.of(line("x", "Left over", 1, "Mess set", "C1")), 0, 0, 0);
    assertThatThrownBy(() -> CounterList.of(unknown, Map.of(), STOCK))
        .hasMessageContaining("Left over");
  }
}
