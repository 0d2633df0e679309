package org.yellowhearth.publishing.dossier;

import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.yellowhearth.core.fact.ProofFigure;
import org.yellowhearth.core.finaltest.BeforeAfter;
import org.yellowhearth.core.finaltest.VoltageChart;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.replace.SignOff;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.folio.Folio;
import org.yellowhearth.publishing.folio.Folio.Block;
import org.yellowhearth.publishing.folio.PdfFolio;

/** The evidence that a set is good on papers of its own, and how its figures are written. */
public final class FinalTestPapers {
  private FinalTestPapers() {}

  /** The papers as the bytes of a PDF file. */
  public static byte[] evidence(
      Job job,
      VoltageChart chart,
      Knowledge knowledge,
      List<SignOff.Owed> open,
      ZonedDateTime madeAt) {
    Words words = Words.of(job.plate().dialect());
    ProofBlocks proof =
        new ProofBlocks(
            new Dossier(job, List.of(), knowledge, madeAt),
            words,
            new Describe(words, job),
            () -> new SupplyProof(chart, Optional.empty()));
    List<Block> first = new ArrayList<>(List.of(new Block.Title("What it measures now")));
    if (chart.lines().isEmpty()) {
      first.add(Folio.words("The drawing promises nothing that was written down."));
    }
    first.addAll(proof.proved());
    List<Block> against =
        new ArrayList<>(open.isEmpty() ? List.of(Folio.words("Nothing.")) : List.of());
    open.forEach(o ->
        against.add(
            Folio.words(
                (o.blocks() ? "!  " : "·  ") + (o.about() + "  " + words.say(o.why())).strip())));
    return PdfFolio.bytes(
        new Folio(
            "What it measures now: " + job.plate().name(),
            "",
            job.plate().name() + "  ·  " + DossierFolio.DAY.format(madeAt),
            List.of(
                new Folio.Part("", first),
                new Folio.Part(
                    "Before and after",
                    or(proof.supply(), "Nothing was read both before " + "and after the work.")),
                new Folio.Part("Burn-in", or(proof.burnedIn(), "No burn-in was made yet.")),
                new Folio.Part("What stands against handing it back", against))));
  }

  private static List<Block> or(List<Block> blocks, String otherwise) {
    return blocks.isEmpty() ? List.of(Folio.words(otherwise)) : blocks;
  }

  /** A reading as it comes to the drawing's conditions, and as it was. */
  public static String measured(Optional<VoltageChart.Measured> m) {
    return ProofBlocks.measured(m);
  }

  /** Under what the shown figure of a point was read: line, meter, signal, controls. */
  public static String conditions(VoltageChart.Line l, Words words) {
    return ProofBlocks.conditions(l, words);
  }

  /** A deviation with its sign. */
  public static String off(OptionalDouble deviation) {
    return ProofBlocks.off(deviation);
  }

  /** A pair in one line. */
  public static String pair(BeforeAfter.Pair p) {
    return ProofBlocks.pair(p);
  }

  /** A figure of another instrument in one line. */
  public static String figure(ProofFigure f) {
    return ProofBlocks.figure(f);
  }
}
