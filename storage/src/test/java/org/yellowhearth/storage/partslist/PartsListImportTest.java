package org.yellowhearth.storage.partslist;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.storage.partslist.PartsListImport.What;

/** Lists as spreadsheets really give them. */
public class PartsListImportTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final Instant NOW = Instant.parse("2026-05-05T12:00:00Z");
  private static final Job EMPTY =
      Job.of(
          List.of(
              new Entry(
                  0,
                  NOW.atZone(ZoneOffset.UTC),
                  new Act.Did(new Edit.Arrived(SetPlate.named("Test set"), Policy.USUAL)))));

  private static List<PartsListImport.Row> preview(PartsListTable table, Job job) {
    return PartsListImport.preview(table, job, KNOWLEDGE, Words.of(SetPlate.Dialect.BRITISH), NOW);
  }

  private static List<PartsListImport.Row> preview(String text) {
    return preview(PartsListTable.read(text), EMPTY);
  }

  private static Job taken(Job job, List<PartsListImport.Row> rows) {
    List<Edit> edits = rows.stream().flatMap(r -> r.edits().stream()).toList();
    return job.after(
        new Entry(
            job.journal().size(),
            NOW.atZone(ZoneOffset.UTC),
            new Act.Did(new Edit.Together(edits))));
  }

  private static Capacitor only(String text) {
    return taken(EMPTY, preview(text)).capacitors().getFirst();
  }

  @DataProvider
  public Object[][] separators() {
    String[] rows = {
      "Ref",
      "Value",
      "Voltage",
      "Kind",
      "Role",
      "\nC21",
      "8 MFD",
      "450",
      "electrolytic",
      "smoothing"
    };
    return new Object[][] {
      {String.join(",", rows).replace(",\n", "\n")},
      {String.join(";", rows).replace(";\n", "\r\n")},
      {String.join("\t", rows).replace("\t\n", "\n")},
      {"\uFEFF" + String.join(";", rows).replace(";\n", "\n")},
      {"\"" + String.join("\";\"", rows).replace("\";\"\n", "\"\n\"") + "\""},
      {"\n\n" + String.join(";", rows).replace(";\n", "\n") + "\n;;;;\n"}
    };
  }

  @Test(dataProvider = "separators")
  public void theSeparatorQuotesBlankLinesAndByteOrderMarkDoNotMatter(String text) {
    assertThat(only(text))
        .satisfies(c -> {
          assertThat(c.ref()).isEqualTo(PartRef.of("C21"));
          assertThat(c.farads()).isEqualTo(8e-6);
          assertThat(c.ratedVolts()).hasValue(450);
          assertThat(c.kind()).isEqualTo("electrolytic-dry");
        });
  }

  @DataProvider
  public Object[][] values() {
    return new Object[][] {
      {"C1;0,05 µF", 0.05e-6},
      {"C1;0,05 uF", 0.05e-6},
      {"C1;0,05 \u03BCF", 0.05e-6},
      {"C1;1.000,5 pF", 1000.5e-12},
      {"C1;4n7", 4.7e-9},
      {"C1\t.05 mf", 0.05e-6},
      {"C1,500 mmf", 500e-12},
      {"C1;104K", 0.1e-6},
      {"Pos;C (nF)\nC1;4,7", 4.7e-9},
      {"Pos;Value [uF];Note\nC1;0,1;\"warm, \"\"waxy\"\"\"", 0.1e-6}
    };
  }

  @Test(dataProvider = "values")
  public void valuesAreReadHoweverTheyAreWritten(String text, double farads) {
    PartsListTable table = PartsListTable.read(text);
    PartsListTable meant =
        table.columns().contains(Column.MARKING) ? table : table.with(1, Column.MARKING);
    assertThat(taken(EMPTY, preview(meant, EMPTY)).capacitors().getFirst().farads())
        .isEqualTo(farads);
  }

  @Test
  public void anOlderSheetInWesternBytesIsRead() throws IOException {
    Path file = Files.createTempFile("list", ".csv");
    Files.write(file, "Ref;Value\nC1;0,1 \u00B5F".getBytes(StandardCharsets.ISO_8859_1));
    assertThat(
            taken(EMPTY, preview(PartsListTable.read(file), EMPTY))
                .capacitors()
                .getFirst()
                .farads())
        .isEqualTo(0.1e-6);
    Files.delete(file);
  }

  @Test
  public void eachLineSaysWhatWillHappenToIt() {
    Job job = taken(EMPTY, preview("C1;8 MFD 450 V electrolytic\nC2;16 MFD 450 V electrolytic"));
    List<PartsListImport.Row> rows =
        preview(
            PartsListTable.read(
                """
                Ref;Value;C read;ESR
                C1;8 MFD 450 V electrolytic;;
                C2;32 MFD 450 V;;
                C1;9 MFD;;
                C3;50+50 MFD 350 V;;
                C4;=A1*2;;
                C5;8..2 MFD;;
                what;8 MFD;;
                R7;4k7 10%;;
                C6;25 MFD;18,2;3,4
                C7;;;
                """),
            job);
    assertThat(rows)
        .extracting(PartsListImport.Row::what)
        .containsExactly(
            What.SAME,
            What.CORRECTS,
            What.REFUSED,
            What.ADDS,
            What.REFUSED,
            What.REFUSED,
            What.REFUSED,
            What.ADDS,
            What.ADDS,
            What.REFUSED);
    assertThat(rows.get(2).trouble()).contains("twice");
    assertThat(rows.get(4).trouble()).contains("formula");
    assertThat(rows.get(5).trouble()).contains("not a number");
    assertThat(rows.get(6).trouble()).contains("reference");
    assertThat(rows).extracting(PartsListImport.Row::line).startsWith(2, 3, 4);
    Job after = taken(job, rows);
    assertThat(after.census())
        .extracting(p -> p.ref().toString())
        .containsExactly("C1", "C2", "C3a", "C3b", "C6", "R7");
    assertThat(after.readingsOf(PartRef.of("C6")).getFirst().figures().get(Figure.CAPACITANCE))
        .hasValue(18.2e-6);
    assertThat(
            after
                .after(
                    new Entry(
                        after.journal().size(),
                        NOW.atZone(ZoneOffset.UTC),
                        new Act.Undid(after.nextUndo().getAsInt())))
                .census())
        .as("one undo takes all of it back")
        .isEqualTo(job.census());
  }

  @Test
  public void aColumnCanBeMeantOtherwise() {
    PartsListTable table = PartsListTable.read("x;y;z\nC1;450;8 MFD");
    assertThat(table.columns()).containsExactly(Column.REFERENCE, Column.MARKING, Column.IGNORED);
    PartsListTable meant = table.with(2, Column.MARKING).with(1, Column.VOLTS);
    assertThat(meant.columns()).containsExactly(Column.REFERENCE, Column.VOLTS, Column.MARKING);
    assertThat(preview(meant, EMPTY).getFirst().said()).isEqualTo("8 MFD 450V");
  }

  @Test
  public void aBareValueIsNeverGuessed() {
    PartsListTable table = PartsListTable.read("Ref;Value\nC1;0,1");
    assertThat(preview(table, EMPTY).getFirst().trouble()).contains("no unit");
    assertThat(preview(table.withBareUnit("uF"), EMPTY).getFirst().what()).isEqualTo(What.ADDS);
  }

  @Test
  public void tenThousandLinesAreTaken() {
    String text =
        IntStream.rangeClosed(1, 10_000)
            .mapToObj(i -> "C" + i + ";0,1 µF;400")
            .collect(Collectors.joining("\n"));
    List<PartsListImport.Row> rows =
        preview(PartsListTable.read(text).with(2, Column.VOLTS), EMPTY);
    assertThat(rows).hasSize(10_000).allMatch(r -> r.what() == What.ADDS);
    assertThat(taken(EMPTY, rows).census()).hasSize(10_000);
  }

  @DataProvider
  public Object[][] hostile() {
    return new Object[][] {
      {"", "empty"},
      {"   \n \n", "empty"},
      {"C1;\"8 MFD", "quotation mark"},
      {"PK\u0003\u0004\0\0", "no text"},
      {"C1;" + "x".repeat(600), "longer than"},
      {"C1" + ";x".repeat(70), "columns"},
      {"C1;1p\n".repeat(20_001), "more than 20000 lines"}
    };
  }

  @Test(dataProvider = "hostile")
  public void whatIsNoListIsRefusedWithItsLine(String text, String why) {
    assertThat(catchThrowableOfType(BadListException.class, () -> PartsListTable.read(text)))
        .hasMessageContaining(why);
  }

  @Test
  public void aFileThatIsNotThereIsNamedAsSuch() {
    assertThatThrownBy(() -> PartsListTable.read(Path.of("/nowhere/list.csv")))
        .isInstanceOf(BadListException.class)
        .hasMessageContaining("cannot be read");
  }
}
