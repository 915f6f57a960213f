package org.yewledger.core.post;

/** Why a line is proposed to be booked as it is, in the order in which they are tried. */
public enum Reason {
  RULE,
  OPEN_QUESTION
}
