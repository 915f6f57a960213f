/** What is owned without a bank's balance: securities by quantity and price, and things. */
@NullMarked
package org.yewledger.core.worth;

import org.jspecify.annotations.NullMarked;
