/**
 * Benchmarks. Each prints figures as ratios against a named baseline of the same run, since
 * machines are noisy; run by {@code ./yew bench}.
 */
@NullMarked
package org.yewledger.bench;

import org.jspecify.annotations.NullMarked;
