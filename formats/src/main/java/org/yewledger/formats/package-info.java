/** Readers and writers of open statement formats. Nothing here knows of Spring or a database. */
@NullMarked
package org.yewledger.formats;

import org.jspecify.annotations.NullMarked;
