package org.yewledger.core.journal;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** What a condition of a journal query is about: the word before its colon. */
public enum QueryField {
  PAYEE("any part of a name"),
  CATEGORY("any part of a category's name"),
  ACCOUNT("any part of an account's name"),
  FROM("where the money came from"),
  TO("where it went"),
  AMOUNT("12.40, >50 or 20..60"),
  DATE("2026-08, yesterday or 2026-08-05..2026-08-20"),
  IS("open, cleared, reconciled, in, out, transfer, split or countered"),
  HAS("note, reference, tag, attachment or tax"),
  TAG("the name of a tag"),
  NOTE("any part of a note"),
  REFERENCE("any part of a reference"),
  METHOD("card, cheque, cash, transfer or direct-debit"),
  BOOK("any part of a book's name"),
  CURRENCY("a code such as EUR"),
  RATE("any part of a tax rate's name"),
  NO("933 or 900..933");

  private final String takes;

  QueryField(String takes) {
    this.takes = takes;
  }

  /** As it is typed. */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** What may stand behind its colon, for a person. */
  public String takes() {
    return takes;
  }

  /** Whether commas part several values, of which any will do; in amounts they are decimals. */
  boolean isListed() {
    return this != AMOUNT && this != DATE;
  }

  static @Nullable QueryField of(String word) {
    return Arrays.stream(values())
        .filter(f -> f.word().equalsIgnoreCase(word))
        .findFirst()
        .orElse(null);
  }

  static List<QueryField> beginning(String part) {
    String typed = part.toLowerCase(Locale.ROOT);
    return Arrays.stream(values()).filter(f -> f.word().startsWith(typed)).toList();
  }

  static String all() {
    return Arrays.stream(values()).map(QueryField::word).collect(Collectors.joining(", "));
  }
}
