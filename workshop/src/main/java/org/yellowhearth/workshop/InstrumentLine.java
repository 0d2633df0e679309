package org.yellowhearth.workshop;

import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.yellowhearth.instruments.link.InstrumentLink;
import org.yellowhearth.instruments.link.LcrBench;
import org.yellowhearth.instruments.link.Transcript;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;

/**
 * The line to one instrument as the window sees it: it is opened and asked beside the window, it
 * says how it is, and once it was open and is lost, it is tried again by itself until somebody puts
 * it down.
 *
 * @param <D> what drives the instrument over the line
 */
public final class InstrumentLine<D> {
  private static final Logger LOG = LoggerFactory.getLogger(InstrumentLine.class);
  private static final List<Long> PAUSES = List.of(2L, 5L, 10L, 30L);

  private final Background background;

  /**
   * What is said to the instrument is said in the order it was asked for: an output that is to go
   * off goes off last.
   */
  private final SerialExecutor turns;

  private final Supplier<Instant> clock;
  private final Function<InstrumentLink, D> driver;
  private final Supplier<Greeting<D>> greeting;
  private final Predicate<String> routine;
  private final Value<How> how = new Value<>(How.NONE);
  private Consumer<String> lost = _ -> {};
  private Optional<Transcript> transcript = Optional.empty();
  private Optional<D> current = Optional.empty();
  private Optional<Opening> again = Optional.empty();
  private Instant nextTry = Instant.MIN;
  private int tries;
  private int turn;

  /** How the line is, and what is to be told of it. */
  public record How(State state, String told) {
    /** What the line does. */
    public enum State {
      NONE,
      CONNECTING,
      OPEN,
      /** Lost, or never come about. */
      LOST,
      /** Lost, and tried again now and then. */
      TRYING
    }

    static final How NONE = new How(State.NONE, "");
  }

  /** Opens a link to the instrument. */
  public interface Opening {
    InstrumentLink open() throws IOException;
  }

  /** What is said to the instrument first; answers what is to be told of it. */
  public interface Greeting<D> {
    String greet(D driver) throws IOException;
  }

  /** Something to ask. */
  public interface Asking<D, T> {
    T ask(D driver) throws IOException;
  }

  private record Opened<D>(Optional<Transcript> transcript, Optional<D> driver, String told) {}

  private record Answer<T>(Optional<T> value, String trouble, boolean refused) {}

  /**
   * A line that is down.
   *
   * @param driver makes what drives the instrument
   * @param greeting asked for whenever the line is opened
   * @param routine queries that the transcript leaves out
   */
  InstrumentLine(
      Background background,
      Supplier<Instant> clock,
      Function<InstrumentLink, D> driver,
      Supplier<Greeting<D>> greeting,
      Predicate<String> routine) {
    this.background = background;
    turns = background.turns();
    this.clock = clock;
    this.driver = driver;
    this.greeting = greeting;
    this.routine = routine;
  }

  public Watched<How> howProperty() {
    return how.watched();
  }

  /** Whether it is open. */
  public boolean open() {
    return current.isPresent();
  }

  /** What was said, oldest first; after a loss what was said before it. */
  public List<Transcript.Line> lines() {
    return transcript.map(Transcript::lines).orElse(List.of());
  }

  /** What is done when the line is lost, with the reason. */
  void onLost(Consumer<String> then) {
    lost = then;
  }

  /** Opens the line; one that is open is put down first. */
  void connect(String name, Opening opening) {
    disconnect();
    open(name, opening);
  }

  private void open(String name, Opening opening) {
    int mine = ++turn;
    how.set(new How(How.State.CONNECTING, name));
    Greeting<D> first = greeting.get();
    background.inTurn(
        turns,
        () -> opened(opening, first),
        o -> {
          if (mine != turn) {
            o.transcript.ifPresent(Transcript::close);
            return;
          }
          if (o.driver.isPresent()) {
            transcript = o.transcript;
            current = o.driver;
            again = Optional.of(opening);
            tries = 0;
            how.set(new How(How.State.OPEN, o.told));
          } else {
            failed(o.told);
          }
        });
  }

