package org.yellowhearth.workshop;

import java.time.Duration;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import org.yellowhearth.core.job.Edit;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.reading.Conditions;
import org.yellowhearth.core.reading.Figure;
import org.yellowhearth.core.reading.Figures;
import org.yellowhearth.core.reading.Mode;
import org.yellowhearth.core.reading.Reading;
import org.yellowhearth.instruments.bench.Parts;
import org.yellowhearth.instruments.bench.StandInBench;
import org.yellowhearth.instruments.link.LcrBench;
import org.yellowhearth.instruments.link.LinkAddress;
import org.yellowhearth.instruments.link.LocalLink;
import org.yellowhearth.workshop.words.Labels;

/**
 * The instruments on the bench, stand-ins or real: the simulated bench inside the program, and the
 * line to the LCR meter.
 */
public final class InstrumentsModel {
  static final Duration PATIENCE = Duration.ofSeconds(3);
  private static final long SEED = 20_261_127;

  /** The simulated part that the LCR meter holds where the chosen one hangs on no channel. */
  private static final int UNKNOWN_PART = 4;

  private final DeskModel model;
  private final InstrumentLine<LcrBench> lcr;
  private Optional<StandInBench> standIns = Optional.empty();
  private Optional<Supplier<Parts>> laid = Optional.empty();
  private List<PartRef> lying = List.of();
  private OptionalDouble uncertainty = OptionalDouble.empty();

  InstrumentsModel(DeskModel model) {
    this.model = model;
    lcr =
        new InstrumentLine<>(
            model.background(),
            () -> model.now().toInstant(),
            LcrBench::new,
            () -> LcrBench::name,
            _ -> false);
    lcr.onLost(why -> model.tell(Labels.of("instruments.lost", why), true));
  }

  /** The line to the LCR meter. */
  public InstrumentLine<LcrBench> lcr() {
    return lcr;
  }

  /**
   * The simulated bench inside the program; its parts stay as they are until it is asked for at
   * another speed.
   */
  StandInBench standIns(double speed) {
    if (standIns.isEmpty()) {
      standIns =
          Optional.of(
              laid.map(p -> new StandInBench(() -> model.now().toInstant(), SEED, p.get()))
                  .orElseGet(() -> StandInBench.usual(() -> model.now().toInstant(), SEED)));
    }
    standIns.get().clock().runAt(speed);
    return standIns.get();
  }

  /**
   * For practice: these lie on the stand-in bench whenever it is taken anew, one part of the census
   * on each of the first channels.
   */
  void lay(Supplier<Parts> parts, List<PartRef> channels) {
    laid = Optional.of(parts);
    lying = List.copyOf(channels);
  }

  /** What lies on the channels of the stand-in bench by itself. */
  List<PartRef> lying() {
    return lying;
  }

  private int channel(PartRef ref) {
    int at = lying.indexOf(ref);
    return at >= 0
        ? at + 1
        : model.reform().lane(ref).flatMap(ReformModel.Lane::channel).orElse(UNKNOWN_PART);
  }

  /** A bench with fresh parts. */
  StandInBench freshStandIns(double speed) {
    standIns = Optional.empty();
    return standIns(speed);
  }

  /** Uses the stand-in LCR meter. */
  public void useStandIn() {
    uncertainty = OptionalDouble.of(0.002);
    StandInBench bench = standIns.orElseGet(() -> standIns(1));
    lcr.connect(Labels.of("instruments.stand-in"), () -> new LocalLink(bench.lcrMeter()));
  }

  /**
   * Connects to an LCR meter.
   *
   * @param percent its standard uncertainty in per cent of the reading, where it states one
   */
  public void connect(String address, OptionalDouble percent) {
    model.made(() -> {
      LinkAddress to = LinkAddress.parse(address);
      percent.ifPresent(p -> {
        if (!(p > 0 && p <= 50)) {
          throw new IllegalArgumentException(Labels.of("instruments.uncertainty-range", p));
        }
      });
      uncertainty =
          percent.isPresent()
              ? OptionalDouble.of(percent.getAsDouble() / 100)
              : OptionalDouble.empty();
      lcr.connect(to.toString(), () -> to.open(PATIENCE));
    });
  }

  private record Taken(LcrBench.Taken figures, String instrument) {}

  /** Reads a part and keeps what comes as a typed reading is kept, through the same gate. */
  public void take(PartRef ref, double hertz) {
    if (!lcr.open()) {
      model.tell(Labels.of("instruments.none"), true);
      return;
    }
    if (laid.isPresent() && standIns.isPresent() && !lying.contains(ref)) {
      model.tell(Labels.of("practice.not-lying", ref), false);
      return;
    }
    int clipped = channel(ref);
    lcr.ask(
        bench -> {
          bench.clip(clipped);
          return new Taken(bench.read(hertz), bench.name());
        },
        t -> keep(ref, hertz, t));
  }

  private void keep(PartRef ref, double hertz, Taken t) {
    Map<Figure, Double> figures = new EnumMap<>(Figure.class);
    figures.put(Figure.CAPACITANCE, t.figures.farads());
    figures.put(Figure.ESR, t.figures.ohms());
    figures.put(Figure.DISSIPATION, t.figures.dissipation());
    figures.values().removeIf(v -> !LcrBench.within(v) || v < 0);
    if (figures.isEmpty()) {
      model.tell(Labels.of("instruments.over", ref), true);
      return;
    }
    Conditions conditions =
        Conditions.of(d -> {
          d.frequencyHertz = OptionalDouble.of(hertz);
          d.mode = Mode.SERIES;
          d.uncertainty = uncertainty;
          d.instrument = t.instrument;
        });
    model.inTurn(() ->
        model.made(() ->
            model.act(
                new Edit.ReadingKept(
                    new Reading(
                        model.newId(),
                        ref,
                        model.now().toInstant(),
                        new Figures(figures),
                        conditions,
                        "")),
                () -> {})));
  }
}
