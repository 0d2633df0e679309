/**
 * A job with all that follows from it so far, worked out once for each length of its journal:
 * verdicts, beliefs, the models of its supply.
 */
package org.yellowhearth.core.judge;
