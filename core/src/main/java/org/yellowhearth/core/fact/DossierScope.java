package org.yellowhearth.core.fact;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Set;
import java.util.TreeSet;
import org.yellowhearth.core.message.Coded;

/**
 * What the dossier of a job tells.
 *
 * @param without the sections that are left out
 */
public record DossierScope(Set<Section> without) implements Aspect {
  /** Everything. */
  public static final DossierScope BLANK = new DossierScope(Set.of());

  /** A section, in the order of the pages. */
  public enum Section implements Coded {
    PLATE,
    PHOTOGRAPHS,
    FOUND,
    OWED,
    PARTS,
    RENEWED,
    READINGS,
    SUPPLY,
    REFORMED,
    WOKEN,
    PROVED,
    BURNED_IN,
    WATCH,
    KEPT,
    DISPOSAL,
    JOURNAL,
    SOURCES;

    /** What an owner reads; the rest is for whoever opens the set next. */
    public boolean forOwner() {
      return switch (this) {
        case PLATE, PHOTOGRAPHS, FOUND, OWED, RENEWED, PROVED, BURNED_IN, WATCH, KEPT, DISPOSAL ->
            true;
        case PARTS, READINGS, SUPPLY, REFORMED, WOKEN, JOURNAL, SOURCES -> false;
      };
    }
  }

  public DossierScope {
    without = Collections.unmodifiableSet(new TreeSet<>(without));
  }

  /** What the owner gets. */
  public static DossierScope forOwner() {
    Set<Section> left = EnumSet.allOf(Section.class);
    left.removeIf(Section::forOwner);
    return new DossierScope(left);
  }

  /** Whether a section is told. */
  public boolean tells(Section section) {
    return !without.contains(section);
  }

  /** This with a section told or left out. */
  public DossierScope with(Section section, boolean told) {
    Set<Section> now = new TreeSet<>(without);
    if (told) {
      now.remove(section);
    } else {
      now.add(section);
    }
    return new DossierScope(now);
  }
}
