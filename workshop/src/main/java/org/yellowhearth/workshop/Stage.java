package org.yellowhearth.workshop;

/**
 * The stages that work so far, in the order of a job. A stage that does not exist yet is absent.
 */
public enum Stage {
  ARRIVAL,
  SAFETY,
  PARTS,
  ASSESS,
  TRACE,
  REFORM,
  REPLACE,
  FIRST_POWER,
  FINAL_TEST,
  DOSSIER
}
