package org.yewledger.app.connection;

import com.fasterxml.jackson.annotation.JsonProperty;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What banks say, after the account-information part of the Berlin Group's NextGenPSD2 XS2A
 * framework, version 1.3; only what is used here. The directory is an addition of the stand-in.
 */
final class BankWire {
  private BankWire() {}

  record Institution(
      String id,
      String name,
      String town,
      String serves,
      String bic,
      String web,
      int historyDays,
      int consentDays) {}

  record Href(String href) {}

  record ConsentRequest(
      Map<String, String> access,
      boolean recurringIndicator,
      LocalDate validUntil,
      int frequencyPerDay) {}

  record Consent(
      String consentStatus,
      @Nullable String consentId,
      @Nullable LocalDate validUntil,
      @JsonProperty("_links") @Nullable Map<String, Href> links) {}

  record Money(String currency, String amount) {}

  record Balance(String balanceType, Money balanceAmount, @Nullable LocalDate referenceDate) {}

  record Account(
      String resourceId,
      @Nullable String iban,
      String currency,
      @Nullable String name,
      @Nullable String cashAccountType,
      @Nullable List<Balance> balances) {}

  record Accounts(List<Account> accounts) {}

  record Balances(List<Balance> balances) {}

  record PartyAccount(@Nullable String iban) {}

  record Transaction(
      @Nullable String transactionId,
      @Nullable String entryReference,
      @Nullable String endToEndId,
      @Nullable LocalDate bookingDate,
      @Nullable LocalDate valueDate,
      Money transactionAmount,
      @Nullable String creditorName,
      @Nullable String debtorName,
      @Nullable String remittanceInformationUnstructured,
      @Nullable String proprietaryBankTransactionCode,
      @Nullable PartyAccount creditorAccount,
      @Nullable PartyAccount debtorAccount,
      @Nullable String ultimateCreditor,
      @Nullable String ultimateDebtor,
      @Nullable String mandateId,
      @Nullable String creditorId,
      @Nullable String additionalInformation) {}

  record Page(
      @Nullable List<Transaction> booked,
      @Nullable List<Transaction> pending,
      @JsonProperty("_links") @Nullable Map<String, Href> links) {}

  record Transactions(Page transactions) {}
}
