package org.yellowhearth.desk.forms;

import javafx.beans.property.Property;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.value.ObservableValue;
import org.yellowhearth.workshop.watch.Value;
import org.yellowhearth.workshop.watch.Watched;

/** Ties what the window shows to what the workshop holds, which knows no window. */
public final class Bound {
  private Bound() {}

  /** A value of the workshop as the window's toolkit wants to see it. */
  public static <T> ObservableValue<T> to(Watched<T> watched) {
    ReadOnlyObjectWrapper<T> shown = new ReadOnlyObjectWrapper<>(watched.get());
    watched.addListener((_, _, now) -> shown.set(now));
    return shown.getReadOnlyProperty();
  }

  /** The same of a number. */
  public static ReadOnlyDoubleProperty number(Watched<Double> watched) {
    ReadOnlyDoubleWrapper shown = new ReadOnlyDoubleWrapper(watched.get());
    watched.addListener((_, _, now) -> shown.set(now));
    return shown.getReadOnlyProperty();
  }

  /**
   * What a control holds and what the workshop holds are one: each follows the other, the workshop
   * first.
   */
  public static <T> void both(Property<T> control, Value<T> value) {
    control.setValue(value.get());
    control.addListener((_, _, now) -> value.set(now));
    value.addListener((_, _, now) -> control.setValue(now));
  }
}
