package org.yewledger.core.journal;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.ledger.Method;

/** One thing that an entry of the journal is sought by. Texts are meant whatever their case. */
public sealed interface Sought {
  /** The text is part of its payee's name, a note, its reference, a tag, or an account's name. */
  record AnyText(String part) implements Sought {}

  /** It is with a payee whose name, or what banks call it, has the part. */
  record OfPayee(String part) implements Sought {}

  /**
   * It has a posting to an account whose name has the part; one of that very name is meant alone.
   */
  record AtAccount(String part, Which which) implements Sought {}

  /** Which postings count. */
  enum Which {
    ANY,
    CATEGORY,
    FROM,
    TO
  }

  /**
   * What it moved has this size; its direction does not count.
   *
   * @param least the smallest size that counts, itself counted; null for any
   * @param most the largest size that counts, itself counted; null for any
   * @param currency that it is in; null for any, each with its own decimals
   * @param bounds whether each bound itself counts
   */
  record OfSize(
      @Nullable BigDecimal least,
      @Nullable BigDecimal most,
      Bounds bounds,
      @Nullable CurrencyUnit currency)
      implements Sought {
    /** So large a size is beyond every amount; one less and one more of it can still be counted. */
    private static final BigDecimal MOST = BigDecimal.valueOf(Long.MAX_VALUE - 1);

    /**
     * The sizes that count, in minor units of a currency; what is between two of them is rounded
     * inwards.
     *
     * @param currency one that is meant, as {@link #isIn} says
     */
    public MinorSpan in(CurrencyUnit currency) {
      boolean included = bounds == Bounds.INCLUDED;
      long first = 0;
      if (least != null) {
        first =
            included
                ? minor(least, currency, RoundingMode.CEILING)
                : minor(least, currency, RoundingMode.FLOOR) + 1;
      }
      long last = Long.MAX_VALUE;
      if (most != null) {
        last =
            included
                ? minor(most, currency, RoundingMode.FLOOR)
                : minor(most, currency, RoundingMode.CEILING) - 1;
      }
      return new MinorSpan(first, last);
    }

    /** Whether amounts in the currency are meant. */
    public boolean isIn(CurrencyUnit other) {
      return currency == null || currency.equals(other);
    }

    private static long minor(BigDecimal size, CurrencyUnit currency, RoundingMode rounding) {
      return size.movePointRight(currency.getDecimalPlaces())
          .setScale(0, rounding)
          .min(MOST)
          .longValueExact();
    }
  }

  /** Sizes in minor units, the first and the last counted; none if the last is smaller. */
  record MinorSpan(long first, long last) {}

  /** Whether the bounds of a span belong to it. */
  enum Bounds {
    INCLUDED,
    EXCLUDED
  }

  /** It is on one of these days; null where the span has no end. */
  record OnDays(@Nullable LocalDate first, @Nullable LocalDate last) implements Sought {}

  record Being(Trait trait) implements Sought {}

  /** What an entry is. */
  enum Trait {
    /** A posting at a bank, a card or in cash was not seen there. */
    OPEN,
    /** All were seen there, and not all are reconciled. */
    CLEARED,
    RECONCILED,
    IN,
    OUT,
    TRANSFER,
    /** It has more than two places. */
    SPLIT,
    /** It takes another one back, or was taken back. */
    COUNTERED
  }

  record Having(Part part) implements Sought {}

  enum Part {
    NOTE,
    REFERENCE,
    TAG,
    ATTACHMENT,
    TAX
  }

  /** It has a tag of that name. */
  record Tagged(String name) implements Sought {}

  /** Its note, or that of a posting, has the part. */
  record Noted(String part) implements Sought {}

  record Referring(String part) implements Sought {}

  record PaidBy(Method method) implements Sought {}

  /** It touches a book whose name has the part. */
  record InBook(String part) implements Sought {}

  /** A part of it has a rate of sales tax whose name has the part. */
  record AtRate(String part) implements Sought {}

  record InCurrency(CurrencyUnit currency) implements Sought {}

  record Numbered(long first, long last) implements Sought {}
}
