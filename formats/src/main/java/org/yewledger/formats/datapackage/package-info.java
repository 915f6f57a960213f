/**
 * Data packages as the Data Package Standard describes them (datapackage.org): a ZIP file with
 * {@code datapackage.json}, which says what is in the others, and tables as CSV (RFC 4180).
 */
@NullMarked
package org.yewledger.formats.datapackage;

import org.jspecify.annotations.NullMarked;
