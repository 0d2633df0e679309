package org.yellowhearth.core.replace;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Waveforms;
import org.yellowhearth.core.fact.SupplyRectifier;
import org.yellowhearth.core.fact.SupplyRectifier.Heating;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.core.knowledge.SubstitutionRules.ValveLimit;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.part.RectifierTechnology;
import org.yellowhearth.core.part.Valve;
import org.yellowhearth.core.progress.StoppedException;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.quantity.PreferredSeries;
import org.yellowhearth.core.quantity.Quantity;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.supply.Section;
import org.yellowhearth.core.supply.Settled;
import org.yellowhearth.core.supply.Supply;
import org.yellowhearth.core.trace.Inrush;
import org.yellowhearth.core.trace.SupplyModel;

/**
 * The greatest capacitance that may stand first behind a rectifier.
 *
 * <p>A vacuum rectifier has a published one, by type, else by how it is heated. Of the others the
 * first surge, the repeated peak, the A²s and what the winding carries are worked out for rising
 * standard values: the first surge hardly rises with the capacitance (the winding bounds it), but
 * it lasts longer, and the current comes in shorter, higher pulses ever after.
 *
 * @param why in words
 */
public record Ceiling(double farads, Message why) {
  /** Current of the winding may rise by so much: a third more heat in its copper (our own step). */
  static final double WINDING_RISE = 1.15;

  /** Where nothing is stated of a rectifier: a doubling is usually harmless (common practice). */
  static final double USUAL_TIMES = 2.2;

  /** Old rectifiers of which nothing is stated are kept nearer (our own step). */
  static final double OLD_TIMES = 1.5;

  private static final double MOST_TIMES = 12;

  /** The ceiling for a part; none where it does not stand first behind a rectifier. */
  public static Optional<Ceiling> of(
      SupplyModel model,
      Job job,
      Knowledge knowledge,
      PartRef part,
      double marked,
      Watcher watcher) {
    Optional<Supply> supply = model.supply();
    Optional<Section> before = supply.flatMap(s -> Demand.rectifierBefore(s, part));
    return before.map(section -> {
      SupplyRectifier r =
          job.items(SupplyRectifier.class).stream()
              .filter(x -> x.name().equals(section.id()))
              .findFirst()
              .orElseThrow(() ->
                  new IllegalStateException(
                      "a rectifier of the model comes from the job: " + section.id()));
      Search search =
          new Search(
              supply.orElseThrow(),
              section.id(),
              part,
              marked,
              Optional.ofNullable(model.ratings().get(section.id())),
              watcher);
      RectifierTechnology technology = technology(r, job);
      return technology.heated()
          ? vacuum(r, job, knowledge, marked)
          : search.ceiling(
              technology == RectifierTechnology.UNSTATED || technology.modern()
                  ? USUAL_TIMES
                  : OLD_TIMES);
    });
  }

  private static RectifierTechnology technology(SupplyRectifier r, Job job) {
    boolean valve = r.part().flatMap(job::part).filter(Valve.class::isInstance).isPresent();
    return r.make() == RectifierTechnology.UNSTATED && valve
        ? RectifierTechnology.VACUUM
        : r.make();
  }

  private static Ceiling vacuum(SupplyRectifier r, Job job, Knowledge knowledge, double marked) {
    String type = r.part().flatMap(job::part).map(Part::marking).orElse("");
    Optional<ValveLimit> published = knowledge.renew().valve(type + " " + r.name());
    if (published.isPresent()) {
      double most = Math.max(published.get().farads(), marked);
      return new Ceiling(
          most,
          Message.of(
              ReplaceWords.CEILING_VALVE,
              Quantity.farads(published.get().farads()),
              String.join(", ", published.get().types()).toUpperCase(Locale.ROOT)));
    }
    boolean direct = r.heating() == Heating.DIRECT;
    double usual =
        knowledge.renew().valves().stream()
            .filter(v -> v.direct() == direct)
            .mapToDouble(ValveLimit::farads)
            .min()
            .orElse(marked);
    return new Ceiling(
        Math.max(marked, usual),
        Message.of(ReplaceWords.CEILING_VALVE_CLASS, Quantity.farads(usual)));
  }

