package org.yewledger.app.household;

import java.util.UUID;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.stereotype.Component;

/** The sign-ins of people, wherever they are. */
@Component
class Sessions {
  private final FindByIndexNameSessionRepository<? extends Session> repository;

  Sessions(FindByIndexNameSessionRepository<? extends Session> repository) {
    this.repository = repository;
  }

  void endAllOf(UUID personId) {
    endAllOf(personId, "");
  }

  /** Ends all sessions of a person but the one that they sit in. */
  void endAllOf(UUID personId, String butSessionId) {
    repository.findByPrincipalName(personId.toString()).keySet().stream()
        .filter(id -> !id.equals(butSessionId))
        .forEach(repository::deleteById);
  }
}
