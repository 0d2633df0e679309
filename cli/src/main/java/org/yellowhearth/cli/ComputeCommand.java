package org.yellowhearth.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.concurrent.Callable;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.knowledge.KnowledgeFiles;
import org.yellowhearth.knowledge.json.BadFileException;
import org.yellowhearth.knowledge.json.JsonText;
import org.yellowhearth.storage.jobfile.JobFile;
import org.yellowhearth.storage.jobfile.JobReader;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

/**
 * {@code hearth compute JOB.json}: every computed figure of a job file as JSON on standard output.
 */
@Command(name = "compute", description = "Prints every computed figure of a job file as JSON.")
final class ComputeCommand implements Callable<Integer> {
  @Parameters(paramLabel = "JOB.json", description = "A job file; see docs/job-format.md.")
  private Path file;

  private final Clock clock;
  private final PrintWriter out;
  private final PrintWriter err;

  ComputeCommand() {
    this(
        Clock.system(ZoneId.systemDefault()),
        new PrintWriter(System.out, true, StandardCharsets.UTF_8),
        new PrintWriter(System.err, true, StandardCharsets.UTF_8));
  }

  ComputeCommand(Clock clock, PrintWriter out, PrintWriter err) {
    this.clock = clock;
    this.out = out;
    this.err = err;
  }

  @Override
  public Integer call() {
    Knowledge knowledge = KnowledgeFiles.read();
    ZonedDateTime now = ZonedDateTime.now(clock);
    try {
      JobFile job = new JobReader(knowledge).read(JsonText.read(file), now);
      out.println(new ComputedFigures(knowledge, now).of(job).toPrettyString());
      out.flush();
      return 0;
    } catch (BadFileException e) {
      err.println(file + ": " + e.getMessage());
    } catch (IOException e) {
      err.println(file + ": cannot be read: " + e.getMessage());
    }
    return 1;
  }
}
