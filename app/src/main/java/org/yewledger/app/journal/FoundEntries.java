package org.yewledger.app.journal;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.core.Refusal;
import org.yewledger.core.export.ExportDays.Range;

/** Entries by a query, for whoever reads all of them. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class FoundEntries {
  private final EntrySearch search;
  private final QueryService queries;

  FoundEntries(EntrySearch search, QueryService queries) {
    this.search = search;
    this.queries = queries;
  }

  /**
   * The identities of the newest that are sought, the oldest of them first.
   *
   * @param bookId the book that they touch; null for any
   * @param text a query as the journal takes it; empty for all
   * @param days which they are within; null for any
   * @throws Refusal if the query cannot be read
   */
  public List<UUID> oldestFirst(
      @Nullable UUID bookId, String text, @Nullable Range days, int most) {
    EntrySought sought = queries.sought(new JournalService.Filter(bookId, null, text));
    return search
        .all(days == null ? sought : sought.within(days.first(), days.last()), most)
        .reversed();
  }
}
