/** Entries that are taken in from a person's own sheet, as of past years. */
@NullMarked
package org.yewledger.app.sheet;

import org.jspecify.annotations.NullMarked;
