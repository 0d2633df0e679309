/** Arrival: the set as it came in. */
package org.yellowhearth.desk.arrival;
