/** Read-only links to banks: consent, the accounts behind it, and fetching their lines. */
@NullMarked
package org.yewledger.app.connection;

import org.jspecify.annotations.NullMarked;
