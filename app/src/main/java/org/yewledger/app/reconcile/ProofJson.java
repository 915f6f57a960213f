package org.yewledger.app.reconcile;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.Flows;
import org.yewledger.core.reconcile.Proof;
import org.yewledger.core.reconcile.WhereItParts;

/**
 * The head of a reconciliation: statement over ticked, and what is apart in each.
 *
 * @param open the postings that are not ticked
 * @param statementLines how many lines the statement has of its own; null where it has figures only
 * @param parts the days on which lines and ticked postings part; empty where the statement has no
 *     lines
 */
record ProofJson(
    FiguresJson statement,
    FiguresJson ticked,
    FiguresJson apart,
    StillOpenJson open,
    @Nullable Integer statementLines,
    List<StepJson> parts) {

  /** What could be ticked still, money in and money out apart. */
  record StillOpenJson(int count, BigDecimal in, BigDecimal out) {
    static StillOpenJson of(Flows flows) {
      return new StillOpenJson(flows.count(), flows.in().decimal(), flows.out().decimal());
    }
  }

  /** Null what the statement does not say. */
  record FiguresJson(
      @Nullable BigDecimal opening,
      @Nullable BigDecimal in,
      @Nullable BigDecimal out,
      BigDecimal closing) {
    static FiguresJson of(Proof.Figures f) {
      return new FiguresJson(
          decimal(f.opening()), decimal(f.in()), decimal(f.out()), f.closing().decimal());
    }

    private static @Nullable BigDecimal decimal(@Nullable Amount amount) {
      return amount == null ? null : amount.decimal();
    }
  }

  /** A day, by how much the two part on it, and how far they are apart at its end. */
  record StepJson(LocalDate day, BigDecimal change, BigDecimal apart) {}

  static ProofJson of(
      Proof proof, Flows open, @Nullable Integer statementLines, List<WhereItParts.Step> parts) {
    return new ProofJson(
        FiguresJson.of(proof.statement()),
        FiguresJson.of(proof.ticked()),
        FiguresJson.of(proof.apart()),
        StillOpenJson.of(open),
        statementLines,
        parts.stream()
            .map(s -> new StepJson(s.day(), s.change().decimal(), s.apart().decimal()))
            .toList());
  }
}
