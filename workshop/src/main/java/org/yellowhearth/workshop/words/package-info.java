/** The words of the window itself, in both dialects. */
package org.yellowhearth.workshop.words;
