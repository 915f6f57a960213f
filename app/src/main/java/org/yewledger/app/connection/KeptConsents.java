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
   * What the bank knows the consent by.
   *
   * @throws BankProblem if it cannot be read, as the key of this installation has been changed
   */
  String of(ConnectionEntity connection) {
    try {
      return secrets.decrypt(connection.consent());
    } catch (IllegalStateException | IllegalArgumentException e) {
      throw new BankProblem(
          BankProblem.Kind.CONSENT, "The consent kept here cannot be read any more.", null);
    }
  }
}
