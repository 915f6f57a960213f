package org.yewledger.core.report;

import java.util.UUID;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * What was posted to a category at a rate of sales tax over some months, in its book's currency;
 * debits are above zero.
 *
 * @param net what stands on the category itself
 * @param tax what was set apart from it
 */
public record TaxedTotals(Account category, UUID rateId, Amount net, Amount tax) {}
