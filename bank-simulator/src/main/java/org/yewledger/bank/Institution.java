package org.yewledger.bank;

import java.util.List;
import java.util.Optional;

/**
 * A made-up bank.
 *
 * @param historyDays how far back it hands out transactions
 * @param accounts names of the household's accounts that are kept there; none for a bank that the
 *     family has nothing to do with
 */
record Institution(
    String id,
    String name,
    String town,
    String serves,
    String bic,
    String web,
    int historyDays,
    List<String> accounts) {

  /** All of them; some are alike in name, so that a person has to look twice. */
  static final List<Institution> ALL =
      List.of(
          new Institution(
              "harbour-bank",
              "Harbour Bank",
              "Ellery",
              "households",
              "HARBELL0XXX",
              "harbour-bank.example",
              730,
              List.of("Harbour Current", "Harbour Savings")),
          new Institution(
              "harbour-bank-business",
              "Harbour Bank Business",
              "Ellery",
              "businesses",
              "HARBELL0BUS",
              "business.harbour-bank.example",
              180,
              List.of()),
          new Institution(
              "harbourside-mutual",
              "Harbourside Mutual",
              "Otterdale",
              "members",
              "HBSMOTT0XXX",
              "harbourside.example",
              90,
              List.of()),
          new Institution(
              "kestrel-bank",
              "Kestrel Bank",
              "Alder Vale",
              "businesses",
              "KESTALD0XXX",
              "kestrel-bank.example",
              180,
              List.of("Kestrel Current", "Kestrel Card")),
          new Institution(
              "kestrel-savings",
              "Kestrel Savings House",
              "Northgate",
              "households",
              "KSAVNOR0XXX",
              "kestrel-savings.example",
              365,
              List.of()),
          new Institution(
              "quillon-cards",
              "Quillon Cards",
              "Ellery",
              "households",
              "QUILELL0XXX",
              "quillon.example",
              90,
              List.of("Quillon Card")),
          new Institution(
              "market-quay",
              "Market Quay Payouts",
              "Quayside",
              "sellers",
              "MKTQQUA0XXX",
              "market-quay.example",
              365,
              List.of("Shop takings")));

  static Optional<Institution> find(String id) {
    return ALL.stream().filter(i -> i.id().equals(id)).findFirst();
  }
}
