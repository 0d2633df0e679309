package org.yellowhearth.core.supply;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.yellowhearth.core.circuit.BadCircuitException;
import org.yellowhearth.core.circuit.Circuit;
import org.yellowhearth.core.circuit.Device;
import org.yellowhearth.core.circuit.Element;

/**
 * A supply as sections, at a mains.
 *
 * @param primary what lies between the mains and the windings
 */
public record Supply(Mains mains, Primary primary, List<Section> sections) {
  /** The name of a series lamp among the elements. */
  public static final String LAMP = "lamp";

  /**
   * The mains as it is now.
   *
   * @param nominalVolts what the windings' voltages are stated for
   * @param volts what is there
   */
  public record Mains(double nominalVolts, double volts, double hertz) {
    public Mains {
      if (!(nominalVolts > 0)
          || !(volts >= 0)
          || !(hertz > 0)
          || Double.isInfinite(volts / nominalVolts)
          || hertz > 10_000) {
        throw new BadCircuitException(
            "mains", "expected volts and hertz above zero, not " + volts + " V " + hertz + " Hz");
      }
    }

    /** Mains at its nominal voltage. */
    public static Mains of(double volts, double hertz) {
      return new Mains(volts, volts, hertz);
    }
  }

  /** What ties floating windings to the chassis in the model, as their insulation does. */
  private static final double INSULATION_OHMS = 1e8;

  /** A leg with less than this of its conductance passes nothing. */
  private static final double OPEN_SHARE = 1e-5;

  /** Less than this is left of a capacitor that is open: its leads. */
  public static final double OPEN_FARADS = 1e-9;

  /** With more than this in series a capacitor is open. */
  private static final double OPEN_CAP_OHMS = 1e5;

  /**
   * A capacitor at the output of a regulator that is faster than this with it, in s, does nothing
   * that the regulator does not do: it is left out, for the steps of the engine are far longer.
   */
  private static final double FAST_SECONDS = 2.5e-8;

  /** What is left of a leg that is open, in Ω: the insulation around it. */
  private static final double OPEN_OHMS = 1e9;

  public Supply {
    sections = List.copyOf(sections);
    Set<String> ids = new HashSet<>();
    for (Section s : sections) {
      if (!ids.add(s.id())) {
        throw new BadCircuitException(s.id(), "names two sections");
      }
    }
  }

  /** A supply whose windings do not share a primary resistance. */
  public static Supply of(Mains mains, Section... sections) {
    return new Supply(mains, Primary.NONE, List.of(sections));
  }

  /** A supply whose windings share a primary of so many ohms. */
  public Supply(Mains mains, double primaryOhms, List<Section> sections) {
    this(mains, Primary.of(primaryOhms), sections);
  }

  /** This with every value as a tuner wants it. */
  public Supply tuned(Tuner tuner) {
    double volts =
        tuner.at(new Parameter(Parameter.MAINS, Parameter.Which.MAINS_VOLTS), mains.volts);
    return new Supply(
        new Mains(mains.nominalVolts, volts, mains.hertz),
        primary.tuned(tuner),
        sections.stream().map(s -> s.tuned(tuner)).toList());
  }

  /** This with one more section. */
  public Supply with(Section more) {
    return new Supply(mains, primary, Stream.concat(sections.stream(), Stream.of(more)).toList());
  }

  /** This behind another primary. */
  public Supply with(Primary other) {
    return new Supply(mains, other, sections);
  }

  /** This with a lamp in series with all of it. */
  public Supply behind(Lamp lamp) {
    return with(primary.with(lamp));
  }

  /** The names of its sections, by which elements are led back to their wholes. */
  public Set<String> sectionIds() {
    return sections.stream().map(Section::id).collect(Collectors.toSet());
  }

  /** Whether a load is one of so many ohms, so that more of them take less. */
  public boolean loadInOhms(String id) {
    return sections.stream()
        .anyMatch(s ->
            s instanceof Section.Load l
                && l.id().equals(id)
                && l.kind() == Section.Load.Kind.RESISTANCE);
  }

