/** A job: its journal of entries, and what stands after them. The journal is the truth. */
package org.yellowhearth.core.job;
