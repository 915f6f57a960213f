/** A new household, filled in on one page until its books are opened. */
@NullMarked
package org.yewledger.app.setup;

import org.jspecify.annotations.NullMarked;
