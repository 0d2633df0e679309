/** Lists of parts as CSV, in and out. */
package org.yellowhearth.storage.census;
