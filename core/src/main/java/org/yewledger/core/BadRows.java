package org.yewledger.core;

import java.util.List;

/** A table that cannot be taken in, with everything that is wrong with it. Nothing was taken in. */
public final class BadRows extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** What is wrong with one cell; {@code line} is the line of the file, from 1. */
  public record Problem(int line, String column, String reason) {}

  private final transient List<Problem> problems;

  public BadRows(List<Problem> problems) {
    super(
        problems.size() == 1
            ? "One row cannot be taken in, so nothing was."
            : problems.size() + " rows cannot be taken in, so nothing was.");
    this.problems = List.copyOf(problems);
  }

  public List<Problem> problems() {
    return problems;
  }

  @Override
  public String getMessage() {
    return java.util.Objects.requireNonNull(super.getMessage());
  }
}
