/** Quantities with units, preferred values, money, and the one comparison with limits. */
package org.yellowhearth.core.quantity;
