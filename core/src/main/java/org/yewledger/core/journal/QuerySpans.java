package org.yewledger.core.journal;

import java.time.LocalDate;
import java.time.Month;
import java.time.Year;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.entry.AmountText;
import org.yewledger.core.entry.DayText;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.entry.Formats.DayOrder;
import org.yewledger.core.entry.Typed;
import org.yewledger.core.journal.QueryValues.Meant;
import org.yewledger.core.journal.QueryValues.Read;
import org.yewledger.core.journal.QueryValues.Unread;
import org.yewledger.core.money.Amount;

/**
 * Reads spans of sizes and of days: a single one, {@code a..b}, {@code a..}, {@code ..b}, or a
 * bound after {@code >}, {@code >=}, {@code <} or {@code <=}.
 */
final class QuerySpans {
  private final LocalDate today;
  private final CurrencyUnit currency;
  private final Formats formats;

  QuerySpans(LocalDate today, CurrencyUnit currency, Formats formats) {
    this.today = today;
    this.currency = currency;
    this.formats = formats;
  }

  /** A span as it is typed: a mark before one end, or two ends of which one may be empty. */
  private record Ends(String mark, String first, String last) {
    static Ends of(String value) {
      for (String mark : new String[] {">=", "<=", ">", "<"}) {
        if (value.startsWith(mark)) {
          String bound = value.substring(mark.length()).strip();
          return mark.startsWith(">") ? new Ends(mark, bound, "") : new Ends(mark, "", bound);
        }
      }
      int dots = value.indexOf("..");
      return dots < 0
          ? new Ends("", value, value)
          : new Ends("..", value.substring(0, dots).strip(), value.substring(dots + 2).strip());
    }

    boolean excludesItsBound() {
      return mark.equals(">") || mark.equals("<");
    }

    boolean isEmpty() {
      return first.isEmpty() && last.isEmpty();
    }
  }

  /** The size of an amount; it may say its currency. */
  Read size(String value) {
    Ends ends = Ends.of(value);
    if (ends.isEmpty()) {
      return new Unread("An amount is missing. Type 12.40, >50 or 20..60.");
    }
    Typed<Amount> least = bound(ends.first());
    Typed<Amount> most = bound(ends.last());
    for (Typed<Amount> read : Arrays.asList(least, most)) {
      String problem = read == null ? null : problem(read);
      if (problem != null) {
        return new Unread(problem);
      }
    }
    return size(ends, amount(least), amount(most));
  }

  private Read size(Ends ends, @Nullable Amount least, @Nullable Amount most) {
    CurrencyUnit said = null;
    for (String text : new String[] {ends.first(), ends.last()}) {
      if (text.matches(".*[A-Za-z\u20ac\u00a3].*")) {
        Amount of = text.equals(ends.first()) && least != null ? least : most;
        said = of == null ? null : of.currency();
      }
    }
    if (least != null && most != null) {
      if (!least.currency().equals(most.currency())) {
        return new Unread("The two amounts are in different currencies.");
      }
      if (most.decimal().compareTo(least.decimal()) < 0) {
        return new Unread("It ends before it begins. Type the smaller amount first.");
      }
    }
    return new Meant(
        new Sought.OfSize(
            least == null ? null : least.decimal(),
            most == null ? null : most.decimal(),
            ends.excludesItsBound() ? Sought.Bounds.EXCLUDED : Sought.Bounds.INCLUDED,
            said),
        (said == null ? "" : said.getCode() + " ") + words(ends, written(least), written(most)));
  }

  private String written(@Nullable Amount amount) {
    return amount == null ? "" : formats.write(amount);
  }

  private static String words(Ends ends, String least, String most) {
    return switch (ends.mark()) {
      case ">" -> "over " + least;
      case "<" -> "under " + most;
      case "" -> least;
      default ->
          most.isEmpty()
              ? least + " or more"
              : least.isEmpty() ? most + " or less" : least + " to " + most;
    };
  }

  private @Nullable Typed<Amount> bound(String text) {
    return text.isEmpty() ? null : AmountText.read(text, currency, formats, true);
  }

  private static @Nullable Amount amount(@Nullable Typed<Amount> read) {
    return read instanceof Typed.Means<Amount>(Amount amount) ? amount : null;
  }

  private @Nullable String problem(Typed<Amount> read) {
    return switch (read) {
      case Typed.Means<Amount>(Amount amount) ->
          amount.sign() < 0
              ? "An amount is sought by its size. For what was spent, add is:out."
              : null;
      case Typed.Unclear<Amount>(String question, var choices) ->
          choices.stream()
              .map(formats::write)
              .collect(Collectors.joining(" or ", question + " ", "? Type all its decimals."));
      case Typed.Unreadable<Amount>(String reason) -> reason;
    };
  }

