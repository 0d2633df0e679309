package org.yellowhearth.publishing.help;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.yellowhearth.core.knowledge.Knowledge;
import org.yellowhearth.knowledge.words.Words;
import org.yellowhearth.publishing.help.Article.Block;
import org.yellowhearth.publishing.help.Article.Chapter;

/**
 * The help: user guide, bench line, words of the trade, and the method with every limit and source
 * that the verdicts use. All of it is in the program.
 */
public final class HelpBook {
  private static final int LONGEST = 200;
  private static final int SHORT = 4;

  /** Words that questions have in common. */
  private static final Set<String> ASKING =
      Set.of(
          "how", "do", "does", "i", "a", "an", "the", "to", "is", "are", "my", "me", "what",
          "which", "where", "when", "why", "should", "of", "in", "on", "for", "it", "its", "with",
          "and", "or", "if", "this", "that", "there", "one", "at");

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
    Map<String, List<String>> asked = questions(all);
    return new HelpBook(
        all.stream().map(a -> a.answering(asked.getOrDefault(a.anchor(), List.of()))).toList());
  }

  /** The items of the guide that lead to another text of it, by what they lead to. */
  private static Map<String, List<String>> questions(List<Article> all) {
    Map<String, List<String>> asked = new HashMap<>();
    all.stream()
        .filter(a -> a.chapter() == Chapter.GUIDE)
        .flatMap(a -> a.blocks().stream())
        .forEach(block -> {
          if (block instanceof Block.Passage p && p.item()) {
            p.spans().stream()
                .filter(s -> !s.to().isEmpty())
                .forEach(s ->
                    asked
                        .computeIfAbsent(s.to(), _ -> new ArrayList<>())
                        .add(Article.text(p).toLowerCase(Locale.ROOT)));
          }
        });
    return asked;
  }

  /** The text of the guide that a link leads to. */
  public Optional<Article> at(String anchor) {
    return articles.stream().filter(a -> a.anchor().equals(anchor)).findFirst();
  }

  /** The articles of a chapter, in order. */
  public List<Article> in(Chapter chapter) {
    return articles.stream().filter(a -> a.chapter() == chapter).toList();
  }

  /** The text of the guide whose title begins with these words, as the stages are called. */
  public Optional<Article> guideTo(String beginning) {
    return in(Chapter.GUIDE).stream().filter(a -> a.title().startsWith(beginning)).findFirst();
  }

  /**
   * The articles in which every word stands, or which answer a question in which it does; where
   * there is none, those with the most of them. What answers such a question comes first, then what
   * has the words in its title, then the words of the trade. Words that any question has, such as
   * "how", are not searched for where others are there.
   */
  public List<Article> find(String search) {
    if (search.isBlank() || search.length() > LONGEST) {
      return List.of();
    }
    List<String> every =
        List.of(search.strip().toLowerCase(Locale.ROOT).split("[\\s?!,;]+")).stream()
            .filter(w -> !w.isEmpty())
            .toList();
    List<String> telling = every.stream().filter(w -> !ASKING.contains(w)).toList();
    List<String> words =
        (telling.isEmpty() ? every : telling).stream().map(HelpBook::stem).distinct().toList();
    if (words.isEmpty()) {
      return List.of();
    }
    Map<Article, Long> found = new LinkedHashMap<>();
    articles.forEach(a -> found.put(a, has(a.text() + " " + a.questions(), words)));
    long most = found.values().stream().mapToLong(Long::longValue).max().orElse(0);
    return most == 0 || most * 2 < words.size()
        ? List.of()
        : articles.stream()
            .filter(a -> found.get(a) == most)
            .sorted(
                Comparator.comparing((Article a) -> -asked(a, words))
                    .thenComparing(a -> has(a.title().toLowerCase(Locale.ROOT), words) < most)
                    .thenComparing(a -> a.chapter() != Chapter.WORDS))
            .toList();
  }

  /** How many of the words stand in the one question of an article that has the most of them. */
  private static long asked(Article a, List<String> words) {
    long most = a.questions().stream().mapToLong(q -> has(q, words)).max().orElse(0);
    return words.size() > 1 && most == words.size() ? most : 0;
  }

  private static long has(String text, List<String> words) {
    return words.stream().filter(text::contains).count();
  }

  /** A word without the ending that a question may give it. */
  private static String stem(String word) {
    return word.length() > SHORT && word.matches("[a-z]+")
        ? word.replaceFirst("(?<!s)s$|ing$", "")
        : word;
  }
}
