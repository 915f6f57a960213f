package org.yewledger.e2e;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.math.BigDecimal;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import org.testng.annotations.Test;

/**
 * The application, and its database, are killed while a file is taken in, a stack is posted and a
 * statement is finished. Afterwards each has happened or has not, never in between, and what was
 * answered as done is there.
 */
public class CrashTest {
  private static final int LINES = 1_500;

  /** About as long as each of them takes. */
  private static final int TAKING_IN_MILLIS = 900;

  private static final int POSTING_MILLIS = 1_500;
  private static final int FINISHING_MILLIS = 150;

  private final Random random = new Random();
  private CrashingYew yew;
  private String account = "";
  private String groceries = "";

  private interface Ask {
    HttpResponse<String> now() throws Exception;
  }

  private interface Crash {
    void now() throws Exception;
  }

  @Test
  public void whatIsKilledInTheMiddleHasHappenedOrHasNot() throws Exception {
    try (var started = new CrashingYew()) {
      yew = started;
      account = idOf("Harbour Current");
      groceries = idOf("Groceries");
      monthWith("the application", 1, this::crashApplication);
      monthWith("the database", 2, this::crashDatabase);
    }
  }

  private void crashApplication() throws Exception {
    yew.killApplication();
    yew.startApplication();
  }

  private void crashDatabase() throws Exception {
    yew.killDatabase();
    yew.restartDatabase();
    yew.awaitDatabase();
  }

  private String idOf(String name) throws Exception {
    return yew.sql("select id from account where name = '%s'".formatted(name));
  }

  /** A file, its lines posted, and the statement of them; each killed once on its way. */
  private void monthWith(String killed, int half, Crash crash) throws Exception {
    String lines =
        "select count(*) from bank_line where identity like 'crash-%d-%%'".formatted(half);
    through(killed, lines, "0", String.valueOf(LINES), () -> takeIn(half), TAKING_IN_MILLIS, crash);

    String posted =
        "select count(*) from line_link k join bank_line l on l.id = k.bank_line_id where l.identity like 'crash-%d-%%'"
            .formatted(half);
    String request = accepted(half);
    through(
        killed,
        posted,
        "0",
        String.valueOf(LINES),
        () -> yew.ask("POST", "/api/waiting-lines/post", request, "application/json"),
        POSTING_MILLIS,
        crash);

    String statement = ticked(half);
    String version = yew.sql("select version from statement where id = '%s'".formatted(statement));
    String finished =
        "select (select count(*) from statement where id = '%1$s' and finished_at is not null) || ' ' || (select count(*) from agreement where statement_id = '%1$s')"
            .formatted(statement);
    String finish = "/api/statements/%s/finish?version=%s".formatted(statement, version);
    through(
        killed,
        finished,
        "0 0",
        "1 1",
        () -> yew.ask("POST", finish, null, ""),
        FINISHING_MILLIS,
        crash);
  }

  /** Asks, kills meanwhile, looks; and asks again where it had not happened. */
  private void through(
      String killed, String look, String before, String after, Ask ask, int millis, Crash crash)
      throws Exception {
    assertEquals(yew.sql(look), before);
    var answered =
        CompletableFuture.supplyAsync(() -> {
          try {
            return ask.now().statusCode();
          } catch (Exception e) {
            return -1;
          }
        });
    Thread.sleep(random.nextInt(millis));
    crash.now();
    int status = answered.get();
    String now = yew.sql(look);
    assertTrue(
        now.equals(after) || (now.equals(before) && status / 100 != 2),
        "%s was killed, answered %d: %s".formatted(killed, status, now));
    assertTrue(yew.audit().lines().anyMatch("0 findings"::equals), yew.audit());
    if (now.equals(before)) {
      HttpResponse<String> again = ask.now();
      assertEquals(again.statusCode() / 100, 2, again.body());
      assertEquals(yew.sql(look), after);
    }
  }

