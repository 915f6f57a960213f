/** SWIFT MT940, the customer statement message. */
@NullMarked
package org.yewledger.formats.mt940;

import org.jspecify.annotations.NullMarked;
