package org.yewledger.app;

import java.util.Map;
import java.util.Objects;
import org.flywaydb.core.Flyway;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;

/** Starts the application; with {@code migrate}, only brings the database up to this version. */
@SpringBootApplication
public class YewLedgerApplication {
  public static void main(String[] args) {
    if (args.length == 1 && args[0].equals("migrate")) {
      migrate(System.getenv());
    } else {
      SpringApplication.run(YewLedgerApplication.class, args);
    }
  }

  /**
   * A database that was restored is brought up to date, and checked, before anything serves from
   * it.
   *
   * @param settings the same as those of the application
   */
  private static void migrate(Map<String, String> settings) {
    Flyway.configure()
        .dataSource(
            Objects.requireNonNull(settings.get("YEW_DB_URL"), "YEW_DB_URL is not set"),
            settings.getOrDefault("YEW_DB_OWNER", "yew_owner"),
            settings.getOrDefault("YEW_DB_OWNER_PASSWORD", ""))
        .load()
        .migrate();
  }
}
