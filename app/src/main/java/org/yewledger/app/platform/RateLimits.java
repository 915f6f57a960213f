package org.yewledger.app.platform;

import io.github.bucket4j.BucketConfiguration;
import io.github.bucket4j.distributed.BucketProxy;
import io.github.bucket4j.distributed.ExpirationAfterWriteStrategy;
import io.github.bucket4j.distributed.jdbc.PrimaryKeyMapper;
import io.github.bucket4j.postgresql.Bucket4jPostgreSQL;
import io.github.bucket4j.postgresql.PostgreSQLSelectForUpdateBasedProxyManager;
import java.time.Duration;
import java.util.concurrent.atomic.AtomicInteger;
import javax.sql.DataSource;
import org.springframework.stereotype.Component;

/** Counts what is limited, in the database: all instances count together. */
@Component
public class RateLimits {
  private static final int CLEAN_EVERY = 100;
  private static final Duration KEPT_FULL = Duration.ofHours(1);

  private final PostgreSQLSelectForUpdateBasedProxyManager<String> counts;
  private final AtomicInteger asked = new AtomicInteger();

  RateLimits(DataSource dataSource) {
    this.counts =
        Bucket4jPostgreSQL.selectForUpdateBasedBuilder(dataSource)
            .primaryKeyMapper(PrimaryKeyMapper.STRING)
            .table("rate_limit")
            .expiresAtColumn("expires_at")
            .expirationAfterWrite(
                ExpirationAfterWriteStrategy.basedOnTimeForRefillingBucketUpToMax(KEPT_FULL))
            .build();
  }

  /**
   * @param of what is limited, and whose
   */
  public BucketProxy bucket(String of, BucketConfiguration limit) {
    if (asked.incrementAndGet() % CLEAN_EVERY == 0) {
      counts.removeExpired(CLEAN_EVERY);
    }
    return counts.builder().build(of, () -> limit);
  }
}
