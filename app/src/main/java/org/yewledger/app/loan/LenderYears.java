package org.yewledger.app.loan;

import java.sql.Date;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.joda.money.CurrencyUnit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.loan.LenderYear;
import org.yewledger.core.loan.Loan;
import org.yewledger.core.money.Amount;

/** Keeps what lenders say of a year. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class LenderYears {
  /**
   * @param note where it stands, such as "letter of 9 October"
   */
  record KeptYear(LenderYear year, String note) {}

  private final JdbcClient jdbc;

  LenderYears(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Of a loan, the oldest first. */
  List<KeptYear> of(Loan loan) {
    CurrencyUnit currency = loan.account().currency();
    return jdbc.sql(
            """
            select after, through, owed_before_minor, paid_minor, interest_minor, owed_after_minor, note from lender_year
             where household_id = ? and loan_id = ? order by through\
            """)
        .params(SignedIn.now().householdId(), loan.id())
        .query((row, at) ->
            new KeptYear(
                new LenderYear(
                    Objects.requireNonNull(row.getObject(1, LocalDate.class)),
                    Objects.requireNonNull(row.getObject(2, LocalDate.class)),
                    Amount.ofMinor(row.getLong(3), currency),
                    Amount.ofMinor(row.getLong(4), currency),
                    Amount.ofMinor(row.getLong(5), currency),
                    Amount.ofMinor(row.getLong(6), currency)),
                Objects.requireNonNull(row.getString(7))))
        .list();
  }

  /** In place of what was said of the year until that day before. */
  void keep(Loan loan, LenderYear year, String note) {
    jdbc.sql(
            """
            insert into lender_year (household_id, loan_id, through, after, owed_before_minor, paid_minor, interest_minor,
                                     owed_after_minor, note)
            values (?, ?, ?, ?, ?, ?, ?, ?, ?)
            on conflict (household_id, loan_id, through) do update
              set after = excluded.after, owed_before_minor = excluded.owed_before_minor, paid_minor = excluded.paid_minor,
                  interest_minor = excluded.interest_minor, owed_after_minor = excluded.owed_after_minor, note = excluded.note\
            """)
        .params(
            SignedIn.now().householdId(),
            loan.id(),
            Date.valueOf(year.through()),
            Date.valueOf(year.after()),
            year.owedBefore().minor(),
            year.paid().minor(),
            year.interest().minor(),
            year.owedAfter().minor(),
            note)
        .update();
  }

  void remove(UUID loanId, LocalDate through) {
    jdbc.sql("delete from lender_year where household_id = ? and loan_id = ? and through = ?")
        .params(SignedIn.now().householdId(), loanId, Date.valueOf(through))
        .update();
  }
}
