package org.yellowhearth.storage.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.partslist.BadListException;

/** Kits as sellers list them: plain headings, any order (common practice). */
public class KitListTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();

  private static KitList read(String text) throws IOException {
    Path file = Files.createTempFile("kit", ".csv");
    Files.writeString(file, text);
    AtomicInteger ids = new AtomicInteger();
    return KitList.read(
        file,
        KNOWLEDGE,
        Words.of(SetPlate.Dialect.BRITISH),
        ZonedDateTime.parse("2026-05-05T12:00:00Z"),
        () -> "k" + ids.incrementAndGet());
  }

  @Test
  public void referenceValueVoltsAndQuantityInAnyOrder() throws IOException {
    KitList kit =
        read(
            "Qty,Voltage,Ref,Value\n2,450,\"C1, C2\",33uF\n1,25V,C18,47u\n3,630,\"C4 C7 C9\",0.047\n1,,R9,47k\n");
    assertThat(kit.parts()).hasSize(4);
    StockPart first = kit.parts().getFirst();
    CapacitorWare c = (CapacitorWare) first.ware();
    assertThat(c.farads()).isEqualTo(33e-6);
    assertThat(c.volts()).isEqualTo(450);
    assertThat(c.kind()).isEqualTo("electrolytic-dry");
    assertThat(first.quantity()).hasValue(2);
    assertThat(kit.places().get(first.title())).containsExactly(PartRef.of("C1"), PartRef.of("C2"));
    CapacitorWare film = (CapacitorWare) kit.parts().get(2).ware();
    assertThat(film.farads()).isEqualTo(0.047e-6);
    assertThat(film.kind()).as("small ones are film").isEqualTo("polypropylene");
    assertThat(kit.parts().get(2).quantity()).hasValue(3);
    assertThat(kit.parts().get(3).ware()).isInstanceOf(ResistorWare.class);
  }

  @Test
  public void aListWithoutReferencesOrQuantitiesIsAKitToo() throws IOException {
    KitList kit = read("value;volts\n22 µF;450 V\n22 µF;450 V\n;\n");
    assertThat(kit.parts()).hasSize(2);
    assertThat(kit.parts()).allMatch(p -> p.quantity().orElse(0) == 1);
    assertThat(kit.places().values()).allMatch(List::isEmpty);
    assertThat(kit.parts().stream().map(StockPart::title))
        .as("a line is known again")
        .doesNotHaveDuplicates();
  }

  @DataProvider
  public Object[][] wrong() {
    return new Object[][] {
      {"value,volts\n22uF,\n", "Line 2"},
      {"value,volts,qty\n22uF,450,some\n", "whole number"},
      {"value,volts\ncheese,450\n", "Line 2"}
    };
  }

  @Test(dataProvider = "wrong")
  public void whatIsNotUnderstoodSaysWhere(String text, String why) {
    assertThatThrownBy(() -> read(text))
        .isInstanceOf(BadListException.class)
        .hasMessageContaining(why);
  }
}
