package org.yewledger.app.export;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.export.ExportJson.ExportWantedJson;
import org.yewledger.app.export.ExportRuns.Run;
import org.yewledger.app.export.KeptExports.KeptExport;
import org.yewledger.app.gather.LineExportService;
import org.yewledger.app.gather.LineExportService.ExportFormat;
import org.yewledger.app.platform.Download;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.export.ExportColumn;
import org.yewledger.core.export.ExportDays.Range;
import org.yewledger.core.export.ExportPlan;
import org.yewledger.core.export.ExportPlan.Delivery;
import org.yewledger.core.export.ExportPlan.Mode;
import org.yewledger.formats.table.ExportTable;

/** Keeps exports, makes them, and writes them into their files. */
@Service
class ExportService {
  private static final int LOOKED_AT = 12;

  /** An export with when it is written. */
  record ExportView(KeptExport kept, Run run) {}

  /** A file that is made. */
  record Made(String fileName, ExportPlan.Format format, byte[] content) {}

  private final KeptExports exports;
  private final ExportRuns runs;
  private final ExportRows rows;
  private final ExportFolder folder;
  private final LineExportService statements;
  private final ChartService charts;
  private final HouseholdDays days;
  private final Acts acts;
  private final Clock clock;

  ExportService(
      KeptExports exports,
      ExportRuns runs,
      ExportRows rows,
      ExportFolder folder,
      LineExportService statements,
      ChartService charts,
      HouseholdDays days,
      Acts acts,
      Clock clock) {
    this.exports = exports;
    this.runs = runs;
    this.rows = rows;
    this.folder = folder;
    this.statements = statements;
    this.charts = charts;
    this.days = days;
    this.acts = acts;
    this.clock = clock;
  }

  @Transactional(readOnly = true)
  List<ExportView> all() {
    Map<UUID, Run> all = runs.all();
    return exports.all().stream()
        .map(kept -> new ExportView(kept, all.getOrDefault(kept.id(), Run.NONE)))
        .toList();
  }

  /** The last rows of what an export would hold, as CSV. Keeps nothing. */
  @Transactional(readOnly = true)
  String look(ExportWantedJson wanted) {
    ExportPlan plan = plan(wanted);
    return new String(rows.few(plan, LOOKED_AT).csv(plan.written()), StandardCharsets.UTF_8);
  }

  /**
   * @throws Refusal if the filter cannot be read, or the file not be written
   */
  @Transactional
  @ForBookkeepers
  public UUID add(ExportWantedJson wanted) {
    ExportPlan plan = plan(wanted);
    requireMade(plan);
    requireOwnFile(plan, null);
    acts.begin(ActKind.KEPT_VIEWS, "Saved the export " + plan.name());
    UUID id = exports.add(plan);
    runs.next(id, next(plan));
    return id;
  }

  /**
   * @param version as the person saw it
   * @throws Refusal as {@link #add} does
   */
  @Transactional
  @ForBookkeepers
  public void change(UUID id, int version, ExportWantedJson wanted) {
    exports.find(id);
    ExportPlan plan = plan(wanted);
    requireMade(plan);
    requireOwnFile(plan, id);
    acts.begin(ActKind.KEPT_VIEWS, "Changed the export " + plan.name());
    exports.change(id, version, plan);
    runs.next(id, next(plan));
  }

  /** Gives an export up; its file stays where it is. */
  @Transactional
  @ForBookkeepers
  public void remove(UUID id, int version) {
    KeptExport kept = exports.find(id);
    acts.begin(ActKind.KEPT_VIEWS, "Gave up the export " + kept.plan().name());
    exports.remove(id, version);
  }

  /** What an export is at this moment, as a file. */
  @Transactional(readOnly = true)
  Made made(UUID id) {
    ExportPlan plan = exports.find(id).plan();
    return new Made(
        Download.named(plan.name()) + "." + plan.format().ending(), plan.format(), content(plan));
  }

