package org.yewledger.core.schedule;

import java.time.LocalDate;
import java.util.UUID;
import org.yewledger.core.money.Amount;

/**
 * An entry with a schedule's payee, on its account.
 *
 * @param amount what it moves there
 */
public record Standing(UUID entryId, long no, LocalDate date, Amount amount) {}
