/** What people type: days and amounts, read with their own formats, and never guessed. */
@NullMarked
package org.yewledger.core.entry;

import org.jspecify.annotations.NullMarked;
