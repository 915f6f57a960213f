/** Reports read from the kept totals. */
@NullMarked
package org.yewledger.app.report;

import org.jspecify.annotations.NullMarked;
