package org.yewledger.app.attachment;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.formats.attachment.AttachmentType;

/** What is attached where; the files themselves are in {@link AttachmentFiles}. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class Attachments {
  private static final String COLUMNS =
      "id, version, name, type, bytes, arrived_at, entry_id, bank_line_id, statement_id";

  private final JdbcClient jdbc;

  Attachments(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** How many files each entry has; entries without are missing. Cost: one query. */
  public Map<UUID, Integer> countsOf(Collection<UUID> entryIds) {
    Map<UUID, Integer> counts = new HashMap<>();
    jdbc.sql(
            "select entry_id, count(*) from attachment where household_id = ? and entry_id = any(?) group by 1")
        .params(SignedIn.now().householdId(), entryIds.toArray(UUID[]::new))
        .query(row -> {
          counts.put(row.getObject(1, UUID.class), row.getInt(2));
        });
    return counts;
  }

  /** The files of lines go to the entries that the lines became. */
  public void passOn(Map<UUID, UUID> entryByLine) {
    jdbc.sql(
            """
            update attachment a set entry_id = x.entry_id, version = version + 1
              from unnest(?, ?) as x(line_id, entry_id)
             where a.household_id = ? and a.bank_line_id = x.line_id and a.entry_id is null\
            """)
        .params(
            entryByLine.keySet().toArray(UUID[]::new),
            entryByLine.values().toArray(UUID[]::new),
            SignedIn.now().householdId())
        .update();
  }

  /** The files of an entry go to another one. */
  public void moveAll(UUID fromEntryId, UUID toEntryId) {
    jdbc.sql(
            "update attachment set entry_id = ?, version = version + 1 where household_id = ? and entry_id = ?")
        .params(toEntryId, SignedIn.now().householdId(), fromEntryId)
        .update();
  }

  /** The files of an entry, the oldest first. */
  List<AttachmentJson> ofEntry(UUID entryId) {
    return list("entry_id = ?", entryId);
  }

  /** The files of a bank line, wherever they are by now. */
  List<AttachmentJson> ofLine(UUID lineId) {
    return list("bank_line_id = ?", lineId);
  }

  /** The statement itself, as its bank sends it. */
  List<AttachmentJson> ofStatement(UUID statementId) {
    return list("statement_id = ?", statementId);
  }

  /** All that neither an entry nor a statement has. */
  List<AttachmentJson> waiting() {
    return list("entry_id is null and statement_id is null");
  }

  Optional<AttachmentJson> find(UUID id) {
    return list("id = ?", id).stream().findFirst();
  }

  /** Of the same bytes. */
  Optional<AttachmentJson> withContent(byte[] sha256) {
    return list("sha256 = ?", sha256).stream().findFirst();
  }

  private List<AttachmentJson> list(String where, Object... params) {
    return jdbc.sql(
            "select %s from attachment where household_id = ? and %s order by id"
                .formatted(COLUMNS, where))
        .param(SignedIn.now().householdId())
        .params(params)
        .query((row, no) -> read(row))
        .list();
  }

  private static AttachmentJson read(ResultSet row) throws SQLException {
    return new AttachmentJson(
        row.getObject(1, UUID.class),
        row.getInt(2),
        row.getString(3),
        AttachmentType.valueOf(row.getString(4)),
        row.getInt(5),
        row.getTimestamp(6).toInstant(),
        row.getObject(7, UUID.class),
        row.getObject(8, UUID.class),
        row.getObject(9, UUID.class));
  }
}
