/** Sales tax: rates with the days from which they hold. */
@NullMarked
package org.yewledger.core.tax;

import org.jspecify.annotations.NullMarked;
