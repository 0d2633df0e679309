package org.yellowhearth.publishing.folio;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.yellowhearth.core.progress.Watcher;
import org.yellowhearth.publishing.drawing.PlotSvg;
import org.yellowhearth.publishing.folio.Folio.Block;
import org.yellowhearth.storage.disk.NewFile;

/**
 * A folio as a page of the web, or as Markdown: a folder with the text and its pictures beside it.
 * It is made under another name and appears whole or not at all; one that is there already is not
 * touched.
 */
public final class WebFolio {
  private static final String STYLE =
      """
      body{font:16px/1.5 sans-serif;max-width:60em;margin:2em auto;padding:0 1em;color:#1F1B16;background:#FBF6EA}
      table{border-collapse:collapse;width:100%}td,th{border-bottom:1px solid #DDD2B8;padding:.3em .6em .3em 0;text-align:left;vertical-align:top}
      th,.quiet,figcaption{color:#6E6450;font-weight:normal}.figure{font-family:monospace}figure{margin:1em 0}img,svg{max-width:100%;height:auto}
      .caution{border-left:.3em solid #A83E12;padding-left:.7em}
      """;

  private WebFolio() {}

  /** How it is written. */
  public enum Form {
    HTML("index.html"),
    MARKDOWN("dossier.md");

    private final String file;

    Form(String file) {
      this.file = file;
    }
  }

  /**
   * Writes it into a new folder.
   *
   * @return the file of the text
   * @throws FileAlreadyExistsException where something of that name is there
   */
  public static Path writeInto(Path folder, Folio folio, Form form, Watcher watcher)
      throws IOException {
    NewFile.writeFolder(
        folder,
        making -> {
          List<Path> pictures = new ArrayList<>();
          List<String> drawings = new ArrayList<>();
          String text =
              form == Form.HTML ? html(folio, pictures) : markdown(folio, pictures, drawings);
          Files.write(making.resolve(form.file), text.getBytes(StandardCharsets.UTF_8));
          for (int k = 0; k < pictures.size(); k++) {
            Path picture = pictures.get(k);
            NewFile.write(making.resolve(name(k, picture)), out -> Files.copy(picture, out));
            PdfFolio.tell(watcher, k + 1, pictures.size());
          }
          for (int k = 0; k < drawings.size(); k++) {
            Files.write(
                making.resolve(drawing(k)), drawings.get(k).getBytes(StandardCharsets.UTF_8));
          }
          PdfFolio.tell(watcher, 1, 1);
        });
    return folder.toAbsolutePath().resolve(form.file);
  }

  private static String name(int number, Path picture) {
    String ending =
        picture.getFileName().toString().toLowerCase(Locale.ROOT).endsWith(".png")
            ? ".png"
            : ".jpg";
    return String.format(Locale.ROOT, "picture-%02d%s", number + 1, ending);
  }

  private static String drawing(int number) {
    return String.format(Locale.ROOT, "drawing-%02d.svg", number + 1);
  }

  private static String taken(Path picture, List<Path> pictures) {
    pictures.add(picture);
    return name(pictures.size() - 1, picture);
  }

  // --- the web
  // ---------------------------------------------------------------------------------------------------------------

  private static String html(Folio folio, List<Path> pictures) {
    StringBuilder out =
        new StringBuilder(
            String.format(
                Locale.ROOT,
                "<!doctype html>%n<html lang=\"en\"><head><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width\">"
                    + "<title>%s</title><style>%s</style></head><body>%n",
                escaped(folio.title()),
                STYLE));
    for (Folio.Part part : folio.parts()) {
      out.append("<section>\n");
      if (!part.heading().isEmpty()) {
        out.append("<h2>").append(escaped(part.heading())).append("</h2>\n");
      }
      part.blocks().forEach(b -> out.append(html(b, pictures)).append('\n'));
      out.append("</section>\n");
    }
    return out.append("</body></html>\n").toString();
  }

