package org.yellowhearth.core.benchline;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.yellowhearth.core.fact.Body;
import org.yellowhearth.core.fact.Leads;
import org.yellowhearth.core.fact.OfPart;
import org.yellowhearth.core.fact.Overrule;
import org.yellowhearth.core.fact.Parallel;
import org.yellowhearth.core.fact.Place;
import org.yellowhearth.core.fact.StatedValue;
import org.yellowhearth.core.fact.Verdict;
import org.yellowhearth.core.fact.VisualInspection;
import org.yellowhearth.core.job.Job;
import org.yellowhearth.core.knowledge.Vocabulary;
import org.yellowhearth.core.marking.LengthText;
import org.yellowhearth.core.marking.Token;
import org.yellowhearth.core.marking.UnreadableException;
import org.yellowhearth.core.message.Coded;
import org.yellowhearth.core.message.Message;
import org.yellowhearth.core.part.Part;
import org.yellowhearth.core.part.PartRef;
import org.yellowhearth.core.partslist.PartsListLine;
import org.yellowhearth.core.partslist.Witness;

/**
 * Reads what is said of a part that is no reading: {@code bulged}, {@code not bulged}, {@code drawn
 * 8u 450V}, {@code beside R7}, {@code near valve 15mm above}, {@code verdict keep "it was measured
 * twice"}.
 */
final class PartLine {
  private static final Pattern REASON = Pattern.compile("\"([^\"]*)\"?");

  private static final Pattern CELSIUS = Pattern.compile("(\\d{2,3})(?:°c|c|degc|deg)");
  private static final Pattern SIZE = Pattern.compile("([\\d.,/]+(?:mm|cm|in|\")?)(?:x(.+))?");
  private static final Set<String> THINGS = Set.of("valve", "tube", "transformer", "resistor");

  private final Job job;
  private final PartRef part;
  private final Vocabulary vocabulary;
  private final String line;

  PartLine(Job job, PartRef part, Vocabulary vocabulary, String line) {
    this.job = job;
    this.part = part;
    this.vocabulary = vocabulary;
    this.line = line;
  }

  /** What the words say; empty where they are no such thing and may be a reading. */
  Optional<BenchEntry> read(List<Token> words) {
    Token first = words.getFirst();
    String folded = first.text().toLowerCase(Locale.ROOT);
    if (folded.equals("not")) {
      return Optional.of(takeOut(words));
    }
    if (folded.equals("beside")) {
      return Optional.of(beside(words));
    }
    if (folded.equals("near")) {
      return Optional.of(near(words));
    }
    if (folded.equals("body")) {
      return Optional.of(body(words));
    }
    if (folded.equals("verdict")) {
      return Optional.of(verdict(words));
    }
    Optional<Named<StatedValue.Origin>> origin = named(words, 0, StatedValue.Origin.class);
    if (origin.isPresent() && words.size() > origin.get().words()) {
      return Optional.of(
          stated(origin.get().constant(), words.subList(origin.get().words(), words.size())));
    }
    return named(words, 0, VisualInspection.Sign.class).map(_ -> looks(words));
  }

  /** A constant that a run of words names. */
  private record Named<T>(T constant, int words) {}

  private <T extends Coded> Optional<Named<T>> named(List<Token> words, int at, Class<T> type) {
    for (int n = Math.min(Vocabulary.LONGEST_NAME, words.size() - at); n > 0; n--) {
      String name =
          String.join(" ", words.subList(at, at + n).stream().map(Token::text).toList())
              .toLowerCase(Locale.ROOT);
      int used = n;
      Optional<Named<T>> found =
          vocabulary.constants().getOrDefault(name, List.of()).stream()
              .filter(type::isInstance)
              .map(type::cast)
              .findFirst()
              .map(c -> new Named<>(c, used));
      if (found.isPresent()) {
        return found;
      }
    }
    return Optional.empty();
  }

  private BenchEntry looks(List<Token> words) {
    List<OfPart> items = new ArrayList<>();
    List<Token> plain = words.stream().filter(t -> t.index() < noteFrom()).toList();
    int at = 0;
    while (at < plain.size()) {
      Token token = plain.get(at);
      Named<VisualInspection.Sign> sign =
          named(plain, at, VisualInspection.Sign.class)
              .orElseThrow(() -> refused(BenchWords.LOOK_EXPECTED, token));
      items.add(VisualInspection.of(part, sign.constant(), note()));
      at += sign.words();
    }
    return new BenchEntry.WriteDown(items);
  }