  private HttpResponse<String> takeIn(int half) throws IOException, InterruptedException {
    String choices =
        "[{\"accountNumber\":\"\",\"accountId\":\"%s\",\"makeStatement\":false}]"
            .formatted(account);
    String boundary = "yew-crash-boundary";
    String body =
        """
        --%1$s\r
        Content-Disposition: form-data; name="choices"\r
        Content-Type: application/json\r
        \r
        %2$s\r
        --%1$s\r
        Content-Disposition: form-data; name="file"; filename="crash.ofx"\r
        \r
        %3$s\r
        --%1$s--\r
        """
            .formatted(boundary, choices, file(half));
    return yew.ask(
        "POST", "/api/gather/batches", body, "multipart/form-data; boundary=" + boundary);
  }

  private static String file(int half) {
    var lines = new StringBuilder();
    for (int i = 0; i < LINES; i++) {
      int day = half == 1 ? 1 + i % 15 : 16 + i % 15;
      lines.append(
          "<STMTTRN><TRNTYPE>POS<DTPOSTED>202609%02d<TRNAMT>-%d.%02d<FITID>crash-%d-%d<NAME>SHOP %d ELLERY</STMTTRN>\n"
              .formatted(day, 1 + i % 70, i % 100, half, i, i));
    }
    return """
    OFXHEADER:100
    ENCODING:USASCII
    CHARSET:1252

    <OFX><BANKMSGSRSV1><STMTTRNRS><STMTRS><CURDEF>EUR
    <BANKACCTFROM><ACCTID>NL4417</BANKACCTFROM>
    <BANKTRANLIST>
    %s
    </BANKTRANLIST>
    </STMTRS></STMTTRNRS></BANKMSGSRSV1></OFX>
    """
        .formatted(lines);
  }

  private String accepted(int half) throws Exception {
    var lines = new ArrayList<String>();
    String rows =
        yew.sql(
            "select l.id, s.version, l.amount_minor from bank_line l join bank_line_state s on s.bank_line_id = l.id where l.identity like 'crash-%d-%%'"
                .formatted(half));
    rows.lines()
        .forEach(row -> {
          String[] line = row.split("\\|", -1);
          lines.add(
              """
              {"lineId":"%s","version":%s,"booking":{"payee":"Greengage Market","parts":[{"accountId":"%s","amount":"%s"}]}}\
              """
                  .formatted(
                      line[0],
                      line[1],
                      groceries,
                      BigDecimal.valueOf(Long.parseLong(line[2]), 2).toPlainString()));
        });
    return "{\"lines\":[" + String.join(",", lines) + "]}";
  }

  /** A statement that all of it is ticked for, so that it can be finished. */
  private String ticked(int half) throws Exception {
    String day = half == 1 ? "2026-09-15" : "2026-09-30";
    String open =
        " from posting where account_id = '%s' and statement_id is null and date <= '%s' and entry_id not in (select id from entry where origin = 'OPENING')"
            .formatted(account, day);
    String closing =
        yew.sql(
            "select (select closing_minor from statement where account_id = '%s' and finished_at is not null order by closes_on desc limit 1) + (select sum(amount_minor)%s)"
                .formatted(account, open));
    String ids = yew.sql("select string_agg('\"' || id || '\"', ',')" + open);
    HttpResponse<String> begun =
        yew.ask(
            "POST",
            "/api/statements",
            "{\"accountId\":\"%s\",\"closesOn\":\"%s\",\"closing\":%s}"
                .formatted(
                    account, day, BigDecimal.valueOf(Long.parseLong(closing), 2).toPlainString()),
            "application/json");
    assertEquals(begun.statusCode(), 201, begun.body());
    String statement = begun.body().replaceAll(".*\"id\":\"([^\"]+)\".*", "$1");
    HttpResponse<String> ticked =
        yew.ask(
            "PUT",
            "/api/statements/%s/ticks".formatted(statement),
            "{\"postingIds\":[%s],\"ticked\":true}".formatted(ids),
            "application/json");
    assertEquals(ticked.statusCode(), 200, ticked.body());
    return statement;
  }
}
