package org.yellowhearth.publishing.dossier;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.zxing.BinaryBitmap;
import com.google.zxing.ReaderException;
import com.google.zxing.client.j2se.BufferedImageLuminanceSource;
import com.google.zxing.common.HybridBinarizer;
import com.google.zxing.qrcode.QRCodeReader;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.w3c.dom.NodeList;
import org.yellowhearth.core.fact.Adjustment;
import org.yellowhearth.core.fact.Budget;
import org.yellowhearth.core.fact.BurnIn;
import org.yellowhearth.core.fact.BurnReading;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.DossierScope.Section;
import org.yellowhearth.core.fact.EstimateLine;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.FunctionCheck;
import org.yellowhearth.core.fact.Item;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.Phase;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.fact.ResistorWare;
import org.yellowhearth.core.fact.TakeApartStep;
import org.yellowhearth.core.fact.ThreePoint;
import org.yellowhearth.core.fact.Ware;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.Policy;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.replace.StockPart;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.publishing.folio.Folio;
import org.yellowhearth.publishing.folio.Folio.Block;
import org.yellowhearth.publishing.folio.PdfFolio;
import org.yellowhearth.publishing.folio.WebFolio;
import org.yellowhearth.storage.jobfile.JobReader;

/**
 * The dossier by its sections, as a PDF, a page of the web and Markdown, read back by other means.
 */
public class DossierFolioTest {
  private static final Knowledge KNOWLEDGE = KnowledgeFiles.read();
  private static final ZonedDateTime NOW =
      Instant.parse("2026-08-01T10:00:00Z").atZone(ZoneOffset.UTC);
  private Path folder;
  private Path picture;
  private Job job;

  @BeforeClass
  public void makeAJobWithEverything() throws IOException {
    folder = Files.createTempDirectory("folios");
    picture = folder.resolve("photo.jpg");
    ImageIO.write(new BufferedImage(640, 400, BufferedImage.TYPE_INT_RGB), "jpg", picture.toFile());
    Path demo = Path.of(System.getProperty("hearth.root"), "demo", "mess-receiver.json");
    job = new JobReader(KNOWLEDGE).read(JsonText.read(demo), NOW).job();
    put(
        new Photograph(
            "p1",
            "a".repeat(64) + ".jpg",
            "front.jpg",
            640,
            400,
            Optional.empty(),
            "The front <as> it came & went",
            Photograph.Side.FRONT,
            Optional.empty()));
    put(
        Fitting.of(PartRef.of("C14"))
            .with(f -> {
              f.removed = true;
              f.keptAt = "in a bag inside the cabinet";
            }));
    put(
        new Adjustment(
            "a1",
            Adjustment.Adjusted.BIAS,
            "V5 grid",
            "V",
            -8,
            0.2,
            OptionalDouble.empty(),
            "",
            List.of(
                new Adjustment.Turn(NOW.toInstant(), -6, -8.1, OptionalDouble.of(1), true, ""))));
    put(
        new FunctionCheck(
            "f1", "Sound", "Volume | without *crackle*", FunctionCheck.FunctionOutcome.WORKS, ""));
    put(
        new BurnIn(
            "b1",
            NOW.toInstant(),
            24,
            List.of(new BurnIn.BurnChannel("HT", "V", OptionalDouble.of(250), 8)),
            BurnIn.BurnEnd.PASSED,
            ""));
    for (int k = 0; k < 12; k++) {
      put(
          new BurnReading(
              "r" + k,
              "b1",
              NOW.plusHours(2L * k + 1).toInstant(),
              List.of(new BurnReading.BurnShown("HT", 250 + k % 3)),
              k == 4 ? "one crackle" : ""));
    }
  }

  private void put(Item item) {
    job =
        job.after(
            new Entry(
                job.journal().size(),
                NOW,
                new Act.Did(new Edit.ItemChanged(job.item(item.id()), Optional.of(item)))));
  }

  @AfterClass
  public void sweep() throws IOException {
    try (Stream<Path> all = Files.walk(folder)) {
      for (Path p : all.sorted(java.util.Comparator.reverseOrder()).toList()) {
        Files.delete(p);
      }
    }
  }

  private Folio folio(DossierScope scope) {
    return DossierFolio.of(
        Dossier.of(
            new Judge(KNOWLEDGE).of(job, NOW.plusDays(2).toLocalDate()),
            KNOWLEDGE,
            NOW.plusDays(2)),
        scope,
        _ -> Optional.of(picture),
        () -> SupplyProof.of(new Judge(KNOWLEDGE).of(job, LocalDate.of(2026, 6, 1)), KNOWLEDGE));
  }

