package org.yellowhearth.publishing.help;

import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.commonmark.ext.gfm.tables.TableBlock;
import org.commonmark.ext.gfm.tables.TableRow;
import org.commonmark.ext.gfm.tables.TablesExtension;
import org.commonmark.node.BulletList;
import org.commonmark.node.Code;
import org.commonmark.node.Emphasis;
import org.commonmark.node.FencedCodeBlock;
import org.commonmark.node.Heading;
import org.commonmark.node.Image;
import org.commonmark.node.IndentedCodeBlock;
import org.commonmark.node.Link;
import org.commonmark.node.Node;
import org.commonmark.node.OrderedList;
import org.commonmark.node.Paragraph;
import org.commonmark.node.SoftLineBreak;
import org.commonmark.node.StrongEmphasis;
import org.commonmark.node.Text;
import org.commonmark.parser.Parser;
import org.yellowhearth.publishing.help.Article.Block;
import org.yellowhearth.publishing.help.Article.Chapter;
import org.yellowhearth.publishing.help.Article.Look;
import org.yellowhearth.publishing.help.Article.Span;

/** Reads a text of the documentation as articles, one for each heading of the second order. */
final class Markdown {
  private static final int ARTICLE = 2;
  private static final Parser PARSER =
      Parser.builder().extensions(List.of(TablesExtension.create())).build();

  private final Chapter chapter;
  private final List<Article> articles = new ArrayList<>();
  private final List<Block> blocks = new ArrayList<>();
  private String title = "";

  private Markdown(Chapter chapter) {
    this.chapter = chapter;
  }

  static List<Article> articles(String name, Chapter chapter) {
    try (Reader in =
        new InputStreamReader(Markdown.class.getResourceAsStream(name), StandardCharsets.UTF_8)) {
      return new Markdown(chapter).read(PARSER.parseReader(in));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private List<Article> read(Node document) {
    for (Node n = document.getFirstChild(); n != null; n = n.getNext()) {
      block(n);
    }
    end();
    return articles;
  }

  private void end() {
    if (!blocks.isEmpty()) {
      articles.add(new Article(chapter, title, blocks));
    }
    blocks.clear();
  }

  private void block(Node n) {
    switch (n) {
      case Heading h when h.getLevel() <= ARTICLE -> {
        end();
        title = plain(h);
      }
      case Heading h -> blocks.add(new Block.Head(plain(h)));
      case Paragraph p when p.getFirstChild() instanceof Image i && i.getNext() == null -> {
        // The window itself is the picture.
      }
      case Paragraph p -> blocks.add(new Block.Passage(spans(p), false));
      case FencedCodeBlock c -> typed(c.getLiteral());
      case IndentedCodeBlock c -> typed(c.getLiteral());
      case BulletList l -> items(l);
      case OrderedList l -> items(l);
      case TableBlock t -> blocks.add(new Block.Table(rows(t)));
      default ->
          throw new IllegalArgumentException("the help has no place for " + n + " in " + title);
    }
  }

  private void typed(String code) {
    code.lines()
        .forEach(l -> blocks.add(new Block.Passage(List.of(new Span(l, Look.TYPED)), true)));
  }

  private void items(Node list) {
    int number = 0;
    for (Node item = list.getFirstChild(); item != null; item = item.getNext()) {
      number++;
      for (Node n = item.getFirstChild(); n != null; n = n.getNext()) {
        if (n instanceof Paragraph p) {
          List<Span> said = spans(p);
          if (list instanceof OrderedList) {
            said.addFirst(new Span(number + ".  ", Look.PLAIN));
          }
          blocks.add(new Block.Passage(said, true));
        } else {
          block(n);
        }
      }
    }
  }

  private static List<List<String>> rows(TableBlock table) {
    List<List<String>> rows = new ArrayList<>();
    for (Node part = table.getFirstChild(); part != null; part = part.getNext()) {
      for (Node row = part.getFirstChild(); row instanceof TableRow; row = row.getNext()) {
        List<String> cells = new ArrayList<>();
        for (Node cell = row.getFirstChild(); cell != null; cell = cell.getNext()) {
          cells.add(plain(cell));
        }
        rows.add(cells);
      }
    }
    return rows;
  }

  private static String plain(Node node) {
    StringBuilder text = new StringBuilder();
    spans(node).forEach(s -> text.append(s.text()));
    return text.toString();
  }

  private static List<Span> spans(Node node) {
    List<Span> spans = new ArrayList<>();
    collect(node, Look.PLAIN, spans);
    return spans;
  }

  private static void collect(Node node, Look look, List<Span> spans) {
    for (Node n = node.getFirstChild(); n != null; n = n.getNext()) {
      switch (n) {
        case Text t -> spans.add(new Span(t.getLiteral(), look));
        case Code c -> spans.add(new Span(c.getLiteral(), Look.TYPED));
        case SoftLineBreak _ -> spans.add(new Span(" ", look));
        case StrongEmphasis s -> collect(s, Look.STRONG, spans);
        case Emphasis s -> collect(s, Look.STRONG, spans);
        case Link l -> {
          String to = l.getDestination();
          spans.add(new Span(plain(l), look, to.substring(to.indexOf('#') + 1)));
        }
        default -> collect(n, look, spans);
      }
    }
  }
}
