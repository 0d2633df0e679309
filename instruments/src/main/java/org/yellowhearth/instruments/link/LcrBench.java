package org.yellowhearth.instruments.link;

import java.io.IOException;
import java.util.Locale;

/** What Assess needs of an LCR meter over its line: capacitance, series resistance and dissipation at a frequency. */
public final class LcrBench {
    private static final double OVERFLOW = 9.9e37;
    private static final String ERROR = "SYST:ERR?";
    private static final int MOST_ERRORS = 30;

    private final InstrumentLink link;
    private String name = "";

    /** A reading: farads, ohms in series, dissipation. */
    public record Taken(double farads, double ohms, double dissipation) {
    }

    public LcrBench(InstrumentLink link) {
        this.link = link;
    }

    /** Maker and model, as it tells them. */
    public String name() throws IOException {
        if (name.isEmpty()) {
            String[] parts = link.ask("*IDN?").split(",", -1);
            name = parts.length > 1 ? parts[0] + " " + parts[1] : parts[0];
        }
        return name;
    }

    /** Clips a stand-in onto one of its simulated parts; a real one is clipped by hand. */
    public void clip(int part) throws IOException {
        if (name().contains("stand-in")) {
            link.send("SIM:PART " + part);
            check();
        }
    }

    /** Reads the part in its clips, in series mode. */
    public Taken read(double hertz) throws IOException {
        link.send(String.format(Locale.ROOT, "FUNC:IMP:TYPE CSRS;:FREQ %.6g", hertz));
        check();
        Taken taken = new Taken(figure("MEAS:CAP?"), figure("MEAS:RES?"), figure("MEAS:DISS?"));
        check();
        return taken;
    }

    private double figure(String query) throws IOException {
        String text = link.ask(query);
        try {
            return Double.parseDouble(text.strip());
        } catch (NumberFormatException e) {
            throw new IOException("\"" + text + "\" is no figure", e);
        }
    }

    /** Whether a figure is one, and not the sign of what is beyond the range. */
    public static boolean within(double figure) {
        return Math.abs(figure) < OVERFLOW;
    }

    /** Takes every error that waits; the first is the one that is told. */
    private void check() throws IOException {
        String first = link.ask(ERROR);
        if (fine(first)) {
            return;
        }
        for (int k = 0; k < MOST_ERRORS && !fine(link.ask(ERROR)); k++) {
            // The queue of the instrument is emptied, so that no later question is answered with an old error.
        }
        throw new Refusal(first);
    }

    private static boolean fine(String error) {
        return error.matches("\\+?0,.*");
    }

    /** The instrument refuses something; the line is as good as before. */
    public static final class Refusal extends IOException {
        private static final long serialVersionUID = 1L;

        Refusal(String error) {
            super("the instrument refuses: " + error);
        }
    }
}
