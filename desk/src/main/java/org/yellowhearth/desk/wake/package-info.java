/** First power: plan, readiness, run, instruments. */
package org.yellowhearth.desk.wake;
