package org.yellowhearth.desk.forms;

/** A stage of several pages. */
public interface Paged {
  /** Shows a page by its name. */
  void show(String name);
}
