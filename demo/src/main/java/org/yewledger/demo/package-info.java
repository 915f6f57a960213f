/**
 * The made-up household: the Aldercott family and Wren Aldercott's Saltmarsh Letterpress, twelve
 * months of plausible, internally consistent books from a fixed seed.
 */
@NullMarked
package org.yewledger.demo;

import org.jspecify.annotations.NullMarked;
