/** Loads the made-up household. */
@NullMarked
package org.yewledger.app.demo;

import org.jspecify.annotations.NullMarked;
