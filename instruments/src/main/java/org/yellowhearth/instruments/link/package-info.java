/** Connections to instruments, simulated or real, and what drives each sort over one. */
package org.yellowhearth.instruments.link;
