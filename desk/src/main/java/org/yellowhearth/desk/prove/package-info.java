/** Prove: chart, adjustment, loads, accuracy, burn-in, handing back. */
package org.yellowhearth.desk.prove;