  private static List<String> headings(Folio folio) {
    return folio.parts().stream().map(Folio.Part::heading).filter(h -> !h.isEmpty()).toList();
  }

  /**
   * Every section that has something to say is told in its order; one that is left out is not, and
   * neither is an empty one.
   */
  @Test
  public void sectionsAreToldAndLeftOut() {
    assertThat(headings(folio(DossierScope.BLANK)))
        .containsExactly(
            "The set",
            "Photographs",
            "What was found",
            "Parts",
            "Parts replaced",
            "Readings, verdicts and reasons",
            "The supply before and after",
            "What it measures now",
            "Burn-in",
            "Points to watch",
            "Parts that were kept",
            "Disposal",
            "Journal",
            "Methods and sources");
    assertThat(headings(folio(DossierScope.forOwner())))
        .contains("The set", "Burn-in", "Disposal")
        .doesNotContain("Journal", "Readings, verdicts and reasons", "Parts");
    assertThat(
            headings(
                folio(DossierScope.BLANK.with(Section.JOURNAL, false).with(Section.PLATE, false))))
        .doesNotContain("Journal", "The set");
    assertThat(DossierScope.forOwner().with(Section.JOURNAL, true).tells(Section.JOURNAL)).isTrue();
  }

  @Test
  public void thePdfTellsItAllAndDescribesItsPictures() throws IOException {
    byte[] pdf = PdfFolio.bytes(folio(DossierScope.BLANK));
    try (PDDocument document = Loader.loadPDF(pdf)) {
      String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
      assertThat(text)
          .contains(
              "The front <as> it came & went",
              "in a bag inside the cabinet",
              "target -8 ± 0.2 V, -6 → -8.1 V",
              "at its target",
              "one crackle",
              "Local rules decide",
              "The supply worked out");
      assertThat(document.getDocumentCatalog().getLanguage()).isEqualTo("en");
      assertThat(document.getDocumentCatalog().getDocumentOutline().children())
          .hasSizeGreaterThan(10);
      int fonts = 0;
      for (PDPage page : document.getPages()) {
        for (COSName name : page.getResources().getFontNames()) {
          assertThat(page.getResources().getFont(name).isEmbedded()).as(name.getName()).isTrue();
          fonts++;
        }
      }
      assertThat(fonts).isGreaterThan(5);
      assertThat(alternatives(document)).anyMatch(a -> a.startsWith("The front <as>"));
    }
  }

  private static List<String> alternatives(PDDocument document) {
    List<String> all = new ArrayList<>();
    document
        .getDocument()
        .getXrefTable()
        .keySet()
        .forEach(key -> {
          if (document.getDocument().getObjectFromPool(key).getObject() instanceof COSDictionary d
              && d.getDictionaryObject(COSName.getPDFName("Alt")) instanceof COSString s) {
            all.add(s.getString());
          }
        });
    return all;
  }

  /**
   * A browser's own parser reads the page: every picture is there and described, and nothing typed
   * becomes markup.
   */
  @Test
  public void thePageOfTheWebIsWhole() throws Exception {
    Path file =
        WebFolio.writeInto(
            folder.resolve("web"), folio(DossierScope.BLANK), WebFolio.Form.HTML, Watcher.NOBODY);
    String html = Files.readString(file);
    String xml =
        html.replaceFirst("<!doctype html>", "")
            .replaceAll("<meta ([^>]*)>", "<meta $1/>")
            .replaceAll("<img ([^>]*)>", "<img $1/>");
    DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
    factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
    org.w3c.dom.Document document =
        factory
            .newDocumentBuilder()
            .parse(new ByteArrayInputStream(xml.getBytes(StandardCharsets.UTF_8)));
    NodeList pictures = document.getElementsByTagName("img");
    assertThat(pictures.getLength()).isEqualTo(job.items(Photograph.class).size());
    for (int k = 0; k < pictures.getLength(); k++) {
      assertThat(pictures.item(k).getAttributes().getNamedItem("alt").getNodeValue()).isNotBlank();
      assertThat(
              file.resolveSibling(
                  pictures.item(k).getAttributes().getNamedItem("src").getNodeValue()))
          .exists();
    }
    assertThat(document.getElementsByTagName("svg").getLength()).isGreaterThanOrEqualTo(2);
    assertThat(document.getElementsByTagName("as").getLength()).isZero();
    assertThat(document.getElementsByTagName("h2").getLength()).isEqualTo(14);
  }

