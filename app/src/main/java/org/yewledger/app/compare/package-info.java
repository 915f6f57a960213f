/** The lines of a statement held against the postings that may be the same. */
@NullMarked
package org.yewledger.app.compare;

import org.jspecify.annotations.NullMarked;
