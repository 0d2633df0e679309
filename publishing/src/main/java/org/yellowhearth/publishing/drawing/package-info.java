/** Drawings as marks, for screen, SVG and paper alike. */
package org.yellowhearth.publishing.drawing;
