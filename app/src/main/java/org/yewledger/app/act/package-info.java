/** Acts: who changed what in the books, when and why; taking them back and doing them again. */
@NullMarked
package org.yewledger.app.act;

import org.jspecify.annotations.NullMarked;
