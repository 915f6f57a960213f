/** How the texts of banks and people are compared. */
@NullMarked
package org.yewledger.core.text;

import org.jspecify.annotations.NullMarked;
