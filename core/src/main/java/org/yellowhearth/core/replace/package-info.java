/**
 * What takes the place of what: substitutes, combinations, ceilings, kits, rectifier changes, the
 * fitting sheet, stock.
 */
package org.yellowhearth.core.replace;
