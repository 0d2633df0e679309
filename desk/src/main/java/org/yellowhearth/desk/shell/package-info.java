/** The window around everything: set details, path, bench line, reasons, gates, and the stop. */
package org.yellowhearth.desk.shell;
