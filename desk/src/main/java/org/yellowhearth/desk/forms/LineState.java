package org.yellowhearth.desk.forms;

import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.TextInputControl;
import org.yellowhearth.instruments.link.Transcript;
import org.yellowhearth.workshop.InstrumentLine;
import org.yellowhearth.workshop.InstrumentLine.How;
import org.yellowhearth.workshop.words.Labels;

/** How a line to an instrument is, and what was said on it. */
public final class LineState {
  private static final DateTimeFormatter MOMENT =
      DateTimeFormatter.ofPattern("HH:mm:ss", Locale.ROOT);
  private static final int NEWEST = 200;

  private LineState() {}

  /** Shows the state of a line by sign, word and colour. */
  public static void show(Label state, How how, String noneKey) {
    state.setText(
        switch (how.state()) {
          case NONE -> "○ " + Labels.of(noneKey);
          case CONNECTING -> "… " + Labels.of("reform.link.connecting", how.told());
          case OPEN -> "● " + Labels.of("reform.link.open", how.told());
          case LOST -> "■ " + Labels.of("reform.link.lost", how.told());
          case TRYING -> "■ " + Labels.of("reform.link.trying", how.told());
        });
    state
        .getStyleClass()
        .setAll(
            "label",
            "run-counsel",
            switch (how.state()) {
              case OPEN -> "run-good";
              case LOST, TRYING -> "run-bad";
              case NONE, CONNECTING -> "run-off";
            });
  }

  /** Shows the newest of what was said, newest first. */
  public static void said(TextInputControl said, InstrumentLine<?> line) {
    List<Transcript.Line> lines = line.lines();
    StringBuilder text = new StringBuilder();
    for (Transcript.Line l :
        lines.subList(Math.max(0, lines.size() - NEWEST), lines.size()).reversed()) {
      text.append(MOMENT.format(l.at().atZone(ZoneId.systemDefault())))
          .append(
              switch (l.way()) {
                case OUT -> "  >  ";
                case IN -> "  <  ";
                case LOST -> "  !  ";
              })
          .append(l.text())
          .append('\n');
    }
    if (!said.getText().contentEquals(text)) {
      said.setText(text.toString());
    }
  }
}
