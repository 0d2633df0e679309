/** Commands without a window: compute, instruments. */
package org.yellowhearth.cli;
