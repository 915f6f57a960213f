/** Waiting lines, their proposals, and posting them. */
@NullMarked
package org.yewledger.app.post;

import org.jspecify.annotations.NullMarked;
