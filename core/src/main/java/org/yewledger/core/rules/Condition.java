package org.yewledger.core.rules;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.gather.LineKey;

/** What has to be so of a bank line. Conditions are values: two that say the same are equal. */
public sealed interface Condition {
  /** How deep groups may stand in groups, and how many conditions a rule may have. */
  int DEEPEST = 5;

  int MOST = 50;

  /** Cost: linear in the line's texts. */
  boolean fits(RuleLine line);

  /** All of them. */
  record All(List<Condition> parts) implements Condition {
    public All {
      parts = List.copyOf(parts);
      requireSome(parts);
    }

    @Override
    public boolean fits(RuleLine line) {
      return parts.stream().allMatch(part -> part.fits(line));
    }
  }

  /** At least one of them. */
  record Any(List<Condition> parts) implements Condition {
    public Any {
      parts = List.copyOf(parts);
      requireSome(parts);
    }

    @Override
    public boolean fits(RuleLine line) {
      return parts.stream().anyMatch(part -> part.fits(line));
    }
  }

  /**
   * A text of the line compares so.
   *
   * @param what as the person wrote it, at most 200 letters
   */
  record Text(
      TextPlace place, TextMatch match, String what, String form, @Nullable LinePattern pattern)
      implements Condition {
    private static final int LONGEST = 200;

    public static Text of(TextPlace place, TextMatch match, String what) {
      String said = what.strip();
      require(!said.isEmpty(), "text-missing", "text", "Say which text.");
      require(
          said.length() <= LONGEST,
          "text-too-long",
          "text",
          "A text to look for has at most %d letters.".formatted(LONGEST));
      require(
          match != TextMatch.HAS_WORDS || place != TextPlace.COUNTERPARTY_ACCOUNT,
          "account-number-has-no-words",
          "match",
          "An account number has no words. Choose is, begins with or ends with.");
      LinePattern pattern = match == TextMatch.LIKE ? LinePattern.of(said) : null;
      return new Text(place, match, said, form(place, match, said), pattern);
    }

    /** What is compared with the texts of that place. */
    private static String form(TextPlace place, TextMatch match, String what) {
      if (match == TextMatch.LIKE) {
        return what;
      }
      if (match == TextMatch.HAS_WORDS) {
        Words words = Words.of(what);
        require(
            !words.isEmpty(),
            "rule-without-words",
            "text",
            "Give at least one word of letters or digits.");
        return ' ' + words.toString() + ' ';
      }
      String form =
          place == TextPlace.COUNTERPARTY_ACCOUNT ? LineKey.even(what) : RuleLine.plain(what);
      require(!form.isEmpty(), "text-missing", "text", "Say at least one letter or digit.");
      return form;
    }

    @Override
    public boolean fits(RuleLine line) {
      return switch (match) {
        case HAS_WORDS -> place == TextPlace.ANY ? line.words().contains(form) : hasWords(line);
        case LIKE -> line.raw(place).anyMatch(text -> compiled().isFoundIn(text));
        case IS -> any(line, form::equals);
        case CONTAINS -> any(line, text -> text.contains(form));
        case STARTS -> any(line, text -> text.startsWith(form));
        case ENDS -> any(line, text -> text.endsWith(form));
      };
    }

    private boolean hasWords(RuleLine line) {
      return line.raw(place)
          .anyMatch(text -> (' ' + Words.of(text).toString() + ' ').contains(form));
    }

    private boolean any(RuleLine line, Predicate<String> fits) {
      return line.plain(place).stream().anyMatch(fits);
    }

    private LinePattern compiled() {
      return java.util.Objects.requireNonNull(pattern);
    }
  }

  /** The way that money goes. */
  record Way(Direction direction) implements Condition {
    @Override
    public boolean fits(RuleLine line) {
      return (direction == Direction.IN) == (line.line().amountMinor() > 0);
    }
  }

  enum Direction {
    IN,
    OUT
  }

