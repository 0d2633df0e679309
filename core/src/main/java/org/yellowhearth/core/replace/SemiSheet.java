package org.yellowhearth.core.replace;

import java.util.ArrayList;
import java.util.List;
import org.yellowhearth.core.fact.Build;
import org.yellowhearth.core.fact.Feature;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.Rail;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.IntegratedCircuit;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.Rectifier;
import org.yellowhearth.core.part.Transistor;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.part.Zener;
import org.yellowhearth.core.quantity.Quantity;

/**
 * What a substitute for a semiconductor has to meet, and what to look at with one in the hand
 * (common practice).
 */
public final class SemiSheet {
  /** Inverse voltage and current are taken with so much to spare. */
  static final double MARGIN = 1.5;

  private SemiSheet() {}

  /** The check sheet of a part; nothing for parts that are no semiconductors. */
  public static List<Message> of(Part part, Job job) {
    List<Message> sheet = new ArrayList<>();
    switch (part) {
      case Transistor t -> transistor(t, job, sheet);
      case Zener z -> {
        sheet.add(
            Message.of(
                ReplaceWords.SEMI_ZENER,
                Quantity.volts(z.volts()),
                z.watts().isPresent() ? Quantity.watts(z.watts().getAsDouble()).toString() : "—"));
        sheet.add(Message.of(ReplaceWords.SEMI_PINOUT));
      }
      case Rectifier r -> {
        r.inverseVolts()
            .ifPresent(v -> sheet.add(Message.of(ReplaceWords.SEMI_PIV, Quantity.volts(v))));
        r.amperes()
            .ifPresent(a -> sheet.add(Message.of(ReplaceWords.SEMI_CURRENT, Quantity.amperes(a))));
        sheet.add(Message.of(ReplaceWords.SEMI_PINOUT));
        if (job.aspect(Build.class).switchingSupply()) {
          sheet.add(Message.of(ReplaceWords.SEMI_RECOVERY));
        }
      }
      case IntegratedCircuit _, Valve _ -> {
        if (part instanceof IntegratedCircuit) {
          sheet.add(Message.of(ReplaceWords.SEMI_PINOUT));
        }
        TakenAlong.of(part, job).ifPresent(sheet::add);
        return List.copyOf(sheet);
      }
      default -> {
        return List.of();
      }
    }
    TakenAlong.of(part, job).ifPresent(sheet::add);
    boolean sink =
        job.aspect(Build.class).features().contains(Feature.HEAT_SINKS)
            || job.of(part.ref(), Place.class).stream()
                .anyMatch(p ->
                    p.moveOver().contains(Place.Attachment.MICA_WASHER)
                        || p.moveOver().contains(Place.Attachment.HEAT_SHUNT));
    if (sink) {
      sheet.add(Message.of(ReplaceWords.SEMI_SINK));
    }
    sheet.add(Message.of(ReplaceWords.SEMI_IN_CIRCUIT));
    return List.copyOf(sheet);
  }

  private static void transistor(Transistor t, Job job, List<Message> sheet) {
    sheet.add(Message.of(ReplaceWords.SEMI_VOLTS, highest(job)));
    sheet.add(Message.of(ReplaceWords.SEMI_HEAT));
    if (t.leastGain().isPresent() || t.mostGain().isPresent()) {
      sheet.add(
          Message.of(
              ReplaceWords.SEMI_GAIN,
              said(t.leastGain().orElse(0)),
              t.mostGain().isPresent() ? said(t.mostGain().getAsDouble()) : "—"));
    }
    if (t.material() == Transistor.Material.GERMANIUM) {
      sheet.add(Message.of(ReplaceWords.SEMI_GERMANIUM));
    }
    sheet.add(Message.of(ReplaceWords.SEMI_PINOUT));
    if (t.channel() == Transistor.Channel.FIELD_EFFECT) {
      sheet.add(Message.of(ReplaceWords.SEMI_STATIC));
    }
  }

  private static String said(double gain) {
    return Long.toString(Math.round(gain));
  }

  private static String highest(Job job) {
    double most = job.items(Rail.class).stream().mapToDouble(r -> r.volts()).max().orElse(0);
    return most > 0 ? Quantity.volts(MARGIN * most).toString() : "—";
  }
}
