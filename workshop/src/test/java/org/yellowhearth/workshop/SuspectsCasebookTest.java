package org.yellowhearth.workshop;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.testng.Reporter;
import org.testng.annotations.Test;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.core.supply.Parameter;
import org.yellowhearth.core.trace.Diagnosis;
import org.yellowhearth.core.trace.Diagnosis.Explanation;
import org.yellowhearth.core.trace.Diagnosis.Question;
import org.yellowhearth.storage.store.ShelfLine;
import org.yellowhearth.storage.store.Shop;

/**
 * The casebook of faulty supplies: described in a job file, read at the bench line as a meter shows
 * them, with truths that a general-purpose circuit simulator worked out (see {@code
 * casebook/suspects/make-cases.py}). What is counted is what a person sees first.
 */
public class SuspectsCasebookTest {
  private static final Path BOOK =
      Path.of(System.getProperty("hearth.root"), "workshop/src/test/resources/casebook/suspects");
  private static final String SOUND = "sound";

  private static final double SURE = 0.95;

  /** Each so many-th case is done in the short run. */
  private static final int EVERY = 6;

  /** Readings from which nothing but what is sound can be told lie no further off than this. */
  private static final double TELLS = 9;

  /** A case, typed in. */
  private record Case(String name, String truth, Question question) {}

  /** What was said of it. */
  private record Said(Case of, List<Explanation> all) {
    private List<String> truth() {
      return of.truth.equals(SOUND) ? List.of() : List.of(of.truth);
    }

    /** In a supply that is dead everywhere cord, fuse and switch come first (common practice). */
    private boolean first() {
      List<String> parts = all.getFirst().parts();
      boolean dead = of.question.data().stream().allMatch(d -> Math.abs(d.volts()) < 1);
      return parts.equals(truth()) || (dead && parts.equals(List.of(Parameter.MAINS)));
    }

    private boolean grouped() {
      return all.stream().anyMatch(e -> e.alike() && e.parts().equals(truth()));
    }

    private double chance() {
      return all.getFirst().probability();
    }

    private boolean isSound() {
      return of.truth.equals(SOUND);
    }

    /** Whether the readings tell that something is wrong at all. */
    private boolean tells() {
      return all.stream().filter(Explanation::sound).allMatch(e -> e.misfit() > TELLS);
    }

    @Override
    public String toString() {
      Explanation e = all.getFirst();
      return String.format(
          "%s: %s, said %s with %.2f, misfit %.1f%s%s",
          of.name,
          of.truth,
          e.parts(),
          e.probability(),
          e.misfit(),
          grouped() ? ", among those alike" : "",
          tells() ? "" : ", nothing tells");
    }
  }

  private static List<Case> cases(int every) throws IOException {
    List<Case> cases = new ArrayList<>();
    List<Path> files;
    try (Stream<Path> all = Files.list(BOOK)) {
      files = all.filter(f -> f.toString().endsWith(".txt")).sorted().toList();
    }
    try (Shop shop = Rooms.shop(Rooms.folder())) {
      for (int k = 0; k < files.size(); k += every) {
        cases.add(typed(Rooms.model(shop), files.get(k)));
      }
    }
    return cases;
  }

  private static Case typed(DeskModel model, Path file) throws IOException {
    String truth = "";
    for (String line : Files.readAllLines(file)) {
      if (line.startsWith("job ")) {
        model.shelf().refresh();
        List<String> before =
            model.shelf().jobsProperty().get().stream().map(ShelfLine::id).toList();
        model.shelf().bringIn(List.of(BOOK.resolve(line.substring(4))));
        model.openJob(
            model.shelf().jobsProperty().get().stream()
                .map(ShelfLine::id)
                .filter(id -> !before.contains(id))
                .findFirst()
                .orElseThrow());
      } else if (line.startsWith("= truth ")) {
        truth = line.substring(8);
      } else if (!line.startsWith("#") && !line.isBlank()) {
        int before = model.openProperty().get().orElseThrow().job().journal().size();
        Rooms.type(model, line);
        assertThat(model.openProperty().get().orElseThrow().job().journal())
            .as(
                "\"%s\" of %s is taken: %s",
                line, file.getFileName(), model.benchLine().echoProperty().get().trouble())
            .hasSizeGreaterThan(before);
      }
    }
    Question question =
        model.openProperty().get().orElseThrow().judged().suspicion().orElseThrow().question();
    return new Case(file.getFileName().toString(), truth, question);
  }

  private static long count(List<Said> said, Predicate<Said> which) {
    return said.stream().filter(which).count();
  }

  /**
   * A share of the cases, all of them in the long run: of those whose readings tell that something
   * is wrong the right part comes first in most, and stands among those that cannot be told apart
   * in nearly all; a sound set is called sound; what is said with 95 % or more is right.
   */
  @Test
  public void whatIsWrongIsSaidFirst() throws IOException {
    boolean whole = Boolean.getBoolean("hearth.long");
    List<Said> said =
        cases(whole ? 1 : EVERY).parallelStream()
            .map(c -> new Said(c, Diagnosis.of(c.question, Watcher.NOBODY).orElseThrow().doubles()))
            .toList();
    said.stream().filter(s -> !s.first()).forEach(s -> Reporter.log("not first: " + s, true));
    List<Said> faulty = said.stream().filter(s -> !s.isSound() && s.tells()).toList();
    List<Said> sound = said.stream().filter(Said::isSound).toList();
    List<Said> sure = said.stream().filter(s -> s.chance() >= SURE).toList();
    Reporter.log(
        String.format(
            "of %d whose readings tell, first %d, in the group %d; of %d sound called sound %d; of %d said with 95 %% or "
                + "more right %d; of %d said with 65 to 85 %% right %d",
            faulty.size(),
            count(faulty, Said::first),
            count(faulty, Said::grouped),
            sound.size(),
            count(sound, Said::first),
            sure.size(),
            count(sure, Said::first),
            count(said, s -> s.chance() >= 0.65 && s.chance() < 0.85),
            count(said, s -> s.chance() >= 0.65 && s.chance() < 0.85 && s.first())),
        true);
    assertThat(faulty).hasSizeGreaterThan(whole ? 60 : 10);
    assertThat((double) count(faulty, Said::first) / faulty.size()).isGreaterThan(0.78);
    assertThat((double) count(faulty, Said::grouped) / faulty.size()).isGreaterThan(0.95);
    assertThat((double) count(sound, Said::first) / sound.size()).isGreaterThan(0.9);
    assertThat((double) count(sure, Said::first) / sure.size()).isGreaterThan(0.94);
  }
}
