package org.yellowhearth.core.quantity;

import java.util.Locale;

/** Amounts in the shop's money, which has hundredths and no sign of its own. */
public final class Money {
  private Money() {}

  /** An amount as it is shown. */
  public static String amount(double money) {
    return String.format(Locale.ROOT, "%.2f", money);
  }
}
