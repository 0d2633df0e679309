package org.yellowhearth.publishing.folio;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.testng.SkipException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yellowhearth.publishing.folio.Folio.Block;
import org.yellowhearth.publishing.folio.Folio.Tone;

/**
 * Names in every script that a person may have come out on paper as they were typed: read back by
 * readers that are none of ours.
 */
public class TypefacesTest {
  @DataProvider
  public static Object[][] names() {
    return new Object[][] {
      {"灯台船の受信機"},
      {"ラジオ室 三号"},
      {"라디오 수신기"},
      {"מקלט רדיו 51"},
      {"Ραδιοφωνικός δέκτης"},
      {"Радиоприёмник «Маяк»"},
      {"Brindle 📻 receiver"},
      {"Žluťoučký kůň, řeřicha"},
      {"Ωmega µV ≥ 0,05 ± ½"},
      {"Ångström 51 – größer"},
      {"Đặng Thị Hồng"}
    };
  }

  private static byte[] paper(String name) {
    List<Block> blocks =
        List.of(
            new Block.Title(name),
            new Block.Words(name, Tone.PLAIN),
            new Block.Labelled(name, name),
            new Block.Table(
                List.of(1.0, 2.0),
                List.of(name, "what"),
                List.of(
                    List.of(
                        new Folio.Cell(name, Folio.Face.PLAIN),
                        new Folio.Cell(name, Folio.Face.FIGURE)))));
    return PdfFolio.bytes(new Folio(name, "a set", name, List.of(new Folio.Part(name, blocks))));
  }

  private static String plain(String text) {
    return Normalizer.normalize(text, Normalizer.Form.NFKC)
        .replaceAll("[\\s\\u200e\\u200f\\u202a-\\u202e]+", "");
  }

  private static String stripped(byte[] pdf) throws IOException {
    try (PDDocument document = Loader.loadPDF(pdf)) {
      return plain(new PDFTextStripper().getText(document));
    }
  }

  private static int times(String text, String part) {
    return (text.length() - text.replace(part, "").length()) / part.length();
  }

  @Test(dataProvider = "names")
  public void aNameComesOutAsItWasTyped(String name) throws IOException {
    assertThat(Typefaces.undrawable(name)).isEmpty();
    assertThat(times(stripped(paper(name)), plain(name))).as(stripped(paper(name))).isEqualTo(9);
  }

  private static String pdftotext(byte[] pdf) throws IOException, InterruptedException {
    Path file = Files.write(Files.createTempFile("names", ".pdf"), pdf);
    try {
      Process p =
          new ProcessBuilder("pdftotext", "-enc", "UTF-8", file.toString(), "-")
              .redirectErrorStream(true)
              .start();
      String text = new String(p.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      assertThat(p.waitFor()).as(text).isZero();
      return plain(text);
    } catch (IOException e) {
      throw new SkipException("left out: pdftotext is not here");
    } finally {
      Files.delete(file);
    }
  }

  @Test
  public void aPictographAmongHebrewStaysWhole() throws IOException, InterruptedException {
    assertThat(pdftotext(paper("מקלט📻רדיו"))).contains("📻", "מקלט", "רדיו");
  }

  @Test(dataProvider = "names")
  public void anotherReaderFindsTheSame(String name) throws IOException, InterruptedException {
    assertThat(pdftotext(paper(name))).contains(plain(name));
  }

  /**
   * Letters of many blocks by chance: each is on the page as itself, or as its number and told
   * beforehand.
   */
  @Test
  public void nothingIsLeftOutSilently() throws IOException {
    int[][] blocks = {
      {0x21, 0x7e},
      {0xa1, 0x17f},
      {0x370, 0x3ff},
      {0x400, 0x45f},
      {0x5d0, 0x5ea},
      {0x3041, 0x3096},
      {0x4e00, 0x9fa5},
      {0xac00, 0xd7a3},
      {0x1f300, 0x1f6c0},
      {0x1fa70, 0x1faf0},
      {0x905, 0x939},
      {0x1200, 0x1248},
      {0x2190, 0x21ff}
    };
    Random random = new Random(23);
    for (int k = 0; k < 60; k++) {
      StringBuilder name = new StringBuilder();
      List<String> told = new ArrayList<>();
      for (int n = 0; n < 8; n++) {
        int[] block = blocks[random.nextInt(blocks.length)];
        int letter = block[0] + random.nextInt(block[1] - block[0] + 1);
        if (Character.isDefined(letter)) {
          name.appendCodePoint(letter);
        }
      }
      if (Typefaces.turns(name.toString()) && name.codePoints().anyMatch(c -> c > 0xFFFF)) {
        // The reader used here parts pictographs from right to left; the other one does not, and is
        // asked below.
        continue;
      }
      String page = stripped(paper(name.toString()));
      told.addAll(Typefaces.undrawable(name.toString()));
      name.codePoints()
          .filter(Character::isDefined)
          .forEach(c -> {
            boolean missing =
                told.stream().anyMatch(t -> t.startsWith(Character.toString(c) + " "));
            String expected = missing ? String.format("[U+%04X]", c) : plain(Character.toString(c));
            assertThat(page).as("U+%04X in %s", c, name).contains(expected);
          });
    }
  }

  @Test
  public void whatNoTypefaceHasIsTold() throws IOException {
    assertThat(Typefaces.undrawable("Set \ud83e\udee0 हम \u200d"))
        .containsExactly("\ud83e\udee0 [U+1FAE0]", "ह [U+0939]", "म [U+092E]");
    assertThat(stripped(paper("Set \ud83e\udee0"))).contains("Set[U+1FAE0]");
  }
}
