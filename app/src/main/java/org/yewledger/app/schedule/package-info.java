/** Schedules: entries that recur, and the items of them that fall due. */
@NullMarked
package org.yewledger.app.schedule;

import org.jspecify.annotations.NullMarked;
