package org.yewledger.app.datapackage;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A table that goes into a data package.
 *
 * @param order by which its rows are written, and so taken in
 * @param later columns that are filled in once all tables are there: what they say closes something
 *     that is written to before, or names what comes after
 */
record PackagedTable(String name, String title, String order, Set<String> later) {
  PackagedTable(String name, String title, String order) {
    this(name, title, order, Set.of());
  }

  /** In the order in which they are taken in, each after those that it names. */
  static final List<PackagedTable> ALL =
      List.of(
          new PackagedTable("book", "Books", "id", Set.of("usual_tax_rate_id")),
          new PackagedTable("tax_rate", "Sales-tax rates", "id"),
          new PackagedTable(
              "tax_rate_step", "What the rates were from when on", "tax_rate_id, from_day"),
          new PackagedTable("account", "Accounts and categories", "id", Set.of("closed_on")),
          new PackagedTable("payee", "Payees", "id"),
          new PackagedTable("payee_alias", "What banks call payees", "text_key"),
          new PackagedTable("tag", "Tags", "id"),
          new PackagedTable("exchange_rate", "Exchange rates", "from_currency, to_currency, day"),
          new PackagedTable("holiday", "Holidays", "day"),
          new PackagedTable("rule", "Rules", "place, id"),
          new PackagedTable("file_route", "Which account files are for", "account_number"),
          new PackagedTable(
              "table_layout", "How tables of banks are read", "account_id, header_key"),
          new PackagedTable(
              "sheet_name", "What names in sheets of entries mean", "book_id, side, name"),
          new PackagedTable(
              "sheet_layout", "How sheets of entries are read", "book_id, header_key"),
          new PackagedTable("feed_balance", "What feeds say", "account_id, on_day"),
          new PackagedTable("batch", "Batches of bank lines", "no"),
          new PackagedTable("bank_line", "Bank lines", "id"),
          new PackagedTable(
              "statement",
              "Statements",
              "account_id, closes_on",
              Set.of("finished_at", "finished_by")),
          new PackagedTable("entry", "Entries", "no"),
          new PackagedTable("posting", "Postings", "entry_id, place"),
          new PackagedTable("entry_tag", "Tags of entries", "entry_id, tag_id"),
          new PackagedTable("served_months", "Bills spread over months", "entry_id"),
          new PackagedTable(
              "line_link", "Which bank lines are which postings", "bank_line_id, posting_id"),
          new PackagedTable("statement_lines", "Lines of statements", "statement_id"),
          new PackagedTable("agreement", "What was agreed with statements", "statement_id"),
          new PackagedTable("tax_return", "Sales-tax returns", "id"),
          new PackagedTable("tax_return_line", "Lines of the returns", "return_id, place"),
          new PackagedTable("schedule", "Schedules", "id"),
          new PackagedTable(
              "schedule_part", "What scheduled entries are split into", "schedule_id, place"),
          new PackagedTable("due_item", "Items settled or moved", "schedule_id, day"),
          new PackagedTable("loan", "Loans", "id"),
          new PackagedTable("loan_terms", "Terms of loans", "loan_id, first"),
          new PackagedTable("lender_year", "Letters of lenders", "loan_id, through"),
          new PackagedTable("budget", "Budgeted categories", "account_id"),
          new PackagedTable("budget_month", "Budgets by month", "account_id, month"),
          new PackagedTable("profit_goal", "Goals of profit", "book_id, first"),
          new PackagedTable("balance_goal", "Goals of balances", "account_id"),
          new PackagedTable("division_template", "Divisions kept by name", "id"),
          new PackagedTable(
              "division_template_part", "What they place where", "template_id, purpose_id"),
          new PackagedTable("purpose_category", "What set-asides pay for", "category_id"),
          new PackagedTable("purpose_taking", "Entries that took out of set-asides", "entry_id"),
          new PackagedTable(
              "taken_spending", "What these covered", "entry_id, spent_entry_id, category_id"),
          new PackagedTable("investment", "Investment accounts", "account_id"),
          new PackagedTable("security", "Securities", "id"),
          new PackagedTable("trade", "Trades", "account_id, no, id"),
          new PackagedTable("price", "Prices of securities", "security_id, day"),
          new PackagedTable("valuation", "Valuations of things", "account_id, day"),
          new PackagedTable("write_down", "Things written down", "account_id"),
          new PackagedTable("worth_entry", "Entries that book worth", "entry_id"),
          new PackagedTable("entry_template", "Entries kept as templates", "id"),
          new PackagedTable("journal_view", "Kept views of the journal", "id"),
          new PackagedTable("kept_report", "Kept reports", "id"),
          new PackagedTable("kept_export", "Saved exports", "id"),
          new PackagedTable("attachment", "Attachments; each file is attachments/SHA-256", "id"));

  /** Taken in last of all: nothing changes in a closed month. */
  static final PackagedTable CLOSED_MONTHS =
      new PackagedTable("closed_month", "Closed months", "book_id, month");

  /** A state begins with its line; it is changed, not added. */
  static final PackagedTable LINE_STATES =
      new PackagedTable("bank_line_state", "What became of bank lines", "bank_line_id");

  /** All that are in a package, but for who the household is. */
  static Stream<PackagedTable> all() {
    return Stream.concat(ALL.stream(), Stream.of(LINE_STATES, CLOSED_MONTHS));
  }
}
