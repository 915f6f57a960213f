package org.yewledger.app.bankline;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.postgresql.PGConnection;
import org.postgresql.copy.PGCopyOutputStream;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.Arrival;
import org.yewledger.core.gather.BankLine;

/**
 * Writes new bank lines by the hundred thousand: they are copied into a temporary table of the
 * connection, and from there into {@code bank_line}, where the database begins their states.
 * PostgreSQL refuses to copy straight into tables with row-level security; statements with arrays
 * of values cost half as much again, and a statement per line several times as much.
 */
final class ArrivingLines {
  private static final int MANY_LINES = 2_000;
  private static final int BUFFER = 1 << 16;

  private static final String TABLE =
      """
      create temp table if not exists arriving_line (
        id uuid, booked_on date, value_on date, amount_minor bigint, payee text, memo text, reference text,
        type text, identity text, raw text, source_line int, text_key text, ordinal int, pending boolean,
        doubt_over uuid, details jsonb) on commit delete rows\
      """;

  private static final String INSERT_LINES =
      """
      insert into bank_line (household_id, batch_id, account_id, id, booked_on, value_on, amount_minor,
          payee, memo, reference, type, identity, raw, source_line, text_key, ordinal, pending, details)
      select ?, ?, ?, id, booked_on, value_on, amount_minor, payee, memo, reference, type, identity, raw,
          source_line, text_key, ordinal, pending, details
      from arriving_line\
      """;

  private static final String DOUBT =
      """
      update bank_line_state s set state = 'DOUBTFUL', other_line_id = a.doubt_over
      from arriving_line a
      where s.household_id = ? and s.bank_line_id = a.id and a.doubt_over is not null\
      """;

  /** An arrival with the id that it gets. */
  record NewLine(UUID id, Arrival arrival) {}

  private final Connection connection;

  ArrivingLines(Connection connection) {
    this.connection = connection;
  }

  void write(BatchEntity batch, List<NewLine> lines) throws SQLException {
    execute(TABLE);
    execute("truncate arriving_line");
    copy(lines);
    insertLines(batch);
    if (lines.stream().anyMatch(line -> line.arrival().doubtOver() != null)) {
      doubt();
    }
    if (lines.size() >= MANY_LINES) {
      // What the planner knows of the tables is old now; a check of 100,000 keys took seconds.
      execute("select analyze_bank_lines()");
    }
  }

  private void insertLines(BatchEntity batch) throws SQLException {
    try (PreparedStatement insert = connection.prepareStatement(INSERT_LINES)) {
      insert.setObject(1, SignedIn.now().householdId());
      insert.setObject(2, batch.id());
      insert.setObject(3, batch.accountId());
      insert.executeUpdate();
    }
  }

  private void doubt() throws SQLException {
    try (PreparedStatement update = connection.prepareStatement(DOUBT)) {
      update.setObject(1, SignedIn.now().householdId());
      update.executeUpdate();
    }
  }

  private void execute(String sql) throws SQLException {
    try (Statement statement = connection.createStatement()) {
      statement.execute(sql);
    }
  }

  private void copy(List<NewLine> lines) throws SQLException {
    PGConnection postgres = connection.unwrap(PGConnection.class);
    try (Writer out =
        new BufferedWriter(
            new OutputStreamWriter(
                new PGCopyOutputStream(postgres, "copy arriving_line from stdin", BUFFER),
                StandardCharsets.UTF_8),
            BUFFER)) {
      var row = new StringBuilder();
      for (NewLine line : lines) {
        row.setLength(0);
        row(row, line);
        out.append(row);
      }
    } catch (IOException e) {
      if (e.getCause() instanceof SQLException refused) {
        throw refused;
      }
      throw new UncheckedIOException(e);
    }
  }

  /** The columns of the temporary table, in its order. */
  private static void row(StringBuilder row, NewLine newLine) {
    BankLine line = newLine.arrival().line();
    value(row, newLine.id());
    value(row, line.bookedOn());
    value(row, line.valueOn());
    value(row, line.amountMinor());
    text(row, line.payee());
    text(row, line.memo());
    text(row, line.reference());
    text(row, line.type());
    text(row, line.identity());
    text(row, line.raw());
    value(row, line.sourceLine());
    text(row, newLine.arrival().key().evenText());
    value(row, newLine.arrival().ordinal());
    value(row, line.isPending());
    value(row, newLine.arrival().doubtOver());
    text(row, LineDetails.toJson(line.details()));
    row.setCharAt(row.length() - 1, '\n');
  }

  private static void value(StringBuilder row, @Nullable Object value) {
    row.append(value == null ? "\\N" : value).append('\t');
  }

  /**
   * The text format of COPY: {@code \N} is null, and a backslash stands before what would end a
   * value. Documentation of PostgreSQL 15, COPY, "Text Format".
   */
  private static void text(StringBuilder row, @Nullable String text) {
    if (text == null || !needsEscape(text)) {
      value(row, text);
      return;
    }
    for (int i = 0; i < text.length(); i++) {
      char escape = escapeOf(text.charAt(i));
      if (escape == 0) {
        row.append(text.charAt(i));
      } else {
        row.append('\\').append(escape);
      }
    }
    row.append('\t');
  }

  private static boolean needsEscape(String text) {
    for (int i = 0; i < text.length(); i++) {
      if (escapeOf(text.charAt(i)) != 0) {
        return true;
      }
    }
    return false;
  }

  private static char escapeOf(char c) {
    return switch (c) {
      case '\\' -> '\\';
      case '\t' -> 't';
      case '\n' -> 'n';
      case '\r' -> 'r';
      default -> 0;
    };
  }
}
