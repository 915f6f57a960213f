package org.yewledger.app.export;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.time.LocalTime;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.export.ExportRuns.Run;
import org.yewledger.app.export.ExportService.ExportView;
import org.yewledger.app.platform.Texts;
import org.yewledger.app.platform.Zones;
import org.yewledger.core.export.ExportColumn;
import org.yewledger.core.export.ExportDays;
import org.yewledger.core.export.ExportOf;
import org.yewledger.core.export.ExportPlan;
import org.yewledger.core.export.ExportPlan.Column;
import org.yewledger.core.export.ExportPlan.DayForm;
import org.yewledger.core.export.ExportPlan.Delivery;
import org.yewledger.core.export.ExportPlan.Format;
import org.yewledger.core.export.ExportPlan.Mode;
import org.yewledger.core.export.ExportPlan.Written;
import org.yewledger.core.export.ExportSchedule;
import org.yewledger.core.export.ExportSchedule.Every;

/** What the API says about saved exports. */
final class ExportJson {
  private ExportJson() {}

  /**
   * A column, and what it is called in the file.
   *
   * @param title as a person wants it
   */
  record ExportColumnJson(
      @NotNull ExportColumn column, @NotNull @Size(max = Texts.SHORT) String title) {}

  /**
   * A file that an export is written into by itself.
   *
   * @param file its name in the household's folder for exports
   * @param on the day of the week from 1 for Monday, or of the month; no matter where it is each
   *     day
   * @param zone an IANA time zone, such as Europe/Amsterdam
   */
  record ExportDeliveryJson(
      @NotNull @Size(max = Texts.NAME) String file,
      @NotNull Mode mode,
      @NotNull Every every,
      int on,
      @NotNull LocalTime at,
      @NotNull @Size(max = Texts.SHORT) String zone) {
    static @Nullable ExportDeliveryJson of(@Nullable Delivery delivery) {
      if (delivery == null) {
        return null;
      }
      ExportSchedule schedule = delivery.schedule();
      return new ExportDeliveryJson(
          delivery.file(),
          delivery.mode(),
          schedule.every(),
          schedule.on(),
          schedule.at(),
          schedule.zone().getId());
    }

    Delivery toDelivery() {
      return new Delivery(
          file.strip(), mode, new ExportSchedule(every, on, at, Zones.named(zone, "zone")));
    }
  }

  /**
   * An export as a person wants it.
   *
   * @param accountId the account whose bank lines they are; null for all
   * @param filter a query as the journal takes it; of bank lines, words in them
   * @param columns none for OFX and camt.053
   * @param delivery null if it is only fetched
   */
  record ExportWantedJson(
      @NotNull @Size(max = Texts.SHORT) String name,
      @NotNull ExportOf of,
      @Nullable UUID bookId,
      @Nullable UUID accountId,
      @NotNull @Size(max = 500) String filter,
      @NotNull ExportDays days,
      @NotNull @Size(max = 40) List<@NotNull @Valid ExportColumnJson> columns,
      @NotNull Format format,
      @NotNull DayForm dayForm,
      @NotNull Boolean decimalComma,
      @Nullable @Valid ExportDeliveryJson delivery) {
    ExportPlan toPlan() {
      return new ExportPlan(
          name,
          of,
          bookId,
          accountId,
          filter,
          days,
          columns.stream().map(c -> new Column(c.column(), c.title())).toList(),
          format,
          new Written(dayForm, decimalComma),
          delivery == null ? null : delivery.toDelivery());
    }

    static ExportWantedJson of(ExportPlan plan) {
      return new ExportWantedJson(
          plan.name(),
          plan.of(),
          plan.bookId(),
          plan.accountId(),
          plan.filter(),
          plan.days(),
          plan.columns().stream().map(c -> new ExportColumnJson(c.column(), c.title())).toList(),
          plan.format(),
          plan.written().days(),
          plan.written().decimalComma(),
          ExportDeliveryJson.of(plan.delivery()));
    }
  }

  /**
   * A saved export.
   *
   * @param version to be sent back when it is changed
   * @param nextAt when it is written next; null if it is only fetched
   * @param ranAt when it was written last, or was to be
   * @param rows how many rows were written then
   * @param problem why nothing was written then
   */
  record ExportKeptJson(
      UUID id,
      int version,
      ExportWantedJson wanted,
      @Nullable Instant nextAt,
      @Nullable Instant ranAt,
      @Nullable Integer rows,
      @Nullable String problem) {
    static ExportKeptJson of(ExportView view) {
      Run run = view.run();
      return new ExportKeptJson(
          view.kept().id(),
          view.kept().version(),
          ExportWantedJson.of(view.kept().plan()),
          run.nextAt(),
          run.ranAt(),
          run.rows(),
          run.problem());
    }
  }

  /** The columns that a kind of rows can have. */
  record ExportChoiceJson(ExportOf of, List<ExportColumnJson> columns) {
    static List<ExportChoiceJson> all() {
      return Arrays.stream(ExportOf.values())
          .map(of ->
              new ExportChoiceJson(
                  of,
                  ExportColumn.all(of).stream()
                      .map(c -> new ExportColumnJson(c, c.title()))
                      .toList()))
          .toList();
    }
  }

  /**
   * All saved exports, and what others may be.
   *
   * @param folder where they can be written on the machine; null if nowhere
   */
  record ExportsJson(
      List<ExportKeptJson> exports, List<ExportChoiceJson> choices, @Nullable String folder) {}

  /** The last rows of what an export would be, as CSV has them. */
  record ExportLookJson(String text) {}

  /** How many rows were written. */
  record ExportWrittenJson(int rows) {}
}
