package org.yellowhearth.knowledge.json;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.RecordComponent;
import java.util.Arrays;

/** One component of a record changed, the others as they are. */
public final class RecordEdit {
  private RecordEdit() {}

  /**
   * A record with one component of another value.
   *
   * @throws IllegalArgumentException with the record's own sentence where it refuses that
   */
  public static <R extends Record> R with(R record, String name, Object value) {
    RecordComponent[] components = record.getClass().getRecordComponents();
    Class<?>[] types =
        Arrays.stream(components).map(RecordComponent::getType).toArray(Class<?>[]::new);
    Object[] values = new Object[components.length];
    for (int k = 0; k < values.length; k++) {
      values[k] =
          components[k].getName().equals(name) ? value : get(record, components[k].getName());
    }
    try {
      @SuppressWarnings("unchecked") // the constructor is that of the record's own class
      R changed = (R) record.getClass().getDeclaredConstructor(types).newInstance(values);
      return changed;
    } catch (InvocationTargetException e) {
      throw new IllegalArgumentException(e.getCause().getMessage(), e);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("a public record can be made: " + record.getClass(), e);
    }
  }

  /** The value of a component. */
  public static Object get(Record record, String name) {
    try {
      return record.getClass().getMethod(name).invoke(record);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(
          "a public record can be read: " + record.getClass() + " " + name, e);
    }
  }
}
