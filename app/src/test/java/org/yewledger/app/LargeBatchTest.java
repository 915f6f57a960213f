package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.LocalDate;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** More lines in one act than a statement of PostgreSQL can have parameters (65,535). */
public class LargeBatchTest extends AppTest {
  private static final int LINES = 66_000;

  @Autowired private JdbcClient jdbc;

  private static byte[] file() {
    var csv = new StringBuilder("Date,Text,Amount\n");
    for (int i = 0; i < LINES; i++) {
      LocalDate day = LocalDate.of(2026, 8, 1).plusDays(i % 90);
      csv.append(day).append(",SHOP ").append(i).append(",-1.").append(10 + i % 90).append('\n');
    }
    return csv.toString().getBytes(StandardCharsets.UTF_8);
  }

  @Test
  public void aLargeBatchIsTakenBackAndComesAgain() {
    Household h = found("large");
    JsonNode taken = h.api().takeIn(h.current().id(), "a.csv", file(), null, false).json();
    assertEquals(taken.path("newLines").asInt(), LINES);
    JsonNode back =
        h.api().delete("/api/gather/batches/" + taken.path("batchId").asString()).json();
    assertEquals(back.path("taken").asInt(), LINES);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), 0);
    String act = h.api().get("/api/acts/next").json().at("/undo/id").asString();
    assertEquals(h.api().post("/api/acts/" + act + "/undo", "").status(), 200);
    assertEquals(h.api().get("/api/waiting-lines").json().path("count").asInt(), LINES);
  }

  private static void inBulk(String sql) {
    try (Connection owner =
            DriverManager.getConnection(
                System.getenv("YEW_DB_URL"),
                System.getenv("YEW_DB_OWNER"),
                System.getenv("YEW_DB_OWNER_PASSWORD"));
        Statement statement = owner.createStatement()) {
      owner.setAutoCommit(false);
      statement.execute(sql);
      owner.commit();
    } catch (SQLException e) {
      throw new IllegalStateException(e);
    }
  }

  /** As many postings, made in bulk behind the walls, ticked in one request. */
  @Test
  public void morePostingsThanParametersAreTickedAtOnce() {
    Household h = found("ticks");
    int postings = 66_000;
    UUID household = h.owner().householdId();
    inBulk(
        """
        alter table entry disable trigger user; alter table posting disable trigger user;
        insert into entry (household_id, id, no, date, payee_id, note, origin, made_at, made_by)
        select '%1$s', md5('lb-e' || n)::uuid, 1000 + n, date '2026-09-01' + n %% 30, (select id from payee where household_id = '%1$s' limit 1),
               '', 'BY_HAND', now(), '%1$s' from generate_series(1, %2$d) n;
        analyze entry;
        insert into posting (household_id, id, entry_id, place, account_id, book_id, date, amount_minor, base_minor)
        select '%1$s', md5('lb-p' || n || side)::uuid, md5('lb-e' || n)::uuid, side,
               case side when 0 then '%3$s' else '%4$s' end::uuid, '%5$s', date '2026-09-01' + n %% 30,
               case side when 0 then -100 else 100 end, case side when 0 then -100 else 100 end
          from generate_series(1, %2$d) n, generate_series(0, 1) side;
        insert into account_month (household_id, account_id, month, debit_minor, credit_minor, debit_base_minor, credit_base_minor)
        select household_id, account_id, date '2026-09-01', sum(greatest(amount_minor, 0)), sum(greatest(-amount_minor, 0)),
               sum(greatest(base_minor, 0)), sum(greatest(-base_minor, 0))
          from posting where household_id = '%1$s' and date >= '2026-09-01' group by 1, 2;
        alter table entry enable trigger user; alter table posting enable trigger user\
        """
            .formatted(
                household, postings, h.current().id(), h.groceries().id(), h.current().bookId()));
    String statement =
        "/api/statements/"
            + h.api()
                .post(
                    "/api/statements",
                    "{\"accountId\":\"%s\",\"closesOn\":\"2026-09-30\",\"closing\":\"-65000.00\"}"
                        .formatted(h.current().id()))
                .json()
                .path("id")
                .asString();
    var ids = new StringBuilder();
    founding
        .as(
            h.owner(),
            () ->
                jdbc.sql(
                        "select id::text from posting where account_id = ? and date >= '2026-09-01'")
                    .param(h.current().id())
                    .query(String.class)
                    .list())
        .forEach(id -> ids.append(ids.isEmpty() ? "" : ",").append('"').append(id).append('"'));
    JsonNode sheet =
        h.api().put(statement + "/ticks", "{\"postingIds\":[" + ids + "],\"ticked\":true}").json();
    assertEquals(sheet.path("difference").asString(), "0.00", sheet.path("detail").asString());
  }
}
