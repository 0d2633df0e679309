/** What all jobs of a shop together teach, with its uncertainty. */
package org.yellowhearth.core.learn;
