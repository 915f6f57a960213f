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

/**
 * Divisions as one line of plain text, as tables have them: the name of an account for all of it,
 * or "60 Rent; 25 % Workshop; rest Groceries".
 */
public final class DivisionText {
  private static final Pattern SHARE =
      Pattern.compile(
          "(?:(rest)|(\\d{1,12}(?:\\.\\d{1,4})?)\\s*(%)?)\\s+(.+)", Pattern.CASE_INSENSITIVE);

  private DivisionText() {}

  /**
   * @param names what accounts are called
   */
  public static String of(Division division, Function<UUID, String> names) {
    if (division.shares().size() == 1) {
      return names.apply(division.shares().getFirst().accountId());
    }
    return division.shares().stream()
        .map(share -> size(share.size()) + ' ' + names.apply(share.accountId()))
        .collect(Collectors.joining("; "));
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
   * @throws Refusal {@code unknown-account} or {@code shares-unreadable} at field {@code shares},
   *     or what {@link Division} refuses
   */
  public static Division read(String text, Function<String, Optional<UUID>> accounts) {
    // A name that looks like a share, such as "60 years", is a name first.
    Optional<UUID> whole = accounts.apply(text.strip());
    if (whole.isPresent()) {
      return Division.wholeTo(whole.get());
    }
    if (!text.contains(";")) {
      throw unknown(text);
    }
    var shares = new ArrayList<Share>();
    for (String part : List.of(text.split(";", -1))) {
      shares.add(share(part.strip(), accounts));
    }
    return new Division(shares);
  }

  private static Share share(String text, Function<String, Optional<UUID>> accounts) {
    Matcher share = SHARE.matcher(text);
    if (!share.matches()) {
      throw Refusal.ofField(
          "shares-unreadable",
          "shares",
          "Write each part as 60 Rent, 25 %% Workshop or rest Groceries, not %s.".formatted(text));
    }
    String name = share.group(4).strip();
    UUID account = accounts.apply(name).orElseThrow(() -> unknown(name));
    if (share.group(1) != null) {
      return new Share(account, new Rest());
    }
    var number = new BigDecimal(share.group(2));
    return new Share(account, share.group(3) == null ? new Fixed(number) : new Percent(number));
  }

  private static Refusal unknown(String name) {
    return Refusal.ofField("unknown-account", "shares", "There is no account %s.".formatted(name));
  }
}
