package org.yewledger.demo;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.List;

/** Entries of the last month that were typed from receipts before the card's lines came. */
public final class DemoTyped {
  /**
   * @param minor what the card paid, below zero
   */
  public record TypedEntry(
      LocalDate day, String payee, String account, String category, long minor) {}

  private DemoTyped() {}

  /** One that is a line, and two things of a day that the shop took as one. */
  public static List<TypedEntry> entries() {
    List<Happening> clothes = ofLastMonth("TANSY");
    Happening one = clothes.getFirst();
    Happening two = clothes.get(1);
    long shirt = two.line().amountMinor() / 3;
    return List.of(
        typed(one, one.line().amountMinor()),
        typed(two, shirt),
        typed(two, two.line().amountMinor() - shirt));
  }

  private static TypedEntry typed(Happening happening, long minor) {
    return new TypedEntry(
        happening.line().day(),
        happening.payee(),
        happening.line().account(),
        happening.shares().getFirst().account(),
        minor);
  }

  private static List<Happening> ofLastMonth(String text) {
    return AldercottYear.happenings().stream()
        .filter(h -> YearMonth.from(h.line().day()).equals(AldercottYear.LAST))
        .filter(h -> h.line().account().equals(AldercottYear.QUILLON))
        .filter(h -> h.line().name().startsWith(text))
        .toList();
  }
}
