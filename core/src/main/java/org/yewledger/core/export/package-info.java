/** Saved exports: what of the books leaves again and again, in which form, when and where to. */
@NullMarked
package org.yewledger.core.export;

import org.jspecify.annotations.NullMarked;
