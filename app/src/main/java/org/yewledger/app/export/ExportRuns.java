package org.yewledger.app.export;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;

/** When exports are written next, and how it went last. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class ExportRuns {
  /**
   * @param nextAt null if it is not written by itself
   * @param ranAt null if it never was
   * @param rows how many were written; null if none could be
   * @param problem why nothing was written; null if it was
   */
  record Run(
      @Nullable Instant nextAt,
      @Nullable Instant ranAt,
      @Nullable Integer rows,
      @Nullable String problem) {
    static final Run NONE = new Run(null, null, null, null);

    private static Run of(ResultSet row) throws SQLException {
      return new Run(
          instant(row.getTimestamp("next_at")),
          instant(row.getTimestamp("ran_at")),
          row.getObject("row_count", Integer.class),
          row.getString("problem"));
    }

    private static @Nullable Instant instant(@Nullable Timestamp at) {
      return at == null ? null : at.toInstant();
    }
  }

  private static final int LONGEST_PROBLEM = 500;

  private final JdbcClient jdbc;

  ExportRuns(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By the identities of their exports. */
  Map<UUID, Run> all() {
    Map<UUID, Run> runs = new HashMap<>();
    jdbc.sql(
            "select export_id, next_at, ran_at, row_count, problem from export_run where household_id = ?")
        .param(SignedIn.now().householdId())
        .query(row -> {
          runs.put(Objects.requireNonNull(row.getObject("export_id", UUID.class)), Run.of(row));
        });
    return runs;
  }

  /** Waits until nobody else writes the export, and holds it for the transaction. */
  Run hold(UUID exportId) {
    UUID household = SignedIn.now().householdId();
    jdbc.sql(
            "insert into export_run (household_id, export_id) values (?, ?) on conflict do nothing")
        .params(household, exportId)
        .update();
    Optional<Run> run =
        jdbc.sql(
                """
                select next_at, ran_at, row_count, problem from export_run
                 where household_id = ? and export_id = ? for update\
                """)
            .params(household, exportId)
            .query((row, no) -> Run.of(row))
            .optional();
    return run.orElse(Run.NONE);
  }

  /** Says when it is written next; null for never. */
  void next(UUID exportId, @Nullable Instant nextAt) {
    jdbc.sql(
            """
            insert into export_run (household_id, export_id, next_at) values (:household, :export, :next)
            on conflict (household_id, export_id) do update set next_at = excluded.next_at\
            """)
        .param("household", SignedIn.now().householdId())
        .param("export", exportId)
        .param("next", nextAt == null ? null : Timestamp.from(nextAt), Types.TIMESTAMP)
        .update();
  }

  /** Says how it went. */
  void ran(UUID exportId, Instant at, @Nullable Integer rows, @Nullable String problem) {
    jdbc.sql(
            """
            update export_run set ran_at = :at, row_count = :rows, problem = :problem
             where household_id = :household and export_id = :export\
            """)
        .param("at", Timestamp.from(at))
        .param("rows", rows, Types.INTEGER)
        .param(
            "problem",
            problem == null || problem.length() <= LONGEST_PROBLEM
                ? problem
                : problem.substring(0, LONGEST_PROBLEM),
            Types.VARCHAR)
        .param("household", SignedIn.now().householdId())
        .param("export", exportId)
        .update();
  }
}
