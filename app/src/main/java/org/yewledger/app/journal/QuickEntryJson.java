package org.yewledger.app.journal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.TaxChoices;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.entry.QuickEntry;
import org.yewledger.core.entry.Typed;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Method;
import org.yewledger.core.money.Amount;
import org.yewledger.core.tax.TaxChoice;

/** What the API says about entries that are typed on one line. */
final class QuickEntryJson {
  private QuickEntryJson() {}

  /**
   * What a person typed; empty texts and nulls take what is usual with the payee.
   *
   * @param base the day of the entry typed before; null for today
   * @param fixedId the account whose register it is typed in
   * @param toId where it goes; on a fixed account the other place, whichever way it goes
   * @param parts what it is split into, on a fixed account
   * @param restToSuspense whether what the parts leave stands in suspense
   * @param arrives what arrives on an account of one's own in another currency, as it is typed
   */
  record QuickTypedJson(
      @NotNull @Size(max = Texts.SHORT) String day,
      @Nullable LocalDate base,
      @NotNull @Size(max = Texts.NAME) String payee,
      @NotNull @Size(max = Texts.SHORT) String amount,
      @Nullable UUID fixedId,
      @Nullable UUID fromId,
      @Nullable UUID toId,
      @Nullable @Size(max = 100) List<@NotNull @Valid PartJson> parts,
      @Nullable Boolean restToSuspense,
      @Nullable @Size(max = Texts.SHORT) String arrives,
      @Nullable @Size(max = Texts.NOTE) String note,
      @Nullable @Size(max = Texts.NAME) String reference,
      @Nullable Method method,
      @Nullable @Size(max = 20) List<@NotNull @Size(max = 40) String> tags,
      @Nullable UUID taxRateId,
      @Nullable Boolean untaxed) {
    QuickEntry.Typing toTyping(Chart chart) {
      Account fixed = account(fixedId, chart);
      return new QuickEntry.Typing(
          day,
          payee,
          amount,
          fixed,
          account(fromId, chart),
          account(toId, chart),
          fixed == null || parts == null
              ? List.of()
              : parts.stream().map(p -> p.toPart(fixed, chart)).toList(),
          Boolean.TRUE.equals(restToSuspense),
          arrives == null ? "" : arrives,
          note == null ? "" : note,
          reference == null ? "" : reference,
          method,
          tags,
          tax());
    }

    /** Whether nothing of where the money went is left to what is usual. */
    boolean namesAllAccounts() {
      boolean to = toId != null || (parts != null && !parts.isEmpty());
      return to && (fixedId != null || fromId != null);
    }

    /** Those that it names. */
    Set<UUID> accountIds() {
      return Stream.concat(
              Stream.of(fixedId, fromId, toId).filter(Objects::nonNull),
              parts == null ? Stream.empty() : parts.stream().map(PartJson::accountId))
          .collect(Collectors.toSet());
    }

    private @Nullable TaxChoice tax() {
      return taxRateId == null && untaxed == null
          ? null
          : TaxChoices.of(taxRateId, untaxed, "taxRateId");
    }

    private static @Nullable Account account(@Nullable UUID id, Chart chart) {
      return id == null ? null : chart.account(id);
    }
  }

  /**
   * What a text means.
   *
   * @param value null if that is unclear
   * @param problem the question or the reason, for the person; null if it is clear
   */
  record ReadDayJson(@Nullable LocalDate value, @Nullable String problem, List<LocalDate> choices) {
    static ReadDayJson of(Typed<LocalDate> typed) {
      return switch (typed) {
        case Typed.Means<LocalDate>(LocalDate day) -> new ReadDayJson(day, null, List.of());
        case Typed.Unclear<LocalDate>(String question, List<LocalDate> choices) ->
            new ReadDayJson(null, question, choices);
        case Typed.Unreadable<LocalDate>(String reason) -> new ReadDayJson(null, reason, List.of());
      };
    }
  }

  /** The same of an amount, in the currency of its account. */
  record ReadMoneyJson(
      @Nullable BigDecimal value, @Nullable String problem, List<BigDecimal> choices) {
    static ReadMoneyJson of(Typed<Amount> typed) {
      return switch (typed) {
        case Typed.Means<Amount>(Amount amount) ->
            new ReadMoneyJson(amount.decimal(), null, List.of());
        case Typed.Unclear<Amount>(String question, List<Amount> choices) ->
            new ReadMoneyJson(null, question, choices.stream().map(Amount::decimal).toList());
        case Typed.Unreadable<Amount>(String reason) -> new ReadMoneyJson(null, reason, List.of());
      };
    }
  }

  /**
   * How the payee was booked before.
   *
   * @param earlier how many entries it has
   * @param alike how many of the last three went the way of the last
   * @param last the number of the last one
   */
  record UsualJson(int earlier, int alike, long last, LocalDate lastOn) {}

  record PlaceJson(UUID id, String name) {
    static @Nullable PlaceJson of(@Nullable Account account) {
      return account == null ? null : new PlaceJson(account.id(), account.name());
    }
  }

  /** What an account holds at the end of the entry's day, without the entry and with it. */
  record HoldsJson(String accountName, String currency, BigDecimal before, BigDecimal after) {}

  /**
   * @param field at fault; null if it is the whole
   */
  record QuickMissingJson(@Nullable String field, String message) {}

  /**
   * What the fields mean, typed or by what is usual.
   *
   * @param accountId the account whose line it is; null while that is not known
   * @param signed what that account pays, below zero, or receives; null while that is not known
   * @param arrives what arrives on an account of one's own in another currency; null where there is
   *     none
   * @param usual null for a payee whom nobody has been booked with
   * @param books the entry that it would become; empty while something is missing
   * @param missing why it cannot be booked yet; null if it can
   */
  record QuickReadJson(
      ReadDayJson day,
      ReadMoneyJson amount,
      String currency,
      @Nullable UUID accountId,
      @Nullable UUID bookId,
      @Nullable BigDecimal signed,
      @Nullable ReadMoneyJson arrives,
      @Nullable UsualJson usual,
      @Nullable PlaceJson from,
      @Nullable PlaceJson to,
      @Nullable Method method,
      List<String> tags,
      @Nullable UUID taxRateId,
      @Nullable Boolean untaxed,
      @Nullable HoldsJson holds,
      List<BookPostingsJson> books,
      String betweenBooks,
      @Nullable QuickMissingJson missing) {}
}
