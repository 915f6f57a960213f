/** The whole household out and in, as an open data package. */
@NullMarked
package org.yewledger.app.datapackage;

import org.jspecify.annotations.NullMarked;
