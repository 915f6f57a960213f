/** Matching rules. */
@NullMarked
package org.yewledger.app.rules;

import org.jspecify.annotations.NullMarked;
