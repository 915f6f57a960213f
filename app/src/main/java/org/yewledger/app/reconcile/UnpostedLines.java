package org.yewledger.app.reconcile;

import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.WaitingRows;

/** The bank's lines that belong to a statement and are not in the books yet. */
@Component
class UnpostedLines {
  private final WaitingRows waiting;

  UnpostedLines(WaitingRows waiting) {
    this.waiting = waiting;
  }

  /** Those up to the statement's day, by day; none once it is finished. */
  @Transactional(readOnly = true)
  List<WaitingRows.Row> of(StatementEntity statement) {
    if (statement.isFinished()) {
      return List.of();
    }
    return waiting.all().rows().stream()
        .filter(row -> row.accountId().equals(statement.accountId()))
        .filter(row -> !row.bookedOn().isAfter(statement.closesOn()))
        .toList();
  }
}