  private BenchEntry takeOut(List<Token> words) {
    Token token = words.size() > 1 ? words.get(1) : words.getFirst();
    String id =
        words.size() > 1
            ? named(words, 1, VisualInspection.Sign.class)
                .map(n -> VisualInspection.idOf(part, n.constant()))
                .or(() ->
                    named(words, 1, StatedValue.Origin.class)
                        .map(n -> Witness.idOf(part, n.constant())))
                .or(() ->
                    token.text().equalsIgnoreCase("beside") && words.size() > 2
                        ? PartRef.parse(words.get(2).text())
                            .map(other -> Parallel.idOf(part, other))
                        : Optional.empty())
                .orElse("")
            : "";
    return job.item(id)
        .filter(OfPart.class::isInstance)
        .map(OfPart.class::cast)
        .map(BenchEntry.TakeOut::new)
        .orElseThrow(() -> refused(BenchWords.NOT_SO_WRITTEN, token));
  }

  private BenchEntry stated(StatedValue.Origin origin, List<Token> words) {
    Part of = job.part(part).orElseThrow();
    return new BenchEntry.WriteDown(
        List.of(Witness.read(of, origin, words, PartsListLine.of(job, vocabulary), line)));
  }

  private BenchEntry beside(List<Token> words) {
    List<OfPart> items = new ArrayList<>();
    for (Token token : words.subList(1, words.size())) {
      PartRef other =
          PartRef.parse(token.text())
              .filter(ref -> job.part(ref).isPresent() && !ref.equals(part))
              .orElseThrow(() -> refused(BenchWords.BESIDE_EXPECTED, token));
      items.add(Parallel.of(part, other));
    }
    if (items.isEmpty()) {
      throw refused(BenchWords.BESIDE_EXPECTED, words.getFirst());
    }
    return new BenchEntry.WriteDown(items);
  }

  /** {@code near valve 15mm above}, several pairs of thing and distance in one line. */
  private BenchEntry near(List<Token> words) {
    Place place = job.of(part, Place.class).stream().findFirst().orElse(Place.of(part));
    int at = 1;
    if (words.size() < 2) {
      throw refused(BenchWords.PLACE_EXPECTED, words.getFirst());
    }
    while (at < words.size()) {
      Token token = words.get(at);
      String folded = token.text().toLowerCase(Locale.ROOT);
      Optional<Named<Place.Height>> side = named(words, at, Place.Height.class);
      if (side.isPresent()) {
        place = place.with(d -> d.side = side.get().constant());
        at += side.get().words();
      } else if (THINGS.contains(folded)
          && (at + 1 == words.size() || !words.get(at + 1).text().matches("\\d.*"))) {
        place = beside(place, folded);
        at++;
      } else if (THINGS.contains(folded)) {
        String written = words.get(at + 1).text();
        OptionalDouble metres =
            Character.isDigit(written.charAt(written.length() - 1))
                ? OptionalDouble.empty()
                : LengthText.metres(written);
        if (metres.isEmpty()) {
          throw refused(BenchWords.PLACE_EXPECTED, words.get(at + 1));
        }
        place = placed(place, metres, folded);
        at += 2;
      } else {
        throw refused(BenchWords.PLACE_EXPECTED, token);
      }
    }
    return new BenchEntry.WriteDown(List.of(place));
  }

  private static Place placed(Place place, OptionalDouble metres, String thing) {
    return place.with(d -> {
      switch (thing) {
        case "transformer" -> d.transformerMetres = metres;
        case "resistor" -> d.resistorMetres = metres;
        default -> d.valveMetres = metres;
      }
    });
  }

  /** Said without a measure. */
  private static Place beside(Place place, String thing) {
    Set<Place.Neighbour> near = new TreeSet<>(place.near());
    near.add(
        switch (thing) {
          case "transformer" -> Place.Neighbour.TRANSFORMER;
          case "resistor" -> Place.Neighbour.RESISTOR;
          default -> Place.Neighbour.VALVE;
        });
    return place.with(d -> d.near = near);
  }

