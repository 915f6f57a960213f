package org.yewledger.app.export;

import java.util.UUID;
import org.springframework.stereotype.Component;
import org.yewledger.app.chart.AccountFollower;

/** What an export is of goes with its account. */
@Component
class ExportsFollow implements AccountFollower {
  private final KeptExports exports;

  ExportsFollow(KeptExports exports) {
    this.exports = exports;
  }

  @Override
  public long merged(UUID from, UUID into) {
    exports.merged(from, into);
    return 0;
  }

  /** The database refuses it while an export is of the account. */
  @Override
  public void deleted(UUID account) {}
}
