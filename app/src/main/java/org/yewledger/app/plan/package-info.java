/** What a household plans: budgets of its categories, held against the books. */
@NullMarked
package org.yewledger.app.plan;

import org.jspecify.annotations.NullMarked;
