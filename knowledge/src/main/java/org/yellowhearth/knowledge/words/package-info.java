/**
 * The words of the trade in both dialects, and how parts, readings, faults and journals are told in
 * them.
 */
package org.yellowhearth.knowledge.words;
