/**
 * Reforming old electrolytics: plans, runs worked out from the journal, stop rules, forecasts,
 * worth; and a simulated oxide.
 */
package org.yellowhearth.core.reform;
