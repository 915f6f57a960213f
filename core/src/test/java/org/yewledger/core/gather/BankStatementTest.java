package org.yewledger.core.gather;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNull;
import static org.yewledger.core.Fixtures.line;

import java.time.LocalDate;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.testng.annotations.Test;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.money.Amount;

public class BankStatementTest {
  private static BankStatement day(String number, String day, long opening, long amount) {
    LocalDate on = LocalDate.parse(day);
    return new BankStatement(
        number,
        CurrencyUnit.EUR,
        List.of(line(day, amount, "A")),
        new Balance(on, Amount.ofMinor(opening + amount, CurrencyUnit.EUR)),
        Amount.ofMinor(opening, CurrencyUnit.EUR),
        null,
        new Days(on, on),
        List.of());
  }

  @Test
  public void theDaysOfAnAccountAreJoinedToOneStatement() {
    List<BankStatement> joined =
        BankStatement.joined(
            List.of(
                day("4417", "2026-09-01", 1000, -100),
                day("9023", "2026-09-01", 50, 5),
                day("4417", "2026-09-02", 900, 300)));
    assertEquals(joined.size(), 2);
    BankStatement current = joined.getFirst();
    assertEquals(current.lines().size(), 2);
    assertEquals(current.opening(), Amount.ofMinor(1000, CurrencyUnit.EUR));
    assertEquals(
        current.closing(),
        new Balance(LocalDate.parse("2026-09-02"), Amount.ofMinor(1200, CurrencyUnit.EUR)));
    assertEquals(
        current.covers(), new Days(LocalDate.parse("2026-09-01"), LocalDate.parse("2026-09-02")));
  }

  @Test
  public void aDayThatDoesNotRunOnLeavesNoOpening() {
    BankStatement joined =
        BankStatement.joined(
                List.of(day("4417", "2026-09-01", 1000, -100), day("4417", "2026-09-03", 870, 300)))
            .getFirst();
    assertNull(joined.opening());
    assertEquals(
        joined.closing(),
        new Balance(LocalDate.parse("2026-09-03"), Amount.ofMinor(1170, CurrencyUnit.EUR)));
  }
}
