package org.yellowhearth.storage.store;

import java.util.List;

/** Whole shelves, for tests that look at every journal. */
final class Shelves {
  private Shelves() {}

  static List<Shop.ShelfEntry> jobs(Shop shop) {
    return shop.shelf().stream().map(l -> new Shop.ShelfEntry(l.id(), shop.job(l.id()))).toList();
  }
}
