package org.yewledger.core.compare;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.yewledger.core.compare.Match.Kind;
import org.yewledger.core.post.Evidence;
import org.yewledger.core.post.Evidence.PartOfAnEntry;
import org.yewledger.core.post.Evidence.StandsInSeveral;
import org.yewledger.core.post.KnownEntries;
import org.yewledger.core.post.KnownGroups;
import org.yewledger.core.post.OpenPosting;
import org.yewledger.core.post.WaitingLine;
import org.yewledger.core.rules.TellingWords;

/**
 * An account's two ledgers held against each other, as far as they are not joined yet: what is the
 * same, what disagrees, what only one of them has. The best pairs of all are found together, not
 * the best for one line after the other; what is the same comes before what disagrees.
 *
 * @param matches by the day of their first line
 * @param onlyAtBank lines without a partner, in the order they were given
 * @param onlyInBooks postings without a partner, in the order they were given
 */
public record Comparison(
    List<Match> matches, List<WaitingLine> onlyAtBank, List<OpenPosting> onlyInBooks) {
  public Comparison {
    matches = List.copyOf(matches);
    onlyAtBank = List.copyOf(onlyAtBank);
    onlyInBooks = List.copyOf(onlyInBooks);
  }

  /**
   * @param lines of one account that no posting is joined with
   * @param postings on it that no line is joined with. Those after {@code through} are looked at
   *     for a day that is wrong, and are no finding by themselves.
   * @param through the last day that is compared
   *     <p>Cost: linear in both sides, times the few of one amount, or of one payee within days.
   */
  public static Comparison of(
      List<WaitingLine> lines, List<OpenPosting> postings, LocalDate through) {
    List<OpenPosting> until = postings.stream().filter(p -> !p.date().isAfter(through)).toList();
    var words = new TellingWords();
    var matches = new ArrayList<>(known(lines, until, words));
    matches.addAll(Disagreements.of(left(lines, matches), leftOf(postings, matches), words));
    matches.sort(
        Comparator.comparing((Match match) -> match.lines().getFirst().line().bookedOn())
            .thenComparing(match -> match.lines().getFirst().id()));
    return new Comparison(matches, left(lines, matches), leftOf(until, matches));
  }

  /** What is the same on both sides, as posting would find it. */
  private static List<Match> known(
      List<WaitingLine> lines, List<OpenPosting> postings, TellingWords words) {
    Map<Integer, Evidence.StandsInTheBooks> pairs = KnownEntries.of(lines, postings, words);
    var matches = new ArrayList<Match>();
    pairs.forEach((place, pair) ->
        matches.add(
            new Match(
                Kind.SAME,
                List.of(lines.get(place)),
                List.of(pair.posting()),
                pair.sharedWords(),
                pair.rivalled(),
                pair.isSure())));
    Map<UUID, WaitingLine> byId = new HashMap<>();
    lines.forEach(line -> byId.put(line.id(), line));
    Set<UUID> inParts = new HashSet<>();
    KnownGroups.of(lines, postings, pairs, words)
        .forEach((place, evidence) -> {
          switch (evidence) {
            case StandsInSeveral several ->
                matches.add(
                    new Match(
                        Kind.SEVERAL_POSTINGS,
                        List.of(lines.get(place)),
                        several.postings(),
                        several.sharedWords(),
                        several.rivalled(),
                        several.isSure()));
            case PartOfAnEntry part when inParts.add(part.posting().id()) ->
                matches.add(
                    new Match(
                        Kind.SEVERAL_LINES,
                        part.lineIds().stream()
                            .map(id -> Objects.requireNonNull(byId.get(id)))
                            .toList(),
                        List.of(part.posting()),
                        List.of(),
                        part.rivalled(),
                        part.isSure()));
            default -> {
              // Told with the first line of the posting.
            }
          }
        });
    return matches;
  }

  private static List<WaitingLine> left(List<WaitingLine> lines, List<Match> matches) {
    Set<UUID> matched = new HashSet<>();
    matches.forEach(match -> match.lines().forEach(line -> matched.add(line.id())));
    return lines.stream().filter(line -> !matched.contains(line.id())).toList();
  }

  private static List<OpenPosting> leftOf(List<OpenPosting> postings, List<Match> matches) {
    Set<UUID> matched = new HashSet<>();
    matches.forEach(match -> match.postings().forEach(posting -> matched.add(posting.id())));
    return postings.stream().filter(posting -> !matched.contains(posting.id())).toList();
  }
}
