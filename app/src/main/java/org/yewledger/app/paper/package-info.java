/** What every printed report shares: whose books it is of, and how its reader writes. */
@NullMarked
package org.yewledger.app.paper;

import org.jspecify.annotations.NullMarked;
