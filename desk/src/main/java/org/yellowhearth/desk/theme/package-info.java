/** Colours, typefaces and glyphs, by day and by night. */
package org.yellowhearth.desk.theme;
