/** People, sign-in and the household they work in. */
@NullMarked
package org.yewledger.app.household;

import org.jspecify.annotations.NullMarked;
