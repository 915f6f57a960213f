package org.yewledger.app.compare;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.app.platform.Texts;
import org.yewledger.app.post.Accepted;
import org.yewledger.core.compare.Match;

/**
 * What the API says of a statement's two ledgers.
 *
 * @param agreed postings that a line confirms
 * @param disagree matches whose amount or day is not the same
 * @param same matches that are not joined yet
 * @param onlyAtBank lines without a partner; {@code onlyInBooks} postings without one
 */
record ComparisonJson(
    List<MatchJson> matches,
    List<OnlyAtBankJson> onlyAtBank,
    SidesJson agreed,
    SidesJson disagree,
    SidesJson same,
    SidesJson atBank,
    SidesJson inBooks) {

  /**
   * What both sides come to. What is apart is the bank's less what is ticked of the books'; over
   * all groups that is what the statement and its ticked postings are apart.
   *
   * @param books what the postings come to, ticked or not
   */
  record SidesJson(int count, BigDecimal bank, BigDecimal books, BigDecimal apart) {}

  /**
   * @param version of its state, to be sent back when it is settled
   */
  record ComparedLineJson(
      UUID lineId, int version, LocalDate date, String text, BigDecimal amount) {}

  record ComparedPostingJson(
      UUID postingId,
      UUID entryId,
      long entryNo,
      LocalDate date,
      String payee,
      BigDecimal amount,
      boolean ticked) {}

  /**
   * Lines and postings that seem to be the same thing.
   *
   * @param sharedWords what both sides say
   * @param rivalled whether something else would do as well
   * @param sure whether it can be joined without a second look
   */
  record MatchJson(
      Match.Kind kind,
      List<ComparedLineJson> lines,
      List<ComparedPostingJson> postings,
      SidesJson sides,
      List<String> sharedWords,
      long daysApart,
      boolean rivalled,
      boolean sure) {}

  /** A line that the books do not have; without a proposal a person says what it is. */
  record OnlyAtBankJson(ComparedLineJson line, @Nullable WouldBePostedJson proposal) {}

  /**
   * How a line would be posted, as Post proposes it.
   *
   * @param to the names of the accounts that it goes to
   * @param sure whether nothing else is as likely, by what is known
   */
  record WouldBePostedJson(String payee, List<UUID> accountIds, List<String> to, boolean sure) {}

  /** A line as the person saw it. */
  record SeenLineJson(@NotNull UUID lineId, int version) {
    Accepted.Half half() {
      return new Accepted.Half(lineId, version);
    }
  }

  /** What of an entry is put right, so that it is as the line says. */
  enum Correct {
    NOTHING,
    AMOUNT,
    DAY
  }

  /**
   * That lines are postings.
   *
   * @param correct what of the posting's entry becomes as the line says, before they are joined
   */
  record JoinJson(
      @NotNull @Size(min = 1, max = 20) List<@NotNull @Valid SeenLineJson> lines,
      @NotNull @Size(min = 1, max = 20) List<@NotNull UUID> postingIds,
      @NotNull Correct correct) {}

  /**
   * That a line is posted as it was proposed.
   *
   * @param accountIds as the person saw the proposal; refused if it is another by now
   */
  record PostProposedJson(
      @NotNull @Valid SeenLineJson line,
      @NotNull @Size(max = Texts.NAME) String payee,
      @NotEmpty List<@NotNull UUID> accountIds) {}

  /** Rows of a comparison that are settled together. */
  record SettleLinesJson(
      @NotNull @Size(max = 5_000) List<@NotNull @Valid JoinJson> join,
      @NotNull @Size(max = 5_000) List<@NotNull @Valid PostProposedJson> post) {}
}
