package org.yewledger.app.bankline;

import java.util.UUID;

/** Lines have come in for a household, with the transaction under way. */
public record LinesArrived(UUID householdId) {}
