/** Trace: the supply as a river of volts, readings, suspects, margins. */
package org.yellowhearth.desk.trace;
