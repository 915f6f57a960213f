package org.yewledger.app.platform;

/** There is no such thing in this household. Things of other households are not there at all. */
public final class NotFound extends RuntimeException {
  private static final long serialVersionUID = 1L;

  public NotFound(String what) {
    super("There is no such " + what + " in this household. It may have been removed.");
  }
}
