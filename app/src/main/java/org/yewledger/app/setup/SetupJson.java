package org.yewledger.app.setup;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.Month;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.opening.OpeningEntryJson;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.Refusal;
import org.yewledger.core.chart.HouseholdPlan;
import org.yewledger.core.chart.StarterChart;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Currencies;
import org.yewledger.core.money.ExchangeRate;

/** What the API says about setting up a new household. */
final class SetupJson {
  private SetupJson() {}

  record SetupGroupJson(
      @NotNull @Size(max = 60) String name,
      @NotNull AccountClass accountClass,
      @NotNull List<@NotNull @Size(max = 60) String> categories) {
    static SetupGroupJson of(StarterChart.Group group) {
      return new SetupGroupJson(group.name(), group.accountClass(), group.categories());
    }
  }

  /** {@code starter} is what the groups were begun from. */
  record SetupBookJson(
      @NotNull @Size(max = 60) String name,
      @NotNull @Size(max = Texts.SHORT) String currency,
      @Min(1) @Max(12) int fiscalYearStartsIn,
      @NotNull StarterChart starter,
      @NotNull List<@Valid SetupGroupJson> groups) {}

  /**
   * @param book the place of its book in the list of books, from 0
   * @param balance at the end of the day before the household begins, a debt below zero; null while
   *     it is not known
   * @param rate what 1 of its currency was worth then; null where it is the book's
   * @param takenFrom where the balance comes from, in the person's words
   */
  record SetupAccountJson(
      int book,
      @NotNull @Size(max = 60) String name,
      @NotNull AccountKind kind,
      @NotNull @Size(max = 12) String ending,
      @NotNull @Size(max = Texts.SHORT) String currency,
      @Nullable BigDecimal balance,
      @Nullable BigDecimal rate,
      @NotNull @Size(max = 100) String takenFrom) {}

  record SetupDraftJson(
      @NotNull @Size(max = 80) String name,
      @NotNull LocalDate beginsOn,
      @NotNull @Size(max = 20) List<@Valid SetupBookJson> books,
      @NotNull @Size(max = 200) List<@Valid SetupAccountJson> accounts) {

    HouseholdPlan toPlan() {
      List<HouseholdPlan.BookPlan> plans =
          books.stream()
              .map(b ->
                  new HouseholdPlan.BookPlan(
                      b.name().strip(),
                      Currencies.of(b.currency(), "currency"),
                      Month.of(b.fiscalYearStartsIn()),
                      b.groups().stream()
                          .map(g ->
                              new StarterChart.Group(
                                  g.name().strip(),
                                  g.accountClass(),
                                  g.categories().stream()
                                      .map(String::strip)
                                      .filter(c -> !c.isEmpty())
                                      .toList()))
                          .toList()))
              .toList();
      return new HouseholdPlan(
          name.strip(), beginsOn, plans, accounts.stream().map(a -> account(a, plans)).toList());
    }

    private HouseholdPlan.AccountPlan account(
        SetupAccountJson a, List<HouseholdPlan.BookPlan> plans) {
      if (a.book() < 0 || a.book() >= plans.size()) {
        throw Refusal.ofField(
            "account-without-book", "accounts", "%s belongs to no book.".formatted(a.name()));
      }
      CurrencyUnit currency = Currencies.of(a.currency(), "currency");
      CurrencyUnit base = plans.get(a.book()).currency();
      ExchangeRate rate =
          a.rate() == null || currency.equals(base)
              ? null
              : new ExchangeRate(currency, base, beginsOn.minusDays(1), a.rate());
      Amount balance = a.balance() == null ? null : Amount.of(a.balance(), currency);
      return new HouseholdPlan.AccountPlan(
          a.book(), a.name().strip(), a.kind(), a.ending().strip(), currency, balance, rate);
    }
  }

  record MissingJson(boolean stops, String what) {}

  record StarterJson(StarterChart starter, List<SetupGroupJson> groups) {}

  /**
   * @param version is sent back with the next change
   * @param missing what is not there yet; what {@code stops} has to be before the books can be
   *     opened
   * @param advice something worth knowing; empty if there is nothing
   */
  record SetupPageJson(
      int version,
      SetupDraftJson draft,
      List<OpeningEntryJson> openings,
      List<MissingJson> missing,
      String advice,
      List<StarterJson> starters) {}

  record VersionedSetupJson(int version, @NotNull @Valid SetupDraftJson draft) {}
}
