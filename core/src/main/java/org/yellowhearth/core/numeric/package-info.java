/**
 * The few numerical methods that several rooms need: a root by halving, a straight line through
 * readings.
 */
package org.yellowhearth.core.numeric;
