/** Opening balances: one by one, or all on one sheet. */
@NullMarked
package org.yewledger.app.opening;

import org.jspecify.annotations.NullMarked;
