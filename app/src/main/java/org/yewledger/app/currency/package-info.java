/** Exchange rates between currencies, dated. */
@NullMarked
package org.yewledger.app.currency;

import org.jspecify.annotations.NullMarked;
