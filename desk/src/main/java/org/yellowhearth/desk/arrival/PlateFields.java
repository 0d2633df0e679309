package org.yellowhearth.desk.arrival;

import java.util.Optional;
import java.util.OptionalInt;

import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.job.SetPlate.Mains;
import org.yellowhearth.desk.Labels;
import org.yellowhearth.desk.model.DeskModel;

/** Each field of the plate: how it is written, and the plate with it changed, or unchanged with a sentence why. */
final class PlateFields {
    private static final double USUAL_HERTZ = 50;
    private final DeskModel model;

    PlateFields(DeskModel model) {
        this.model = model;
    }

    static String made(SetPlate p) {
        return p.made().isPresent() ? Integer.toString(p.made().getAsInt()) : "";
    }

    static String volts(SetPlate p) {
        return p.mains().map(m -> plain(m.volts())).orElse("");
    }

    static String hertz(SetPlate p) {
        return p.mains().map(m -> plain(m.hertz())).orElse("");
    }

    private static String plain(double value) {
        return value == Math.rint(value) ? Long.toString(Math.round(value)) : Double.toString(value);
    }

    private SetPlate refused(SetPlate p, String key, Object... gaps) {
        model.tell(Labels.of(key, gaps), true);
        return p;
    }

    SetPlate name(SetPlate p, String name) {
        return name.isEmpty() || name.length() > 200 ? refused(p, "arrival.bad-name") : p.with(d -> d.name = name);
    }

    SetPlate made(SetPlate p, String year) {
        if (year.isEmpty()) {
            return p.with(d -> d.made = OptionalInt.empty());
        }
        boolean fits = year.matches("\\d{4}") && Integer.parseInt(year) >= SetPlate.FIRST_YEAR
                && Integer.parseInt(year) <= SetPlate.LAST_YEAR;
        return fits ? p.with(d -> d.made = OptionalInt.of(Integer.parseInt(year))) : refused(p, "arrival.bad-year", year);
    }

    SetPlate volts(SetPlate p, String volts) {
        if (volts.isEmpty()) {
            return p.with(d -> d.mains = Optional.empty());
        }
        Optional<Double> value = number(volts).filter(v -> v >= 1 && v <= 1000);
        double hertz = p.mains().map(Mains::hertz).orElse(USUAL_HERTZ);
        return value.isPresent()
                ? p.with(d -> d.mains = Optional.of(new Mains(value.get(), hertz)))
                : refused(p, "arrival.bad-volts", volts);
    }

    SetPlate hertz(SetPlate p, String hertz) {
        Optional<Double> value = number(hertz).filter(h -> h >= 0 && h <= 1000);
        return value.isPresent() && p.mains().isPresent()
                ? p.with(d -> d.mains = Optional.of(new Mains(p.mains().get().volts(), value.get())))
                : refused(p, "arrival.bad-hertz", hertz);
    }

    private static Optional<Double> number(String text) {
        return text.matches("\\d{1,4}([.,]\\d{1,3})?") ? Optional.of(Double.valueOf(text.replace(',', '.'))) : Optional.empty();
    }
}
