package org.yewledger.core.post;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Why a line was booked as it was.
 *
 * @param ruleId the rule, where the reason is {@link Reason#RULE}; null otherwise
 */
public record Because(Reason reason, @Nullable UUID ruleId) {
  public Because {
    if ((reason == Reason.RULE) != (ruleId != null)) {
      throw new IllegalArgumentException("a rule, and only a rule, has an identity");
    }
  }

  /** It is a transfer, both of whose halves have come. */
  public static final Because OF_BOTH_HALVES = new Because(Reason.OWN_TRANSFER, null);

  /** A person has said where it goes. */
  public static final Because OF_AN_ANSWER = new Because(Reason.OPEN_QUESTION, null);
}
