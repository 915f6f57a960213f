/** Entries and registers. */
@NullMarked
package org.yewledger.app.journal;

import org.jspecify.annotations.NullMarked;
