/** Sales tax: what is owed for a period, returns as they were sent, and payments. */
@NullMarked
package org.yewledger.app.tax;

import org.jspecify.annotations.NullMarked;
