/** Drawer and catalogue as CSV and as an open file. */
package org.yellowhearth.storage.stock;
