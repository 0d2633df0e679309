/** Why something failed, as far as the journal tells. */
package org.yellowhearth.core.cause;
