package org.yewledger.core.worth;

/** Which cost goes along when a part of a holding is sold. */
public enum CostMethod {
  /** That of all of it, evenly. */
  AVERAGE,
  /** That of what was bought first. */
  FIRST_IN_FIRST_OUT
}
