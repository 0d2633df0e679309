package org.yellowhearth.publishing.dossier;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.Test;
import org.yellowhearth.core.assess.Assessment;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.folio.PdfFolio;
import org.yellowhearth.storage.jobfile.JobReader;

public class DossierPdfTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final ZonedDateTime NOW =
      Instant.parse("2026-08-01T10:00:00Z").atZone(ZoneOffset.UTC);
  private static final Describe DESCRIBE = new Describe(Words.of(SetPlate.Dialect.BRITISH));

  private static Job demo(String file) throws IOException {
    Path path = Path.of(System.getProperty("hearth.root"), "demo", file);
    return new JobReader(KNOWLEDGE).read(JsonText.read(path), NOW).job();
  }

  /**
   * The text of a PDF as an independent reader finds it, without the white space that depends on
   * where lines break.
   */
  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document).replaceAll("\\s+", "");
    }
  }

  private static byte[] pdf(Dossier dossier) {
    return PdfFolio.bytes(
        DossierFolio.of(
            dossier, DossierScope.BLANK, _ -> Optional.empty(), () -> SupplyProof.NONE));
  }

  private static void assertSays(String pages, String... said) {
    for (String s : said) {
      assertThat(pages).contains(s.replaceAll("\\s+", ""));
    }
  }

  @Test
  public void thePagesHoldEverythingAsSearchableText() throws IOException {
    Job job = demo("beacon-transmitter.json");
    Dossier dossier = Dossier.of(new Judge(KNOWLEDGE).of(job, NOW.toLocalDate()), KNOWLEDGE, NOW);
    Words words = Words.of(SetPlate.Dialect.BRITISH);
    String text = text(pdf(dossier));
    assertSays(
        text,
        job.plate().name(),
        job.plate().complaint(),
        job.plate().endState(),
        "230 V 50 Hz",
        "The set",
        "Policy",
        "Journal",
        "Methods and sources",
        "local codes");
    for (Dossier.Item item : dossier.items()) {
      Assessment a = item.assessment();
      assertSays(text, a.part().ref().toString(), DESCRIBE.part(a.part()), words.say(a.because()));
      DESCRIBE.replacement(item.replacement()).ifPresent(r -> assertSays(text, r));
      a.findings().forEach(f -> f.measured().ifPresent(q -> assertSays(text, q.toString())));
    }
    job.readings().forEach(r -> assertSays(text, DESCRIBE.reading(r.figures(), r.conditions())));
    job.journal().forEach(e -> assertSays(text, DESCRIBE.entry(job, e)));
  }

  @Test
  public void thePagesReadInTheOrderTheyAreSeen() throws IOException {
    String text =
        text(
            pdf(
                Dossier.of(
                    new Judge(KNOWLEDGE).of(demo("mess-receiver.json"), NOW.toLocalDate()),
                    KNOWLEDGE,
                    NOW)));
    assertThat(text)
        .containsSubsequence(
            "Theset",
            "radioreceiver",
            "Policy",
            "measuredplusprecaution",
            "Photographs",
            "Parts",
            "C1",
            "C22",
            "Readings,verdictsandreasons",
            "Journal",
            "Thesetcamein",
            "Methodsandsources");
  }

  @Test
  public void typefacesAreEmbeddedAndThePagesAreNamed() throws IOException {
    try (PDDocument document =
        Loader.loadPDF(
            pdf(
                Dossier.of(
                    new Judge(KNOWLEDGE).of(demo("mess-receiver.json"), NOW.toLocalDate()),
                    KNOWLEDGE,
                    NOW)))) {
      for (PDPage page : document.getPages()) {
        for (COSName name : page.getResources().getFontNames()) {
          assertThat(page.getResources().getFont(name).isEmbedded()).as(name.getName()).isTrue();
        }
      }
      assertThat(document.getDocumentInformation().getTitle()).contains("Brindlecote");
      assertThat(document.getDocumentCatalog().getDocumentOutline().children())
          .hasSizeGreaterThan(4);
      assertThat(document.getNumberOfPages()).isGreaterThan(2);
    }
  }

  @Test
  public void anEmptyCensusStillMakesADossier() throws IOException {
    Job job =
        new JobReader(KNOWLEDGE)
            .read(
                JsonText.read(
                    "{\"format\":\"yellow-hearth-job\",\"version\":1,\"set\":{\"name\":\"Bare / set: <1>\"}}"),
                NOW)
            .job();
    assertSays(
        text(pdf(Dossier.of(new Judge(KNOWLEDGE).of(job, NOW.toLocalDate()), KNOWLEDGE, NOW))),
        "Bare / set: <1>",
        "No parts are in the parts list yet");
  }

  @Test
  public void anEarlierDossierIsNeverOverwritten() throws IOException {
    Path folder = Files.createTempDirectory("dossiers");
    byte[] bytes = {1, 2, 3};
    Path first =
        DossierFiles.writeInto(folder, "Quillandry V2: a <b>/..", NOW.toLocalDate(), bytes);
    Path second =
        DossierFiles.writeInto(
            folder, "Quillandry V2: a <b>/..", NOW.toLocalDate(), new byte[] {4});
    assertThat(first).hasParent(folder);
    assertThat(second)
        .isNotEqualTo(first)
        .hasFileName("Quillandry V2 a b.. dossier 2026-08-01 (2).pdf");
    assertThat(Files.readAllBytes(first)).isEqualTo(bytes);
    try (Stream<Path> files = Files.list(folder)) {
      assertThat(files).hasSize(2);
    }
  }
}
