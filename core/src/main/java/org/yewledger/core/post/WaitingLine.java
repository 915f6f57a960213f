package org.yewledger.core.post;

import java.util.UUID;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;

/** A bank line that waits to be booked, with the account that the bank gave it for. */
public record WaitingLine(UUID id, Account account, BankLine line) {}