  @Test
  public void markdownTakesNothingTypedForMarkup() throws IOException {
    Path file =
        WebFolio.writeInto(
            folder.resolve("markdown"),
            folio(DossierScope.BLANK),
            WebFolio.Form.MARKDOWN,
            Watcher.NOBODY);
    String text = Files.readString(file);
    assertThat(text)
        .contains(
            "# Brindlecote 51",
            "## Burn-in",
            "Volume | without \\*crackle\\*",
            "The front \\<as\\>",
            "](drawing-01.svg)",
            "](picture-01.jpg)");
    assertThat(file.resolveSibling("drawing-02.svg")).exists();
    text.lines().filter(l -> l.startsWith("| ")).forEach(l -> assertThat(l).endsWith(" |"));
  }

  /**
   * A folder that is there is not touched; one that is stopped half way, or misses a picture, is
   * gone.
   */
  @DataProvider
  Object[][] mishaps() {
    return new Object[][] {{"stopped", StoppedException.class}, {"missing", IOException.class}};
  }

  @Test(dataProvider = "mishaps")
  public void nothingHalfIsLeft(String what, Class<? extends Exception> thrown) {
    Folio folio =
        what.equals("missing")
            ? new Folio(
                "t",
                "",
                "",
                List.of(
                    new Folio.Part(
                        "", List.of(new Block.Picture(folder.resolve("nowhere.jpg"), "a", "")))))
            : folio(DossierScope.BLANK);
    Path to = folder.resolve(what);
    assertThatThrownBy(() ->
            WebFolio.writeInto(
                to, folio, WebFolio.Form.HTML, share -> !what.equals("stopped") || share < 0.5))
        .isInstanceOf(thrown);
    assertThat(to).doesNotExist();
    assertThat(folder.toFile().list()).noneMatch(n -> n.startsWith(".folio"));
  }

  @Test
  public void whatIsThereIsNotTouched() throws IOException {
    Path there = Files.createDirectory(folder.resolve("there"));
    Files.writeString(there.resolve("mine.txt"), "mine");
    assertThatThrownBy(() ->
            WebFolio.writeInto(
                there, folio(DossierScope.forOwner()), WebFolio.Form.HTML, Watcher.NOBODY))
        .isInstanceOf(FileAlreadyExistsException.class)
        .hasMessageContaining("choose another name");
    assertThat(there.toFile().list()).containsExactly("mine.txt");
  }

  @Test
  public void aPdfCanBeStopped() {
    Map<Integer, Integer> asked = new java.util.HashMap<>();
    assertThatThrownBy(() ->
            PdfFolio.bytes(folio(DossierScope.BLANK), share -> asked.merge(1, 1, Integer::sum) < 5))
        .isInstanceOf(StoppedException.class);
    assertThat(asked.get(1)).isEqualTo(5);
  }

  /**
   * The estimate adds up as it says (PERT: (least + 4 likely + most) / 6), the last that came off
   * goes on first, disposal names what is there.
   */
  @Test
  public void papersAboutTheSetAreMade() throws IOException {
    put(
        new EstimateLine(
            "e1",
            Phase.SUPPLY,
            "Reservoir & coupling",
            new ThreePoint(2, 4, 12),
            new ThreePoint(10, 20, 30)));
    put(
        new TakeApartStep(
            "t1",
            1,
            TakeApartStep.Fixing.SCREWS,
            4,
            "back panel",
            "tray A",
            "long ones below",
            Optional.empty(),
            true));
    put(
        new TakeApartStep(
            "t2", 2, TakeApartStep.Fixing.KNOB, 3, "knobs", "bag 7", "", Optional.empty(), false));
    String estimate =
        text(PdfFolio.bytes(SetPapers.of(SetPapers.Kind.ESTIMATE, job, KNOWLEDGE, NOW, Map.of())));
    assertThat(estimate)
        .contains("Reservoir & coupling", "2 – 4 – 12", "10 – 20 – 30", "An estimate, not a price");
    assertThat(account()).contains("Final account", "Work", "In all", "the least that was worked");
    String again =
        text(
            PdfFolio.bytes(SetPapers.of(SetPapers.Kind.REASSEMBLY, job, KNOWLEDGE, NOW, Map.of())));
    assertThat(again)
        .containsSubsequence(
            "2.", "3 × knobs", "bag 7", "[ ]", "1.", "4 × back panel", "long ones below", "[x]");
    assertThat(
            text(
                PdfFolio.bytes(
                    SetPapers.of(SetPapers.Kind.DISPOSAL, job, KNOWLEDGE, NOW, Map.of()))))
        .contains("radium", "Local rules decide");
  }

