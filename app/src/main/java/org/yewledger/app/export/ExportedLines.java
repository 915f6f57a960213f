package org.yewledger.app.export;

import jakarta.persistence.EntityManager;
import jakarta.persistence.TypedQuery;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.chart.Chart;
import org.yewledger.core.export.ExportColumn;
import org.yewledger.core.export.ExportDays.Range;
import org.yewledger.core.export.ExportPlan;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.ledger.Account;

/** The bank lines of an export. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class ExportedLines {
  private static final LocalDate EVER = LocalDate.of(9999, 12, 31);

  private final EntityManager entities;

  ExportedLines(EntityManager entities) {
    this.entities = entities;
  }

  /** Booked lines that are no copies, the earliest of the newest first. */
  List<List<Object>> rows(ExportPlan plan, @Nullable Range range, Chart chart, int most) {
    List<UUID> accounts =
        plan.accountId() != null
            ? List.of(chart.account(plan.accountId()).id())
            : chart.bankAccounts(plan.bookId()).map(Account::id).toList();
    List<String> words = words(plan.filter());
    TypedQuery<Object[]> query =
        entities.createQuery(
            """
            select l, s.state from BankLine l join BankLineState s on s.bankLineId = l.id
            where l.accountId in :accounts and s.state in (WAITING, POSTED, DOUBTFUL, LEFT_OUT)
            and l.bookedOn between :first and :last%s order by l.bookedOn desc, l.id desc\
            """
                .formatted(saying(words.size())),
            Object[].class);
    query
        .setParameter("accounts", accounts)
        .setParameter("first", range == null ? LocalDate.EPOCH.withYear(1) : range.first())
        .setParameter("last", range == null ? EVER : range.last())
        .setMaxResults(most);
    for (int i = 0; i < words.size(); i++) {
      query.setParameter("word" + i, words.get(i));
    }
    var rows = new ArrayList<List<Object>>();
    for (Object[] one : query.getResultList()) {
      rows.add(cells((BankLineEntity) one[0], (State) one[1], plan, chart));
    }
    entities.clear();
    return rows.reversed();
  }

  private static List<String> words(String filter) {
    return filter.isEmpty() ? List.of() : List.of(filter.toLowerCase(Locale.ROOT).split("\\s+"));
  }

  /** Every word of the filter stands in what the bank says. */
  private static String saying(int words) {
    var conditions = new StringBuilder();
    for (int i = 0; i < words; i++) {
      conditions.append(
          " and locate(:word%d, lower(concat(l.payee, ' ', l.memo, ' ', l.reference))) > 0"
              .formatted(i));
    }
    return conditions.toString();
  }

  private static List<Object> cells(BankLineEntity row, State state, ExportPlan plan, Chart chart) {
    Account account = chart.account(row.accountId());
    BankLine line = row.toBankLine();
    return plan.columns().stream()
        .map(c -> Objects.requireNonNullElse(cell(c.column(), row.id(), line, state, account), ""))
        .toList();
  }

  private static @Nullable Object cell(
      ExportColumn column, UUID id, BankLine line, State state, Account account) {
    return switch (column) {
      case ID -> id.toString();
      case DATE -> line.bookedOn();
      case VALUE_DATE -> line.valueOn();
      case PAYEE -> line.payee();
      case ACCOUNT -> account.name();
      case AMOUNT -> line.amount(account.currency()).decimal();
      case CURRENCY -> account.currency().getCode();
      case TEXT -> line.memo();
      case REFERENCE -> line.reference();
      case STATE -> ExportRows.word(state);
      case BOOK -> account.book().name();
      default -> throw new IllegalArgumentException("no column of lines: " + column);
    };
  }
}
