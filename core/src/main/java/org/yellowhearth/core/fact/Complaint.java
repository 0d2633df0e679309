package org.yellowhearth.core.fact;

import java.util.Collections;
import java.util.Set;
import java.util.TreeSet;

/** The symptoms that go with the complaint in words on the plate. */
public record Complaint(Set<Symptom> symptoms) implements Aspect {
  public static final Complaint BLANK = new Complaint(Set.of());

  public Complaint {
    symptoms = Collections.unmodifiableSet(new TreeSet<>(symptoms));
  }
}
