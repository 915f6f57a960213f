/** Amounts as whole minor units of an ISO 4217 currency, and how people write them. */
@NullMarked
package org.yewledger.core.money;

import org.jspecify.annotations.NullMarked;
