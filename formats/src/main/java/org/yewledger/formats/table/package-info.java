/** Tables of bank lines in comma-separated text of any layout. */
@NullMarked
package org.yewledger.formats.table;

import org.jspecify.annotations.NullMarked;
