/** Everything written into one file, and read back: by a command, and each day. */
@NullMarked
package org.yewledger.app.backup;

import org.jspecify.annotations.NullMarked;
