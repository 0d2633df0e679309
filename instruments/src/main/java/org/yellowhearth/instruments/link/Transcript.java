package org.yellowhearth.instruments.link;

import java.io.IOException;
import java.time.Instant;
import java.time.InstantSource;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.function.Predicate;

/** A link that writes down what is said, with the time; the last thousand lines are kept. */
public final class Transcript implements InstrumentLink {
  private static final int LONGEST = 1000;

  private final InstrumentLink link;
  private final InstantSource clock;
  private final Predicate<String> routine;
  private final Deque<Line> lines = new ArrayDeque<>();

  /** One line of the exchange. */
  public record Line(Instant at, Way way, String text) {}

  /** Which way it went. */
  public enum Way {
    OUT,
    IN,
    LOST
  }

  public Transcript(InstrumentLink link, InstantSource clock) {
    this(link, clock, _ -> false);
  }

  /**
   * A transcript that leaves out what is asked all the time.
   *
   * @param routine the queries that are not written down while they are answered
   */
  public Transcript(InstrumentLink link, InstantSource clock, Predicate<String> routine) {
    this.link = link;
    this.routine = routine;
    this.clock = clock;
  }

  private synchronized void note(Way way, String text) {
    if (lines.size() == LONGEST) {
      lines.removeFirst();
    }
    lines.add(new Line(clock.instant(), way, text));
  }

  /** What was said, oldest first. */
  public synchronized List<Line> lines() {
    return List.copyOf(lines);
  }

  @Override
  public String address() {
    return link.address();
  }

  @Override
  public void send(String command) throws IOException {
    note(Way.OUT, command);
    try {
      link.send(command);
    } catch (IOException e) {
      note(Way.LOST, e.getMessage());
      throw e;
    }
  }

  @Override
  public void urge(String command) throws IOException {
    note(Way.OUT, command);
    try {
      link.urge(command);
    } catch (IOException e) {
      note(Way.LOST, e.getMessage());
      throw e;
    }
  }

  @Override
  public String ask(String query) throws IOException {
    boolean noted = !routine.test(query);
    if (noted) {
      note(Way.OUT, query);
    }
    try {
      String answer = link.ask(query);
      if (noted) {
        note(Way.IN, answer);
      }
      return answer;
    } catch (IOException e) {
      note(Way.LOST, e.getMessage());
      throw e;
    }
  }

  @Override
  public boolean open() {
    return link.open();
  }

  @Override
  public void close() {
    link.close();
  }
}
