/** Acts: deliberate changes of the books, each undone as a whole. */
@NullMarked
package org.yewledger.core.act;

import org.jspecify.annotations.NullMarked;
