package org.yewledger.app.gather;

import java.util.UUID;
import org.yewledger.app.bankline.BatchEntity;

/** A batch as the audit trail keeps it. */
record BatchSummary(
    long no, UUID accountId, String sourceName, int newLines, int knownLines, int doubtfulLines) {
  static BatchSummary of(BatchEntity batch) {
    return new BatchSummary(
        batch.no(),
        batch.accountId(),
        batch.sourceName(),
        batch.newLines(),
        batch.knownLines(),
        batch.doubtfulLines());
  }
}
