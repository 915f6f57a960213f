package org.yewledger.core.ledger;

import java.util.UUID;
import org.joda.money.CurrencyUnit;

/**
 * A self-balancing set of accounts.
 *
 * @param currency the base currency: every posting of the book has a value in it, and those values
 *     add up to zero in every entry
 */
public record Book(UUID id, String name, CurrencyUnit currency) {}
