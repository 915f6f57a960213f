/** Bank lines as kept: the raw line, and beside it what was made of it. */
@NullMarked
package org.yewledger.app.bankline;

import org.jspecify.annotations.NullMarked;
