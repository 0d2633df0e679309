/** The line typed at the bench: what it may say, and what it was understood as. */
package org.yellowhearth.core.benchline;
