package org.yewledger.app;

import java.nio.charset.StandardCharsets;

/** What {@code script/audit.sql} finds in a database, as the owner of its tables. */
record AuditRun(int exit, String says) {
  static AuditRun of(String database) throws Exception {
    var builder =
        new ProcessBuilder(
            env("YEW_PSQL"),
            "-h",
            "127.0.0.1",
            "-p",
            env("YEW_DB_PORT"),
            "-U",
            env("YEW_DB_OWNER"),
            "-d",
            database,
            "-X",
            "-q",
            "-v",
            "ON_ERROR_STOP=1",
            "-f",
            "../script/audit.sql");
    builder.environment().put("PGPASSWORD", env("YEW_DB_OWNER_PASSWORD"));
    Process process = builder.redirectErrorStream(true).start();
    String says = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    return new AuditRun(process.waitFor(), says);
  }

  private static String env(String name) {
    String value = System.getenv(name);
    if (value == null) {
      throw new AssertionError(name + " is not set; use ./yew test");
    }
    return value;
  }
}
