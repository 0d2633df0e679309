package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.yellowhearth.core.fact.CapacitorWare;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.Choice.Way;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Family;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Capacitor;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Role;
import org.yellowhearth.core.quantity.Quantity;

/**
 * What to mind when one part is exchanged: polarity, what moves over, leads, the old can, spilled
 * electrolyte, the mains.
 */
final class Minding {
  private final Job job;
  private final Part part;
  private final Choice choice;
  private final Knowledge knowledge;
  private final List<Message> all = new ArrayList<>();

  Minding(Job job, Part part, Choice choice, Knowledge knowledge) {
    this.job = job;
    this.part = part;
    this.choice = choice;
    this.knowledge = knowledge;
  }

  /** Everything, the weightiest first. */
  List<Message> all() {
    if (part instanceof Capacitor c) {
      polarity(c);
      spilled(c);
      mains(c);
    }
    job.of(part.ref(), Place.class).stream().findFirst().ifPresent(this::place);
    way();
    leads();
    choice
        .balanceOhms()
        .ifPresent(r -> all.add(Message.of(ReplaceWords.SHEET_BALANCE, Quantity.ohms(r))));
    if (part instanceof Capacitor c) {
      foil(c);
    }
    return all;
  }

  private boolean newPolar() {
    return choice.all().stream()
        .anyMatch(t ->
            t.ware() instanceof CapacitorWare w
                && knowledge.kinds().containsKey(w.kind())
                && knowledge.kind(w.kind()).polarised());
  }

  private void polarity(Capacitor c) {
    if (newPolar()) {
      all.add(
          Message.of(
              switch (c.polarity()) {
                case POSITIVE_TO_CHASSIS -> ReplaceWords.SHEET_PLUS_TO_CHASSIS;
                case NEGATIVE_TO_CHASSIS -> ReplaceWords.SHEET_MINUS_TO_CHASSIS;
                case NEITHER_TO_CHASSIS -> ReplaceWords.SHEET_NEITHER;
                case UNSTATED, NOT_POLARISED -> ReplaceWords.SHEET_POLARITY_UNKNOWN;
              }));
    }
  }

  private void spilled(Capacitor c) {
    Set<VisualInspection.Sign> signs =
        job.of(c.ref(), VisualInspection.class).stream()
            .map(VisualInspection::sign)
            .collect(Collectors.toSet());
    boolean burst = signs.contains(VisualInspection.Sign.BURST);
    if (burst) {
      all.add(Message.of(ReplaceWords.SHEET_BURST));
    }
    if (burst
        || signs.contains(VisualInspection.Sign.OOZING)
        || signs.contains(VisualInspection.Sign.RESIDUE_IS_ELECTROLYTE)) {
      all.add(Message.of(ReplaceWords.SHEET_SPILLED));
    }
  }

  private void mains(Capacitor c) {
    if (c.role().duty() == Role.Duty.MAINS) {
      all.add(Message.of(ReplaceWords.SHEET_MAINS));
    }
  }

  private void place(Place p) {
    if (!p.behind().isEmpty()) {
      all.add(Message.of(ReplaceWords.SHEET_BEHIND, p.behind()));
    }
    p.moveOver().forEach(a -> all.add(Message.of(ReplaceWords.SHEET_MOVE_OVER, a.term())));
  }

  private void way() {
    Way way =
        choice.way() == Way.UNSTATED && part instanceof Capacitor c && c.section()
            ? usual()
            : choice.way();
    if (way == Way.BENEATH) {
      all.add(Message.of(ReplaceWords.SHEET_BENEATH));
    } else if (way == Way.RESTUFFED) {
      all.add(Message.of(ReplaceWords.SHEET_RESTUFFED));
    }
  }

  /** What the policy does with old cans. */
  private Way usual() {
    return switch (job.policy().appearance()) {
      case OLD_CAN_IN_PLACE -> Way.BENEATH;
      case INSIDE_OLD_SHELL -> Way.RESTUFFED;
      case VISIBLY_NEW, UNUSED_OLD_STOCK -> Way.NEW_CAN;
    };
  }

  private void leads() {
    Optional<Leads> leads =
        choice.all().stream()
            .map(t -> t.ware().leads())
            .filter(l -> l != Leads.UNSTATED)
            .findFirst();
    leads
        .filter(l -> l == Leads.RADIAL || l == Leads.SNAP_IN)
        .ifPresent(_ -> all.add(Message.of(ReplaceWords.SHEET_RADIAL)));
    leads
        .filter(l -> l == Leads.AXIAL)
        .ifPresent(_ -> all.add(Message.of(ReplaceWords.SHEET_AXIAL)));
    if (part instanceof Capacitor c && (c.role() == Role.RF_BYPASS || c.role() == Role.TUNED)) {
      all.add(Message.of(ReplaceWords.SHEET_RF));
    }
  }

  /**
   * The end that goes to the outer foil screens the rest: it belongs on the quieter, lower side.
   */
  private void foil(Capacitor c) {
    boolean film =
        choice.all().stream()
            .anyMatch(t ->
                t.ware() instanceof CapacitorWare w
                    && knowledge.kinds().containsKey(w.kind())
                    && knowledge.kind(w.kind()).family() == Family.FILM);
    if (film && (c.role() == Role.COUPLING || c.role() == Role.GRID_COUPLING)) {
      all.add(Message.of(ReplaceWords.SHEET_FOIL));
    }
  }
}
