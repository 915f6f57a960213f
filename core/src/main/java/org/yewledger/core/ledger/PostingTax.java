package org.yewledger.core.ledger;

import java.util.UUID;

/**
 * What a posting is for sales tax.
 *
 * @param rateId the tax rate
 */
public record PostingTax(UUID rateId, Role role) {
  /** Which part of the gross amount it is. */
  public enum Role {
    NET,
    TAX
  }
}
