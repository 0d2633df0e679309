package org.yellowhearth.workshop;

/** The stages that work so far, in the order of a job. A stage that does not exist yet is absent. */
public enum Stage {
    ARRIVAL, SAFETY, CENSUS, ASSESS, TRACE, REFORM, RENEW, WAKE, PROVE, DOSSIER
}
