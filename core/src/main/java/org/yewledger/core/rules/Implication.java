package org.yewledger.core.rules;

import java.math.BigDecimal;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Whether every line that one condition fits is fitted by another: what can be proved from what
 * they say, without looking at any line. "No" means that it could not be proved.
 */
final class Implication {
  private Implication() {}

  /** Cost: at most the product of their numbers of parts. */
  static boolean proves(Condition narrow, Condition wide) {
    if (narrow.equals(wide)) {
      return true;
    }
    if (narrow instanceof Condition.Any(List<Condition> cases)) {
      return cases.stream().allMatch(one -> proves(one, wide));
    }
    if (wide instanceof Condition.All(List<Condition> wanted)) {
      return wanted.stream().allMatch(one -> proves(narrow, one));
    }
    if (narrow instanceof Condition.All(List<Condition> known)
        && known.stream().anyMatch(one -> proves(one, wide))) {
      return true;
    }
    if (wide instanceof Condition.Any(List<Condition> ways)) {
      return ways.stream().anyMatch(one -> proves(narrow, one));
    }
    return ofOne(narrow, wide);
  }

  private static boolean ofOne(Condition narrow, Condition wide) {
    return switch (wide) {
      case Condition.Text text -> narrow instanceof Condition.Text said && ofText(said, text);
      case Condition.On(Set<?> accounts) ->
          narrow instanceof Condition.On(Set<?> on) && accounts.containsAll(on);
      case Condition.AmountIs range ->
          narrow instanceof Condition.AmountIs within && isWithin(within, range);
      case Condition.Days range ->
          narrow instanceof Condition.Days within
              && range.from() <= within.from()
              && within.from() <= within.to()
              && within.to() <= range.to();
      default -> false;
    };
  }

  private static boolean isWithin(Condition.AmountIs within, Condition.AmountIs range) {
    return (range.from() == null || isAtLeast(within.from(), range.from()))
        && (range.to() == null || isAtLeast(range.to(), within.to()));
  }

  private static boolean isAtLeast(@Nullable BigDecimal amount, @Nullable BigDecimal least) {
    return amount != null && least != null && amount.compareTo(least) >= 0;
  }

  private static boolean ofText(Condition.Text said, Condition.Text wanted) {
    boolean placed =
        said.place() == wanted.place()
            || (wanted.place() == TextPlace.ANY && said.place() != TextPlace.COUNTERPARTY_ACCOUNT);
    if (!placed || said.match() == TextMatch.LIKE || wanted.match() == TextMatch.LIKE) {
      return false;
    }
    String known = said.form();
    String form = wanted.form();
    if (said.match() == TextMatch.HAS_WORDS) {
      return wanted.match() == TextMatch.HAS_WORDS && known.contains(form);
    }
    return switch (wanted.match()) {
      case CONTAINS -> known.contains(form);
      case IS -> said.match() == TextMatch.IS && known.equals(form);
      case STARTS ->
          (said.match() == TextMatch.IS || said.match() == TextMatch.STARTS)
              && known.startsWith(form);
      case ENDS ->
          (said.match() == TextMatch.IS || said.match() == TextMatch.ENDS) && known.endsWith(form);
      // A text that is known to its ends has the words that are in it; a part may cut one short.
      case HAS_WORDS ->
          said.match() == TextMatch.IS
              && said.place() != TextPlace.COUNTERPARTY_ACCOUNT
              && (' ' + Words.of(known).toString() + ' ').contains(form);
      case LIKE -> false;
    };
  }
}
