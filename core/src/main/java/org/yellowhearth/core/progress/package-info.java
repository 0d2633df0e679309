/** How a long computation tells how far it is, and is stopped. */
package org.yellowhearth.core.progress;
