/**
 * Receipts and other papers as files: what they are by their content, and pictures of their pages.
 */
@NullMarked
package org.yewledger.formats.attachment;

import org.jspecify.annotations.NullMarked;
