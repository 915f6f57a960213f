/** Books and their accounts. */
@NullMarked
package org.yewledger.app.chart;

import org.jspecify.annotations.NullMarked;
