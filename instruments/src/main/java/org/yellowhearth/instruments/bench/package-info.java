/** Simulated instruments on simulated sets, with the faults that real ones have. */
package org.yellowhearth.instruments.bench;
