package org.yellowhearth.core.reading;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

import org.yellowhearth.core.marking.Dimension;
import org.yellowhearth.core.marking.FigureText;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnitText;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Message;

/**
 * Reads what a meter shows, any order, any subset: {@code 9.1u 400r D2.4 @100 in}. A figure is told by its unit or its letter; what
 * follows {@code @} is the condition, told by its unit too (hertz where none is written). After a refusal, what was understood
 * before it can still be asked for, so that it can be echoed while a person types.
 */
public final class ReadingParser {
    private static final Map<String, Figure> LETTERS = Map.of("d", Figure.DISSIPATION, "tan", Figure.DISSIPATION, "q",
            Figure.QUALITY,
            "esr", Figure.ESR, "ir", Figure.INSULATION, "c", Figure.CAPACITANCE, "i", Figure.LEAKAGE, "leak", Figure.LEAKAGE);
    private static final Pattern LETTERED = Pattern
            .compile("(?i)(?:(d|tan|q|esr|ir|c|i|leak)=|(d|tan|q|esr|ir|leak)(?=[.,\\d]))(.*)");
    private static final Pattern LETTER_ALONE = Pattern.compile("(?i)(d|tan|q|esr|ir|leak)");
    private static final Map<String, Mode> MODES = Map.of("ser", Mode.SERIES, "series", Mode.SERIES, "par", Mode.PARALLEL,
            "parallel",
            Mode.PARALLEL);
    private static final Map<String, Connection> CONNECTIONS = Map.of("in", Connection.IN_CIRCUIT, "out",
            Connection.OUT_OF_CIRCUIT,
            "leg", Connection.ONE_LEG_LIFTED);
    private static final double LARGEST_RATIO = 10_000;

    private Figures figures = new Figures(Map.of());
    private OptionalDouble hertz = OptionalDouble.empty();
    private Mode mode = Mode.UNSTATED;
    private Connection connection = Connection.OUT_OF_CIRCUIT;
    private OptionalDouble volts = OptionalDouble.empty();
    private OptionalDouble minutes = OptionalDouble.empty();
    private OptionalDouble celsius = OptionalDouble.empty();

    /**
     * Reads all words, or as many as can be understood.
     *
     * @throws UnreadableException at the first word that is no part of a reading, or where no figure is among them
     * @throws org.yellowhearth.core.marking.AmbiguousException where a figure has two honest meanings
     */
    public void read(List<Token> words) {
        List<Token> line = partedAtConditions(words);
        int at = 0;
        while (at < line.size()) {
            at += one(line, at);
        }
        if (figures.values().isEmpty()) {
            Token last = words.isEmpty() ? new Token("", 0) : words.getLast();
            throw unreadable(ReadingWords.NO_FIGURE, last.text(), last.index());
        }
    }

    /** The figures understood so far. */
    public Figures figures() {
        return figures;
    }

    /** The conditions understood so far. */
    public Conditions conditions() {
        return new Conditions(hertz, mode, connection, volts, minutes, celsius);
    }

    /** {@code 0.3mA@450V} is a figure and a condition: words are parted before each {@code @}. */
    private static List<Token> partedAtConditions(List<Token> words) {
        List<Token> parted = new ArrayList<>();
        for (Token word : words) {
            int from = 0;
            for (int i = 1; i <= word.text().length(); i++) {
                if (i == word.text().length() || word.text().charAt(i) == '@') {
                    parted.add(new Token(word.text().substring(from, i), word.index() + from));
                    from = i;
                }
            }
        }
        return parted;
    }

    /** Takes one figure, condition or word, and says how many words it used. */
    private int one(List<Token> line, int at) {
        Token token = line.get(at);
        String word = token.text();
        String folded = word.toLowerCase(Locale.ROOT);
        if (word.startsWith("@")) {
            return word.length() == 1 ? 1 + condition(line, at + 1, token) : condition(replaced(line, at, 1), at, token);
        }
        if (MODES.containsKey(folded)) {
            mode = MODES.get(folded);
            return 1;
        }
        if (CONNECTIONS.containsKey(folded)) {
            connection = CONNECTIONS.get(folded);
            return 1;
        }
        Matcher lettered = LETTERED.matcher(word);
        if (lettered.matches()) {
            String letter = lettered.group(1) != null ? lettered.group(1) : lettered.group(2);
            return named(LETTERS.get(letter.toLowerCase(Locale.ROOT)), replaced(line, at, lettered.start(3)), at, token);
        }
        if (LETTER_ALONE.matcher(word).matches()) {
            return 1 + named(LETTERS.get(folded), line, at + 1, token);
        }
        return bare(line, at);
    }

    private static List<Token> replaced(List<Token> line, int at, int skip) {
        List<Token> copy = new ArrayList<>(line);
        Token t = line.get(at);
        copy.set(at, new Token(t.text().substring(skip), t.index() + skip));
        return copy;
    }

    private static FigureText figure(List<Token> line, int at, Token asked, ReadingWords expected) {
        if (at >= line.size()) {
            throw unreadable(expected, asked.text(), asked.index());
        }
        return FigureText.read(line, at)
                .orElseThrow(() -> unreadable(expected, asked.text(), asked.index()));
    }

