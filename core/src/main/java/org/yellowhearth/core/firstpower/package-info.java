/**
 * First power: the plan of its steps with bands for every meter, readiness, and the run judged by
 * its plan.
 */
package org.yellowhearth.core.firstpower;