  /**
   * Nodes inside sections that a meter can reach: electrodes of valve stages, the middle of a
   * doubler.
   */
  public List<String> innerPoints() {
    List<String> inner = new ArrayList<>();
    for (Section s : sections) {
      switch (s) {
        case Section.Stage v -> {
          inner.add(v.id() + ".a");
          v.screen().ifPresent(_ -> inner.add(v.id() + ".g2"));
          if (v.cathodeOhms() > 0) {
            inner.add(v.id() + ".k");
          }
        }
        case Section.Doubler d -> inner.add(d.cascade() ? d.id() + ".p" : d.winding() + ".b");
        default -> {}
      }
    }
    return inner;
  }

  /** Its circuit. */
  public Circuit circuit() {
    List<Element> all = new ArrayList<>();
    windings(all);
    for (Section s : sections) {
      switch (s) {
        case Section.Winding _ -> {}
        case Section.Rectify r -> rectify(r, all);
        case Section.Doubler d -> doubler(d, all);
        case Section.Filter f -> filter(f, all);
        case Section.Resist r ->
            all.add(new Element.Resistance(r.part(), r.from(), r.to(), r.ohms()));
        case Section.Load l -> all.add(load(l));
        case Section.Stage v -> stage(v, all);
        case Section.Regulate r -> all.add(regulate(r));
        case Section.Stabilise z ->
            all.add(
                z.negative()
                    ? new Device.Zener(z.id(), z.at(), Section.CHASSIS, z.volts(), z.ohms())
                    : new Device.Zener(z.id(), Section.CHASSIS, z.at(), z.volts(), z.ohms()));
      }
    }
    return new Circuit(mains.hertz, all);
  }

  private void windings(List<Element> all) {
    List<Section.Winding> windings =
        sections.stream()
            .filter(Section.Winding.class::isInstance)
            .map(Section.Winding.class::cast)
            .toList();
    if (primary.shared()) {
      String fed = primary.lamp().isPresent() ? "mains.s" : "mains.l";
      all.add(
          new Element.Source(
              "mains", fed, Section.CHASSIS, 0, mains.volts * Math.sqrt(2), 0, primary.ohms()));
      primary
          .lamp()
          .ifPresent(l -> all.add(new Element.Resistance(LAMP, fed, "mains.l", l.ohms())));
      if (primary.otherWatts() > 0) {
        all.add(
            new Element.Resistance(
                "mains.other",
                "mains.l",
                Section.CHASSIS,
                mains.nominalVolts * mains.nominalVolts / primary.otherWatts()));
      }
      List<Element.IdealTransformer.Winding> turns = new ArrayList<>();
      turns.add(
          new Element.IdealTransformer.Winding("mains.l", Section.CHASSIS, mains.nominalVolts, 0));
      for (Section.Winding w : windings) {
        if (w.tapped()) {
          turns.add(
              new Element.IdealTransformer.Winding(
                  w.id() + ".a", w.id() + ".c", w.volts(), w.ohms()));
          turns.add(
              new Element.IdealTransformer.Winding(
                  w.id() + ".c", w.id() + ".b", w.volts(), w.ohms()));
        } else {
          turns.add(
              new Element.IdealTransformer.Winding(
                  w.id() + ".a", w.id() + ".b", w.volts(), w.ohms()));
        }
      }
      all.add(new Element.IdealTransformer("transformer", turns));
    }
    for (Section.Winding w : windings) {
      if (!primary.shared()) {
        double peak = w.volts() * Math.sqrt(2) * mains.volts / mains.nominalVolts;
        all.add(
            new Element.Source(
                w.id() + "a",
                w.id() + ".a",
                w.id() + (w.tapped() ? ".c" : ".b"),
                0,
                peak,
                0,
                w.ohms()));
        if (w.tapped()) {
          all.add(
              new Element.Source(w.id() + "b", w.id() + ".c", w.id() + ".b", 0, peak, 0, w.ohms()));
        }
      }
      // At both ends alike, so that a full-wave rectifier does the same in both halves of a period.
      all.add(
          new Element.Resistance(
              w.id() + ".insulation", w.id() + ".b", Section.CHASSIS, 2 * INSULATION_OHMS));
      all.add(
          new Element.Resistance(
              w.id() + ".insulation2", w.id() + ".a", Section.CHASSIS, 2 * INSULATION_OHMS));
    }
  }

  private Section.Winding winding(String id, String asking) {
    return sections.stream()
        .filter(Section.Winding.class::isInstance)
        .map(Section.Winding.class::cast)
        .filter(w -> w.id().equals(id))
        .findFirst()
        .orElseThrow(() ->
            new BadCircuitException(
                asking, "is fed by “" + id + "”, which is no winding of this supply"));
  }

