/**
 * What a set is when it comes in: ages by date codes, fit to the mains, estimate, and how it comes
 * apart.
 */
package org.yellowhearth.core.arrival;
