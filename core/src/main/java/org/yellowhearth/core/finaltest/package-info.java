/**
 * Proof that a set is good: its chart, loads, accuracy, adjustment, burn-in, and what still stands
 * against handing it back.
 */
package org.yellowhearth.core.finaltest;
