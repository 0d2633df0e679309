package org.yellowhearth.bench;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Locale;
import java.util.Optional;
import javax.imageio.ImageIO;
import org.yellowhearth.core.fact.DossierScope;
import org.yellowhearth.core.fact.Photograph;
import org.yellowhearth.core.job.Act;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.job.Entry;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.judge.Judge;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.partslist.PartsListLine;
import org.yellowhearth.core.partslist.Thousand;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.publishing.dossier.Dossier;
import org.yellowhearth.publishing.dossier.DossierFolio;
import org.yellowhearth.publishing.dossier.SupplyProof;
import org.yellowhearth.publishing.folio.PdfFolio;
import org.yellowhearth.storage.photo.BadPhotographException;
import org.yellowhearth.storage.photo.PhotoStore;

/**
 * Prints how long the dossier of a set of 400 parts with 60 photographs of twelve megapixels takes,
 * everything told.
 */
public final class DossierFigures {
  private static final int PARTS = 400;
  private static final int PHOTOGRAPHS = 60;

  private DossierFigures() {}

  public static void main(String[] args) throws IOException, BadPhotographException {
    Knowledge knowledge = KnowledgeFiles.read();
    ZonedDateTime now = Instant.parse("2026-06-01T12:00:00Z").atZone(ZoneOffset.UTC);
    Job job = new LargeShop(knowledge, 1).job(0, 50);
    PartsListLine line = new PartsListLine(knowledge.vocabulary(), Thousand.MEGOHM);
    for (int k = job.census().size(); k < PARTS; k++) {
      String marking = ".05 MFD 400 V waxed paper coupling";
      job =
          with(
              job,
              now,
              new Edit.PartAdded(
                  line.read(PartRef.of("C" + (k + 1)), Token.of(marking), marking, "").getFirst()));
    }
    Path folder = Files.createTempDirectory("dossier-figures");
    PhotoStore store = new PhotoStore(folder);
    for (int k = 0; k < PHOTOGRAPHS; k++) {
      Path file = folder.resolve("photo" + k + ".jpg");
      ImageIO.write(picture(k), "jpg", file.toFile());
      Photograph p = store.take(file, "p" + k);
      job = with(job, now, new Edit.ItemChanged(Optional.empty(), Optional.of(p)));
    }
    Job whole = job;
    for (int k = 0; k < 4; k++) {
      long start = System.nanoTime();
      Dossier dossier =
          Dossier.of(new Judge(knowledge).of(whole, now.toLocalDate()), knowledge, now);
      byte[] pdf =
          PdfFolio.bytes(
              DossierFolio.of(
                  dossier,
                  DossierScope.BLANK,
                  p -> {
                    try {
                      return Optional.of(store.picture(p, PhotoStore.Size.LARGE));
                    } catch (BadPhotographException e) {
                      throw new IllegalStateException(e);
                    }
                  },
                  () ->
                      SupplyProof.of(
                          new Judge(knowledge).of(whole, LocalDate.of(2026, 6, 1)), knowledge)));
      System.out.printf(
          Locale.ROOT,
          "%d parts, %d photographs: %.2f s, %.1f MB%n",
          whole.census().size(),
          PHOTOGRAPHS,
          (System.nanoTime() - start) / 1e9,
          pdf.length / 1e6);
    }
  }

  private static Job with(Job job, ZonedDateTime at, Edit edit) {
    return job.after(new Entry(job.journal().size(), at, new Act.Did(edit)));
  }

  private static BufferedImage picture(int seed) {
    BufferedImage image = new BufferedImage(4000, 3000, BufferedImage.TYPE_INT_RGB);
    Graphics2D g = image.createGraphics();
    g.setPaint(
        new GradientPaint(
            0, 0, Color.getHSBColor(seed * 0.13f, 0.6f, 0.9f), 4000, 3000, Color.DARK_GRAY));
    g.fillRect(0, 0, 4000, 3000);
    for (int k = 0; k < 3000; k++) {
      g.setColor(Color.getHSBColor(k * 0.37f, 0.5f, 0.7f));
      g.drawOval(k * 7 % 3900, k * 13 % 2900, 40 + k % 90, 40 + k % 70);
    }
    g.dispose();
    return image;
  }
}
