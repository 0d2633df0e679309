package org.yellowhearth.core.fact;

import java.util.OptionalDouble;
import java.util.function.Consumer;

/**
 * Money and hours.
 *
 * @param currency the sign that goes with every amount
 * @param ratePerHour what an hour of the workshop costs; 0 for one's own set
 * @param moneyLimit the most that may be spent in all
 * @param hoursLimit the most hours that may go into it
 * @param worth what the set is worth to its owner when done
 * @param partPrice what one renewed part costs
 * @param partHours how long renewing one part takes
 */
public record Budget(
    String currency,
    double ratePerHour,
    OptionalDouble moneyLimit,
    OptionalDouble hoursLimit,
    OptionalDouble worth,
    ThreePoint partPrice,
    ThreePoint partHours)
    implements Aspect {
  public static final Budget BLANK =
      new Budget(
          "",
          0,
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          OptionalDouble.empty(),
          new ThreePoint(0.5, 1.5, 4),
          new ThreePoint(0.2, 0.35, 0.8));
  private static final double MOST = 1e9;

  public Budget {
    if (currency.length() > 6) {
      throw new IllegalArgumentException(
          "a currency is a sign or three letters, not \"" + currency + "\"");
    }
    Checked.within("hourly rate", ratePerHour, 0, MOST);
    Checked.within("limit of money", moneyLimit, 0, MOST);
    Checked.within("limit of hours", hoursLimit, 0, MOST);
    Checked.within("worth", worth, 0, MOST);
  }

  /** This with something changed. */
  public Budget with(Consumer<Draft> change) {
    Draft d = new Draft(this);
    change.accept(d);
    return new Budget(
        d.currency, d.ratePerHour, d.moneyLimit, d.hoursLimit, d.worth, d.partPrice, d.partHours);
  }

  /** A budget while it is being changed. */
  public static final class Draft {
    public String currency;
    public double ratePerHour;
    public OptionalDouble moneyLimit;
    public OptionalDouble hoursLimit;
    public OptionalDouble worth;
    public ThreePoint partPrice;
    public ThreePoint partHours;

    private Draft(Budget b) {
      currency = b.currency;
      ratePerHour = b.ratePerHour;
      moneyLimit = b.moneyLimit;
      hoursLimit = b.hoursLimit;
      worth = b.worth;
      partPrice = b.partPrice;
      partHours = b.partHours;
    }
  }
}
