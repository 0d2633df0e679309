/** Reform: lanes, plans, runs, instruments. */
package org.yellowhearth.desk.reform;
