package org.yewledger.app.tax;

import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.chart.BookEntity;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.paper.Papers;
import org.yewledger.core.report.Span;
import org.yewledger.formats.pdf.Paper.Part;

/** The sales tax of several periods on paper. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class SalesTaxPapers {
  private final ChartService charts;
  private final SalesTaxService tax;
  private final Papers papers;

  SalesTaxPapers(ChartService charts, SalesTaxService tax, Papers papers) {
    this.charts = charts;
    this.tax = tax;
    this.papers = papers;
  }

  /** The periods of a book that end within some months; none if it is not registered by then. */
  public List<Part> of(UUID bookId, Span within) {
    BookEntity book = charts.chart().book(bookId);
    var parts = new ArrayList<Part>();
    if (book.taxedFrom() == null || book.taxedFrom().isAfter(within.lastDay())) {
      return parts;
    }
    for (YearMonth month = within.first(); within.contains(month); month = month.plusMonths(1)) {
      Span period = book.taxPeriod().of(month);
      if (period.last().equals(month) && !period.lastDay().isBefore(book.taxedFrom())) {
        parts.addAll(SalesTaxTable.paper(tax.page(month, bookId), papers.formats()));
      }
    }
    return parts;
  }
}
