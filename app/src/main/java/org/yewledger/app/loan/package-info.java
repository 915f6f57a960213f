/** Loans: their terms, tables, what-ifs, and what lenders say of a year. */
@NullMarked
package org.yewledger.app.loan;

import org.jspecify.annotations.NullMarked;
