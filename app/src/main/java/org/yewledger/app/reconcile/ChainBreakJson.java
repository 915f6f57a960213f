package org.yewledger.app.reconcile;

import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.reconcile.ChainBreaks;

/** What the API says about statements that agreed and were opened again. */
public final class ChainBreakJson {
  private ChainBreakJson() {}

  /**
   * An act that changed a posting, which can be taken back.
   *
   * @param words what was done
   */
  public record ChangedByJson(UUID actId, Instant at, String who, String words) {}

  /**
   * A posting that is not as it was agreed.
   *
   * @param standingId the posting that stands for it now; null once it is gone
   * @param entryId null once it is gone
   * @param agreed its amount then; null for one that was added
   * @param now its amount now; null for one that is gone
   * @param dateNow its day now, where that is another
   * @param ticked whether it is ticked now
   * @param change what it changes in what is ticked
   * @param by null where history tells no act of it
   */
  public record BreakJson(
      UUID postingId,
      @Nullable UUID standingId,
      @Nullable UUID entryId,
      long entryNo,
      LocalDate date,
      String payee,
      ChainBreaks.How how,
      @Nullable BigDecimal agreed,
      @Nullable BigDecimal now,
      @Nullable LocalDate dateNow,
      boolean ticked,
      BigDecimal change,
      @Nullable ChangedByJson by) {}

  /**
   * Who opened a statement again that had agreed, and where it parts from what was agreed.
   *
   * @param because the reason
   * @param closingAgreed what it closed with then
   * @param apart what the breaks come to
   */
  public record OpenedAgainJson(
      Instant at,
      String who,
      String because,
      BigDecimal closingAgreed,
      List<BreakJson> breaks,
      BigDecimal apart) {}

  /** Which break is put right, by the posting that it names. */
  record RestoreBreakJson(@NotNull UUID postingId) {}

  /**
   * @param openedAgain null for one that was never agreed, or agrees
   */
  record ChainStateJson(UUID statementId, @Nullable OpenedAgainJson openedAgain) {}
}
