package org.yellowhearth.publishing.help;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.help.Article.Chapter;

/**
 * The help: user guide, bench line, words of the trade, and the method with every limit and source
 * that the verdicts use. All of it is in the program.
 */
public final class HelpBook {
  private static final int LONGEST = 200;

  private final List<Article> articles;

  private HelpBook(List<Article> articles) {
    this.articles = List.copyOf(articles);
  }

  /** The help in the words of a dialect. */
  public static HelpBook of(Knowledge knowledge, Words words) {
    List<Article> all = new ArrayList<>(Markdown.articles("guide.md", Chapter.GUIDE));
    all.addAll(Markdown.articles("bench-line.md", Chapter.LINE));
    all.addAll(Glossary.read());
    all.addAll(Markdown.articles("method.md", Chapter.METHOD));
    all.addAll(new WorkedExamples(knowledge, words).articles());
    all.addAll(new MethodTables(knowledge, words).articles());
    return new HelpBook(all);
  }

  /** The articles of a chapter, in order. */
  public List<Article> in(Chapter chapter) {
    return articles.stream().filter(a -> a.chapter() == chapter).toList();
  }

  /** The text of the guide whose title begins with these words, as the stages are called. */
  public Optional<Article> guideTo(String beginning) {
    return in(Chapter.GUIDE).stream().filter(a -> a.title().startsWith(beginning)).findFirst();
  }

  /** The articles in which every word stands, those with the words in their title first. */
  public List<Article> find(String search) {
    String[] words = search.strip().toLowerCase(Locale.ROOT).split("\\s+");
    if (search.isBlank() || search.length() > LONGEST) {
      return List.of();
    }
    return articles.stream()
        .filter(a -> all(a.text(), words))
        .sorted(
            Comparator.comparing((Article a) -> !all(a.title().toLowerCase(Locale.ROOT), words))
                .thenComparing(a -> a.chapter() != Chapter.WORDS))
        .toList();
  }

  private static boolean all(String text, String... words) {
    for (String word : words) {
      if (!text.contains(word)) {
        return false;
      }
    }
    return true;
  }
}
