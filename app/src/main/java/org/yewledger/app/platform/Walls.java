package org.yewledger.app.platform;

import java.util.Map;
import java.util.Optional;
import org.postgresql.util.PSQLException;

/**
 * What the database refuses, in words for a person: by the name of the constraint or the wall. The
 * database's own text is never shown.
 */
public final class Walls {
  private static final Map<String, Conflict> BY_CONSTRAINT =
      Map.ofEntries(
          wall("posting_reconciled", "reconciled", "It is part of a statement that agrees."),
          wall("statement_agrees", "difference-not-zero", "The statement does not agree any more."),
          wall("statement_finished", "statement-finished", "The statement is finished."),
          wall("statement_chain", "already-agreed", "A later statement agrees already."),
          wall("opening_agreed", "opening-agreed", "Statements agree with this opening balance."),
          wall("posting_facts", "changed-meanwhile", "The entry was changed meanwhile."),
          wall("account_open", "account-closed", "An account is closed or a group meanwhile."),
          wall("month_closed", "month-closed", "The month is closed."),
          wall(
              "return_closed",
              "return-closed",
              "The month is closed with this return. Open the month again first."),
          wall("line_links_agree", "changed-meanwhile", "A bank line was posted meanwhile."),
          wall("entry_has_its_line", "changed-meanwhile", "A bank line was taken back meanwhile."),
          wall("bank_line_once", "gathered-meanwhile", "The same lines came in meanwhile."),
          wall(
              "statement_household_id_account_id_closes_on_key",
              "statement-exists",
              "There is a statement of that day already."),
          wall("account_name", "name-taken", "There is an account of that name already."),
          wall("book_household_id_name_key", "name-taken", "There is a book of that name already."),
          wall(
              "entry_household_id_counters_id_fkey",
              "entry-countered",
              "Another entry takes this one back. Take that one back first."),
          wall("payee_name", "name-taken", "There is a payee of that name already."),
          wall(
              "tag_name",
              "name-taken",
              "There is a tag of that name already. Merge this one into it instead."),
          wall(
              "idempotency_key_once",
              "request-under-way",
              "A request with this Idempotency-Key is being carried out. Ask again in a moment."),
          wall("entry_countered_once", "already-countered", "The entry was voided meanwhile."),
          wall(
              "posting_household_id_tax_rate_id_fkey",
              "tax-rate-used",
              "Entries were taxed at this rate. End it with a step of 0 % instead."),
          wall("tax_rate_name", "name-taken", "There is a tax rate of that name already."),
          wall("account_kept_by_core", "changed-meanwhile", "The account was made meanwhile."),
          wall(
              "rule_account_household_id_account_id_fkey",
              "account-used",
              "A rule still names the account."),
          wall(
              "budget_household_id_account_id_fkey",
              "account-planned",
              "A budget still names the account. Take its plan out first."),
          wall(
              "kept_export_household_id_account_id_fkey",
              "account-used",
              "A saved export is of the account. Change the export first."),
          wall("kept_export_name", "name-taken", "There is an export of that name already."),
          wall(
              "schedule_household_id_account_id_fkey",
              "account-planned",
              "A schedule pays from the account. End the schedule first."),
          wall(
              "schedule_part_household_id_account_id_fkey",
              "account-planned",
              "A schedule still names the account. Change the schedule first."),
          wall(
              "trade_household_id_entry_id_fkey",
              "trade-keeps-entry",
              "A trade of a security is booked by the entry. Take the trade out instead."),
          wall(
              "trade_keeps_entry",
              "trade-keeps-entry",
              "A trade of a security is booked by the entry. Take the trade out instead."),
          wall("security_name", "security-twice", "There is a security of that name already."),
          wall("security_code", "security-twice", "There is a security with that code already."),
          wall(
              "investment_household_id_account_id_fkey",
              "account-planned",
              "Securities are held in the account. Take their trades out first."),
          wall(
              "investment_household_id_cash_id_fkey",
              "account-planned",
              "Trades of securities are paid from the account. Choose another there first."),
          wall(
              "investment_household_id_gain_id_fkey",
              "account-planned",
              "Gains of securities are booked there. Choose another category there first."),
          wall(
              "investment_household_id_dividends_id_fkey",
              "account-planned",
              "Dividends are booked there. Choose another category there first."),
          wall(
              "investment_household_id_fees_id_fkey",
              "account-planned",
              "Fees of securities are booked there. Choose another category there first."),
          wall(
              "valuation_household_id_account_id_fkey",
              "account-planned",
              "The account has valuations. Take them out first."),
          wall(
              "write_down_household_id_account_id_fkey",
              "account-planned",
              "The thing is written down. End that first."),
          wall(
              "write_down_household_id_expense_id_fkey",
              "account-planned",
              "Something is written down there. End that first."),
          wall(
              "worth_entry_household_id_account_id_fkey",
              "account-used",
              "Entries brought the account to its worth."),
          wall("loan_one_of_account", "loan-twice", "The terms of that loan are told already."),
          wall(
              "loan_household_id_account_id_fkey",
              "account-planned",
              "The account is a loan with terms. Take the terms out first."),
          wall(
              "loan_household_id_interest_id_fkey",
              "account-planned",
              "A loan books its interest there. Change its terms first."),
          wall(
              "balance_goal_household_id_account_id_fkey",
              "account-planned",
              "A goal names the account. Give the goal up first."),
          wall(
              "division_template_part_household_id_purpose_id_fkey",
              "account-planned",
              "A template of a division names the account. Give the template up first."),
          wall(
              "division_template_household_id_account_id_fkey",
              "account-planned",
              "Templates divide what is in the account. Give them up first."),
          wall(
              "purpose_category_household_id_category_id_fkey",
              "account-planned",
              "A set-aside pays for the account. Change what it pays for first."),
          wall(
              "purpose_category_household_id_purpose_id_fkey",
              "account-planned",
              "The set-aside pays for categories. Change that first."),
          wall(
              "posting_household_id_account_id_fkey",
              "account-used",
              "Entries were booked to the account."),
          wall(
              "posting_household_id_statement_id_fkey",
              "statement-used",
              "Postings are ticked for the statement."),
          wall(
              "line_link_household_id_posting_id_fkey",
              "line-linked",
              "A bank line belongs to the entry."));

  private Walls() {}

  private static Map.Entry<String, Conflict> wall(String constraint, String code, String why) {
    return Map.entry(constraint, new Conflict(code, why));
  }

  /** What the database said, if an error came from it. */
  public static Optional<PSQLException> cause(Throwable error) {
    for (Throwable cause = error; cause != null; cause = cause.getCause()) {
      if (cause instanceof PSQLException fromDatabase) {
        return Optional.of(fromDatabase);
      }
    }
    return Optional.empty();
  }

  /** The refusal in words; empty for a constraint that no person can run into. */
  public static Optional<Conflict> problem(PSQLException error) {
    var message = error.getServerErrorMessage();
    String constraint = message == null ? null : message.getConstraint();
    Conflict known = constraint == null ? null : BY_CONSTRAINT.get(constraint);
    return known == null
        ? Optional.empty()
        : Optional.of(new Conflict(known.code(), String.valueOf(known.getMessage())));
  }
}
