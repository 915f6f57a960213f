package org.yewledger.app.post;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.bankline.BankLineEntity;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.chart.Chart;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryReader;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.EntryViews;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.journal.RevisionService;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.Found;
import org.yewledger.app.platform.NotFound;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Draft;
import org.yewledger.core.money.Amount;
import org.yewledger.core.post.Difference;
import org.yewledger.core.post.Pairing;

/**
 * Lines that stand in the books already: as one posting, as several that add up to the line, as one
 * that several lines add up to, or as one but for a difference, which is booked then. All lines of
 * a request are read at once.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class KnownLines {
  private final EntryStore entries;
  private final EntryReader reader;
  private final LineLinks links;
  private final RevisionService revisions;

  KnownLines(EntryStore entries, EntryReader reader, LineLinks links, RevisionService revisions) {
    this.entries = entries;
    this.reader = reader;
    this.links = links;
    this.revisions = revisions;
  }

  /**
   * What is to be linked, and the entry that is to be changed for a difference before; nothing of
   * it is carried out yet.
   */
  record Wanted(
      Accepted line, List<EntryEntity> entries, List<Link> links, @Nullable Change change) {}

  /** An entry that gets the amount of a line. */
  record Change(
      UUID lineId, UUID entryId, int version, UUID bankId, long amountMinor, Draft draft) {}

  /** The accounts of entries that are changed for differences, to be locked before. */
  Set<UUID> accountsToChange(Collection<Accepted> accepted) {
    Set<UUID> accounts = new HashSet<>();
    Set<UUID> postings = new HashSet<>();
    for (Accepted a : accepted) {
      if (a.known() != null && a.known().differenceTo() != null) {
        accounts.add(a.known().differenceTo());
        postings.addAll(a.known().postingIds());
      }
    }
    List<UUID> changed =
        entries.postings(postings).values().stream().map(PostingEntity::entryId).toList();
    entries.postingsOf(changed).forEach(posting -> accounts.add(posting.accountId()));
    return accounts;
  }

  /**
   * What is wanted of the lines that are known, in their order.
   *
   * @param stays what becomes of those that are refused: {@code not-the-same}, {@code
   *     not-answered}, {@code posting-twice}, {@code difference-abroad}, {@code already-paired}
   */
  List<Wanted> wanted(
      List<Accepted> accepted, Found<BankLineEntity> lines, Chart chart, Stays stays) {
    List<Accepted> known = accepted.stream().filter(a -> a.known() != null).toList();
    if (known.isEmpty()) {
      return List.of();
    }
    Map<UUID, PostingEntity> postings =
        entries.postings(
            known.stream()
                .flatMap(a -> Objects.requireNonNull(a.known()).postingIds().stream())
                .toList());
    Set<UUID> of =
        postings.values().stream().map(PostingEntity::entryId).collect(Collectors.toSet());
    Set<UUID> linked =
        links.ofEntries(of).stream().map(Link::postingId).collect(Collectors.toSet());
    var read = new Read(lines, postings, linked, reader.byId(of), chart);
    Set<UUID> said = new HashSet<>();
    return known.stream()
        .flatMap(a -> stays.unless(a, () -> wanted(a, read, said)).stream())
        .toList();
  }

  private record Read(
      Found<BankLineEntity> lines,
      Map<UUID, PostingEntity> postings,
      Set<UUID> linked,
      EntryViews entries,
      Chart chart) {
    Account account(UUID id) {
      return chart.account(id);
    }

    /** A posting that no line confirms yet. */
    PostingEntity free(UUID id) {
      PostingEntity posting = postings.get(id);
      if (posting == null) {
        throw new NotFound("posting");
      }
      if (linked.contains(id)) {
        throw new Conflict(
            "already-paired",
            "No. %d already belongs to another bank line."
                .formatted(entries.of(posting.entryId()).no()));
      }
      return posting;
    }
  }

  /**
   * @param said the postings that lines before are said to be
   */
  private static Wanted wanted(Accepted accepted, Read read, Set<UUID> said) {
    Accepted.Known known = Objects.requireNonNull(accepted.known());
    List<PostingEntity> postings = known.postingIds().stream().map(read::free).toList();
    if (Set.copyOf(known.postingIds()).size() < postings.size()
        || known.postingIds().stream().anyMatch(said::contains)) {
      throw Refusal.ofField(
          "posting-twice", "lines", "Two lines are said to be one posting. It can be one of them.");
    }
    List<BankLineEntity> lines =
        accepted.seen().map(seen -> read.lines().of(seen.lineId())).toList();
    var pairing =
        new Pairing(
            lines.stream().map(l -> side(l.accountId(), l.amountMinor(), read)).toList(),
            postings.stream().map(p -> side(p.accountId(), p.amountMinor(), read)).toList());
    List<EntryEntity> of =
        postings.stream().map(p -> read.entries().of(p.entryId()).entry()).toList();
    Wanted wanted;
    if (known.differenceTo() != null) {
      wanted =
          new Wanted(
              accepted,
              of,
              List.of(),
              change(lines, postings, read.account(known.differenceTo()), read));
    } else {
      pairing.requireSame();
      wanted = new Wanted(accepted, of, links(lines, postings, pairing), null);
    }
    said.addAll(known.postingIds());
    return wanted;
  }

  private static List<Link> links(
      List<BankLineEntity> lines, List<PostingEntity> postings, Pairing pairing) {
    var links = new ArrayList<Link>();
    for (int l = 0; l < lines.size(); l++) {
      for (int p = 0; p < postings.size(); p++) {
        PostingEntity posting = postings.get(p);
        links.add(
            new Link(
                lines.get(l).id(),
                posting.id(),
                posting.entryId(),
                posting.accountId(),
                pairing.share(l, p).minor(),
                false));
      }
    }
    return links;
  }

  private static Pairing.Side side(UUID accountId, long minor, Read read) {
    return new Pairing.Side(accountId, Amount.ofMinor(minor, read.account(accountId).currency()));
  }

  private static Change change(
      List<BankLineEntity> lines, List<PostingEntity> postings, Account to, Read read) {
    if (lines.size() > 1 || postings.size() > 1) {
      throw Refusal.ofField(
          "not-answered", "lines", "A difference is that of one line to one entry.");
    }
    BankLineEntity line = lines.getFirst();
    EntryView entry = read.entries().of(postings.getFirst().entryId());
    int atBank =
        IntStream.range(0, entry.postings().size())
            .filter(i -> entry.postings().get(i).id().equals(postings.getFirst().id()))
            .findFirst()
            .orElseThrow();
    Amount amount = Amount.ofMinor(line.amountMinor(), read.account(line.accountId()).currency());
    return new Change(
        line.id(),
        entry.entry().id(),
        entry.entry().version(),
        line.accountId(),
        line.amountMinor(),
        Difference.placed(entry.toEntry(), atBank, amount, to));
  }

  /** Books the difference, if there is one; the links that are to be made then. */
  List<Link> carriedOut(Wanted wanted) {
    Change change = wanted.change();
    if (change == null) {
      return wanted.links();
    }
    revisions.revise(change.entryId(), change.version(), change.draft());
    PostingEntity now =
        entries.postingsOf(List.of(change.entryId())).stream()
            .filter(p ->
                p.accountId().equals(change.bankId()) && p.amountMinor() == change.amountMinor())
            .findFirst()
            .orElseThrow();
    return List.of(
        new Link(
            change.lineId(),
            now.id(),
            change.entryId(),
            change.bankId(),
            now.amountMinor(),
            false));
  }
}
