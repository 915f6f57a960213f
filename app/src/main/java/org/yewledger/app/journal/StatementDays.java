package org.yewledger.app.journal;

import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.UUID;

/** When the statements close that postings are ticked for. Reconciling knows. */
public interface StatementDays {
  /** A statement, as far as its postings have to do with it. */
  record StatementDay(LocalDate closesOn, boolean isFinished) {}

  /** By the statements' identities. */
  Map<UUID, StatementDay> of(Collection<UUID> statementIds);

  /** The statements that are not finished. */
  List<UUID> unfinished();
}
