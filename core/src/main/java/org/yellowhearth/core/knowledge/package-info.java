/**
 * What is known of the trade, as values: kinds, limits, rules, cautions. Read from files elsewhere.
 */
package org.yellowhearth.core.knowledge;
