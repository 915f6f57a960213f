/** Programs that ask on behalf of a person: by tokens, within limits, each change once. */
@NullMarked
package org.yewledger.app.token;

import org.jspecify.annotations.NullMarked;
