/**
 * Figures as they are printed and typed: numbers, units, words, date codes; and what they could
 * also mean.
 */
package org.yellowhearth.core.marking;
