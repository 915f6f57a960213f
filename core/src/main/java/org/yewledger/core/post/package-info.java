/** From a waiting bank line to the journal entry that it becomes. */
@NullMarked
package org.yewledger.core.post;

import org.jspecify.annotations.NullMarked;
