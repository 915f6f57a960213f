package org.yewledger.app;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import org.flywaydb.core.Flyway;

/** A database of its own that begins with an old schema and is brought up to today's. */
final class OldSchema implements AutoCloseable {
  private final String database;

  /**
   * @param database its name; what is there by that name goes
   */
  OldSchema(String database) throws SQLException {
    this.database = database;
    inPostgres("drop database if exists " + database + " with (force)");
    inPostgres("create database " + database);
  }

  private static String urlOf(String database) {
    return System.getenv("YEW_DB_URL").replaceAll("/[a-z_0-9]+$", "/" + database);
  }

  private static Connection owner(String database) throws SQLException {
    return DriverManager.getConnection(
        urlOf(database), System.getenv("YEW_DB_OWNER"), System.getenv("YEW_DB_OWNER_PASSWORD"));
  }

  private static void inPostgres(String statement) throws SQLException {
    try (Connection postgres = owner("postgres");
        Statement sql = postgres.createStatement()) {
      sql.execute(statement);
    }
  }

  /** To a version of then. What is granted is granted on the tables of today, and so not yet. */
  void migrate(String version) {
    migrate(version, "none");
  }

  void migrateToLatest() {
    migrate("latest", "R");
  }

  private void migrate(String target, String repeatable) {
    Flyway.configure()
        .dataSource(
            urlOf(database), System.getenv("YEW_DB_OWNER"), System.getenv("YEW_DB_OWNER_PASSWORD"))
        .target(target)
        .repeatableSqlMigrationPrefix(repeatable)
        .load()
        .migrate();
  }

  /** Runs statements in one transaction: sums of zero are required at its end only. */
  void run(String statements) throws SQLException {
    try (Connection connection = owner(database);
        Statement sql = connection.createStatement()) {
      connection.setAutoCommit(false);
      sql.execute(statements);
      connection.commit();
    }
  }

  /** The one value that a query finds. */
  String one(String query) throws SQLException {
    try (Connection connection = owner(database);
        Statement sql = connection.createStatement();
        ResultSet rows = sql.executeQuery(query)) {
      if (!rows.next()) {
        throw new AssertionError("nothing is found by " + query);
      }
      return rows.getString(1);
    }
  }

  AuditRun audit() throws Exception {
    return AuditRun.of(database);
  }

  @Override
  public void close() throws SQLException {
    inPostgres("drop database if exists " + database + " with (force)");
  }
}
