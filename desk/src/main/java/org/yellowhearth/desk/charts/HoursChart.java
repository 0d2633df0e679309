package org.yellowhearth.desk.charts;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

import org.yellowhearth.core.fact.BenchHours;
import org.yellowhearth.core.reform.Schedule;

/** Days under one another, the hours at the bench pale, what is under voltage drawn into them by its channel. */
public final class HoursChart {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final double DAY_MINUTES = 24 * 60;
    private static final int EVERY = 3;

    private HoursChart() {
    }

    /** How many days there is something to see on, from today; at least a week's beginning, at most so many. */
    public static int days(Schedule schedule, ZonedDateTime now, int most) {
        long last = schedule.end()
                .map(e -> Duration.between(now.toLocalDate().atStartOfDay(now.getZone()).toInstant(), e).toDays())
                .orElse(0L);
        return Math.clamp(last + 1, 3, most);
    }

    /** The marks of so many days in a box of pixels. */
    public static List<Plot.Mark> marks(Schedule schedule, BenchHours hours, ZonedDateTime now, int days, double width,
            double height,
            double em) {
        List<Plot.Mark> marks = new ArrayList<>();
        double left = 6.4 * em;
        double right = width - 1.5 * em;
        double top = 1.6 * em;
        double each = (height - top - 0.3 * em) / days;
        for (int hour = 0; hour <= 24; hour += EVERY) {
            double x = left + (right - left) * hour / 24;
            marks.add(new Plot.Mark.Stroke(List.of(x, top, x, top + days * each), "hours-grid"));
            marks.add(new Plot.Mark.Words(x, 1.1 * em, Plot.Anchor.MIDDLE, hour + " h", "plot-label"));
        }
        for (int k = 0; k < days; k++) {
            LocalDate day = now.toLocalDate().plusDays(k);
            double y = top + k * each;
            marks.add(new Plot.Mark.Words(0, y + each / 2 + 0.35 * em, Plot.Anchor.START, DAY.format(day), "plot-label"));
            for (BenchHours.Span s : hours.spans()) {
                if (s.day() == day.getDayOfWeek()) {
                    double from = left + (right - left) * s.fromMinute() / DAY_MINUTES;
                    double to = left + (right - left) * s.toMinute() / DAY_MINUTES;
                    marks.add(new Plot.Mark.Area(from, y + 1, to - from, each - 2, "hours-open"));
                }
            }
            for (Schedule.Sitting s : schedule.sittings()) {
                sitting(s, day, now.getZone(), hours.channels(), left, right, y, each, em, marks);
            }
        }
        double x = left + (right - left) * minute(now, now.toLocalDate(), now.getZone()) / DAY_MINUTES;
        marks.add(new Plot.Mark.Stroke(List.of(x, top, x, top + each), "hours-now"));
        return marks;
    }

    private static void sitting(Schedule.Sitting s, LocalDate day, ZoneId zone, int channels, double left, double right, double y,
            double each, double em, List<Plot.Mark> marks) {
        double from = minute(s.from().atZone(zone), day, zone);
        double to = minute(s.to().atZone(zone), day, zone);
        if (to <= 0 || from >= DAY_MINUTES || to <= from) {
            return;
        }
        double x = left + (right - left) * from / DAY_MINUTES;
        double wide = Math.max(2, (right - left) * (to - from) / DAY_MINUTES);
        double high = (each - 4) / channels;
        double at = y + 2 + (s.channel() - 1) * high;
        marks.add(new Plot.Mark.Area(x, at, wide, Math.max(2, high - 1), "hours-on"));
        String name = s.part().toString();
        if (high >= 1.1 * em && wide >= 0.62 * em * name.length()) {
            marks.add(new Plot.Mark.Words(x + wide / 2, at + high / 2 + 0.35 * em, Plot.Anchor.MIDDLE, name, "hours-name"));
        }
    }

    /** The wall clock of a moment on a day, in minutes; before and after the day held at its ends. */
    private static double minute(ZonedDateTime at, LocalDate day, ZoneId zone) {
        if (at.toLocalDate().isBefore(day)) {
            return 0;
        }
        return at.withZoneSameInstant(zone).toLocalDate().isAfter(day) ? DAY_MINUTES : at.toLocalTime().toSecondOfDay() / 60.0;
    }
}
