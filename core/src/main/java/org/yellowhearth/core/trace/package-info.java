/**
 * The supply of a job: built from what is described, compared with what was read, and which fault
 * explains the difference.
 */
package org.yellowhearth.core.trace;
