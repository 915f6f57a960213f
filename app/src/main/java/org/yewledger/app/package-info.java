/** The application: HTTP API, persistence and security around the core. */
@NullMarked
package org.yewledger.app;

import org.jspecify.annotations.NullMarked;
