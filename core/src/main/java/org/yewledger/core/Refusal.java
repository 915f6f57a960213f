package org.yewledger.core;

import org.jspecify.annotations.Nullable;

/**
 * Something a person asked for that the books cannot allow. Carries a stable {@link #code()} for
 * programs, the {@link #field()} at fault where there is one, and a message for the person that
 * says what is wrong, where, and what to do.
 */
public final class Refusal extends RuntimeException {
  private static final long serialVersionUID = 1L;

  private final String code;
  private final @Nullable String field;

  private Refusal(String code, @Nullable String field, String message) {
    super(message);
    this.code = code;
    this.field = field;
  }

  /**
   * A refusal that concerns the request as a whole; {@code code} is kebab-case and never changes.
   */
  public static Refusal of(String code, String message) {
    return new Refusal(code, null, message);
  }

  /** A refusal that one field of the request causes. */
  public static Refusal ofField(String code, String field, String message) {
    return new Refusal(code, field, message);
  }

  public String code() {
    return code;
  }

  public @Nullable String field() {
    return field;
  }

  @Override
  public String getMessage() {
    return java.util.Objects.requireNonNull(super.getMessage());
  }
}
