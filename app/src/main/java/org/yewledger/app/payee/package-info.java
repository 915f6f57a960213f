/** Who entries are with: records of the household, known by the texts that banks write for them. */
@org.jspecify.annotations.NullMarked
package org.yewledger.app.payee;
