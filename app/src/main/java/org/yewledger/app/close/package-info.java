/** Closing a book's months. */
@NullMarked
package org.yewledger.app.close;

import org.jspecify.annotations.NullMarked;
