package org.yewledger.app.loan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.loan.Loan;
import org.yewledger.core.loan.LoanBook;
import org.yewledger.core.loan.LoanBook.Booked;
import org.yewledger.core.money.Amount;

/** Reads what the books say of a loan. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class LoanBooks {
  private final JdbcClient jdbc;

  LoanBooks(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Without entries that were taken back, and what took them back. Cost: the loan's postings. */
  LoanBook of(Loan loan) {
    CurrencyUnit currency = loan.account().currency();
    List<Amount> before = new ArrayList<>();
    List<Booked> entries = new ArrayList<>();
    jdbc.sql(
            """
            select e.id, e.no, e.date, e.origin = 'OPENING',
                   coalesce(sum(p.amount_minor) filter (where p.account_id = :loan), 0)::bigint,
                   coalesce(sum(p.amount_minor) filter (where p.account_id = :interest), 0)::bigint
              from entry e
              join posting p on p.household_id = :household and p.entry_id = e.id and p.account_id in (:loan, :interest)
             where e.household_id = :household and e.counters_id is null
               and e.id in (select entry_id from posting where household_id = :household and account_id = :loan)
               and not exists (select 1 from entry c where c.household_id = :household and c.counters_id = e.id)
             group by e.id, e.no, e.date, e.origin order by e.date, e.no\
            """)
        .param("household", SignedIn.now().householdId())
        .param("loan", loan.account().id())
        .param("interest", loan.interest().id())
        .query(row -> {
          Amount moved = Amount.ofMinor(row.getLong(5), currency);
          if (row.getBoolean(4)) {
            before.add(moved.negated());
          } else {
            entries.add(
                new Booked(
                    Objects.requireNonNull(row.getObject(1, UUID.class)),
                    row.getLong(2),
                    Objects.requireNonNull(row.getObject(3, LocalDate.class)),
                    moved,
                    Amount.ofMinor(row.getLong(6), currency)));
          }
        });
    return new LoanBook(Amount.sum(currency, before), entries);
  }
}
