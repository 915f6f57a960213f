package org.yewledger.bench;

import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * Posting stacks of 500 lines, and single lines, through the API: the entries with their numbers,
 * their links and states, the kept totals, and each row before and after.
 */
final class PostBench {
  private static final int STACK = 500;
  private static final int STACKS = 8;
  private static final int SINGLE = 60;

  private record Line(UUID id, long amountMinor) {}

  private PostBench() {}

  static void run() throws Exception {
    try (var application = new RunningApplication();
        Connection database = ImportBench.asOwner()) {
      ImportBench.Keeper keeper = ImportBench.keeper(application, database, "Post");
      int count = STACK * STACKS + 2 * SINGLE;
      ImportBench.takeIn(keeper, ImportBench.ofx(count, 7));
      UUID category = category(database, keeper.account());
      var lines = lines(database, keeper.account());
      var stacks = new double[STACKS];
      int at = 0;
      for (int i = 0; i < STACKS; i++) {
        var stack = lines.subList(at, at + STACK);
        at += STACK;
        long start = System.nanoTime();
        keeper.window().post("/api/waiting-lines/post", accepted(stack, category));
        stacks[i] = (System.nanoTime() - start) / 1e6;
      }
      Arrays.sort(stacks);
      int[] next = {at};
      double single =
          Timing.medianMillis(
              SINGLE,
              () ->
                  keeper
                      .window()
                      .post(
                          "/api/waiting-lines/post",
                          accepted(lines.subList(next[0], ++next[0]), category)));
      Bench.figure("post-stack-of-500", stacks[STACKS / 2], "ms", "<= 1000");
      Bench.figure("post-one-line", single, "ms", ">= 0");
    }
  }

  private static String accepted(java.util.List<Line> lines, UUID category) {
    return lines.stream()
        .map(l ->
            """
            {"lineId":"%s","version":0,"booking":{"payee":"Shop","parts":[{"accountId":"%s","amount":"%s"}]}}\
            """
                .formatted(
                    l.id(),
                    category,
                    java.math.BigDecimal.valueOf(l.amountMinor(), 2).toPlainString()))
        .collect(Collectors.joining(",", "{\"lines\":[", "]}"));
  }

  static UUID category(Connection database, UUID account) throws SQLException {
    try (Statement sql = database.createStatement();
        ResultSet rows =
            sql.executeQuery(
                "select id from account where name = 'Groceries' and household_id = (select household_id from account where id = '"
                    + account
                    + "')")) {
      rows.next();
      return rows.getObject(1, UUID.class);
    }
  }

  private static ArrayList<Line> lines(Connection database, UUID account) throws SQLException {
    var lines = new ArrayList<Line>();
    try (Statement sql = database.createStatement();
        ResultSet rows =
            sql.executeQuery(
                "select id, amount_minor from bank_line where account_id = '"
                    + account
                    + "' order by id")) {
      while (rows.next()) {
        lines.add(new Line(rows.getObject(1, UUID.class), rows.getLong(2)));
      }
    }
    return lines;
  }
}
