package org.yewledger.app.platform;

/** How long texts may be. What is longer is no name and no note, and would be kept for ever. */
public final class Texts {
  /** A name, a payee, a heading. */
  public static final int NAME = 200;

  /** A code, a number, a short answer. */
  public static final int SHORT = 80;

  /** A web address or an email address. */
  public static final int ADDRESS = 320;

  /** A note of several paragraphs. */
  public static final int NOTE = 4_000;

  private Texts() {}
}
