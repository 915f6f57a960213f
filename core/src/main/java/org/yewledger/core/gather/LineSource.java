package org.yewledger.core.gather;

/**
 * What a bank line came by. The identities that a bank gives to its lines hold within one of these
 * only: the same line has another identity in a file than in a feed.
 */
public enum LineSource {
  OFX,
  CAMT,
  MT940,
  CSV,
  XLSX,
  FEED
}
