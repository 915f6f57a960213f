/** The best pairs of two sides, all together. */
@NullMarked
package org.yewledger.core.match;

import org.jspecify.annotations.NullMarked;
