package org.yewledger.core.post;

import static org.testng.Assert.assertTrue;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;
import org.yewledger.core.money.ExchangeRates;
import org.yewledger.core.rules.LastingWords;

/**
 * How often proposals are right, over a labelled year of two households. The person posts each week
 * what is true, so that the next weeks are proposed from a true past. Each figure is printed, too,
 * for {@code ./yew bench quality}.
 */
public class ProposalQualityTest {
  private static final class Score {
    private int proposed;
    private int right;
    private int there;

    double precision() {
      return proposed == 0 ? 1 : (double) right / proposed;
    }

    double recall() {
      return there == 0 ? 1 : (double) right / there;
    }
  }

  private final Map<Reason, Score> scores = new HashMap<>();
  private final Map<String, Deque<Past.PastEntry>> past = new HashMap<>();
  private int no;

  @DataProvider
  Object[][] households() {
    return new Object[][] {{"who-types-much", 51L, 45}, {"who-types-little", 52L, 10}};
  }

  @Test(dataProvider = "households")
  public void proposalsAreRight(String household, long seed, int typedInHundred) {
    scores.clear();
    past.clear();
    var open = new ArrayList<OpenPosting>();
    for (LabelledYear.Week week : new LabelledYear(seed, typedInHundred).weeks()) {
      open.addAll(week.typed());
      List<Proposal> proposals =
          Proposer.proposals(
              new Situation(
                  week.lines(),
                  open,
                  Map.of(),
                  Map.of(),
                  LabelledYear.TAILS,
                  ExchangeRates.NONE,
                  pasts()));
      for (int i = 0; i < proposals.size(); i++) {
        judge(proposals.get(i), week.truth().get(week.lines().get(i).id()));
      }
      week.lines().forEach(line -> post(line, week.truth().get(line.id()), open));
    }
    tell(household, Reason.KNOWN_ENTRY, 0.99, 0.97);
    tell(household, Reason.OWN_TRANSFER, 0.99, 0.97);
    tell(household, Reason.LAST_TIME, 0.95, 0);
  }

  private Map<String, Past> pasts() {
    Map<String, Past> all = new HashMap<>();
    past.forEach((text, entries) -> all.put(text, new Past(text, List.copyOf(entries))));
    return all;
  }

  private void judge(Proposal proposal, LabelledYear.Truth truth) {
    if (!truth.entries().isEmpty()) {
      score(Reason.KNOWN_ENTRY).there++;
    }
    if (truth.twin() != null) {
      score(Reason.OWN_TRANSFER).there++;
    }
    boolean right =
        switch (proposal.evidence()) {
          case Evidence.StandsInTheBooks known ->
              truth.entries().equals(Set.of(known.posting().id()));
          case Evidence.StandsInSeveral several ->
              truth
                  .entries()
                  .equals(
                      several.postings().stream().map(OpenPosting::id).collect(Collectors.toSet()));
          case Evidence.PartOfAnEntry part -> truth.entries().equals(Set.of(part.posting().id()));
          case Evidence.NearlyStands nearly ->
              truth.entries().equals(Set.of(nearly.posting().id()));
          case Evidence.OtherHalf half -> half.twinId().equals(truth.twin());
          case Evidence.BookedBefore before -> goesTo(proposal, truth.category());
          default -> false;
        };
    score(proposal.reason()).proposed++;
    score(proposal.reason()).right += right ? 1 : 0;
  }

  private static boolean goesTo(Proposal proposal, Account category) {
    return proposal.booking() != null
        && proposal.booking().parts().getFirst().account().equals(category);
  }

  private Score score(Reason reason) {
    return scores.computeIfAbsent(reason, r -> new Score());
  }

  private void post(WaitingLine line, LabelledYear.Truth truth, List<OpenPosting> open) {
    open.removeIf(posting -> truth.entries().contains(posting.id()));
    Account category = truth.category();
    if (category != null) {
      Amount amount = line.line().amount(line.account().currency());
      past.computeIfAbsent(LastingWords.of(line.line()).toString(), t -> new ArrayDeque<>())
          .addFirst(
              new Past.PastEntry(
                  new UUID(9, ++no),
                  no,
                  line.line().bookedOn(),
                  List.of(new Past.PastPart(category, amount))));
    }
  }

  private void tell(String household, Reason reason, double precision, double recall) {
    Score score = score(reason);
    String name =
        "quality-%s-%s"
            .formatted(household, reason.name().toLowerCase(Locale.ROOT).replace('_', '-'));
    System.out.printf(
        Locale.ROOT,
        "figure %s-precision %.3f ratio goal >= %.2f%n",
        name,
        score.precision(),
        precision);
    if (recall > 0) {
      System.out.printf(
          Locale.ROOT, "figure %s-recall %.3f ratio goal >= %.2f%n", name, score.recall(), recall);
    }
    assertTrue(score.there + score.proposed > 20, "too few to say anything of " + name);
    assertTrue(score.precision() >= precision, name + " is right in " + score.precision());
    assertTrue(score.recall() >= recall, name + " finds " + score.recall());
  }
}
