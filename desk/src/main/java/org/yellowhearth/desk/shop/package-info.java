/** The shop before a job: shelf, agenda, find, learned, safekeeping. */
package org.yellowhearth.desk.shop;
