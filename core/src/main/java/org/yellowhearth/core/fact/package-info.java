/**
 * What is written down of a set beside its parts and readings: aspects (one of each) and items (any
 * number), as plain records.
 */
package org.yellowhearth.core.fact;
