package org.yewledger.core.loan;

import static org.yewledger.core.Fixtures.BOOK;
import static org.yewledger.core.Fixtures.CURRENT;
import static org.yewledger.core.Fixtures.OPENS;
import static org.yewledger.core.Fixtures.eur;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.loan.LoanBook.Booked;
import org.yewledger.core.money.Amount;
import org.yewledger.core.schedule.DueItem;
import org.yewledger.core.schedule.DueItems;
import org.yewledger.core.schedule.Recurrence;
import org.yewledger.core.schedule.Rhythm;
import org.yewledger.core.schedule.Rhythm.On;
import org.yewledger.core.schedule.Rhythm.Unit;
import org.yewledger.core.schedule.Schedule;
import org.yewledger.core.schedule.Settled;
import org.yewledger.core.schedule.Shift;
import org.yewledger.core.schedule.Standing;
import org.yewledger.core.schedule.WorkingDays;

/** Loans for tests. */
final class Loans {
  static final Account HOME =
      new Account(
          new UUID(9, 1), BOOK, "Home loan", AccountKind.LOAN, CurrencyUnit.EUR, false, OPENS);
  static final Account INTEREST =
      new Account(
          new UUID(9, 2),
          BOOK,
          "Loan interest",
          AccountKind.EXPENSE,
          CurrencyUnit.EUR,
          false,
          null);

  private Loans() {}

  static Loan.Terms terms(String from, String rate, long payment) {
    return new Loan.Terms(LocalDate.parse(from), new BigDecimal(rate), eur(payment));
  }

  static Loan loan(InterestCount count, String first, Shift shift, Loan.Terms... terms) {
    return loan(count, first, new Rhythm(Unit.MONTH, 1, On.DAY), shift, terms);
  }

  static Loan loan(
      InterestCount count, String first, Rhythm rhythm, Shift shift, Loan.Terms... terms) {
    Schedule payments =
        new Schedule(
            new UUID(9, 3),
            "Home loan",
            "",
            CURRENT,
            List.of(new Schedule.Part(HOME, terms[0].payment().negated(), "")),
            eur(0),
            Recurrence.of(rhythm, LocalDate.parse(first), null, null),
            shift);
    return new Loan(new UUID(9, 4), payments, HOME, INTEREST, count, List.of(terms), null);
  }

  /** A loan of which nothing is booked since the account opened. */
  static LoanTable ahead(Loan loan, long owed, LoanTable.Planned... planned) {
    return table(loan, owed, loan.payments().when().first(), Map.of(), List.of(), planned);
  }

  static LoanTable table(
      Loan loan,
      long owed,
      LocalDate today,
      Map<LocalDate, Settled> settled,
      List<Booked> entries,
      LoanTable.Planned... planned) {
    List<Standing> standing = new ArrayList<>();
    for (Booked entry : entries) {
      Amount moved = entry.repaid().plus(entry.interest()).negated();
      standing.add(new Standing(entry.entryId(), entry.no(), entry.date(), moved));
    }
    LocalDate first = loan.payments().when().first();
    List<DueItem> items =
        DueItems.of(
            loan.payments(),
            loan::payments,
            first,
            first.plusYears(80),
            today,
            WorkingDays.WEEKDAYS,
            settled,
            standing);
    return LoanTable.of(loan, new LoanBook(eur(owed), entries), items, List.of(planned));
  }

  static Booked entry(long no, String day, long repaid, long interest) {
    return new Booked(new UUID(17, no), no, LocalDate.parse(day), eur(repaid), eur(interest));
  }
}
