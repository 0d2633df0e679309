/**
 * The language that instruments speak (SCPI-99, IEEE 488.2): devices and a server on the loopback
 * address.
 */
package org.yellowhearth.instruments.scpi;
