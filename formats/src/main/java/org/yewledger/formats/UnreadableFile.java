package org.yewledger.formats;

import org.jspecify.annotations.Nullable;

/**
 * A file that cannot be read as what it claims to be. Says where, as far as it is known: the line
 * (counted from 1; 0 if the whole file is meant) and the field or column.
 */
public final class UnreadableFile extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final int line;
  private final @Nullable String field;
  private final String reason;

  private UnreadableFile(int line, @Nullable String field, String reason) {
    super(reason);
    this.line = line;
    this.field = field;
    this.reason = reason;
  }

  public static UnreadableFile whole(String reason) {
    return new UnreadableFile(0, null, reason);
  }

  public static UnreadableFile at(int line, String reason) {
    return new UnreadableFile(line, null, reason);
  }

  public static UnreadableFile at(int line, String field, String reason) {
    return new UnreadableFile(line, field, reason);
  }

  public int line() {
    return line;
  }

  public @Nullable String field() {
    return field;
  }

  public String reason() {
    return reason;
  }

  /** For a person: {@code Line 42, DTPOSTED: 20260231 is not a date.} */
  @Override
  public String getMessage() {
    if (line == 0) {
      return reason;
    }
    return "Line " + line + (field == null ? "" : ", " + field) + ": " + reason;
  }
}