  private void rectify(Section.Rectify r, List<Element> all) {
    Section.Winding w = winding(r.winding(), r.id());
    String a = w.id() + ".a";
    String b = w.id() + ".b";
    String c = w.id() + ".c";
    switch (r.scheme()) {
      case HALF_WAVE -> {
        all.add(tie(r, b));
        leg(r, 0, a, r.to(), all);
      }
      case FULL_WAVE -> {
        if (!w.tapped()) {
          throw new BadCircuitException(
              r.id(), "rectifies both halves of “" + w.id() + "”, which has no centre tap");
        }
        all.add(tie(r, c));
        leg(r, 0, a, r.to(), all);
        leg(r, 1, b, r.to(), all);
      }
      case BRIDGE -> {
        leg(r, 0, a, r.to(), all);
        leg(r, 1, b, r.to(), all);
        leg(r, 2, r.common(), a, all);
        leg(r, 3, r.common(), b, all);
      }
    }
  }

  /** A wire that two rectifiers on one winding may share. */
  private static Element tie(Section.Rectify r, String point) {
    return new Element.Resistance(r.id() + ".tie", point, r.common(), 1e-3);
  }

  private static void leg(
      Section.Rectify r, int number, String from, String to, List<Element> all) {
    RectifierModel model = weakened(r.id(), r.model(), r.legs().get(number));
    String name = r.legs().size() == 1 ? r.id() : r.id() + "." + (number + 1);
    all.add(r.negative() ? model.between(name, to, from) : model.between(name, from, to));
  }

  private static RectifierModel weakened(String id, RectifierModel whole, double share) {
    if (!(share >= 0 && share <= 10)) {
      throw new BadCircuitException(
          id, "has a leg of " + share + " of its conductance; expected 0 to 10");
    }
    return weakened(whole, share);
  }

  private static RectifierModel weakened(RectifierModel model, double share) {
    return share == 1
        ? model
        : switch (model) {
          case RectifierModel.Vacuum v ->
              new RectifierModel.Vacuum(v.perveance() * Math.max(share, OPEN_SHARE / 10));
          case RectifierModel.Junction j when share < OPEN_SHARE ->
              new RectifierModel.Junction(
                  j.technology(),
                  j.saturationAmperes() * OPEN_SHARE,
                  j.emission(),
                  OPEN_OHMS,
                  j.offsetVolts());
          case RectifierModel.Junction j ->
              new RectifierModel.Junction(
                  j.technology(),
                  j.saturationAmperes() * share,
                  j.emission(),
                  j.seriesOhms() / share,
                  j.offsetVolts());
        };
  }

  private void doubler(Section.Doubler d, List<Element> all) {
    Section.Winding w = winding(d.winding(), d.id());
    String a = w.id() + ".a";
    String b = w.id() + ".b";
    if (d.cascade()) {
      String pumped = d.id() + ".p";
      all.add(new Element.Resistance(d.id() + ".tie", b, d.common(), 1e-3));
      all.add(cap(d.first(), pumped, a));
      all.add(rectifier(d, 0, d.common(), pumped));
      all.add(rectifier(d, 1, pumped, d.to()));
      all.add(cap(d.second(), d.to(), d.common()));
    } else {
      all.add(rectifier(d, 0, a, d.to()));
      all.add(rectifier(d, 1, d.common(), a));
      all.add(cap(d.first(), d.to(), b));
      all.add(cap(d.second(), b, d.common()));
    }
  }

  /** One of the two of a doubler, turned round for a negative voltage. */
  private static Element rectifier(Section.Doubler d, int number, String from, String to) {
    RectifierModel model = weakened(d.id(), d.model(), d.legs().get(number));
    String name = d.id() + "." + (number + 1);
    return d.negative() ? model.between(name, to, from) : model.between(name, from, to);
  }

  /** A capacitor; one whose lead is off is only what leaks beside it. */
  private static Element cap(Section.Cap c, String plus, String minus) {
    boolean open = c.farads() > 0 && c.farads() <= OPEN_FARADS;
    return open || c.esrOhms() >= OPEN_CAP_OHMS ? leak(c, plus, minus) : whole(c, plus, minus);
  }

  private static Element leak(Section.Cap c, String plus, String minus) {
    return new Element.Resistance(c.part(), plus, minus, c.leakOhms());
  }

