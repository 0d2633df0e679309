package org.yellowhearth.desk.help;

import java.util.List;
import java.util.function.Consumer;
import javafx.geometry.VPos;
import javafx.scene.AccessibleRole;
import javafx.scene.control.Hyperlink;
import javafx.scene.control.Label;
import javafx.scene.layout.ColumnConstraints;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.VBox;
import javafx.scene.text.Text;
import javafx.scene.text.TextFlow;
import org.yellowhearth.desk.forms.Page;
import org.yellowhearth.publishing.help.Article;
import org.yellowhearth.publishing.help.Article.Block;
import org.yellowhearth.publishing.help.Article.Span;

/** One text of the help, set for reading. */
final class ArticleView extends VBox {
  private final Consumer<String> follow;

  /**
   * An article.
   *
   * @param follow what is done with the anchor of a link that is pressed
   */
  ArticleView(Article article, Consumer<String> follow) {
    this.follow = follow;
    getStyleClass().add("article");
    getChildren().add(Page.text(article.title(), "section-title"));
    for (Block block : article.blocks()) {
      getChildren()
          .add(
              switch (block) {
                case Block.Passage p -> passage(p);
                case Block.Head h -> Page.text(h.text(), "form-title");
                case Block.Table t -> table(t);
              });
    }
  }

  private TextFlow passage(Block.Passage passage) {
    TextFlow flow = new TextFlow();
    flow.getStyleClass().add(passage.item() ? "article-item" : "article-words");
    StringBuilder said = new StringBuilder();
    for (Span span : passage.spans()) {
      said.append(span.text());
      if (!span.to().isEmpty()) {
        Hyperlink link = new Hyperlink(span.text());
        link.setOnAction(_ -> follow.accept(span.to()));
        flow.getChildren().add(link);
        continue;
      }
      Text text = new Text(span.text());
      text.getStyleClass()
          .add(
              switch (span.look()) {
                case PLAIN -> "article-plain";
                case STRONG -> "article-strong";
                case TYPED -> "article-typed";
              });
      flow.getChildren().add(text);
    }
    flow.setAccessibleRole(AccessibleRole.TEXT);
    flow.setAccessibleText(said.toString());
    return flow;
  }

  private static GridPane table(Block.Table table) {
    GridPane grid = new GridPane();
    grid.getStyleClass().add("article-table");
    int columns = table.rows().getFirst().size();
    for (int c = 0; c < columns; c++) {
      ColumnConstraints column = new ColumnConstraints();
      // The last column holds the sentences.
      column.setPercentWidth(
          c == columns - 1 && columns > 1
              ? Math.max(100.0 / columns, 34)
              : (columns > 1 ? Math.min(100.0 / columns, 66.0 / (columns - 1)) : 100));
      grid.getColumnConstraints().add(column);
    }
    int row = 0;
    for (List<String> cells : table.rows()) {
      for (int c = 0; c < cells.size(); c++) {
        Label cell = Page.text(cells.get(c), row == 0 ? "form-label" : "article-cell");
        GridPane.setValignment(cell, VPos.TOP);
        grid.add(cell, c, row);
      }
      row++;
    }
    return grid;
  }
}
