package org.yewledger.e2e;

import java.io.IOException;
import java.nio.charset.StandardCharsets;

/** The audit of the books that trusts nothing of the application: {@code script/audit.sql}. */
final class OutsideAudit {
  private OutsideAudit() {}

  /** What it says of the books as they are now. */
  static String run() throws IOException, InterruptedException {
    String url = StartingBooks.env("YEW_E2E_DB_URL");
    String owner = StartingBooks.env("YEW_DB_OWNER");
    var psql =
        new ProcessBuilder(
            StartingBooks.env("YEW_PSQL"),
            "-d",
            url.replace("jdbc:postgresql://", "postgresql://" + owner + "@"),
            "-X",
            "-q",
            "-v",
            "ON_ERROR_STOP=1",
            "-f",
            "../script/audit.sql");
    psql.environment().put("PGPASSWORD", StartingBooks.env("YEW_DB_OWNER_PASSWORD"));
    Process process = psql.redirectErrorStream(true).start();
    String says = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    if (process.waitFor() != 0) {
      throw new IOException("the audit did not run: " + says);
    }
    return says;
  }
}