  /** The search by the engine. */
  private record Search(
      Supply supply,
      String rectifier,
      PartRef part,
      double marked,
      Optional<SupplyModel.Rating> rating,
      Watcher watcher) {
    Ceiling ceiling(double otherwise) {
      Shares original = shares(marked);
      double windingBefore = windingRms(marked);
      double best = marked;
      String bound = "";
      List<Double> values = PreferredSeries.E6.between(1.02 * marked, MOST_TIMES * marked);
      for (int k = 0; k < values.size(); k++) {
        double share = (double) k / values.size();
        if (!watcher.goOn(share)) {
          throw new StoppedException();
        }
        double c = values.get(k);
        boolean unknown = rating.isEmpty() && c > otherwise * marked * 1.001;
        double winding = windingRms(c);
        if (unknown || winding > WINDING_RISE * windingBefore) {
          bound = unknown ? "unrated" : "winding";
          break;
        }
        if (rating.isPresent() && !shares(c).bearable(original)) {
          bound = "surge";
          break;
        }
        best = c;
      }
      Quantity most = Quantity.farads(best);
      return new Ceiling(
          best,
          switch (bound) {
            case "unrated" ->
                Message.of(ReplaceWords.CEILING_UNRATED, most, Quantity.farads(marked));
            case "winding" ->
                Message.of(ReplaceWords.CEILING_WINDING, most, Quantity.percent(WINDING_RISE - 1));
            default -> {
              double used = shares(best).most();
              yield Message.of(
                  used > 1 ? ReplaceWords.CEILING_SURGE_OVER : ReplaceWords.CEILING_SURGE,
                  most,
                  Quantity.percent(used));
            }
          });
    }

    private Supply with(double farads) {
      return supply.tuned((k, now) ->
          k.element().equals(part.toString()) && k.which() == Parameter.Which.CAPACITANCE
              ? farads
              : now);
    }

    private Shares shares(double farads) {
      if (rating.isEmpty()) {
        return new Shares(0, 0, 0);
      }
      Supply tried = with(farads);
      Set<String> sections = tried.sectionIds();
      SupplyModel.Rating r = rating.get();
      return Inrush.of(tried, List.of(), Map.of(), _ -> watcher.goOn(0)).stream()
          .flatMap(i -> i.stresses().stream())
          .filter(s -> Parameter.whole(s.device(), sections).equals(rectifier))
          .map(s ->
              new Shares(
                  s.peakAmperes() / r.peakAmperes(),
                  s.surgeAmperes() / r.surgeAmperes(),
                  s.surgeSquareSeconds() / r.squareSeconds()))
          .reduce(Shares::worse)
          .orElse(new Shares(0, 0, 0));
    }

    private double windingRms(double farads) {
      return Ceiling.windingRms(with(farads), rectifier);
    }
  }

  /** What a rectifier carries against what it is made for: again and again, once, and in A²s. */
  private record Shares(double peak, double surge, double squares) {
    /**
     * Whether all is within what it is made for, or the drawing's capacitor was not much better.
     */
    boolean bearable(Shares original) {
      return peak <= Math.max(1, WINDING_RISE * original.peak)
          && surge <= Math.max(1, WINDING_RISE * original.surge)
          && squares <= Math.max(1, USUAL_TIMES * original.squares);
    }

    Shares worse(Shares o) {
      return new Shares(
          Math.max(peak, o.peak), Math.max(surge, o.surge), Math.max(squares, o.squares));
    }

    double most() {
      return Math.max(peak, Math.max(surge, squares));
    }
  }

  /** RMS current that a rectifier takes from its winding (A). */
  static double windingRms(Supply supply, String rectifier) {
    Waveforms w = Settled.of(supply).waves();
    Set<String> sections = supply.sectionIds();
    double squares =
        supply.circuit().elements().stream()
            .filter(
                e -> e instanceof Device && Parameter.whole(e.name(), sections).equals(rectifier))
            .mapToDouble(e -> Math.pow(w.current(e.name()).rms(), 2))
            .sum();
    // In a bridge each pulse passes two legs.
    boolean bridge =
        supply.sections().stream()
            .anyMatch(s ->
                s instanceof Section.Rectify r
                    && r.id().equals(rectifier)
                    && r.scheme() == Section.Scheme.BRIDGE);
    return Math.sqrt(bridge ? squares / 2 : squares);
  }
}
