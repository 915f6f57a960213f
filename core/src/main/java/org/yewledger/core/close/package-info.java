/** Closing months of a book: what has to be right before nothing in them changes any more. */
@NullMarked
package org.yewledger.core.close;

import org.jspecify.annotations.NullMarked;
