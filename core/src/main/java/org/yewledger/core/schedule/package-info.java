/** Entries that recur: when they fall due, and which entries or bank lines they are. */
@NullMarked
package org.yewledger.core.schedule;

import org.jspecify.annotations.NullMarked;
