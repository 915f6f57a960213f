/** The rules of the job: plain Java without framework, clock, randomness or input and output. */
@NullMarked
package org.yewledger.core;

import org.jspecify.annotations.NullMarked;
