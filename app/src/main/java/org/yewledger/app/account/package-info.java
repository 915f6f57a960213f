/** One account on a page: facts, balances over time, statements, rules, history. */
@NullMarked
package org.yewledger.app.account;

import org.jspecify.annotations.NullMarked;
