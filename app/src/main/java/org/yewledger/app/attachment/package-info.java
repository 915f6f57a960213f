/**
 * Receipts and other papers, attached to entries or to bank lines that wait, or waiting themselves.
 */
@NullMarked
package org.yewledger.app.attachment;

import org.jspecify.annotations.NullMarked;
