package org.yewledger.app.household;

import io.github.bucket4j.BucketConfiguration;
import io.github.bucket4j.ConsumptionProbe;
import io.github.bucket4j.distributed.BucketProxy;
import java.text.Normalizer;
import java.time.Duration;
import java.util.Locale;
import org.springframework.stereotype.Component;
import org.yewledger.app.platform.RateLimits;
import org.yewledger.app.platform.Secrets;
import org.yewledger.core.Refusal;

/**
 * Slows guessing. Every try is counted before it is checked, so that many at once count as many; a
 * right one is given back. Kept in the database by a rate limiter, so all instances count together.
 */
@Component
class SignInThrottle {
  /** What is limited: so many tries, of which one comes back every so often. */
  enum Limit {
    /** Of one person, from wherever it comes. */
    PERSON(5, Duration.ofMinutes(3)),
    /** From one address: a household behind one router is not locked out by one of them. */
    ADDRESS(40, Duration.ofSeconds(30)),
    FOUNDING(5, Duration.ofMinutes(3));

    private final int tries;
    private final BucketConfiguration configuration;

    Limit(int tries, Duration each) {
      this.tries = tries;
      this.configuration =
          BucketConfiguration.builder()
              .addLimit(limit -> limit.capacity(tries).refillGreedy(1, each))
              .build();
    }
  }

  private final RateLimits limits;

  SignInThrottle(RateLimits limits) {
    this.limits = limits;
  }

  /** By what tries at an email are counted that is nobody's. People are counted by identity. */
  static String unknown(String email) {
    return Secrets.hashOf(
        Normalizer.normalize(email.strip(), Normalizer.Form.NFKC).toLowerCase(Locale.ROOT));
  }

  /**
   * Counts a try.
   *
   * @throws Refusal {@code sign-in-paused}, saying how long to wait
   */
  void count(Limit limit, String who) {
    ConsumptionProbe probe = bucket(limit, who).tryConsumeAndReturnRemaining(1);
    if (!probe.isConsumed()) {
      long minutes = 1 + Duration.ofNanos(probe.getNanosToWaitForRefill()).toMinutes();
      throw Refusal.of(
          "sign-in-paused",
          "Too many tries. Wait %d %s, then try again."
              .formatted(minutes, minutes == 1 ? "minute" : "minutes"));
    }
  }

  /** A try that was right does not count. */
  void giveBack(Limit limit, String who) {
    bucket(limit, who).addTokens(1);
  }

  /** The person has shown who they are: earlier guesses at them count no more. */
  void forget(Limit limit, String who) {
    bucket(limit, who).addTokens(limit.tries);
  }

  private BucketProxy bucket(Limit limit, String who) {
    return limits.bucket(limit + ":" + who, limit.configuration);
  }
}
