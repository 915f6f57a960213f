/** What is sought in the journal: the typed query, what it means, and what can be typed next. */
@NullMarked
package org.yewledger.core.journal;

import org.jspecify.annotations.NullMarked;
