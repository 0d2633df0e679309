/** Assess: readings, the ageing field, limits. */
package org.yellowhearth.desk.assess;
