package org.yewledger.app.journal;

import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.ServedMonthsJson.ServeJson;
import org.yewledger.app.journal.ServedMonthsJson.ServedCategoryJson;
import org.yewledger.app.journal.ServedMonthsJson.ServedJson;
import org.yewledger.app.journal.ServedMonthsJson.ServedPartJson;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountClass;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Span;
import org.yewledger.core.report.SpreadBill;

/** Says which months an entry serves. The books stay as they are. */
@Service
public class ServingService {
  private final EntryReader reader;
  private final ServedMonths served;
  private final Acts acts;

  ServingService(EntryReader reader, ServedMonths served, Acts acts) {
    this.reader = reader;
    this.served = served;
    this.acts = acts;
  }

  /**
   * What each month would bear. Changes nothing.
   *
   * @throws Refusal as {@link SpreadBill#require} does, and {@code serves-no-category}
   */
  @Transactional(readOnly = true)
  ServedJson parts(UUID id, YearMonth first, YearMonth last) {
    EntryView entry = reader.find(id);
    Span months = SpreadBill.require(new Span(first, last), entry.entry().date());
    return new ServedJson(
        first, last, bills(entry, months).stream().map(bill -> json(bill, months)).toList());
  }

  /**
   * @throws Refusal as {@link #parts} does, and {@code served-half-said}
   */
  @Transactional
  @ForBookkeepers
  void serve(UUID id, ServeJson wanted) {
    serve(id, months(wanted));
  }

  /**
   * @param months null where it is to serve just its own
   * @throws Refusal as {@link SpreadBill#require} does, and {@code serves-no-category}
   */
  @Transactional
  @ForBookkeepers
  public void serve(UUID id, @Nullable Span months) {
    EntryView entry = reader.find(id);
    if (months != null) {
      bills(entry, SpreadBill.require(months, entry.entry().date()));
    }
    acts.begin(
        ActKind.BUDGETS,
        months == null
            ? "Spread no. %d, %s, no more".formatted(entry.no(), entry.payee())
            : "Spread no. %d, %s, over %s to %s"
                .formatted(entry.no(), entry.payee(), months.first(), months.last()));
    served.keep(id, months);
  }

  private static @Nullable Span months(ServeJson wanted) {
    if ((wanted.first() == null) != (wanted.last() == null)) {
      throw Refusal.ofField(
          "served-half-said",
          wanted.first() == null ? "first" : "last",
          "Choose the first month that it serves, and the last.");
    }
    return wanted.first() == null || wanted.last() == null
        ? null
        : new Span(wanted.first(), wanted.last());
  }

  private static List<SpreadBill> bills(EntryView entry, Span months) {
    Map<Account, Amount> categories = new LinkedHashMap<>();
    for (Posting posting : entry.toEntry().postings()) {
      AccountClass of = posting.account().accountClass();
      if (of == AccountClass.INCOME || of == AccountClass.EXPENSE) {
        categories.merge(posting.account(), posting.value(), Amount::plus);
      }
    }
    if (categories.isEmpty()) {
      throw Refusal.of(
          "serves-no-category",
          "No. %d is on no category, so that there is nothing to spread.".formatted(entry.no()));
    }
    return categories.entrySet().stream()
        .map(of -> new SpreadBill(of.getKey(), of.getValue(), entry.entry().date(), months))
        .toList();
  }

  private static ServedCategoryJson json(SpreadBill bill, Span months) {
    return new ServedCategoryJson(
        bill.category().id(),
        bill.category().name(),
        bill.amount().currency().getCode(),
        bill.told(bill.amount()).decimal(),
        months.each().stream()
            .map(month -> new ServedPartJson(month, bill.told(bill.in(month)).decimal()))
            .toList());
  }
}