    /** A figure that its letter names: D, Q, ESR, IR, C, I. */
    private int named(Figure what, List<Token> line, int at, Token asked) {
        FigureText text = figure(line, at, asked, ReadingWords.FIGURE_EXPECTED);
        switch (what) {
            case DISSIPATION, QUALITY -> keep(what, ratio(text), text);
            case ESR -> keep(what,
                    text.unit().isEmpty() ? positive(text) : of(text, Dimension.RESISTANCE, ReadingWords.RESISTANCE_EXPECTED),
                    text);
            case INSULATION -> keep(what, of(text, Dimension.RESISTANCE, ReadingWords.RESISTANCE_EXPECTED), text);
            case CAPACITANCE -> keep(what, of(text, Dimension.CAPACITANCE, ReadingWords.CAPACITANCE_EXPECTED), text);
            case LEAKAGE -> keep(what, of(text, Dimension.CURRENT, ReadingWords.CURRENT_EXPECTED), text);
        }
        return text.words();
    }

    private static double ratio(FigureText text) {
        boolean percent = text.unit().equals("%");
        if (!text.unit().isEmpty() && !percent) {
            throw unreadable(ReadingWords.RATIO_EXPECTED, text.text(), text.index());
        }
        double value = percent ? text.number() / 100 : text.number();
        if (!(value > 0 && value <= LARGEST_RATIO)) {
            throw unreadable(ReadingWords.RATIO_RANGE, text.text(), text.index());
        }
        return value;
    }

    /** A plain number taken as ohms, because ESR was written before it. */
    private static double positive(FigureText text) {
        return new FigureText(text.number(), "r", text.index(), text.text(), text.words()).positiveValue();
    }

    private static double of(FigureText text, Dimension wanted, ReadingWords expected) {
        if (text.meaning().dimension() != wanted) {
            throw unreadable(expected, text.text(), text.index());
        }
        return text.positiveValue();
    }

    /** A figure without a letter: its unit says what it is. */
    private int bare(List<Token> line, int at) {
        Token token = line.get(at);
        FigureText text = FigureText.read(line, at)
                .orElseThrow(() -> unreadable(ReadingWords.WORD_NOT_A_READING, token.text(), token.index()));
        if (text.isMilliOrMicro()) {
            throw text.milliOrMicro();
        }
        switch (text.meaning().dimension()) {
            case CAPACITANCE -> keep(Figure.CAPACITANCE, text.positiveValue(), text);
            case RESISTANCE -> keep(Figure.ESR, text.positiveValue(), text);
            case CURRENT -> keep(Figure.LEAKAGE, text.positiveValue(), text);
            case VOLTAGE, ALTERNATING_VOLTAGE -> throw unreadable(ReadingWords.VOLTAGE_NOT_A_READING, text.text(), text.index());
            case FREQUENCY, MINUTES, CELSIUS ->
                throw unreadable(ReadingWords.CONDITION_WITHOUT_FIGURE, text.text(), text.index());
            case PERCENT -> throw unreadable(ReadingWords.NOT_A_READING, text.text(), text.index());
        }
        return text.words();
    }

    private void keep(Figure what, double value, FigureText text) {
        if (figures.has(what) || ((what == Figure.QUALITY || what == Figure.DISSIPATION) && figures.dissipation().isPresent())) {
            throw new UnreadableException(Message.of(ReadingWords.FIGURE_TWICE, text.text(), what.term()), text.text(),
                    text.index());
        }
        figures = figures.with(what, value);
    }

    private int condition(List<Token> line, int at, Token asked) {
        FigureText text = figure(line, at, asked, ReadingWords.CONDITION_EXPECTED);
        if (text.unit().isEmpty()) {
            hertz = within(text, text.number(), 1, 10e6, ReadingWords.FREQUENCY_RANGE);
            return text.words();
        }
        UnitText unit = text.meaning();
        double value = text.value();
        switch (unit.dimension()) {
            case FREQUENCY -> hertz = within(text, value, 1, 10e6, ReadingWords.FREQUENCY_RANGE);
            case RESISTANCE -> {
                if (!text.unit().equalsIgnoreCase("k")) {
                    throw unreadable(ReadingWords.CONDITION_EXPECTED, text.text(), text.index());
                }
                hertz = within(text, value, 1, 10e6, ReadingWords.FREQUENCY_RANGE);
            }
            case VOLTAGE -> volts = within(text, value, 0.01, 50_000, ReadingWords.VOLTS_RANGE);
            case MINUTES -> minutes = within(text, value, 0.01, 100_000, ReadingWords.MINUTES_RANGE);
            case CELSIUS -> celsius = within(text, value, -60, 150, ReadingWords.CELSIUS_RANGE);
            case CAPACITANCE, ALTERNATING_VOLTAGE, CURRENT, PERCENT ->
                throw unreadable(ReadingWords.CONDITION_EXPECTED, text.text(), text.index());
        }
        return text.words();
    }

    private static OptionalDouble within(FigureText text, double value, double low, double high, ReadingWords range) {
        if (!(value >= low && value <= high)) {
            throw unreadable(range, text.text(), text.index());
        }
        return OptionalDouble.of(value);
    }

    private static UnreadableException unreadable(ReadingWords why, String text, int index) {
        return new UnreadableException(Message.of(why, text), text, index);
    }
}
