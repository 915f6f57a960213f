package org.yewledger.core.post;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.money.Amount;
import org.yewledger.core.rules.Rule;
import org.yewledger.core.schedule.DueItem;

/** The facts that support a proposal, as data: how they are told is a matter of the interface. */
public sealed interface Evidence {
  /** The postings in the books that the line is said to be. */
  default List<OpenPosting> postings() {
    return switch (this) {
      case StandsInTheBooks standing -> List.of(standing.posting());
      case StandsInSeveral several -> several.postings();
      case PartOfAnEntry part -> List.of(part.posting());
      case NearlyStands nearly -> List.of(nearly.posting());
      default -> List.of();
    };
  }

  /** Whether nothing else is as likely, by what is known. */
  default boolean isSure() {
    return switch (this) {
      case StandsInTheBooks known ->
          !known.rivalled() && (known.posting().awaited() || !known.sharedWords().isEmpty());
      case StandsInSeveral several -> !several.rivalled() && !several.sharedWords().isEmpty();
      case PartOfAnEntry part -> !part.rivalled();
      case NearlyStands nearly -> false;
      case OtherHalf half -> !half.rivalled() && half.named();
      case RuleFits fits -> fits.trouble() == null && !fits.atRateOfTheDay();
      case IsDue due -> due.named() && due.expected() && !due.rivalled();
      case BookedBefore before -> before.always() && before.likeTexts().isEmpty();
      case None none -> false;
    };
  }

  /**
   * A posting of the same amount stands on the line's account, and no bank line has confirmed it.
   *
   * @param sharedWords what the bank's text and the entry both say
   * @param rivalled whether another one is as likely to be it
   */
  record StandsInTheBooks(
      OpenPosting posting, long daysApart, List<String> sharedWords, boolean rivalled)
      implements Evidence {
    public StandsInTheBooks {
      sharedWords = List.copyOf(sharedWords);
    }
  }

  /**
   * Several postings that no bank line has confirmed add up to the line, as a deposit of cheques.
   *
   * @param sharedWords what the bank's text and the entries both say
   * @param rivalled whether other postings add up to it as well
   */
  record StandsInSeveral(List<OpenPosting> postings, List<String> sharedWords, boolean rivalled)
      implements Evidence {
    public StandsInSeveral {
      postings = List.copyOf(postings);
      sharedWords = List.copyOf(sharedWords);
    }
  }

  /**
   * The line and others that wait add up to one posting that no bank line has confirmed.
   *
   * @param lineIds all of them, this one too
   * @param rivalled whether other lines add up to it as well
   */
  record PartOfAnEntry(OpenPosting posting, List<UUID> lineIds, boolean rivalled)
      implements Evidence {
    public PartOfAnEntry {
      lineIds = List.copyOf(lineIds);
    }
  }

  /**
   * A posting of nearly the same amount stands on the line's account: a tip was given, or a fee
   * kept.
   *
   * @param difference what the line moves beyond the posting, with the line's sign
   */
  record NearlyStands(
      OpenPosting posting, Amount difference, long daysApart, List<String> sharedWords)
      implements Evidence {
    public NearlyStands {
      sharedWords = List.copyOf(sharedWords);
    }
  }

  /**
   * A waiting line of another account of one's own brings what this one takes, or takes what it
   * brings.
   *
   * @param named whether the text of one names the account of the other
   * @param rivalled whether another one is as likely to be the other half
   */
  record OtherHalf(UUID twinId, long daysApart, boolean named, boolean rivalled)
      implements Evidence {}

  /**
   * A rule's conditions fit the line.
   *
   * @param trouble why the line cannot be booked as the rule says; null if it can
   * @param atRateOfTheDay whether what arrives in another currency is worked out, and a guess
   */
  record RuleFits(Rule rule, @Nullable Refusal trouble, boolean atRateOfTheDay)
      implements Evidence {}

  /**
   * A due item of the line's account is expected about now.
   *
   * @param daysApart by how many days the line is after it, below zero if before
   * @param named whether the line's text tells its payee
   * @param expected whether the amount is one that is expected
   * @param rivalled whether another item, or another line, is as likely
   */
  record IsDue(DueItem item, int daysApart, boolean named, boolean expected, boolean rivalled)
      implements Evidence {}

  /**
   * The payee was booked so before.
   *
   * @param entries that show it, the newest first
   * @param always whether all that were looked at do
   * @param likeTexts where the line's text is new: those of the payee that begin alike
   */
  record BookedBefore(List<Past.PastEntry> entries, boolean always, List<String> likeTexts)
      implements Evidence {
    public BookedBefore {
      entries = List.copyOf(entries);
      likeTexts = List.copyOf(likeTexts);
    }
  }

  /** There are none. */
  record None() implements Evidence {}
}
