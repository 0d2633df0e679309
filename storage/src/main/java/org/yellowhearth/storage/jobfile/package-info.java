/** The job file: one job as JSON, every version read. */
package org.yellowhearth.storage.jobfile;
