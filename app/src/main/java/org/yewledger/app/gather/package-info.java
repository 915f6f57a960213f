/** Statement files in, bank lines kept. */
@NullMarked
package org.yewledger.app.gather;

import org.jspecify.annotations.NullMarked;
