/** Loans: their terms, what each payment is made of, and what a lender says of a year. */
@NullMarked
package org.yewledger.core.loan;

import org.jspecify.annotations.NullMarked;
