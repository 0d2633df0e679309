package org.yellowhearth.storage.jobfile;

import java.util.Optional;
import org.yellowhearth.core.job.Job;

/**
 * A job as it came in a file.
 *
 * @param id the id it was exported with; a file written by hand may have none
 */
public record JobFile(Optional<String> id, Job job) {}
