/** Open Financial Exchange, 1.x (SGML) and 2.x (XML): bank and card statement downloads. */
@NullMarked
package org.yewledger.formats.ofx;

import org.jspecify.annotations.NullMarked;
