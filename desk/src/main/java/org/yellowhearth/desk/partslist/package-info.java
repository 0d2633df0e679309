/** The list of parts, the decoder, import. */
package org.yellowhearth.desk.partslist;
