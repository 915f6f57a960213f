/** What every feature stands on: tenancy, audit, errors, security, the API document. */
@NullMarked
package org.yewledger.app.platform;

import org.jspecify.annotations.NullMarked;
