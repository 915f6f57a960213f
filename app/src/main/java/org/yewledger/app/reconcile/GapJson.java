package org.yewledger.app.reconcile;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;
import org.yewledger.core.reconcile.gap.Explanation;
import org.yewledger.core.reconcile.gap.Explanation.Doubled;
import org.yewledger.core.reconcile.gap.Explanation.Missing;
import org.yewledger.core.reconcile.gap.Explanation.OtherOpening;
import org.yewledger.core.reconcile.gap.Explanation.Overticked;
import org.yewledger.core.reconcile.gap.Explanation.Swapped;
import org.yewledger.core.reconcile.gap.Explanation.Turned;
import org.yewledger.core.reconcile.gap.Explanation.Unposted;
import org.yewledger.core.reconcile.gap.Explanation.Unticked;
import org.yewledger.core.reconcile.gap.Gap.Item;
import org.yewledger.core.reconcile.gap.GapReasons;

/** What the API says about why a statement and the books are apart. */
final class GapJson {
  /** So many ways of one reason are told. */
  private static final int MOST_WAYS = 4;

  private GapJson() {}

  /** The kinds of mistakes, and what puts each right. */
  enum Kind {
    UNTICKED(true),
    UNPOSTED(false),
    OVERTICKED(true),
    DOUBLED(true),
    TURNED(true),
    SWAPPED(true),
    OTHER_OPENING(false),
    MISSING(false);

    private final boolean settled;

    Kind(boolean settled) {
      this.settled = settled;
    }

    /** Whether it is put right where it is told; else it leads to where it can be. */
    boolean isSettled() {
      return settled;
    }
  }

  /**
   * A posting or a bank line.
   *
   * @param entryNo of the entry of a posting; null for a bank line
   */
  record GapItemJson(
      UUID id,
      @Nullable UUID entryId,
      @Nullable Long entryNo,
      LocalDate date,
      String payee,
      BigDecimal amount) {}

  /**
   * One thing that may be wrong.
   *
   * @param explains how much of the difference it explains
   * @param items what it may have happened to; of a doubled posting, the one that is too many first
   * @param should the amount with its digits in order, where they are swapped
   */
  record GapPartJson(
      Kind kind, BigDecimal explains, List<GapItemJson> items, @Nullable BigDecimal should) {
    Set<UUID> ids() {
      return items.stream().map(GapItemJson::id).collect(Collectors.toSet());
    }
  }

  /**
   * What together explains the whole difference.
   *
   * @param settled whether one act puts all of it right
   */
  record GapWayJson(List<GapPartJson> parts, boolean settled) {}

  /**
   * @param chance in percent, of all reasons together
   * @param ways the likeliest first, a few of them
   * @param more how many ways there are besides
   */
  record GapReasonJson(int chance, List<GapWayJson> ways, int more) {}

  /**
   * @param difference the statement's closing balance less that of the ticked
   * @param complete whether all combinations of open postings were looked at
   */
  record GapReasonsJson(BigDecimal difference, boolean complete, List<GapReasonJson> reasons) {}

  /** A part of a way, as a person saw it. */
  record SeenGapPartJson(@NotNull Kind kind, @NotNull Set<UUID> ids, @Nullable BigDecimal should) {
    boolean is(GapPartJson part) {
      return kind == part.kind()
          && ids.equals(part.ids())
          && (should == null
              ? part.should() == null
              : part.should() != null && should.compareTo(part.should()) == 0);
    }
  }

  record SettleGapJson(@NotEmpty List<@Valid SeenGapPartJson> parts) {}

  /** How postings and lines are told: with their entries. */
  interface Items {
    GapItemJson of(Item item);
  }

  static GapReasonsJson of(long difference, GapReasons found, CurrencyUnit currency, Items items) {
    return new GapReasonsJson(
        decimal(difference, currency),
        found.complete(),
        found.reasons().stream()
            .map(reason ->
                new GapReasonJson(
                    (int) Math.round(100 * reason.plausibility()),
                    reason.ways().stream()
                        .limit(MOST_WAYS)
                        .map(way -> way(way, currency, items))
                        .toList(),
                    Math.max(0, reason.ways().size() - MOST_WAYS)))
            .toList());
  }

  static GapWayJson way(GapReasons.Way way, CurrencyUnit currency, Items items) {
    List<GapPartJson> parts = way.parts().stream().map(p -> part(p, currency, items)).toList();
    return new GapWayJson(parts, parts.stream().allMatch(p -> p.kind().isSettled()));
  }

  private static GapPartJson part(Explanation part, CurrencyUnit currency, Items items) {
    List<Item> of =
        switch (part) {
          case Unticked(List<Item> postings) -> postings;
          case Unposted(List<Item> lines) -> lines;
          case Overticked(Item posting) -> List.of(posting);
          case Doubled(Item posting, Item other) -> List.of(posting, other);
          case Turned(Item posting) -> List.of(posting);
          case Swapped(Item posting, long should) -> List.of(posting);
          case OtherOpening opening -> List.of();
          case Missing missing -> List.of();
        };
    return new GapPartJson(
        kind(part),
        decimal(part.explains(), currency),
        of.stream().map(items::of).toList(),
        part instanceof Swapped(Item posting, long should) ? decimal(should, currency) : null);
  }

  private static Kind kind(Explanation part) {
    return switch (part) {
      case Unticked unticked -> Kind.UNTICKED;
      case Unposted unposted -> Kind.UNPOSTED;
      case Overticked overticked -> Kind.OVERTICKED;
      case Doubled doubled -> Kind.DOUBLED;
      case Turned turned -> Kind.TURNED;
      case Swapped swapped -> Kind.SWAPPED;
      case OtherOpening opening -> Kind.OTHER_OPENING;
      case Missing missing -> Kind.MISSING;
    };
  }

  private static BigDecimal decimal(long minor, CurrencyUnit currency) {
    return Amount.ofMinor(minor, currency).decimal();
  }
}
