package org.yewledger.bank;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.format.annotation.DateTimeFormat;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;
import org.yewledger.bank.Consents.Consent;
import org.yewledger.core.money.Amount;
import org.yewledger.demo.AldercottChart.ChartAccount;

/** The account-information interface of every bank. */
@RestController
@RequestMapping("/{institution}/v1")
class BankApi {
  private static final int PAGE = 100;

  record Href(String href) {}

  record ConsentRequest(LocalDate validUntil) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record ConsentAnswer(
      String consentStatus,
      @Nullable String consentId,
      @Nullable LocalDate validUntil,
      @JsonProperty("_links") @Nullable Map<String, Href> links) {}

  record Money(String currency, String amount) {}

  record BalanceAnswer(String balanceType, Money balanceAmount, LocalDate referenceDate) {}

  record AccountAnswer(
      String resourceId,
      String iban,
      String currency,
      String name,
      String product,
      String cashAccountType,
      String ownerName,
      List<BalanceAnswer> balances) {}

  record AccountsAnswer(List<AccountAnswer> accounts) {}

  record AccountReference(String iban) {}

  record BalancesAnswer(AccountReference account, List<BalanceAnswer> balances) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record Transaction(
      String transactionId,
      String entryReference,
      @Nullable LocalDate bookingDate,
      LocalDate valueDate,
      Money transactionAmount,
      @Nullable String creditorName,
      @Nullable String debtorName,
      String remittanceInformationUnstructured,
      String proprietaryBankTransactionCode) {}

  @JsonInclude(JsonInclude.Include.NON_NULL)
  record Transactions(
      List<Transaction> booked,
      List<Transaction> pending,
      @JsonProperty("_links") Map<String, Href> links) {}

  record TransactionsAnswer(AccountReference account, Transactions transactions) {}

  private final BankHistory history;
  private final Consents consents;
  private final Faults faults;
  private final ReturnAddresses addresses;

  BankApi(BankHistory history, Consents consents, Faults faults, ReturnAddresses addresses) {
    this.history = history;
    this.consents = consents;
    this.faults = faults;
    this.addresses = addresses;
  }

  @PostMapping("/consents")
  @ResponseStatus(HttpStatus.CREATED)
  ConsentAnswer ask(
      @PathVariable String institution,
      @RequestBody ConsentRequest request,
      @RequestHeader("TPP-Redirect-URI") String returnTo) {
    Institution bank = bank(institution);
    faults.strike(institution);
    Consent consent = consents.ask(bank.id(), request.validUntil(), addresses.require(returnTo));
    String here = ServletUriComponentsBuilder.fromCurrentContextPath().toUriString();
    return new ConsentAnswer(
        consent.status().wire(),
        consent.id(),
        consent.validUntil(),
        Map.of(
            "scaRedirect", new Href(here + "/consent/" + consent.id()),
            "status", new Href("/%s/v1/consents/%s/status".formatted(bank.id(), consent.id()))));
  }

  @GetMapping("/consents/{id}")
  ConsentAnswer consent(@PathVariable String institution, @PathVariable String id) {
    faults.strike(institution);
    Consent consent = consents.find(id).orElseThrow(() -> BankRefusal.unknown("consent"));
    return new ConsentAnswer(consent.status().wire(), id, consent.validUntil(), null);
  }

  @DeleteMapping("/consents/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(@PathVariable String institution, @PathVariable String id) {
    Consent consent = consents.find(id).orElseThrow(() -> BankRefusal.unknown("consent"));
    consents.become(consent, Consents.Status.TERMINATED);
  }

  @GetMapping("/accounts")
  AccountsAnswer accounts(
      @PathVariable String institution, @RequestHeader("Consent-ID") String consent) {
    Institution bank = open(institution, consent);
    return new AccountsAnswer(
        bank.accounts().stream()
            .map(BankHistory::account)
            .filter(a -> a.opensOn() != null && !a.opensOn().isAfter(history.today()))
            .map(this::account)
            .toList());
  }

  @GetMapping("/accounts/{resourceId}/balances")
  BalancesAnswer balances(
      @PathVariable String institution,
      @PathVariable String resourceId,
      @RequestHeader("Consent-ID") String consent) {
    ChartAccount account = account(open(institution, consent), resourceId);
    return new BalancesAnswer(new AccountReference(iban(account)), balances(account));
  }

