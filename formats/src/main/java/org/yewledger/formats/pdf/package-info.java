/** Reports set on paper: A4, in the product's own fonts. */
@NullMarked
package org.yewledger.formats.pdf;

import org.jspecify.annotations.NullMarked;