  /**
   * Writes an export into its file now.
   *
   * @return how many rows were written
   * @throws Refusal if it has no file, or that cannot be written
   */
  @Transactional
  @ForBookkeepers
  public int writeNow(UUID id) {
    ExportPlan plan = exports.find(id).plan();
    runs.hold(id);
    int written = write(plan);
    runs.ran(id, clock.instant(), written, null);
    return written;
  }

  /**
   * Writes an export whose time has come.
   *
   * @throws Refusal if it cannot be made or written; {@link #notWritten} keeps that
   */
  @Transactional
  public void writeDue(UUID id) {
    ExportPlan plan = exports.find(id).plan();
    Run run = runs.hold(id);
    Instant now = clock.instant();
    Instant due = run.nextAt();
    if (due != null && due.isAfter(now)) {
      return; // another instance was first
    }
    runs.next(id, next(plan));
    if (due != null) { // otherwise its time begins now
      runs.ran(id, now, write(plan), null);
    }
  }

  /** Keeps why an export could not be written, for people to see, until its next time. */
  @Transactional
  public void notWritten(UUID id, String problem) {
    ExportPlan plan = exports.find(id).plan();
    runs.hold(id);
    runs.next(id, next(plan));
    runs.ran(id, clock.instant(), null, problem);
  }

  private int write(ExportPlan plan) {
    Delivery delivery = plan.delivery();
    if (delivery == null) {
      throw Refusal.of("export-file", "This export has no file that it is written into.");
    }
    String file = delivery.file();
    if (plan.format().isStatement()) {
      folder.write(file, content(plan));
      return 0;
    }
    ExportTable table = rows.all(plan);
    if (delivery.mode() == Mode.REPLACE) {
      folder.write(file, content(plan, table));
      return table.size();
    }
    int identity =
        plan.columns().stream().map(ExportPlan.Column::column).toList().indexOf(ExportColumn.ID);
    ExportTable.Appended more = table.appendedTo(folder.read(file), plan.written(), identity);
    folder.write(file, more.content());
    return more.added();
  }

  private byte[] content(ExportPlan plan) {
    UUID account = plan.accountId();
    if (!plan.format().isStatement() || account == null) {
      return content(plan, rows.all(plan));
    }
    Range range = plan.days().asOf(days.today()).orElse(null);
    return statements
        .export(
            account,
            plan.format() == ExportPlan.Format.OFX ? ExportFormat.OFX : ExportFormat.CAMT,
            range == null ? null : range.first(),
            range == null ? null : range.last())
        .content();
  }

  private static byte[] content(ExportPlan plan, ExportTable table) {
    return switch (plan.format()) {
      case XLSX -> table.workbook();
      case JSON -> table.json();
      default -> table.csv(plan.written());
    };
  }

  /** That it can be made: its filter is read, its file can be written. */
  private void requireMade(ExportPlan plan) {
    if (!plan.format().isStatement()) {
      rows.few(plan, 1);
    }
    if (plan.delivery() != null) {
      folder.requireWritable(plan.delivery().file());
    }
  }

  private void requireOwnFile(ExportPlan plan, @Nullable UUID itself) {
    plan.requireOwnFile(
        exports.all().stream()
            .filter(other -> !other.id().equals(itself))
            .map(KeptExport::plan)
            .toList());
  }

  /** What it is of is looked for first: of what is not there, nothing else is said. */
  private ExportPlan plan(ExportWantedJson wanted) {
    Chart chart = charts.chart();
    if (wanted.bookId() != null) {
      chart.book(wanted.bookId());
    }
    if (wanted.accountId() != null) {
      chart.account(wanted.accountId()).requireAtBank("accountId");
    }
    return wanted.toPlan();
  }

  private @Nullable Instant next(ExportPlan plan) {
    Delivery delivery = plan.delivery();
    return delivery == null ? null : delivery.schedule().next(clock.instant());
  }
}