  /**
   * What the body of the old part is like: {@code body 85C pitch 5mm 16x25mm "square is C1a"}, its
   * diameter before its length.
   */
  private BenchEntry body(List<Token> words) {
    Body body = job.of(part, Body.class).stream().findFirst().orElse(Body.of(part));
    List<Token> plain = words.stream().filter(t -> t.index() < noteFrom()).toList();
    if (plain.size() < 2 && note().isBlank()) {
      throw refused(BenchWords.BODY_EXPECTED, words.getFirst());
    }
    for (int at = 1; at < plain.size(); at++) {
      String text = plain.get(at).text().toLowerCase(Locale.ROOT);
      Matcher celsius = CELSIUS.matcher(text);
      Matcher size = SIZE.matcher(text);
      if (text.equals("pitch") && at + 1 < plain.size()) {
        at++;
        Matcher pitch = SIZE.matcher(plain.get(at).text().toLowerCase(Locale.ROOT));
        if (!pitch.matches()
            || pitch.group(2) != null
            || LengthText.metres(pitch.group(1)).isEmpty()) {
          throw refused(BenchWords.BODY_EXPECTED, plain.get(at));
        }
        body = body.with(d -> d.pitchMetres = LengthText.metres(pitch.group(1)));
      } else if (celsius.matches()) {
        double read = Double.parseDouble(celsius.group(1));
        body = body.with(d -> d.celsius = OptionalDouble.of(read));
      } else if (size.matches()) {
        // A unit that is written once, at the end, is that of both.
        String unit = size.group(2) == null ? "" : size.group(2).replaceFirst("^[\\d.,/]+", "");
        boolean bare = Character.isDigit(size.group(1).charAt(size.group(1).length() - 1));
        OptionalDouble across = LengthText.metres(size.group(1) + (bare ? unit : ""));
        OptionalDouble along =
            size.group(2) == null ? OptionalDouble.empty() : LengthText.metres(size.group(2));
        if (across.isEmpty() || (size.group(2) != null && along.isEmpty())) {
          throw refused(BenchWords.BODY_EXPECTED, plain.get(at));
        }
        body =
            body.with(d -> {
              d.diameterMetres = across;
              d.lengthMetres = along.isPresent() ? along : d.lengthMetres;
            });
      } else {
        Leads leads =
            Stream.of(Leads.values())
                .filter(l -> l != Leads.UNSTATED && l.code().equals(text))
                .findFirst()
                .orElse(null);
        if (leads == null) {
          throw refused(BenchWords.BODY_EXPECTED, plain.get(at));
        }
        body = body.with(d -> d.leads = leads);
      }
    }
    Body whole = note().isBlank() ? body : body.with(d -> d.terminals = note());
    return new BenchEntry.WriteDown(List.of(whole));
  }

  private BenchEntry verdict(List<Token> words) {
    Token token = words.size() > 1 ? words.get(1) : words.getFirst();
    String folded = token.text().toLowerCase(Locale.ROOT);
    if (folded.equals("rules")) {
      return job.of(part, Overrule.class).stream()
          .findFirst()
          .<BenchEntry>map(BenchEntry.TakeOut::new)
          .orElseThrow(() -> refused(BenchWords.NOT_SO_WRITTEN, token));
    }
    Verdict verdict =
        List.of(Verdict.values()).stream()
            .filter(v -> v.code().equals(folded))
            .findFirst()
            .orElseThrow(() -> refused(BenchWords.VERDICT_EXPECTED, token));
    if (note().isBlank()) {
      throw refused(BenchWords.REASON_EXPECTED, token);
    }
    return new BenchEntry.WriteDown(
        List.of(new Overrule(Overrule.idOf(part), part, verdict, note())));
  }

  private int noteFrom() {
    int at = line.indexOf('"');
    return at < 0 ? Integer.MAX_VALUE : at;
  }

  private String note() {
    Matcher m = REASON.matcher(line);
    return m.find() ? m.group(1).strip() : "";
  }

  private static UnreadableException refused(BenchWords why, Token token) {
    return new UnreadableException(Message.of(why, token.text()), token.text(), token.index());
  }
}
