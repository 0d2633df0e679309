/** The desktop application: how it starts, and what it does when something goes wrong. */
package org.yellowhearth.desk;
