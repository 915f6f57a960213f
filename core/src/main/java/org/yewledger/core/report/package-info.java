/** Figures read from the books: trial balance, running balances. */
@NullMarked
package org.yewledger.core.report;

import org.jspecify.annotations.NullMarked;
