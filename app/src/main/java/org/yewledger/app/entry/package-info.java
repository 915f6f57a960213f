/** What people type, read by the core as they type it. */
@NullMarked
package org.yewledger.app.entry;

import org.jspecify.annotations.NullMarked;
