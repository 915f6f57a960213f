/** The bank's ledger of an account held against one's own. */
@NullMarked
package org.yewledger.core.compare;

import org.jspecify.annotations.NullMarked;
