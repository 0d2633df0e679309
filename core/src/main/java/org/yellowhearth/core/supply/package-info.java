/** Mains supplies made of ready sections, and what they settle at. */
package org.yellowhearth.core.supply;
