/** What is owned without a bank's balance: holdings of securities, and things. */
@NullMarked
package org.yewledger.app.worth;

import org.jspecify.annotations.NullMarked;
