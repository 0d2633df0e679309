/** Parts as tables, rows and drawings, for every stage that lists them. */
package org.yellowhearth.desk.parts;
