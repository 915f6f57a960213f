package org.yewledger.app.backup;

import java.net.URI;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;

/**
 * The database as the owner of its tables, who sees the rows of all households.
 *
 * @param url as JDBC has it
 */
record Database(String url, String owner, String password) {
  /** Host, port and name as command line tools take them. */
  URI place() {
    return URI.create(url.substring("jdbc:".length()));
  }

  Connection connect() throws SQLException {
    return DriverManager.getConnection(url, owner, password);
  }

  /** A number that a query tells. */
  static long number(Connection connection, String sql) throws SQLException {
    try (Statement statement = connection.createStatement();
        ResultSet row = statement.executeQuery(sql)) {
      row.next();
      return row.getLong(1);
    }
  }
}
