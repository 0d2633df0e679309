package org.yellowhearth.core.job;

import java.time.ZonedDateTime;

/**
 * One entry of a job's journal. Entries are only ever appended.
 *
 * @param number its place in the journal, from 0
 * @param at when it was made, with the zone of the bench
 */
public record Entry(int number, ZonedDateTime at, Act act) {
}
