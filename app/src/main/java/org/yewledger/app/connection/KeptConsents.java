package org.yewledger.app.connection;

import org.springframework.stereotype.Component;
import org.yewledger.app.platform.Secrets;

/** The consents' identities, which are secrets and kept encrypted. */
@Component
class KeptConsents {
  private final Secrets secrets;

  KeptConsents(Secrets secrets) {
    this.secrets = secrets;
  }

  /**
   * What the bank knows the consent by. If another key has taken over, it is encrypted with that
   * one as the connection is stored next.
   *
   * @throws BankProblem if it cannot be read, as the key of this installation has been changed
   */
  String of(ConnectionEntity connection) {
    try {
      String plain = secrets.decrypt(connection.consent());
      if (secrets.isOfOlderKey(connection.consent())) {
        connection.keepConsent(secrets.encrypt(plain));
      }
      return plain;
    } catch (IllegalStateException | IllegalArgumentException e) {
      throw new BankProblem(
          BankProblem.Kind.CONSENT, "The consent kept here cannot be read any more.", null);
    }
  }
}
