package org.yewledger.app.account;

import java.sql.Timestamp;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.account.AccountPageJson.HistoryJson;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What happened to an account, told from the audit trail. */
@Component
class AccountHistory {
  private static final int MOST = 50;

  private final JdbcClient jdbc;
  private final JsonMapper json;

  AccountHistory(JdbcClient jdbc, JsonMapper json) {
    this.jdbc = jdbc;
    this.json = json;
  }

  /** Newest first. */
  @Transactional(readOnly = true)
  List<HistoryJson> of(UUID accountId) {
    return jdbc.sql(
            """
            select a.at, coalesce(p.name, 'somebody who left'), a.act, a.before::text, a.after::text
              from audit a left join person p on p.id = a.person_id
             where a.subject = 'account' and a.subject_id = ? order by a.at desc, a.id desc limit ?\
            """)
        .params(accountId, MOST)
        .query((row, no) -> {
          Timestamp at = row.getTimestamp(1);
          String what = inWords(row.getString(3), read(row.getString(4)), read(row.getString(5)));
          return new HistoryJson(at.toInstant(), row.getString(2), what);
        })
        .list();
  }

  private JsonNode read(@Nullable String text) {
    return text == null ? json.missingNode() : json.readTree(text);
  }

  private static String inWords(String act, JsonNode before, JsonNode after) {
    return switch (act) {
      case "add" -> "added";
      case "change" -> changed(before, after);
      case "move" -> moved(after);
      case "take in" ->
          "took in %s with %d postings"
              .formatted(text(before, "/account/name"), after.path("postings").asLong());
      case "close" -> "closed";
      case "reopen" -> "reopened";
      case "set opening balance" -> "opening balance set to " + opening(after);
      case "correct opening balance" ->
          "opening balance corrected from %s to %s".formatted(opening(before), opening(after));
      default -> act;
    };
  }

  private static String changed(JsonNode before, JsonNode after) {
    String old = text(before, "/account/name");
    String name = text(after, "/account/name");
    return old.equals(name) ? "facts changed" : "renamed from %s to %s".formatted(old, name);
  }

  private static String moved(JsonNode after) {
    String group = text(after, "/group");
    return group.isEmpty() ? "moved to the top" : "moved to " + group;
  }

  private static String opening(JsonNode told) {
    JsonNode balance = told.path("balance");
    return "%s, opening on %s"
        .formatted(
            balance.isMissingNode() || balance.isNull() ? "not known" : balance.asString(),
            text(told, "/opensOn"));
  }

  private static String text(JsonNode node, String pointer) {
    return node.at(pointer).asString("");
  }
}
