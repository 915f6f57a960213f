package org.yewledger.app.post;

import jakarta.persistence.EntityManager;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.bankline.BankLineStateEntity;
import org.yewledger.app.bankline.BankLineStateEntity.State;
import org.yewledger.app.bankline.LineLinks;
import org.yewledger.app.bankline.LineLinks.Link;
import org.yewledger.app.bankline.LineStates;
import org.yewledger.app.chart.AccountLocks;
import org.yewledger.app.journal.EntryEntity;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.app.journal.PostingEntity;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.reconcile.StatementEntity;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.post.TakingBack;

/**
 * Takes posted lines back: they wait again. An entry goes with the line that it was made from,
 * unless other lines confirm it too; one that was made by hand, or from another line, stays.
 */
@Service
public class TakeBackService {
  private final EntityManager entities;
  private final AccountLocks locks;
  private final LineStates states;
  private final LineLinks links;
  private final EntryStore entries;
  private final Acts acts;

  TakeBackService(
      EntityManager entities,
      AccountLocks locks,
      LineStates states,
      LineLinks links,
      EntryStore entries,
      Acts acts) {
    this.entities = entities;
    this.locks = locks;
    this.states = states;
    this.links = links;
    this.entries = entries;
    this.acts = acts;
  }

  /**
   * Takes lines back, all or none, as one act.
   *
   * @throws Refusal if an entry is part of a statement already
   */
  @Transactional
  @ForBookkeepers
  public void takeBack(List<UUID> lineIds) {
    var wanted = new HashSet<>(lineIds);
    locks.shared(
        states.lines(wanted).all().stream().map(l -> l.accountId()).collect(Collectors.toSet()));
    for (BankLineStateEntity state : states.locked(wanted).all()) {
      if (state.state() != State.POSTED) {
        throw Conflict.changedMeanwhile("line");
      }
    }
    Booked booked = booked(wanted);
    for (PostingEntity posting : booked.postings()) {
      requireNotTicked(posting, booked);
    }
    acts.begin(ActKind.TAKE_BACK, inWords(booked, wanted));
    takeOut(wanted, booked);
  }

  /**
   * Takes all lines back that confirm an entry, as one act.
   *
   * @throws Refusal {@code no-line} if none does, or as {@link #takeBack} does
   */
  @Transactional
  @ForBookkeepers
  public void takeBackLinesOf(UUID entryId) {
    List<UUID> lines =
        links.ofEntries(List.of(entryId)).stream().map(Link::bankLineId).distinct().toList();
    if (lines.isEmpty()) {
      if (!entries.byId(List.of(entryId)).containsKey(entryId)) {
        throw new NotFound("entry");
      }
      throw Refusal.of("no-line", "No bank line confirms this entry; delete or void it instead.");
    }
    takeBack(lines);
  }

  /**
   * Takes lines out of the journal as far as they are there, even where they are ticked for a
   * statement that is not finished. The lines, and the accounts that they stand on, are locked by
   * the caller.
   *
   * @return why a line stays, by line; those that are not in it are out of the journal now
   */
  @Transactional
  @ForBookkeepers
  public Map<UUID, String> takeBackUnlessReconciled(Collection<UUID> lineIds) {
    Booked all = booked(lineIds);
    Map<UUID, String> reconciled = new HashMap<>();
    for (PostingEntity posting : all.postings()) {
      if (posting.statementId() != null) {
        StatementEntity statement = entities.find(StatementEntity.class, posting.statementId());
        if (statement.isFinished()) {
          reconciled.put(
              posting.entryId(),
              "No. %d is reconciled in the statement of %s."
                  .formatted(all.entry(posting).no(), statement.closesOn()));
        }
      }
    }
    Map<UUID, String> left = new HashMap<>();
    Set<UUID> going = new HashSet<>();
    for (Link link : all.links()) {
      String why = reconciled.get(link.entryId());
      if (why != null) {
        left.put(link.bankLineId(), why);
      }
    }
    all.ofLines(lineIds).stream()
        .map(Link::bankLineId)
        .filter(line -> !left.containsKey(line))
        .forEach(going::add);
    Booked booked = booked(going);
    booked.postings().forEach(posting -> posting.tickFor(null));
    entities.flush();
    takeOut(going, booked);
    return left;
  }

  /** The entries that lines confirm, with all of their postings and all of their links. */
  private record Booked(
      Map<UUID, EntryEntity> entries, List<PostingEntity> postings, List<Link> links) {
    EntryEntity entry(PostingEntity posting) {
      return java.util.Objects.requireNonNull(entries.get(posting.entryId()));
    }

    List<Link> ofLines(Collection<UUID> lines) {
      return links.stream().filter(k -> lines.contains(k.bankLineId())).toList();
    }
  }

  private Booked booked(Collection<UUID> lineIds) {
    Set<UUID> ids = links.of(lineIds).stream().map(Link::entryId).collect(Collectors.toSet());
    List<PostingEntity> postings = entries.postingsOf(ids);
    return new Booked(entries.byId(ids), postings, links.ofEntries(ids));
  }

  private void takeOut(Set<UUID> lineIds, Booked booked) {
    if (lineIds.isEmpty()) {
      return;
    }
    var going = new ArrayList<UUID>();
    booked
        .entries()
        .values()
        .forEach(entry -> {
          var lines = new ArrayList<TakingBack.Line>();
          booked.links().stream()
              .filter(k -> k.entryId().equals(entry.id()))
              .forEach(k ->
                  lines.add(new TakingBack.Line(k.madeEntry(), lineIds.contains(k.bankLineId()))));
          switch (TakingBack.of(entry.origin(), lines)) {
            case GOES -> going.add(entry.id());
            case STAYS_BY_HAND -> entry.stayByHand();
            case STAYS -> {}
          }
        });
    entities.flush();
    links.remove(lineIds);
    if (!going.isEmpty()) {
      entries.remove(going);
    }
    states.become(lineIds, State.WAITING);
    entries.forgetRead();
  }

  private static String inWords(Booked booked, Set<UUID> lines) {
    if (lines.size() > 1) {
      return "Took back %d lines".formatted(lines.size());
    }
    EntryEntity entry = booked.entries().values().iterator().next();
    return "Took back no. %d, %s".formatted(entry.no(), entry.payee());
  }

  private void requireNotTicked(PostingEntity posting, Booked booked) {
    if (posting.statementId() != null) {
      StatementEntity statement = entities.find(StatementEntity.class, posting.statementId());
      throw Refusal.of(
          "already-ticked",
          "No. %d is ticked for the statement of %s. Untick it there first."
              .formatted(booked.entry(posting).no(), statement.closesOn()));
    }
  }
}
