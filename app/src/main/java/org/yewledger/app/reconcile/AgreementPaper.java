package org.yewledger.app.reconcile;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.reconcile.StatementJson.AgreedPostingJson;
import org.yewledger.app.reconcile.StatementJson.AgreementJson;
import org.yewledger.core.entry.Formats;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.pdf.Paper.Column;
import org.yewledger.formats.pdf.Paper.Head;
import org.yewledger.formats.pdf.Paper.Look;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.Paper.Row;
import org.yewledger.formats.pdf.Paper.Table;

/**
 * The report of a reconciliation as it is printed: the proof, what was agreed, what stayed open.
 */
final class AgreementPaper {
  private static final List<Column> POSTINGS =
      List.of(
          Column.text("Date", 1.6f),
          Column.text("No.", 0.9f),
          Column.text("Payee", 5),
          Column.figures("Amount", 1.6f));

  private final AgreementJson agreement;
  private final Of of;
  private final Formats formats;

  private AgreementPaper(AgreementJson agreement, Of of, Formats formats) {
    this.agreement = agreement;
    this.of = of;
    this.formats = formats;
  }

  /**
   * The statement that was agreed.
   *
   * @param opensAfter the day of the statement before; null for the first
   * @param zone that the household lives in
   */
  record Of(
      String accountName,
      String tail,
      CurrencyUnit currency,
      @Nullable LocalDate opensAfter,
      LocalDate closesOn,
      ZoneId zone) {}

  static List<Part> of(AgreementJson agreement, Of of, Formats formats) {
    return new AgreementPaper(agreement, of, formats).parts();
  }

  private List<Part> parts() {
    var parts = new ArrayList<Part>();
    parts.add(
        new Head(
            "%s, agreed through %s".formatted(of.accountName(), formats.write(of.closesOn())),
            "by %s, %s"
                .formatted(
                    agreement.agreedBy(),
                    formats.write(LocalDate.ofInstant(agreement.agreedAt(), of.zone())))));
    parts.add(balances());
    parts.add(postings(agreement.postings(), "agreed"));
    add(
        parts,
        agreement.postings().stream().filter(AgreedPostingJson::adjustment).toList(),
        "among them booked since nothing explained what was apart");
    add(parts, agreement.stillOpen(), "stayed open: not cashed, or not arrived yet");
    return parts;
  }

  private void add(List<Part> parts, List<AgreedPostingJson> postings, String about) {
    if (!postings.isEmpty()) {
      parts.add(postings(postings, about));
    }
  }

  private Table balances() {
    LocalDate after = of.opensAfter();
    String opening = after == null ? "Opening balance" : "Opening, " + formats.write(after);
    String name = of.tail().isEmpty() ? of.accountName() : of.accountName() + " .." + of.tail();
    return new Table(
        "",
        "",
        60,
        List.of(Column.text(name, 5), Column.figures(of.currency().getCode(), 2)),
        List.of(
            balance(Look.PLAIN, opening, agreement.opening()),
            balance(Look.PLAIN, "In", agreement.in()),
            balance(Look.PLAIN, "Out", agreement.out().negate()),
            balance(Look.TOTAL, "Closing, " + formats.write(of.closesOn()), agreement.closing())));
  }

  private Row balance(Look look, String name, BigDecimal amount) {
    return Row.of(look, name, written(amount));
  }

  private Table postings(List<AgreedPostingJson> postings, String about) {
    Row sum =
        Row.of(
            Look.SUM,
            "",
            "",
            "Together",
            written(
                postings.stream()
                    .map(AgreedPostingJson::amount)
                    .reduce(BigDecimal.ZERO, BigDecimal::add)));
    return new Table(
        postings.size() == 1 ? "1 posting" : "%,d postings".formatted(postings.size()),
        about,
        POSTINGS,
        Stream.concat(postings.stream().map(this::row), Stream.of(sum)).toList());
  }

  private Row row(AgreedPostingJson posting) {
    return Row.of(
        Look.PLAIN,
        formats.writeShort(posting.date()),
        Long.toString(posting.entryNo()),
        posting.payee(),
        written(posting.amount()));
  }

  private String written(BigDecimal amount) {
    return formats.write(Amount.of(amount, of.currency()));
  }
}
