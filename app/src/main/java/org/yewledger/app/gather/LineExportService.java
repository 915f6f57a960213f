package org.yewledger.app.gather;

import jakarta.persistence.EntityManager;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.reconcile.StatementService;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.BankStatement;
import org.yewledger.core.gather.BankStatement.Balance;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.AccountKind;
import org.yewledger.core.money.Amount;
import org.yewledger.formats.camt.CamtWriter;
import org.yewledger.formats.ofx.OfxWriter;
import org.yewledger.formats.ofx.OfxWriter.AccountType;
import org.yewledger.formats.table.CsvStatementWriter;

/** The bank lines of an account as a statement file, so that what is held here can leave. */
@Service
public class LineExportService {
  /** The formats that are written. */
  public enum ExportFormat {
    OFX("ofx", "application/x-ofx"),
    CAMT("xml", "application/xml"),
    CSV("csv", "text/csv;charset=UTF-8");

    private final String ending;
    private final String mediaType;

    ExportFormat(String ending, String mediaType) {
      this.ending = ending;
      this.mediaType = mediaType;
    }

    String mediaType() {
      return mediaType;
    }
  }

  public record Exported(String fileName, byte[] content) {}

  private final EntityManager entities;
  private final ChartService charts;
  private final StatementService statements;

  LineExportService(EntityManager entities, ChartService charts, StatementService statements) {
    this.entities = entities;
    this.charts = charts;
    this.statements = statements;
  }

  /**
   * The booked lines from one day to another, both included; null for no bound. The balances are
   * what the account opened with and its bank lines.
   */
  @Transactional(readOnly = true)
  public Exported export(
      UUID accountId, ExportFormat format, @Nullable LocalDate from, @Nullable LocalDate to) {
    Chart chart = charts.chart();
    Account account = chart.account(accountId);
    List<BankLine> all = lines(accountId, to);
    List<BankLine> earlier =
        all.stream().filter(l -> from != null && l.bookedOn().isBefore(from)).toList();
    List<BankLine> lines = all.subList(earlier.size(), all.size());
    Amount opening = statements.chain(account).openingBalance().plus(sum(earlier, account));
    Amount closing = opening.plus(sum(lines, account));
    LocalDate end =
        to != null
            ? to
            : lines.isEmpty()
                ? Objects.requireNonNullElse(account.opensOn(), LocalDate.EPOCH)
                : lines.getLast().bookedOn();
    String number = chart.tail(accountId).isEmpty() ? account.name() : chart.tail(accountId);
    var statement =
        new BankStatement(number, account.currency(), lines, new Balance(end, closing), opening);
    String name =
        "%s-%s.%s"
            .formatted(
                account.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-"),
                end,
                format.ending);
    return new Exported(name, content(statement, account, format, opening));
  }

  private static byte[] content(
      BankStatement statement, Account account, ExportFormat format, Amount opening) {
    return switch (format) {
      case OFX -> OfxWriter.write(statement, account.name(), type(account.kind()));
      case CAMT -> CamtWriter.write(statement);
      case CSV -> CsvStatementWriter.write(statement, opening, StandardCharsets.UTF_8);
    };
  }

  private static AccountType type(AccountKind kind) {
    return switch (kind) {
      case CARD -> AccountType.CREDIT_CARD;
      case SAVINGS -> AccountType.SAVINGS;
      default -> AccountType.CHECKING;
    };
  }

  private List<BankLine> lines(UUID accountId, @Nullable LocalDate to) {
    return entities
        .createQuery(
            """
            select l from BankLine l join BankLineState s on s.bankLineId = l.id
            where l.accountId = :account and s.state in (WAITING, POSTED, DOUBTFUL)
            and l.bookedOn <= :to order by l.bookedOn, l.id\
            """,
            BankLineEntity.class)
        .setParameter("account", accountId)
        .setParameter("to", Objects.requireNonNullElse(to, LocalDate.of(9999, 12, 31)))
        .getResultStream()
        .map(BankLineEntity::toBankLine)
        .toList();
  }

  private static Amount sum(List<BankLine> lines, Account account) {
    return Amount.ofMinor(
        lines.stream().mapToLong(BankLine::amountMinor).sum(), account.currency());
  }
}
