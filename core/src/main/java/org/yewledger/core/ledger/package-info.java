/** Accounts and journal entries; the invariants of double entry live here. */
@NullMarked
package org.yewledger.core.ledger;

import org.jspecify.annotations.NullMarked;
