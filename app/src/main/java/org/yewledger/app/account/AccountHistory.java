package org.yewledger.app.account;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.account.AccountPageJson.HistoryJson;
import org.yewledger.app.act.ActReader;

/** What happened to an account, told by the acts that touched it. */
@Component
class AccountHistory {
  private static final int MOST = 50;

  private final ActReader acts;

  AccountHistory(ActReader acts) {
    this.acts = acts;
  }

  /** Newest first. */
  @Transactional(readOnly = true)
  List<HistoryJson> of(UUID accountId) {
    return acts.ofAccount(accountId, MOST).stream()
        .map(told -> new HistoryJson(told.at(), told.who(), told.words()))
        .toList();
  }
}
