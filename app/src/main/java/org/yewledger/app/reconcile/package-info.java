/** Statements and their reconciliation. */
@NullMarked
package org.yewledger.app.reconcile;

import org.jspecify.annotations.NullMarked;