  @GetMapping("/accounts/{resourceId}/transactions")
  TransactionsAnswer transactions(
      @PathVariable String institution,
      @PathVariable String resourceId,
      @RequestHeader("Consent-ID") String consent,
      @RequestParam @DateTimeFormat(iso = DateTimeFormat.ISO.DATE) LocalDate dateFrom,
      @RequestParam(defaultValue = "0") int page) {
    Institution bank = open(institution, consent);
    ChartAccount account = account(bank, resourceId);
    LocalDate earliest = history.today().minusDays(bank.historyDays());
    if (dateFrom.isBefore(earliest)) {
      throw BankRefusal.periodInvalid("Transactions are handed out from " + earliest + " on.");
    }
    Faults.Switches switches = faults.of(institution);
    if (switches.unreleased()) {
      throw BankRefusal.notReleased(60);
    }
    List<BankHistory.Entry> all =
        history.entries(account.name()).stream()
            .filter(e -> !e.bookedOn().isBefore(dateFrom))
            .toList();
    List<BankHistory.Entry> booked =
        all.stream()
            .filter(e -> !e.pending())
            .filter(e -> !switches.lateLine() || !isLate(e, all))
            .toList();
    int from = Math.min(booked.size(), page * PAGE);
    int to = Math.min(booked.size(), from + PAGE);
    boolean last = to == booked.size();
    Map<String, Href> links =
        last
            ? Map.of()
            : Map.of(
                "next",
                new Href(
                    "/%s/v1/accounts/%s/transactions?dateFrom=%s&page=%d"
                        .formatted(institution, resourceId, dateFrom, page + 1)));
    return new TransactionsAnswer(
        new AccountReference(iban(account)),
        new Transactions(
            booked.subList(from, to).stream().map(e -> transaction(e, account, switches)).toList(),
            last
                ? all.stream()
                    .filter(BankHistory.Entry::pending)
                    .map(e -> transaction(e, account, switches))
                    .toList()
                : List.of(),
            links));
  }

  /** The fifth booked line from the end is the one that comes late. */
  private static boolean isLate(BankHistory.Entry entry, List<BankHistory.Entry> all) {
    List<BankHistory.Entry> booked = all.stream().filter(e -> !e.pending()).toList();
    return booked.size() > 5 && booked.get(booked.size() - 5).id().equals(entry.id());
  }

  private Transaction transaction(
      BankHistory.Entry entry, ChartAccount account, Faults.Switches switches) {
    boolean out = entry.amountMinor() < 0;
    String name = entry.name().isEmpty() ? null : entry.name();
    boolean recent = entry.bookedOn().isAfter(history.today().minusDays(30));
    String text = switches.changedText() && recent ? entry.text() + " REF 2" : entry.text();
    return new Transaction(
        entry.id(),
        entry.reference(),
        entry.pending() ? null : entry.bookedOn(),
        entry.valueOn(),
        money(entry.amountMinor(), account),
        out ? name : null,
        out ? null : name,
        text.strip(),
        entry.type());
  }

  private Institution open(String institution, String consent) {
    Institution bank = bank(institution);
    faults.strike(institution);
    consents.requireValid(consent, institution);
    return bank;
  }

  private static Institution bank(String id) {
    return Institution.find(id).orElseThrow(() -> BankRefusal.unknown("institution"));
  }

  private static ChartAccount account(Institution bank, String resourceId) {
    return bank.accounts().stream()
        .map(BankHistory::account)
        .filter(a -> a.tail().equals(resourceId))
        .findFirst()
        .orElseThrow(() -> BankRefusal.unknown("account"));
  }

  private AccountAnswer account(ChartAccount account) {
    return new AccountAnswer(
        account.tail(),
        iban(account),
        account.currency().getCode(),
        account.name(),
        account.kind().name().toLowerCase(java.util.Locale.ROOT),
        switch (account.kind()) {
          case CARD -> "CARD";
          case SAVINGS -> "SVGS";
          default -> "CACC";
        },
        account.book().equals("Household") ? "W and T Aldercott" : "Saltmarsh Letterpress",
        balances(account));
  }

  private List<BalanceAnswer> balances(ChartAccount account) {
    LocalDate today = history.today();
    return List.of(
        new BalanceAnswer(
            "closingBooked", money(history.balance(account.name(), false), account), today),
        new BalanceAnswer(
            "expected", money(history.balance(account.name(), true), account), today));
  }

  private static Money money(long minor, ChartAccount account) {
    return new Money(
        account.currency().getCode(),
        Amount.ofMinor(minor, account.currency()).decimal().toPlainString());
  }

  private static String iban(ChartAccount account) {
    return "NL00DEMO00" + account.tail();
  }
}