  private static Element whole(Section.Cap c, String plus, String minus) {
    return new Element.Capacitance(c.part(), plus, minus, c.farads(), c.esrOhms(), c.leakOhms());
  }

  private void filter(Section.Filter f, List<Element> all) {
    switch (f.way()) {
      case Section.Way.Wire _ -> {
        if (!f.from().equals(f.to())) {
          all.add(new Element.Resistance(f.id(), f.from(), f.to(), 0));
        }
      }
      case Section.Way.Resistor r ->
          all.add(new Element.Resistance(r.part(), f.from(), f.to(), r.ohms()));
      case Section.Way.Choke l ->
          all.add(
              new Element.Inductance(
                  l.part(), f.from(), f.to(), l.henries(), l.ohms(), l.lossOhms()));
    }
    f.shunt()
        .ifPresent(c ->
            all.add(lost(c, f.to()) ? leak(c, f.to(), f.against()) : cap(c, f.to(), f.against())));
  }

  /** Whether a regulator holds the point faster than a capacitor there could tell. */
  private boolean lost(Section.Cap c, String point) {
    return sections.stream()
        .anyMatch(s ->
            s instanceof Section.Regulate r
                && r.to().equals(point)
                && r.outOhms() * c.farads() < FAST_SECONDS);
  }

  private static Element load(Section.Load l) {
    return switch (l.kind()) {
      case RESISTANCE -> new Element.Resistance(l.id(), l.at(), Section.CHASSIS, l.value());
      case CURRENT ->
          new Device.CurrentLoad(l.id(), l.at(), Section.CHASSIS, l.value(), l.bendVolts());
      case POWER -> new Device.PowerLoad(l.id(), l.at(), Section.CHASSIS, l.value(), l.bendVolts());
    };
  }

  private static void stage(Section.Stage v, List<Element> all) {
    String anode = v.id() + ".a";
    String cathode = v.cathodeOhms() > 0 ? v.id() + ".k" : Section.CHASSIS;
    String grid = v.id() + ".g";
    all.add(new Element.Resistance(v.id() + ".load", v.at(), anode, v.anodeOhms()));
    all.add(new Element.Resistance(v.id() + ".leak", grid, v.gridPoint(), v.gridOhms()));
    if (v.cathodeOhms() > 0) {
      all.add(
          new Element.Resistance(v.id() + ".cathode", cathode, Section.CHASSIS, v.cathodeOhms()));
      v.bypass().ifPresent(c -> all.add(cap(c, cathode, Section.CHASSIS)));
    }
    ValveModel m = v.valve();
    Optional<Section.Stage.Decoupled> screen = v.screen();
    if (m.pentode()) {
      String point = screen.isPresent() ? v.id() + ".g2" : v.at();
      screen.ifPresent(d -> {
        all.add(new Element.Resistance(v.id() + ".screen", v.at(), point, d.ohms()));
        d.decoupler().ifPresent(c -> all.add(cap(c, point, Section.CHASSIS)));
      });
      all.add(
          new Device.Pentode(
              v.id(),
              anode,
              point,
              grid,
              cathode,
              m.perveance(),
              m.mu(),
              m.anodeShare(),
              m.kneeVolts()));
    } else {
      all.add(new Device.Triode(v.id(), anode, grid, cathode, m.perveance(), m.mu()));
    }
  }

  private static Device regulate(Section.Regulate r) {
    Device.Pair pass =
        r.negative() ? new Device.Pair(r.to(), r.from()) : new Device.Pair(r.from(), r.to());
    Device.Pair held =
        r.negative()
            ? new Device.Pair(Section.CHASSIS, r.to())
            : new Device.Pair(r.to(), Section.CHASSIS);
    Device.Pair tracked =
        r.tracks()
            .map(t ->
                t.volts() < 0
                    ? new Device.Pair(Section.CHASSIS, t.point())
                    : new Device.Pair(t.point(), Section.CHASSIS))
            .orElse(held);
    return new Device.Regulator(
        r.id(),
        pass,
        held,
        tracked,
        Math.abs(r.tracks().map(Section.Regulate.Tracked::volts).orElse(0.0)),
        r.volts(),
        r.dropoutVolts(),
        r.outOhms(),
        r.passOhms(),
        r.mostAmperes());
  }
}
