/** Matching rules: when a bank line looks like this, then book it so. */
@NullMarked
package org.yewledger.core.rules;

import org.jspecify.annotations.NullMarked;
