package org.yewledger.formats.ofx;

import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.formats.Details;

/** What OFX 2.2, section 11.4.4, lets a bank say of a transaction beside NAME and MEMO. */
final class OfxDetails {
  private OfxDetails() {}

  static Map<LineDetail, String> of(OfxElement t) {
    var details = new Details();
    details.add(LineDetail.EXTENDED_NAME, t.value("EXTDNAME"));
    address(details, t.child("PAYEE"));
    other(details, t.child("BANKACCTTO"));
    other(details, t.child("CCACCTTO"));
    details.add(LineDetail.BANK_REFERENCE, t.value("SRVRTID"));
    if (!t.value("CHECKNUM").isBlank()) {
      details.add(LineDetail.BANK_REFERENCE, t.value("REFNUM"));
    }
    converted(details, t, t.child("CURRENCY"));
    converted(details, t, t.child("ORIGCURRENCY"));
    return details.said();
  }

  private static void address(Details details, @Nullable OfxElement payee) {
    if (payee != null) {
      details.add(
          LineDetail.ADDRESS,
          Stream.of("ADDR1", "ADDR2", "ADDR3", "POSTALCODE", "CITY", "STATE", "COUNTRY", "PHONE")
              .map(payee::value)
              .filter(part -> !part.isBlank())
              .collect(Collectors.joining(", ")));
    }
  }

  private static void other(Details details, @Nullable OfxElement account) {
    if (account != null) {
      details.add(LineDetail.COUNTERPARTY_ACCOUNT, account.value("ACCTID"));
      details.add(LineDetail.COUNTERPARTY_BANK, account.value("BANKID"));
    }
  }

  /** The amount as the payment had it; of ORIGCURRENCY only currency and rate are given. */
  private static void converted(Details details, OfxElement t, @Nullable OfxElement currency) {
    if (currency == null) {
      return;
    }
    String amount = currency.name().equals("CURRENCY") ? " " + t.value("TRNAMT") : "";
    details.add(
        LineDetail.ORIGINAL_AMOUNT,
        "%s%s at %s".formatted(currency.value("CURSYM"), amount, currency.value("CURRATE")));
  }
}
