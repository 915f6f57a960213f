package org.yewledger.app.journal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.YearMonth;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.platform.Texts;
import org.yewledger.core.journal.QueryText;
import org.yewledger.core.ledger.BulkChange;

/** What the API says about changes to many entries. */
final class BulkJson {
  private BulkJson() {}

  /** All entries that are sought, as the journal is asked for them. */
  record BulkSoughtJson(
      @Nullable UUID book,
      @Nullable YearMonth month,
      @NotNull @Size(max = QueryText.LONGEST) String text) {}

  /**
   * Which entries are meant.
   *
   * @param ids these; empty where all are that are sought
   * @param sought all that are sought; null where identities are given
   */
  record BulkMeantJson(
      @NotNull @Size(max = 2_000) List<@NotNull UUID> ids, @Nullable @Valid BulkSoughtJson sought) {
    BulkService.Meant meant() {
      return BulkJson.meant(ids, sought);
    }
  }

  private static BulkService.Meant meant(List<UUID> ids, @Nullable BulkSoughtJson sought) {
    return sought == null
        ? new BulkService.These(ids.stream().distinct().toList())
        : new BulkService.All(
            new JournalService.Filter(sought.book(), sought.month(), sought.text()));
  }

  /**
   * @param ids the entries that are meant; empty where all are that are sought
   * @param sought all that are meant; null where identities are given
   * @param payee who they are with from now on; empty for who they are with
   * @param categoryId takes the place of the one category of each; null leaves it
   * @param days by which they move
   */
  record BulkChangeJson(
      @NotNull @Size(max = 2_000) List<@NotNull UUID> ids,
      @Nullable @Valid BulkSoughtJson sought,
      @NotNull @Size(max = Texts.NAME) String payee,
      @Nullable UUID categoryId,
      @NotNull @Size(max = 20) List<@NotNull @Size(max = 40) String> tagsAdded,
      @NotNull @Size(max = 20) List<@NotNull @Size(max = 40) String> tagsTaken,
      int days) {
    BulkService.Meant meant() {
      return BulkJson.meant(ids, sought);
    }

    BulkChange change(Chart chart) {
      return new BulkChange(
          payee, categoryId == null ? null : chart.account(categoryId), tagsAdded, tagsTaken, days);
    }
  }

  /**
   * Entries that stay for one reason.
   *
   * @param no the first of them
   * @param why for that one
   */
  record BulkStaysJson(String code, int count, long no, String why) {}

  /**
   * @param changed how many change; {@code same} how many are like that already
   */
  record BulkOutcomeJson(int changed, int same, List<BulkStaysJson> stay) {}
}
