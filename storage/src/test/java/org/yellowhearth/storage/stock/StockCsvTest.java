package org.yellowhearth.storage.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice.Whence;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.SafetyClass;
import org.yellowhearth.core.quantity.PreferredSeries;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.storage.partslist.BadListException;

/**
 * The drawer and the catalogue as lists: nothing is lost both ways, and what is no such list says
 * where.
 */
public class StockCsvTest {
  private static final Set<String> KINDS = KnowledgeFiles.read().kinds().keySet();
  private static final String HEAD =
      "order,what,kind,microfarads,volts,quantity,ohms,watts,class,made,remark\n";

  private static List<StockPart> read(String text) {
    AtomicInteger ids = new AtomicInteger();
    return StockCsv.read(text, KINDS, Whence.DRAWER, () -> "d" + ids.getAndIncrement());
  }

  @Test
  public void aRoundTripLosesNothing() {
    List<StockPart> catalogue = StockCsv.shipped(KINDS);
    List<StockPart> again =
        StockCsv.read(StockCsv.write(catalogue), KINDS, Whence.CATALOGUE, () -> "");
    assertThat(again).isEqualTo(catalogue);
    List<StockPart> drawer =
        read(
            HEAD
                + "=bag 1,capacitor,polyester,0.047,400,3,,,,1988,\"of an old, good lot\"\n"
                + "bag 2,resistor,,,,2,150,5,,,-\n");
    AtomicInteger ids = new AtomicInteger();
    String written = StockCsv.write(drawer);
    assertThat(written).doesNotContain("\n=").contains("'=bag 1");
    assertThat(StockCsv.read(written, KINDS, Whence.DRAWER, () -> "d" + ids.getAndIncrement()))
        .isEqualTo(drawer);
    assertThat(((CapacitorWare) drawer.getFirst().ware()).farads()).isEqualTo(47e-9);
    assertThat(((ResistorWare) drawer.get(1).ware()).watts()).isEqualTo(5);
  }

  /** IEC 60063, and what a class of the mains is rated for (IEC 60384-14, from memory). */
  @Test
  public void theShippedCatalogueIsMadeOfPreferredValuesAndKnowsItsClasses() {
    List<StockPart> catalogue = StockCsv.shipped(KINDS);
    assertThat(catalogue.size()).isBetween(1000, 3000);
    for (StockPart p : catalogue) {
      double v = p.ware().value();
      assertThat(PreferredSeries.E24.between(0.99 * v, 1.01 * v)).as(p.title()).hasSize(1);
      if (p.ware() instanceof CapacitorWare c) {
        assertThat(c.ratedForMains()).as(p.title()).isEqualTo(c.safety() != SafetyClass.UNSTATED);
        assertThat(!c.ratedForMains() || c.volts() >= 250).as(p.title()).isTrue();
      }
    }
  }

  @DataProvider
  public Object[][] bad() {
    return new Object[][] { //
      {"", "order"},
      {"order,what,order\nx,resistor,y\n", "told apart"},
      {"what,kind\n", "\"order\" is needed"}, //
      {"order,colour\nx,red\n", "no such column: \"colour\""}, //
      {HEAD + "a,capacitor,chocolate,1,50,1\n", "Line 2: no such kind"}, //
      {
        HEAD + "a,capacitor,polyester,,50,1\n", "Line 2: a figure is needed under \"microfarads\""
      }, //
      {
        HEAD + "a,capacitor,polyester,1,50,1\nb,capacitor,polyester,\"1,5\",50,1\n",
        "Line 3: \"1,5\""
      }, //
      {HEAD + "a,capacitor,polyester,1e99,50,1\n", "out of range"}, //
      {HEAD + "a,capacitor,polyester,-1,50,1\n", "out of range"}, //
      {HEAD + "a,capacitor,polyester,1,50,2.5\n", "whole number"}, //
      {HEAD + "a,capacitor,polyester,1,50,1,,,Z9\n", "expected one of unstated, x2"}, //
      {HEAD + "a,diode,,1,50,1\n", "expected capacitor, resistor or device"}, //
      {HEAD + "a,resistor,,,,1,0,5\n", "out of range"},
      {HEAD + ",capacitor,polyester,1,50,1\n", "needs a name"}, //
      {HEAD + "\"a,capacitor,polyester,1,50,1\n", "quotation mark"},
      {HEAD + "a\0\n", "no text"}, //
      {HEAD + "x".repeat(600) + ",capacitor,polyester,1,50,1\n", "longer than"}
    };
  }

  @Test(dataProvider = "bad")
  public void whatIsNoSuchListSaysWhere(String text, String why) {
    BadListException e = catchThrowableOfType(BadListException.class, () -> read(text));
    assertThat(e).as(text).hasMessageContaining(why);
  }

  @Test
  public void aCatalogueLineTwiceIsRefusedAndAFileIsBounded() throws IOException {
    String twice = HEAD + "a,capacitor,polyester,1,50\na,capacitor,polyester,1,50\n";
    assertThat(
            catchThrowableOfType(
                BadListException.class,
                () -> StockCsv.read(twice, KINDS, Whence.CATALOGUE, () -> "")))
        .hasMessageContaining("second time");
    Path large = Files.createTempFile("drawer", ".csv");
    Files.writeString(large, "x".repeat(8_000_001));
    assertThat(
            catchThrowableOfType(
                BadListException.class, () -> StockCsv.read(large, KINDS, Whence.DRAWER, () -> "")))
        .hasMessageContaining("8 MB");
    Files.delete(large);
    assertThat(read(HEAD + "a,capacitor,polyester,0.1,50,4\n").getFirst().value())
        .isCloseTo(1e-7, within(1e-20));
  }
}
