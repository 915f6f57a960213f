/** ISO 20022 bank-to-customer messages: camt.053 (statement) and camt.052 (report). */
@NullMarked
package org.yewledger.formats.camt;

import org.jspecify.annotations.NullMarked;
