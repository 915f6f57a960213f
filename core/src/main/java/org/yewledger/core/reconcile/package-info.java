/** Agreeing postings with a statement until the difference is zero. */
@NullMarked
package org.yewledger.core.reconcile;

import org.jspecify.annotations.NullMarked;
