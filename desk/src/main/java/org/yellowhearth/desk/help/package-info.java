/** The help in the window. */
package org.yellowhearth.desk.help;
