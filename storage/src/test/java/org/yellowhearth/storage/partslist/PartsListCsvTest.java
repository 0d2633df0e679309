package org.yellowhearth.storage.partslist;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.words.Words;

/** What goes out to a spreadsheet comes back from it. */
public class PartsListCsvTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final Words WORDS = Words.of(SetPlate.Dialect.BRITISH);
  private static final Instant NOW = Instant.parse("2026-05-05T12:00:00Z");
  private static final Job EMPTY =
      Job.of(
          List.of(
              new Entry(
                  0,
                  NOW.atZone(ZoneOffset.UTC),
                  new Act.Did(new Edit.Arrived(SetPlate.named("Test set"), Policy.USUAL)))));

  private static Job with(String list) {
    List<Edit> edits =
        PartsListImport.preview(PartsListTable.read(list), EMPTY, KNOWLEDGE, WORDS, NOW).stream()
            .peek(r -> assertThat(r.trouble()).as(r.said()).isEmpty())
            .flatMap(r -> r.edits().stream())
            .toList();
    return EMPTY.after(
        new Entry(1, NOW.atZone(ZoneOffset.UTC), new Act.Did(new Edit.Together(edits))));
  }

  private static String written(Job job) {
    return PartsListCsv.write(
        job,
        new Judge(KNOWLEDGE).of(job, LocalDate.of(2026, 5, 5)).assessments(),
        KNOWLEDGE.vocabulary(),
        WORDS);
  }

  @Test
  public void everyKindAndRoleComesBackAsItWentOut() {
    StringBuilder list =
        new StringBuilder(
            "Ref,Value,Voltage,Tolerance,Kind,Role,Polarity,Sees,Date,C read (uF),ESR,D,At\n");
    int number = 1;
    for (String kind : KNOWLEDGE.vocabulary().kinds().keySet()) {
      list.append("C")
          .append(number++)
          .append(",0.0")
          .append(number)
          .append("u,450,10%,")
          .append(kind)
          .append(",,,300,6412,0.05,12,0.1,1000\n");
    }
    for (String role : KNOWLEDGE.vocabulary().roles().keySet()) {
      list.append("C")
          .append(number++)
          .append(",8u,450,,electrolytic,")
          .append(role)
          .append(",positive to chassis,,,,,,\n");
    }
    Job job = with(list.toString());
    Job back = with(written(job));
    assertThat(back.capacitors()).hasSizeGreaterThan(60);
    for (Function<Capacitor, Object> what :
        Stream.<Function<Capacitor, Object>>of(
                Capacitor::ref,
                Capacitor::kind,
                Capacitor::farads,
                Capacitor::ratedVolts,
                Capacitor::tolerance,
                Capacitor::role,
                Capacitor::polarity,
                Capacitor::workingVolts,
                Capacitor::dateCode)
            .toList()) {
      assertThat(back.capacitors().stream().map(what))
          .isEqualTo(job.capacitors().stream().map(what).toList());
    }
    for (Capacitor c : job.capacitors()) {
      assertThat(back.readingsOf(c.ref()).stream().map(Reading::figures))
          .isEqualTo(job.readingsOf(c.ref()).stream().map(Reading::figures).toList());
      assertThat(back.readingsOf(c.ref()).stream().map(r -> r.conditions().frequencyHertz()))
          .isEqualTo(
              job.readingsOf(c.ref()).stream().map(r -> r.conditions().frequencyHertz()).toList());
    }
  }

  @Test
  public void otherPartsComeBackByTheirMarking() {
    Job job = with("Ref,Value\nR1,47k 1W\nR2,4k7 10%\nV1,EL84\nF1,1A fuse\nD1,1N4007\n");
    Job back = with(written(job));
    assertThat(back.census().stream().map(Part::sort))
        .isEqualTo(job.census().stream().map(Part::sort).toList());
    assertThat(back.census().toString()).isEqualTo(job.census().toString());
  }

  @Test
  public void noCellIsAFormulaForASpreadsheet() {
    Job job = with("Ref,Value,Remark\nC1,8u 450V,plain\n");
    Capacitor c = job.capacitors().getFirst();
    Capacitor hostile =
        new Capacitor(
            c.ref(),
            c.marking(),
            c.kind(),
            c.farads(),
            c.tolerance(),
            c.ratedVolts(),
            false,
            c.role(),
            c.polarity(),
            c.workingVolts(),
            c.canMark(),
            c.dateCode(),
            "=HYPERLINK(\"x\";\"y\")");
    String text =
        written(
            job.after(
                new Entry(
                    2, NOW.atZone(ZoneOffset.UTC), new Act.Did(new Edit.PartChanged(c, hostile)))));
    assertThat(text).contains("\"'=HYPERLINK(\"\"x\"\";\"\"y\"\")\"").doesNotContain(",=");
  }
}
