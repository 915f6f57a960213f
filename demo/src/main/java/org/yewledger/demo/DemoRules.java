package org.yewledger.demo;

import java.util.List;
import org.yewledger.core.rules.Condition.Direction;

/** The rules that the family has made so far; a few payees are left for the person to make one. */
public final class DemoRules {
  /**
   * A rule in terms of the chart's names; an empty payee keeps the bank's, an empty account is any.
   *
   * @param trustedUpTo up to which amount it posts by itself; empty if it waits
   */
  public record DemoRule(
      String words,
      Direction direction,
      String onAccount,
      String payee,
      String to,
      String trustedUpTo) {
    DemoRule(String words, Direction direction, String onAccount, String payee, String to) {
      this(words, direction, onAccount, payee, to, "");
    }
  }

  private DemoRules() {}

  public static List<DemoRule> rules() {
    return List.of(
        new DemoRule(
            "QUILLON CARD",
            Direction.OUT,
            AldercottYear.HARBOUR,
            "Quillon Card payment",
            AldercottYear.QUILLON),
        new DemoRule(
            "SAVINGS 9023",
            Direction.OUT,
            AldercottYear.HARBOUR,
            "To savings",
            AldercottYear.SAVINGS),
        new DemoRule(
            "MARRAM COUNCIL", Direction.IN, AldercottYear.HARBOUR, "Marram Council", "Pay"),
        new DemoRule("FAMILY OFFICE", Direction.IN, "", "Family Office", "Child allowance"),
        new DemoRule("LANTERN ENERGY", Direction.OUT, "", "Lantern Energy", "Energy"),
        new DemoRule("FIBRELINK", Direction.OUT, "", "Fibrelink", "Internet and phone"),
        new DemoRule("NORTHGATE FUEL", Direction.OUT, "", "Northgate Fuel", "Fuel"),
        new DemoRule("COBBLERS ROW", Direction.OUT, "", "Cobblers Row Bakery", "Bakery"),
        new DemoRule("MILL LANE", Direction.OUT, "", "Mill Lane Pharmacy", "Health"),
        // One that was made too late: the one before takes all that it could.
        new DemoRule("MILL LANE DENTAL", Direction.OUT, "", "Mill Lane Dental", "Health"),
        new DemoRule("ACCOUNT KEEPING", Direction.OUT, "", "Account keeping", "Bank charges", "25"),
        new DemoRule("TOWN RATE", Direction.OUT, "", "Town rate", "Town rate"),
        new DemoRule("ATM HARBOUR", Direction.OUT, "", "Cash", "Pocket cash"),
        new DemoRule(
            "W ALDERCOTT",
            Direction.OUT,
            AldercottYear.KESTREL,
            "Wren's drawings",
            AldercottYear.HARBOUR),
        new DemoRule(
            "SALTMARSH YARD", Direction.OUT, AldercottYear.KESTREL, "Saltmarsh Yard", "Workshop"),
        new DemoRule(
            "SHOP PAYOUT", Direction.IN, AldercottYear.KESTREL, "Online shop", "Online shop"),
        new DemoRule("POSTBARROW", Direction.OUT, "", "Postbarrow Couriers", "Post and couriers"),
        new DemoRule(
            "KESTREL CARD",
            Direction.OUT,
            AldercottYear.KESTREL,
            "Kestrel Card payment",
            AldercottYear.KESTREL_CARD));
  }
}
