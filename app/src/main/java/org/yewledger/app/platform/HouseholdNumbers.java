package org.yewledger.app.platform;

import com.zaxxer.hikari.HikariConfig;
import com.zaxxer.hikari.HikariDataSource;
import jakarta.annotation.PreDestroy;
import java.util.Objects;
import java.util.UUID;
import org.springframework.boot.jdbc.autoconfigure.DataSourceProperties;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * The numbers by which a household calls its entries and batches: rising, and never given twice.
 * They are taken on connections of their own, at once and for good, so that nobody waits for the
 * work of somebody else; work that fails leaves a gap, which {@code numbers_taken} explains.
 */
@Component
public class HouseholdNumbers {
  /** What is numbered. */
  public enum Of {
    ENTRY,
    BATCH
  }

  private static final int CONNECTIONS = 2;

  private final HikariDataSource pool;
  private final JdbcTemplate jdbc;

  HouseholdNumbers(DataSourceProperties properties) {
    var config = new HikariConfig();
    config.setPoolName("numbers");
    config.setJdbcUrl(properties.determineUrl());
    config.setUsername(properties.determineUsername());
    config.setPassword(properties.determinePassword());
    config.setMaximumPoolSize(CONNECTIONS);
    config.setMinimumIdle(1);
    // The caller's own commit writes the log through; a number whose work was lost may be lost too.
    config.setConnectionInitSql("set synchronous_commit = off");
    this.pool = new HikariDataSource(config);
    this.jdbc = new JdbcTemplate(pool);
  }

  /**
   * Takes the next numbers. One statement is one transaction here, whatever is under way elsewhere.
   *
   * @param act the act that takes them
   * @return the first of {@code count}
   */
  public long take(Of what, int count, UUID act) {
    Long first =
        jdbc.queryForObject(
            """
            with mine as materialized (select set_config('yew.household', ?, true))
            select take_numbers(?, ?, ?) from mine\
            """,
            Long.class,
            SignedIn.now().householdId().toString(),
            what.name(),
            count,
            act);
    return Objects.requireNonNull(first);
  }

  @PreDestroy
  void close() {
    pool.close();
  }
}