  private static String html(Block block, List<Path> pictures) {
    return switch (block) {
      case Block.Title t -> "<h1>" + escaped(t.text()) + "</h1>";
      case Block.Words w ->
          "<p class=\""
              + w.tone().name().toLowerCase(Locale.ROOT)
              + "\">"
              + escaped(w.text())
              + "</p>";
      case Block.Labelled l ->
          "<p><strong>" + escaped(l.label()) + "</strong>  " + escaped(l.text()) + "</p>";
      case Block.Head h ->
          "<h3>" + escaped((h.text() + "  " + h.mark() + " " + h.word()).strip()) + "</h3>";
      case Block.Table t -> table(t);
      case Block.Picture p ->
          "<figure><img src=\""
              + taken(p.file(), pictures)
              + "\" alt=\""
              + escaped(p.alt())
              + "\"><figcaption>"
              + escaped(p.caption())
              + "</figcaption></figure>";
      case Block.Drawing d ->
          "<figure role=\"img\" aria-label=\""
              + escaped(d.alt())
              + "\">"
              + PlotSvg.write(d.alt(), d.marks(), d.width(), d.height())
              + "<figcaption>"
              + escaped(d.alt())
              + "</figcaption></figure>";
    };
  }

  private static String table(Block.Table t) {
    String head =
        t.heads().isEmpty()
            ? ""
            : "<tr>"
                + t.heads().stream()
                    .map(h -> "<th scope=\"col\">" + escaped(h) + "</th>")
                    .collect(Collectors.joining())
                + "</tr>\n";
    return "<table>\n"
        + head
        + t.rows().stream()
            .map(r ->
                "<tr>" + r.stream().map(WebFolio::cell).collect(Collectors.joining()) + "</tr>\n")
            .collect(Collectors.joining())
        + "</table>";
  }

  private static String cell(Folio.Cell c) {
    return switch (c.face()) {
      case PLAIN -> "<td>" + escaped(c.text()) + "</td>";
      case STRONG -> "<td><strong>" + escaped(c.text()) + "</strong></td>";
      case FIGURE -> "<td class=\"figure\">" + escaped(c.text()) + "</td>";
      case QUIET -> "<td class=\"quiet\">" + escaped(c.text()) + "</td>";
    };
  }

  private static String escaped(String text) {
    return text.replace("&", "&amp;")
        .replace("<", "&lt;")
        .replace(">", "&gt;")
        .replace("\"", "&quot;");
  }

  // --- Markdown
  // --------------------------------------------------------------------------------------------------------------

  private static String markdown(Folio folio, List<Path> pictures, List<String> drawings) {
    StringBuilder out = new StringBuilder();
    for (Folio.Part part : folio.parts()) {
      if (!part.heading().isEmpty()) {
        out.append("## ").append(plain(part.heading())).append("\n\n");
      }
      part.blocks().forEach(b -> out.append(markdown(b, pictures, drawings)).append("\n\n"));
    }
    return out.toString();
  }

  private static String markdown(Block block, List<Path> pictures, List<String> drawings) {
    return switch (block) {
      case Block.Title t -> "# " + plain(t.text());
      case Block.Words w ->
          switch (w.tone()) {
            case PLAIN -> plain(w.text());
            case QUIET -> "*" + plain(w.text()) + "*";
            case CAUTION -> "> **!** " + plain(w.text());
          };
      case Block.Labelled l -> "**" + plain(l.label()) + "** " + plain(l.text());
      case Block.Head h -> "### " + plain((h.text() + "  " + h.mark() + " " + h.word()).strip());
      case Block.Table t -> rows(t);
      case Block.Picture p ->
          "!["
              + plain(p.alt())
              + "]("
              + taken(p.file(), pictures)
              + ")"
              + (p.caption().isEmpty() ? "" : "\n\n*" + plain(p.caption()) + "*");
      case Block.Drawing d -> {
        drawings.add(PlotSvg.write(d.alt(), d.marks(), d.width(), d.height()));
        yield "![" + plain(d.alt()) + "](" + drawing(drawings.size() - 1) + ")";
      }
    };
  }

  private static String rows(Block.Table t) {
    UnaryOperator<String> cell = s -> plain(s).replace("|", "\\|");
    List<String> heads =
        t.heads().isEmpty() ? t.widths().stream().map(_ -> " ").toList() : t.heads();
    return "| "
        + heads.stream().map(cell).collect(Collectors.joining(" | "))
        + " |\n|"
        + "---|".repeat(heads.size())
        + "\n"
        + t.rows().stream()
            .map(r ->
                "| "
                    + r.stream().map(c -> cell.apply(c.text())).collect(Collectors.joining(" | "))
                    + " |")
            .collect(Collectors.joining("\n"));
  }

  /** What somebody typed is words, never markup. */
  private static String plain(String text) {
    return text.replaceAll("\\R+", " ").replaceAll("([\\\\`*_\\[\\]<>#])", "\\\\$1");
  }
}