  /** Every code is read back by a reader of codes from the page as it prints. */
  @Test(dependsOnMethods = "papersAboutTheSetAreMade")
  public void codesOfLabelsAreReadBack() throws Exception {
    byte[] pdf = LabelSheet.of("36d01ab4-3931-4f50-bd52-773fa059a73c", job, NOW);
    assertThat(text(pdf))
        .contains("C14 old part, kept", "in a bag inside the cabinet", "2. 3 × knobs");
    try (PDDocument document = Loader.loadPDF(pdf)) {
      BufferedImage page = new PDFRenderer(document).renderImageWithDPI(0, 200);
      List<String> read = new ArrayList<>();
      // One column of labels after the other, as a telephone is held over them.
      for (int y = 0; y + 300 < page.getHeight(); y += 60) {
        for (int x : new int[] {110, 780}) {
          BufferedImage label = page.getSubimage(x, y, 300, 300);
          try {
            read.add(
                new QRCodeReader()
                    .decode(
                        new BinaryBitmap(
                            new HybridBinarizer(new BufferedImageLuminanceSource(label))))
                    .getText());
          } catch (ReaderException _) {
            // Nothing whole is in this window.
          }
        }
      }
      assertThat(read)
          .contains(
              "hearth:36d01ab4-3931-4f50-bd52-773fa059a73c",
              "hearth:36d01ab4-3931-4f50-bd52-773fa059a73c#C14",
              "hearth:36d01ab4-3931-4f50-bd52-773fa059a73c#step-2");
    }
  }

  private static String text(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
    }
  }

  /**
   * Two parts of 1.50 and one of which nobody knows the price, forty minutes of journal at 30 an
   * hour: 3.00 and 20.00 make 23.00.
   */
  private String account() throws IOException {
    PartRef ref = PartRef.of("C9");
    Ware ware =
        new ResistorWare(
            150,
            0.05,
            5,
            Leads.AXIAL,
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty());
    Job billed =
        Job.of(
            List.of(
                new Entry(
                    0,
                    NOW,
                    new Act.Did(new Edit.Arrived(SetPlate.named("Billed"), Policy.USUAL)))));
    Choice.Taken known = new Choice.Taken("bag", "bag 1", Choice.Whence.DRAWER, ware);
    Choice.Taken unknown = new Choice.Taken("lost", "from the box", Choice.Whence.DRAWER, ware);
    List<Edit> edits =
        List.of(
            new Edit.PartAdded(job.part(ref).orElseThrow()),
            new Edit.AspectChanged(
                Budget.BLANK,
                Budget.BLANK.with(b -> {
                  b.currency = "€";
                  b.ratePerHour = 30;
                })),
            new Edit.ItemChanged(
                Optional.empty(),
                Optional.of(
                    new Choice(
                        Choice.idOf(ref),
                        ref,
                        Choice.Joined.PARALLEL,
                        List.of(new Choice.Group(List.of(known, known, unknown))),
                        OptionalDouble.empty(),
                        Choice.Way.UNSTATED,
                        false,
                        ""))),
            new Edit.ItemChanged(
                Optional.empty(), Optional.of(Fitting.of(ref).with(f -> f.fitted = true))));
    for (Edit e : edits) {
      billed =
          billed.after(
              new Entry(
                  billed.journal().size(),
                  NOW.plusMinutes(10L * billed.journal().size()),
                  new Act.Did(e)));
    }
    StockPart bag =
        new StockPart(
            "bag",
            Choice.Whence.DRAWER,
            "bag 1",
            ware,
            OptionalInt.of(9),
            OptionalDouble.empty(),
            OptionalInt.empty(),
            OptionalDouble.of(1.5),
            1,
            "",
            false,
            "");
    String account =
        text(
            PdfFolio.bytes(
                SetPapers.of(SetPapers.Kind.ACCOUNT, billed, KNOWLEDGE, NOW, Map.of("bag", bag))));
    assertThat(account)
        .contains("3.00 €, and 1 whose price", "0.67 h at 30.00: 20.00 €", "23.00 €");
    return account;
  }
}
