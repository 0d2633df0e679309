package org.yellowhearth.core.message;

import java.lang.annotation.Documented;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;

/**
 * The name under which something stands in job files and shops. It never changes, whatever the
 * thing is called in Java: a file that a released version wrote stays readable. What has none is
 * stored under its Java name in lower case, and a test holds both against the ledger of all stored
 * names ({@code stored-names.txt}), so that a renaming without this is noticed before it is
 * released.
 */
@Documented
@Retention(RetentionPolicy.RUNTIME)
@Target({ElementType.TYPE, ElementType.FIELD, ElementType.RECORD_COMPONENT})
public @interface Stored {
  /** The name that is written. */
  String value();

  /** Other names under which older versions wrote it, which are read as well. */
  String[] formerly() default {};
}
