package org.yewledger.e2e;

import com.zaxxer.hikari.HikariDataSource;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Objects;

/**
 * The database as the demo left it, kept beside the one in use, so that every class of tests begins
 * with the same books whatever ran before it. Giving it back takes well under a second.
 */
final class StartingBooks {
  private final HikariDataSource pool;
  private final String url = env("YEW_E2E_DB_URL");
  private final String name = url.substring(url.lastIndexOf('/') + 1);
  private final String kept = name + "_at_the_start";
  private boolean isKept;

  StartingBooks(HikariDataSource pool) {
    this.pool = pool;
  }

  /** Keeps the books the first time, and gives them back as they were then every other time. */
  void keepOrGiveBack() throws SQLException {
    // Nobody is at the database meanwhile: the application's own jobs wait until it is resumed.
    pool.getHikariPoolMXBean().suspendPool();
    try {
      pool.getHikariPoolMXBean().softEvictConnections();
      if (!isKept) {
        analyze();
      }
      // Not connected to either of the two databases, so that both can be copied.
      try (Connection connection = ownerAt("postgres");
          Statement sql = connection.createStatement()) {
        if (isKept) {
          copy(sql, kept, name);
        } else {
          copy(sql, name, kept);
          isKept = true;
        }
      }
    } finally {
      pool.getHikariPoolMXBean().resumePool();
    }
  }

  private static void copy(Statement sql, String from, String to) throws SQLException {
    sql.execute("drop database if exists " + to + " with (force)");
    sql.execute(
        "select pg_terminate_backend(pid) from pg_stat_activity where datname = '" + from + "'");
    sql.execute("create database " + to + " template " + from);
  }

  /** As it would be a minute later: each copy is as quick as one in use for long. */
  private void analyze() throws SQLException {
    try (Connection connection = ownerAt(name);
        Statement sql = connection.createStatement()) {
      sql.execute("vacuum analyze");
    }
  }

  private Connection ownerAt(String database) throws SQLException {
    return DriverManager.getConnection(
        url.substring(0, url.lastIndexOf('/') + 1) + database,
        env("YEW_DB_OWNER"),
        env("YEW_DB_OWNER_PASSWORD"));
  }

  static String env(String name) {
    return Objects.requireNonNull(System.getenv(name), name + " is not set; use ./yew test");
  }
}
