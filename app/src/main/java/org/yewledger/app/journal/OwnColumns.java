package org.yewledger.app.journal;

import java.util.List;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;

/** The columns in which a person sees the journal, kept with the person. */
@Service
class OwnColumns {
  private final JdbcClient jdbc;

  OwnColumns(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** In their order; empty for the usual ones. */
  @Transactional(readOnly = true)
  List<String> columns() {
    return jdbc.sql("select journal_columns from person where id = ?")
        .param(SignedIn.now().personId())
        .query((row, no) -> List.of((String[]) row.getArray(1).getArray()))
        .optional()
        .orElse(List.of());
  }

  /**
   * @throws Refusal {@code bad-order} if one is no column, or comes twice
   */
  @Transactional
  void choose(List<String> columns) {
    columns.forEach(EntryOrder::parse);
    if (Set.copyOf(columns).size() < columns.size()) {
      throw Refusal.ofField("bad-order", "columns", "A column can be shown once.");
    }
    jdbc.sql("update person set journal_columns = ? where id = ?")
        .params(columns.toArray(String[]::new), SignedIn.now().personId())
        .update();
  }
}
