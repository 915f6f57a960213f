package org.yewledger.core.post;

import org.yewledger.core.rules.Rule;

/** The facts that support a proposal, as data: how they are told is a matter of the interface. */
public sealed interface Evidence {
  /** A rule's conditions fit the line. */
  record RuleFits(Rule rule) implements Evidence {}

  /** There are none. */
  record None() implements Evidence {}
}
