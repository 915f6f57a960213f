/** The home view: accounts by months. */
@NullMarked
package org.yewledger.app.almanac;

import org.jspecify.annotations.NullMarked;
