/** A person's own sheet of entries, as of past years: what its rows become in a book. */
@NullMarked
package org.yewledger.core.sheet;

import org.jspecify.annotations.NullMarked;
