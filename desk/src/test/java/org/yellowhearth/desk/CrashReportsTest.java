package org.yellowhearth.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.testng.annotations.Test;
import org.yellowhearth.core.fact.Choice;
import org.yellowhearth.core.fact.SupplyReading;
import org.yellowhearth.core.job.SetPlate;
import org.yellowhearth.core.partslist.ColourCode;
import org.yellowhearth.core.replace.FittingSheet;
import org.yellowhearth.core.safety.Check;
import org.yellowhearth.storage.partslist.PartsListImport;
import org.yellowhearth.workshop.words.Labels;

public class CrashReportsTest {
  @Test
  public void whatNothingElseCaughtLeavesAReport() throws IOException, InterruptedException {
    Path folder = Files.createTempDirectory("crash").resolve("logs");
    Thread.UncaughtExceptionHandler before = Thread.getDefaultUncaughtExceptionHandler();
    try {
      CrashReports.into(folder);
      Thread thread =
          new Thread(
              () -> {
                throw new IllegalStateException("planted");
              },
              "unlucky");
      thread.start();
      thread.join();
    } finally {
      Thread.setDefaultUncaughtExceptionHandler(before);
    }
    try (Stream<Path> files = Files.list(folder)) {
      List<Path> reports = files.toList();
      assertThat(reports).hasSize(1);
      assertThat(Files.readString(reports.getFirst()))
          .contains("planted", "unlucky", "CrashReportsTest");
    }
  }

  /** Every label the window asks for is there, and none is left over. */
  @Test
  public void labelsAndCodeBelongTogether() throws IOException {
    Path root = Path.of(System.getProperty("hearth.root"));
    String labels =
        Files.readString(
            root.resolve(
                "workshop/src/main/resources/org/yellowhearth/workshop/words/labels.properties"));
    StringBuilder code = new StringBuilder();
    for (String room : List.of("workshop", "desk")) {
      try (Stream<Path> files = Files.walk(root.resolve(room).resolve("src/main/java"))) {
        for (Path file : files.filter(f -> f.toString().endsWith(".java")).toList()) {
          code.append(Files.readString(file));
        }
      }
    }
    Matcher key = Pattern.compile("(?m)^([a-z]+)\\.([a-z.-]+)=").matcher(labels);
    while (key.find()) {
      String whole = key.group(1) + "." + key.group(2);
      String last = whole.substring(whole.lastIndexOf('.') + 1);
      boolean named =
          List.of(
                      "arrival.page.",
                      "safety.plan.",
                      "about.grid.",
                      "about.body.",
                      "trace.page.",
                      "describe.add.",
                      "reform.page.",
                      "reform.column.",
                      "reform.in-set.",
                      "reform.quality.",
                      "reform.link.which.",
                      "reform.link.none.",
                      "replace.page.",
                      "replace.state.",
                      "replace.rectifier.",
                      "replace.shopping.",
                      "shop.page.",
                      "firstpower.page.",
                      "finaltest.page.",
                      "learned.page.",
                      "firstpower.link.which.",
                      "firstpower.link.none.",
                      "stock.column.")
                  .stream()
                  .anyMatch(whole::startsWith)
              && code.indexOf("\"" + last + "\"") >= 0;
      boolean state =
          whole.startsWith("safety.check.")
              && Stream.of(Check.State.values()).anyMatch(s -> s.name().equalsIgnoreCase(last));
      boolean scheme =
          whole.startsWith("decoder.order.")
              && Stream.of(ColourCode.Scheme.values()).anyMatch(s -> s.code().equals(last));
      boolean fate =
          whole.startsWith("import.what.")
              && Stream.of(PartsListImport.What.values())
                  .anyMatch(w -> w.name().equalsIgnoreCase(last));
      boolean doing =
          whole.startsWith("section.state.")
              && Stream.of(SupplyReading.State.values()).anyMatch(s -> s.code().equals(last));
      boolean step =
          whole.startsWith("replace.sheet.state.")
              && Stream.of(FittingSheet.State.values())
                  .anyMatch(x -> x.name().equalsIgnoreCase(last));
      boolean whence =
          whole.startsWith("stock.file.")
              && Stream.of(Choice.Whence.values()).anyMatch(w -> w.code().equals(last));
      boolean field =
          whole.startsWith("stock.field.")
              && code.indexOf("Field." + last.toUpperCase(Locale.ROOT)) >= 0;
      boolean dialect =
          whole.startsWith("look.words.")
              && Stream.of(SetPlate.Dialect.values()).anyMatch(d -> d.code().equals(last));
      boolean made =
          step
              || dialect
              || whence
              || field
              || named
              || doing
              || state
              || scheme
              || fate
              || whole.startsWith("stage.")
              || whole.startsWith("sheet.key.")
              || whole.startsWith("sheet.bench.")
              || whole.startsWith("help.page.")
              || whole.startsWith("practice.measure-")
              || whole.startsWith("first.")
              || whole.startsWith("shop.guide.");
      assertThat(made || code.indexOf("\"" + whole + "\"") >= 0)
          .as("label %s is used", whole)
          .isTrue();
    }
    Matcher asked = Pattern.compile("Labels\\.of\\(\\s*\"([a-z.-]+)\"[,)]").matcher(code);
    while (asked.find()) {
      assertThat(Labels.of(asked.group(1))).isNotBlank();
    }
  }
}