  private Opened<D> opened(Opening opening, Greeting<D> first) {
    Optional<Transcript> made = Optional.empty();
    try {
      made = Optional.of(new Transcript(opening.open(), clock::get, routine));
      D d = driver.apply(made.get());
      return new Opened<>(made, Optional.of(d), first.greet(d));
    } catch (IOException e) {
      made.ifPresent(Transcript::close);
      return new Opened<>(Optional.empty(), Optional.empty(), e.getMessage());
    }
  }

  /** A line that was open once is tried again; an address that leads nowhere is not. */
  private void failed(String why) {
    current = Optional.empty();
    how.set(new How(again.isPresent() ? How.State.TRYING : How.State.LOST, why));
    nextTry = clock.get().plusSeconds(PAUSES.get(Math.min(tries, PAUSES.size() - 1)));
  }

  /** Tries a lost line again, when it is time; called now and then by the window. */
  void tryAgain() {
    if (how.get().state() == How.State.TRYING && !clock.get().isBefore(nextTry)) {
      tries++;
      again.ifPresent(a -> open(how.get().told(), a));
    }
  }

  /** Puts the line down. */
  public void disconnect() {
    turn++;
    transcript.ifPresent(t ->
        background.inTurn(
            turns,
            () -> {
              t.close();
              return true;
            },
            _ -> {}));
    current = Optional.empty();
    again = Optional.empty();
    tries = 0;
    how.set(How.NONE);
  }

  /** Asks beside the window; nothing comes back where the line is down or is lost over it. */
  <T> void ask(Asking<D, T> asking, Consumer<T> then) {
    ask(asking, then, () -> {});
  }

  /** The same, with an end that comes in any case. */
  <T> void ask(Asking<D, T> asking, Consumer<T> then, Runnable end) {
    if (current.isEmpty()) {
      end.run();
      return;
    }
    D asked = current.get();
    int mine = turn;
    background.inTurn(
        turns,
        () -> answer(asking, asked),
        a -> {
          end.run();
          took(a, mine, then);
        });
  }

  /**
   * What switches off does not wait its turn: the command goes out at once.
   *
   * @return whether there is a line that it can go out on
   */
  boolean urge(String command) {
    transcript
        .filter(_ -> current.isPresent())
        .ifPresent(t ->
            background.aside(
                () -> {
                  try {
                    t.urge(command);
                    return true;
                  } catch (IOException e) {
                    // A line that is lost is told of by what is asked next.
                    LOG.warn("{} did not get through", command, e);
                    return false;
                  }
                },
                _ -> {}));
    return current.isPresent();
  }

  /** Asks before everything else that waits. */
  <T> void askNext(Asking<D, T> asking, Consumer<T> then) {
    current.ifPresent(asked -> {
      int mine = turn;
      background.next(turns, () -> answer(asking, asked), a -> took(a, mine, then));
    });
  }

  private static <D, T> Answer<T> answer(Asking<D, T> asking, D asked) {
    try {
      return new Answer<>(Optional.of(asking.ask(asked)), "", false);
    } catch (LcrBench.Refusal e) {
      return new Answer<>(Optional.empty(), e.getMessage(), true);
    } catch (IOException e) {
      return new Answer<>(Optional.empty(), e.getMessage(), false);
    }
  }

  private <T> void took(Answer<T> a, int mine, Consumer<T> then) {
    if (a.refused) {
      background.tell(a.trouble, true);
    } else if (mine == turn) {
      a.value.ifPresentOrElse(then, () -> lose(a.trouble));
    }
  }

  /** The line is of no more use. */
  void lose(String why) {
    transcript.ifPresent(Transcript::close);
    turn++;
    failed(why);
    lost.accept(why);
  }
}
