package org.yewledger.app.platform;

/** Somebody else was there first. Tells what they did, so that the person can go on from there. */
public final class Conflict extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final String code;

  public Conflict(String code, String message) {
    super(message);
    this.code = code;
  }

  /** The thing to be changed is not the one that the person saw. */
  public static Conflict changedMeanwhile(String what) {
    return new Conflict(
        "changed-meanwhile",
        "The %s was changed in another window meanwhile. Look at it again.".formatted(what));
  }

  public String code() {
    return code;
  }
}
