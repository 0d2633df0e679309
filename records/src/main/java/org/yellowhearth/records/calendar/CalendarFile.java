package org.yellowhearth.records.calendar;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.ProductId;
import biweekly.property.Uid;
import java.time.Duration;
import java.time.Instant;
import java.util.Date;
import java.util.List;

/** What is due as an iCalendar file (RFC 5545), for the calendar that a person has anyway. Times are in UTC; a calendar shows its own. */
public final class CalendarFile {
    private CalendarFile() {
    }

    /**
     * An appointment.
     *
     * @param key the same for the same thing to do, so that a calendar moves it instead of showing it twice
     */
    public record Entry(String key, Instant at, Duration takes, String summary, String description) {
    }

    /** The text of a calendar. */
    public static String text(List<Entry> entries, Instant madeAt) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId(new ProductId("-//Yellow Hearth//Yellow Hearth//EN"));
        for (Entry e : entries) {
            VEvent event = new VEvent();
            event.setUid(new Uid(e.key + "@yellowhearth"));
            event.setDateTimeStamp(Date.from(madeAt));
            event.setDateStart(Date.from(e.at));
            event.setDateEnd(Date.from(e.at.plus(e.takes)));
            event.setSummary(e.summary);
            event.setDescription(e.description);
            calendar.addEvent(event);
        }
        return Biweekly.write(calendar).go();
    }
}
