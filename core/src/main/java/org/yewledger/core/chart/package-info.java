/** The chart of accounts: its tree, its changes, starter charts, and charts as tables. */
@NullMarked
package org.yewledger.core.chart;

import org.jspecify.annotations.NullMarked;