  /** Days, months or years, or a span from one to another. */
  Read days(String value) {
    Ends ends = Ends.of(value);
    if (ends.isEmpty()) {
      return new Unread("A day is missing. Type " + QueryField.DATE.takes() + ".");
    }
    Span first = ends.first().isEmpty() ? Span.OPEN : span(ends.first());
    Span last = ends.last().isEmpty() ? Span.OPEN : span(ends.last());
    for (Span span : new Span[] {first, last}) {
      if (span.problem() != null) {
        return new Unread(span.problem());
      }
    }
    // After a month means after its last day; until a month means through it.
    LocalDate from = ends.mark().equals(">") ? next(first.last()) : first.first();
    LocalDate to = ends.mark().equals("<") ? before(last.first()) : last.last();
    if (from != null && to != null && to.isBefore(from)) {
      return new Unread("It ends before it begins. Type the earlier day first.");
    }
    return new Meant(new Sought.OnDays(from, to), dayWords(ends, first, last));
  }

  private static @Nullable LocalDate next(@Nullable LocalDate day) {
    return day == null ? null : day.plusDays(1);
  }

  private static @Nullable LocalDate before(@Nullable LocalDate day) {
    return day == null ? null : day.minusDays(1);
  }

  private static String dayWords(Ends ends, Span first, Span last) {
    return switch (ends.mark()) {
      case ">" -> "after " + first.words();
      case "<" -> "before " + last.words();
      case "" -> first.words();
      default ->
          ends.last().isEmpty()
              ? "from " + first.words()
              : ends.first().isEmpty()
                  ? "until " + last.words()
                  : first.words() + " to " + last.words();
    };
  }

  /**
   * The days that a text means.
   *
   * @param problem why it means none; null if it does
   */
  private record Span(
      @Nullable LocalDate first, @Nullable LocalDate last, String words, @Nullable String problem) {
    static final Span OPEN = new Span(null, null, "", null);

    static Span of(YearMonth month) {
      String name = month.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH);
      return new Span(month.atDay(1), month.atEndOfMonth(), name + " " + month.getYear(), null);
    }

    static Span unread(String problem) {
      return new Span(null, null, "", problem);
    }
  }

  private Span span(String text) {
    if (text.matches("(19|20|21)\\d{2}")) {
      Year year = Year.parse(text);
      return new Span(year.atDay(1), year.atMonth(12).atEndOfMonth(), text, null);
    }
    if (text.matches("(19|20|21)\\d{2}-(0?[1-9]|1[0-2])")) {
      String[] parts = text.split("-");
      return Span.of(YearMonth.of(Integer.parseInt(parts[0]), Integer.parseInt(parts[1])));
    }
    YearMonth named = named(text);
    return named != null ? Span.of(named) : day(text);
  }

  /** The latest month of that name that has begun: {@code aug}, or {@code august 2025}. */
  private @Nullable YearMonth named(String text) {
    String[] parts = text.toLowerCase(Locale.ROOT).split("\\s+");
    if (parts.length > 2 || parts[0].length() < 3) {
      return null;
    }
    for (Month month : Month.values()) {
      if (month.name().toLowerCase(Locale.ROOT).startsWith(parts[0])) {
        if (parts.length == 1) {
          YearMonth now = YearMonth.from(today);
          YearMonth found = now.withMonth(month.getValue());
          return found.isAfter(now) ? found.minusYears(1) : found;
        }
        return parts[1].matches("(19|20|21)\\d{2}")
            ? YearMonth.of(Integer.parseInt(parts[1]), month)
            : null;
      }
    }
    return null;
  }

  private Span day(String text) {
    return switch (DayText.read(text, today, formats.dayOrder())) {
      case Typed.Means<LocalDate>(LocalDate day) -> new Span(day, day, written(day), null);
      case Typed.Unclear<LocalDate>(String question, var choices) ->
          Span.unread(
              choices.stream()
                  .map(this::written)
                  .collect(Collectors.joining(" or ", question + " ", "? Type it as 2026-08-05.")));
      case Typed.Unreadable<LocalDate>(String reason) -> Span.unread(reason);
    };
  }

  private String written(LocalDate day) {
    String pattern = formats.dayOrder() == DayOrder.DAY_MONTH ? "d MMM yyyy" : "MMM d, yyyy";
    return day.format(DateTimeFormatter.ofPattern(pattern, Locale.ENGLISH));
  }
}
