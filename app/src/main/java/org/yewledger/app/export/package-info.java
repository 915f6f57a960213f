/**
 * Saved exports: kept by name, fetched by a program, written into a folder when their time comes.
 */
@NullMarked
package org.yewledger.app.export;

import org.jspecify.annotations.NullMarked;
