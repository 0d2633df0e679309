/**
 * Lists of parts: what is printed on them (markings, colours) and what a line that adds one says.
 */
package org.yellowhearth.core.partslist;
