/** iCalendar files, written and read. */
package org.yellowhearth.storage.calendar;