  /**
   * The amount without its sign, in the currency of the line's account.
   *
   * @param from the least, null for whatever little
   * @param to the most, null for however much
   */
  record AmountIs(@Nullable BigDecimal from, @Nullable BigDecimal to) implements Condition {
    private static final BigDecimal MOST = new BigDecimal("1000000000000");

    public AmountIs {
      from = even(from, "from");
      to = even(to, "to");
      require(
          from != null || to != null, "amount-missing", "from", "Say from or up to which amount.");
      require(
          from == null || to == null || from.compareTo(to) <= 0,
          "amounts-turned",
          "to",
          "The amounts are the wrong way round: the first is the least.");
    }

    private static @Nullable BigDecimal even(@Nullable BigDecimal amount, String field) {
      if (amount == null) {
        return null;
      }
      require(
          amount.signum() >= 0
              && amount.compareTo(MOST) < 0
              && amount.stripTrailingZeros().scale() <= 4,
          "amount-out-of-range",
          field,
          "An amount to compare with has no sign and at most four decimals.");
      return amount.stripTrailingZeros();
    }

    @Override
    public boolean fits(RuleLine line) {
      BigDecimal size = line.size();
      return (from == null || size.compareTo(from) >= 0) && (to == null || size.compareTo(to) <= 0);
    }
  }

  /** It came for one of these accounts. */
  record On(Set<UUID> accounts) implements Condition {
    public On {
      accounts = Set.copyOf(accounts);
      require(!accounts.isEmpty(), "account-missing", "accountIds", "Say which account.");
    }

    @Override
    public boolean fits(RuleLine line) {
      return accounts.contains(line.accountId());
    }
  }

  /**
   * It was booked on a day of the month between these, the last one over the turn of a month too:
   * 28 to 3. A day that a month does not have is its last.
   */
  record Days(int from, int to) implements Condition {
    public Days {
      requireDay(from, "from");
      requireDay(to, "to");
    }

    private static void requireDay(int day, String field) {
      require(
          day >= 1 && day <= 31, "day-out-of-range", field, "A day of the month is from 1 to 31.");
    }

    @Override
    public boolean fits(RuleLine line) {
      LocalDate on = line.line().bookedOn();
      int last = on.lengthOfMonth();
      int first = Math.min(from, last);
      int end = Math.min(to, last);
      int day = on.getDayOfMonth();
      return from <= to ? day >= first && day <= end : day >= first || day <= end;
    }
  }

  private static void requireSome(List<Condition> parts) {
    require(
        !parts.isEmpty(),
        "rule-without-conditions",
        "parts",
        "Say at least one thing by which its lines are told.");
  }

  private static void require(boolean holds, String code, String field, String message) {
    if (!holds) {
      throw Refusal.ofField(code, field, message);
    }
  }

  /**
   * Checks what a person wrote as a whole.
   *
   * @throws Refusal {@code too-many-conditions}
   */
  static void requireBounded(Condition when) {
    if (depth(when) > DEEPEST || count(when) > MOST) {
      throw Refusal.ofField(
          "too-many-conditions",
          "when",
          "A rule has at most %d conditions, in groups at most %d deep. Make two rules of it."
              .formatted(MOST, DEEPEST));
    }
  }

  private static int depth(Condition when) {
    return 1 + parts(when).stream().mapToInt(Condition::depth).max().orElse(0);
  }

  private static int count(Condition when) {
    return 1 + parts(when).stream().mapToInt(Condition::count).sum();
  }

  /** The same condition with other accounts in the place of those that it names. */
  default Condition withAccounts(UnaryOperator<UUID> others) {
    return switch (this) {
      case All(var parts) ->
          new All(parts.stream().map(part -> part.withAccounts(others)).toList());
      case Any(var parts) ->
          new Any(parts.stream().map(part -> part.withAccounts(others)).toList());
      case On(var accounts) ->
          new On(accounts.stream().map(others).collect(Collectors.toUnmodifiableSet()));
      default -> this;
    };
  }

  /** The parts of a group; none of what is no group. */
  static List<Condition> parts(Condition when) {
    return switch (when) {
      case All(var parts) -> parts;
      case Any(var parts) -> parts;
      default -> List.of();
    };
  }
}
