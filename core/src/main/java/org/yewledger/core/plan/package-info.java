/** What is planned: budgets of categories by months, held against what is booked. */
@NullMarked
package org.yewledger.core.plan;

import org.jspecify.annotations.NullMarked;
