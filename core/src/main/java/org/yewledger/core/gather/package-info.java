/** Bank lines as the bank gave them, and telling new ones from known ones. */
@NullMarked
package org.yewledger.core.gather;

import org.jspecify.annotations.NullMarked;
