package org.yewledger.formats.camt;

import java.util.ArrayList;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.gather.Discrepancy;
import org.yewledger.core.gather.Discrepancy.Kind;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.DecimalText;
import org.yewledger.formats.UnreadableFile;

/** The entries of a statement summed up, to be held against what its summary (TxsSummry) says. */
final class CamtTotals {
  private final Sums booked = new Sums();
  private final Sums all = new Sums();

  private static final class Sums {
    private long count;
    private long in;
    private long out;

    void add(long minor) {
      count++;
      in += Math.max(minor, 0);
      out += Math.max(-minor, 0);
    }
  }

  void count(CamtEntry entry) {
    all.add(entry.amountMinor());
    if (!entry.isPending()) {
      booked.add(entry.amountMinor());
    }
  }

  /** The standard leaves open whether pending entries are summed up: either is right. */
  List<Discrepancy> against(XmlElement summary, CurrencyUnit currency) {
    List<Discrepancy> ofBooked = compare(booked, summary, currency);
    return ofBooked.isEmpty() || compare(all, summary, currency).isEmpty() ? List.of() : ofBooked;
  }

  private static List<Discrepancy> compare(Sums sums, XmlElement summary, CurrencyUnit currency) {
    var found = new ArrayList<Discrepancy>();
    compare(found, Kind.TOTAL_IN, summary.at("TtlCdtNtries/Sum"), sums.in, currency);
    compare(found, Kind.TOTAL_OUT, summary.at("TtlDbtNtries/Sum"), sums.out, currency);
    compareCounts(found, summary.at("TtlNtries/NbOfNtries"), sums.count);
    return found;
  }

  private static void compare(
      List<Discrepancy> found,
      Kind kind,
      @Nullable XmlElement said,
      long comesOut,
      CurrencyUnit currency) {
    if (said == null || said.text().isEmpty()) {
      return;
    }
    long says = DecimalText.toMinor(said.text(), currency, said.line(), said.name());
    if (says != comesOut) {
      found.add(
          new Discrepancy.OfFigure(
              kind,
              null,
              said.line(),
              Amount.ofMinor(comesOut, currency),
              Amount.ofMinor(says, currency)));
    }
  }

  private static void compareCounts(
      List<Discrepancy> found, @Nullable XmlElement said, long comesOut) {
    if (said == null || said.text().isEmpty()) {
      return;
    }
    long says = count(said);
    if (says != comesOut) {
      found.add(new Discrepancy.OfCount(said.line(), comesOut, says));
    }
  }

  private static long count(XmlElement said) {
    if (!said.text().matches("\\d{1,15}")) {
      throw UnreadableFile.at(said.line(), said.name(), "the number of entries is not a number.");
    }
    return Long.parseLong(said.text());
  }
}
