/**
 * Why a statement and the books are apart: explanations with their evidence, the likeliest first.
 */
@NullMarked
package org.yewledger.core.reconcile.gap;

import org.jspecify.annotations.NullMarked;
