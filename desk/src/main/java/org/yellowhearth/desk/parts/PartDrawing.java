package org.yellowhearth.desk.parts;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.Node;
import javafx.scene.layout.Pane;
import javafx.scene.paint.Color;
import javafx.scene.shape.Circle;
import javafx.scene.shape.Line;
import javafx.scene.shape.Rectangle;
import org.yellowhearth.core.partslist.Colour;
import org.yellowhearth.core.partslist.ColourCode;

/** A part drawn with its bands or dots as they are being entered. */
public final class PartDrawing extends Pane {
  private static final double WIDTH = 220;
  private static final double HEIGHT = 84;
  private static final double MIDDLE = HEIGHT / 2;

  /** Nothing drawn yet. */
  public PartDrawing() {
    setMinSize(WIDTH, HEIGHT);
    setPrefSize(WIDTH, HEIGHT);
    setMaxSize(WIDTH, HEIGHT);
    getStyleClass().add("part-drawing");
  }

  /** The colour as it is painted. */
  public static Color paint(Colour colour) {
    return Color.web(
        switch (colour) {
          case BLACK -> "#15120E";
          case BROWN -> "#6B3F1D";
          case RED -> "#B3261E";
          case ORANGE -> "#E0701A";
          case YELLOW -> "#EBC61A";
          case GREEN -> "#2E7D46";
          case BLUE -> "#2C57A8";
          case VIOLET -> "#6F3F95";
          case GREY -> "#85827C";
          case WHITE -> "#FAFAF5";
          case GOLD -> "#B8912B";
          case SILVER -> "#B9BDC1";
          case PINK -> "#E58FA6";
          case NONE -> "#D9C9A3";
        });
  }

  /** Draws a part of a scheme with the colours entered so far. */
  public void show(ColourCode.Scheme scheme, List<Colour> colours) {
    List<Node> nodes = new ArrayList<>();
    Line leads = new Line(6, MIDDLE, WIDTH - 6, MIDDLE);
    leads.getStyleClass().add("drawing-lead");
    switch (scheme) {
      case RESISTOR_BANDS, PAPER_BANDS, FILM_BANDS -> {
        nodes.add(leads);
        nodes.add(body(34, WIDTH - 68, 40, Colour.NONE, 12));
        for (int i = 0; i < colours.size(); i++) {
          boolean last =
              scheme == ColourCode.Scheme.RESISTOR_BANDS && i == colours.size() - 1 && i >= 3;
          nodes.add(band(48 + i * 20 + (last ? 14 : 0), colours.get(i)));
        }
      }
      case BODY_END_DOT -> {
        nodes.add(leads);
        nodes.add(body(34, WIDTH - 68, 40, at(colours, 0), 4));
        nodes.add(box(34, 30, at(colours, 1)));
        nodes.add(dot(WIDTH / 2, MIDDLE, at(colours, 2)));
        nodes.add(box(WIDTH - 64, 30, at(colours, 3)));
      }
      case MICA_DOTS -> {
        nodes.add(leads);
        nodes.add(body(40, WIDTH - 80, 64, Colour.BROWN, 6));
        boolean six = colours.size() > 3;
        for (int i = 0; i < colours.size(); i++) {
          nodes.add(
              dot(
                  72 + (i % 3) * 38,
                  six ? i < 3 ? MIDDLE - 15 : MIDDLE + 15 : MIDDLE,
                  colours.get(i)));
        }
      }
      case CERAMIC_DOTS -> {
        nodes.add(leads);
        nodes.add(body(34, WIDTH - 68, 26, Colour.NONE, 13));
        for (int i = 0; i < colours.size(); i++) {
          nodes.add(dot(54 + i * 28, MIDDLE, colours.get(i)));
        }
      }
      case TANTALUM_DOTS -> bead(colours, nodes);
    }
    getChildren().setAll(nodes);
  }

  private static Colour at(List<Colour> colours, int i) {
    return i < colours.size() ? colours.get(i) : Colour.NONE;
  }

  private static Rectangle body(double x, double width, double height, Colour colour, double arc) {
    Rectangle r = new Rectangle(x, MIDDLE - height / 2, width, height);
    r.setArcWidth(2 * arc);
    r.setArcHeight(2 * arc);
    r.setFill(paint(colour));
    r.getStyleClass().add("drawing-body");
    return r;
  }

  private static Rectangle band(double x, Colour colour) {
    Rectangle r = new Rectangle(x, MIDDLE - 20, 11, 40);
    r.setFill(paint(colour));
    return r;
  }

  private static Rectangle box(double x, double width, Colour colour) {
    Rectangle r = new Rectangle(x, MIDDLE - 20, width, 40);
    r.setFill(paint(colour));
    return r;
  }

  private static Circle dot(double x, double y, Colour colour) {
    Circle c = new Circle(x, y, 9, paint(colour));
    c.getStyleClass().add("drawing-body");
    return c;
  }

  /**
   * A bead from its dot side: upper half, middle, dot, and the voltage below; the lead at the right
   * is the positive one.
   */
  private static void bead(List<Colour> colours, List<Node> nodes) {
    for (double x : new double[] {WIDTH / 2 - 12, WIDTH / 2 + 12}) {
      Line lead = new Line(x, 60, x, HEIGHT);
      lead.getStyleClass().add("drawing-lead");
      nodes.add(lead);
    }
    double[] heights = {4, 22, 40};
    Colour[] shades = {at(colours, 0), at(colours, 1), at(colours, 3)};
    for (int i = 0; i < heights.length; i++) {
      Rectangle r = new Rectangle(WIDTH / 2 - 28, heights[i], 56, 20);
      r.setArcWidth(14);
      r.setArcHeight(14);
      r.setFill(paint(shades[i]));
      r.getStyleClass().add("drawing-body");
      nodes.add(r);
    }
    nodes.add(dot(WIDTH / 2, 33, at(colours, 2)));
  }
}
