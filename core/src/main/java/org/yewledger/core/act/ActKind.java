package org.yewledger.core.act;

/**
 * What is done in an act. The database allows some changes only within an act of the right kind.
 */
public enum ActKind {
  BEGIN_HOUSEHOLD,
  OPEN_BOOKS,
  ADD_BOOK,
  CHANGE_BOOK,
  ADD_ACCOUNT,
  CHANGE_ACCOUNT,
  MOVE_ACCOUNT,
  /** May move postings to another account. */
  MERGE_ACCOUNT,
  CLOSE_ACCOUNT,
  REOPEN_ACCOUNT,
  DELETE_ACCOUNT,
  IMPORT_CHART,
  COPY,
  OPENING_BALANCES,
  TAX_RATES,
  EXCHANGE_RATES,
  GATHER,
  TAKE_BATCH_BACK,
  DECIDE_DOUBT,
  CONNECT,
  POST,
  PAIR,
  TAKE_BACK,
  LEAVE_OUT,
  /** Makes the opposite of an entry, linked to it. */
  COUNTER,
  TRANSFER,
  REVALUE,
  /** May change the facts of an entry that is not reconciled. */
  REVISE,
  /** Books an entry that a person typed. */
  ENTER,
  DELETE_ENTRY,
  /** Makes one entry of two that are one thing booked twice. */
  MERGE_ENTRIES,
  PAYEES,
  TAGS,
  /** A paper that comes, goes or is put to an entry. */
  ATTACHMENTS,
  /** An entry that others are typed after. */
  TEMPLATES,
  /** A query that is kept by a name. */
  KEPT_VIEWS,
  RULES,
  BEGIN_STATEMENT,
  CORRECT_STATEMENT,
  REMOVE_STATEMENT,
  TICK,
  AGREE,
  /** Opens an agreed statement again. */
  REOPEN_STATEMENT,
  /** What is planned for categories. */
  BUDGETS,
  /** Entries that recur, and what is said of their due items. */
  SCHEDULES,
  /** The terms of loans, and what lenders say of a year. */
  LOANS,
  /** Securities, their trades and prices; valuations of things, and how they are written down. */
  WORTH,
  CLOSE_MONTH,
  /** Keeps a return of sales tax as it was sent. */
  RETURN_TAX,
  /** Takes back that it was sent. */
  TAKE_TAX_RETURN_BACK,
  /** Opens a closed month again, and all after it. */
  REOPEN_MONTH,
  PEOPLE,
  /** The household's name and time zone. */
  HOUSEHOLD,
  /** Takes another act back. */
  UNDO,
  /** Takes an undoing back. */
  REDO,
  /** Written down before there were acts: in words only. */
  EARLIER
}
