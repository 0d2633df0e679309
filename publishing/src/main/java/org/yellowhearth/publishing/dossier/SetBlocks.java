package org.yellowhearth.publishing.dossier;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.cause.Cause;
import org.yellowhearth.core.fact.CalibrationHold;
import org.yellowhearth.core.fact.Complaint;
import org.yellowhearth.core.fact.Fitting;
import org.yellowhearth.core.fact.Jumper;
import org.yellowhearth.core.fact.Observation;
import org.yellowhearth.core.fact.Paper;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.knowledge.CautionRule;
import org.yellowhearth.core.safety.SetCautions;
import org.yellowhearth.knowledge.words.Describe;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.folio.Folio;
import org.yellowhearth.publishing.folio.Folio.Block;

/**
 * What a dossier tells of the set as a whole: what it is, what was found, what to watch, what was
 * kept and what goes where.
 */
final class SetBlocks {
  private final Dossier dossier;
  private final Job job;
  private final Words words;
  private final Describe describe;

  SetBlocks(Dossier dossier, Words words, Describe describe) {
    this.dossier = dossier;
    this.job = dossier.job();
    this.words = words;
    this.describe = describe;
  }

  List<Block> plate() {
    SetPlate plate = job.plate();
    return List.of(
        Folio.pairs(
            List.of(
                List.of("Kind", words.word(plate.kind())),
                List.of("Built of", words.word(plate.technology())),
                List.of("Made", Describe.year(plate)),
                List.of("Place", said(plate.place())),
                List.of("Made for mains", describe.mains(plate)),
                List.of("Chassis", words.word(plate.chassis())),
                List.of("Purpose", words.word(plate.purpose())),
                List.of("Complaint", said(plate.complaint())),
                List.of("End state", said(plate.endState())),
                List.of(
                    "Policy",
                    String.join(
                        "  ·  ",
                        Describe.schools(job.policy()).stream().map(words::word).toList())))));
  }

  private static String said(String text) {
    return text.isEmpty() ? "—" : text;
  }

  /**
   * What it came in with: symptoms, signs of earlier work, papers, bridged interlocks, what it can
   * do to a person.
   */
  List<Block> found() {
    List<Block> all = new ArrayList<>();
    Complaint complaint = job.aspect(Complaint.class);
    if (!complaint.symptoms().isEmpty()) {
      all.add(
          new Block.Labelled(
              "Symptoms",
              String.join(", ", complaint.symptoms().stream().map(words::word).toList())));
    }
    job.items(Observation.class)
        .forEach(o -> all.add(new Block.Labelled("Seen", describe.item(o))));
    job.items(Paper.class).forEach(p -> all.add(new Block.Labelled("Paper", describe.item(p))));
    job.items(Jumper.class).forEach(j -> all.add(new Block.Labelled("Bridged", describe.item(j))));
    SetCautions.of(job, dossier.knowledge()).stream()
        .filter(CautionRule::danger)
        .forEach(c -> all.add(Folio.caution(words.term("Danger." + c.id()))));
    all.addAll(causes());
    return all;
  }

  /**
   * Faults that were followed: what was suspected, what was changed, what came of it, and how sure
   * that is.
   */
  private List<Block> causes() {
    List<Block> all = new ArrayList<>();
    for (Cause c : Cause.of(job, dossier.items().stream().map(Dossier.Item::assessment).toList())) {
      all.add(new Block.Labelled(c.trail().symptom(), describe.item(c.trail())));
      c.changes()
          .forEach(x ->
              all.add(
                  new Block.Labelled(
                      "Changed "
                          + DossierFolio.MOMENT.format(x.at().atZone(dossier.madeAt().getZone())),
                      words.say(x.what()))));
      all.add(new Block.Labelled(words.word(c.standing()), words.say(c.why())));
    }
    return all;
  }

  /** What an eye is to be kept on. */
  List<Block> watch() {
    List<Block> all = new ArrayList<>();
    dossier.items().stream()
        .filter(i -> i.assessment().verdict() == Verdict.WATCH)
        .filter(i ->
            job.of(i.assessment().part().ref(), Fitting.class).stream().noneMatch(Fitting::fitted))
        .forEach(i ->
            all.add(
                new Block.Labelled(
                    i.assessment().part().ref() + "  " + describe.part(i.assessment().part()),
                    words.say(i.assessment().because()))));
    job.items(Fitting.class).stream()
        .filter(f -> f.debt() != Fitting.Debt.UNSTATED)
        .forEach(f ->
            all.add(
                new Block.Labelled(
                    f.part().toString(), words.word(f.debt()) + ": " + f.debtReason())));
    job.items(CalibrationHold.class).stream()
        .filter(h -> h.holds(dossier.madeAt().toInstant()))
        .forEach(h -> all.add(new Block.Labelled("Waited for", h.what())));
    return all;
  }

  List<Block> kept() {
    return job.items(Fitting.class).stream()
        .filter(f -> !f.keptAt().isEmpty())
        .map(f -> (Block) new Block.Labelled(f.part().toString(), f.keptAt()))
        .toList();
  }

  /** What goes where: what the parts and the set hold that no dustbin takes. */
  List<Block> disposal() {
    List<Block> all = new ArrayList<>();
    List<CautionRule> rules =
        SetCautions.of(job, dossier.knowledge()).stream()
            .filter(c -> c.stages().contains(CautionRule.Moment.DISPOSAL))
            .toList();
    rules.forEach(c -> all.add(Folio.words(words.term("Danger." + c.id()))));
    if (!rules.isEmpty()) {
      all.add(
          Folio.quiet(
              "Local rules decide what is hazardous waste and who takes it; ask before anything is thrown away."));
    }
    return all;
  }
}
