package org.yewledger.core.rules;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.yewledger.core.Refusal;
import org.yewledger.core.rules.Division.Fixed;
import org.yewledger.core.rules.Division.Percent;
import org.yewledger.core.rules.Division.Rest;
import org.yewledger.core.rules.Division.Share;
import org.yewledger.core.rules.Division.Size;
import org.yewledger.core.tax.TaxChoice;

/**
 * Divisions as one line of plain text, as tables have them: the name of an account for all of it,
 * or "60 Rent; 25 % Workshop; rest Groceries". An account may have "untaxed" or "taxed reduced"
 * behind it, where its tax is another than its category's.
 */
public final class DivisionText {
  private static final Pattern SHARE =
      Pattern.compile(
          "(?:(rest)|(\\d{1,12}(?:\\.\\d{1,4})?)\\s*(%)?)\\s+(.+)", Pattern.CASE_INSENSITIVE);

  private static final String UNTAXED = " untaxed";
  private static final String AT_RATE = " taxed ";

  private DivisionText() {}

  /**
   * @param names what accounts are called
   * @param rates what tax rates are called
   */
  public static String of(
      Division division, Function<UUID, String> names, Function<UUID, String> rates) {
    if (division.shares().size() == 1) {
      return name(division.shares().getFirst(), names, rates);
    }
    return division.shares().stream()
        .map(share -> size(share.size()) + ' ' + name(share, names, rates))
        .collect(Collectors.joining("; "));
  }

  private static String name(
      Share share, Function<UUID, String> names, Function<UUID, String> rates) {
    String name = names.apply(share.accountId());
    UUID rate = share.tax().rateId();
    if (rate != null) {
      return name + AT_RATE + rates.apply(rate);
    }
    return share.tax().untaxed() ? name + UNTAXED : name;
  }

  private static String size(Size size) {
    return switch (size) {
      case Fixed(BigDecimal amount) -> amount.toPlainString();
      case Percent(BigDecimal percent) -> percent.toPlainString() + " %";
      case Rest() -> "rest";
    };
  }

  /**
   * @param accounts accounts by their names
   * @param rates tax rates by theirs
   * @throws Refusal {@code unknown-account} or {@code shares-unreadable} at field {@code shares},
   *     or what {@link Division} refuses
   */
  public static Division read(
      String text,
      Function<String, Optional<UUID>> accounts,
      Function<String, Optional<UUID>> rates) {
    // A name that looks like a share, such as "60 years", is a name first.
    Optional<Share> whole = named(text.strip(), new Rest(), accounts, rates);
    if (whole.isPresent()) {
      return new Division(List.of(whole.get()));
    }
    if (!text.contains(";")) {
      throw unknown(text);
    }
    var shares = new ArrayList<Share>();
    for (String part : List.of(text.split(";", -1))) {
      shares.add(share(part.strip(), accounts, rates));
    }
    return new Division(shares);
  }

  /** An account by its name, with or without a tax behind it. */
  private static Optional<Share> named(
      String text,
      Size size,
      Function<String, Optional<UUID>> accounts,
      Function<String, Optional<UUID>> rates) {
    Optional<UUID> account = accounts.apply(text);
    if (account.isPresent()) {
      return account.map(id -> new Share(id, size));
    }
    if (text.endsWith(UNTAXED)) {
      return accounts
          .apply(text.substring(0, text.length() - UNTAXED.length()))
          .map(id -> new Share(id, size, TaxChoice.NONE));
    }
    int at = text.lastIndexOf(AT_RATE);
    if (at < 0) {
      return Optional.empty();
    }
    String rate = text.substring(at + AT_RATE.length()).strip();
    return accounts
        .apply(text.substring(0, at))
        .map(id -> new Share(id, size, TaxChoice.at(rate(rate, rates))));
  }

  private static UUID rate(String name, Function<String, Optional<UUID>> rates) {
    return rates
        .apply(name)
        .orElseThrow(() ->
            Refusal.ofField(
                "tax-rate-unknown", "shares", "The book has no tax rate %s.".formatted(name)));
  }

  private static Share share(
      String text,
      Function<String, Optional<UUID>> accounts,
      Function<String, Optional<UUID>> rates) {
    Matcher share = SHARE.matcher(text);
    if (!share.matches()) {
      throw Refusal.ofField(
          "shares-unreadable",
          "shares",
          "Write each part as 60 Rent, 25 %% Workshop or rest Groceries, not %s.".formatted(text));
    }
    String name = share.group(4).strip();
    return named(name, size(share), accounts, rates).orElseThrow(() -> unknown(name));
  }

  private static Size size(Matcher share) {
    if (share.group(1) != null) {
      return new Rest();
    }
    var number = new BigDecimal(share.group(2));
    return share.group(3) == null ? new Fixed(number) : new Percent(number);
  }

  private static Refusal unknown(String name) {
    return Refusal.ofField("unknown-account", "shares", "There is no account %s.".formatted(name));
  }
}
