package org.yewledger.core.plan;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;

/**
 * An amount divided over the purposes of an account, a pay packet, say: what is placed leaves what
 * is free, and what is not placed stays free. With nothing to place it moves from one purpose to
 * another.
 *
 * @param toPlace zero or above
 * @param placed by purpose; below zero what is taken out of one
 */
public record Division(SetAsides of, Amount toPlace, Map<UUID, Amount> placed) {
  public Division {
    placed = Map.copyOf(placed);
  }

  public Amount placedInAll() {
    return Amount.sum(of.account().currency(), placed.values());
  }

  public Amount stillToPlace() {
    return toPlace.minus(placedInAll());
  }

  /**
   * The one entry that it is; the bank's balance stays as it is.
   *
   * @throws Refusal {@code division-below-zero}, {@code purpose-elsewhere}, {@code division-empty},
   *     {@code division-too-much}
   */
  public Entry entry(LocalDate day) {
    require();
    return moved("Set aside", of, placed, day);
  }

  /**
   * Whether it can be so, whatever is there.
   *
   * @throws Refusal as {@link #entry} does
   */
  public void require() {
    if (toPlace.sign() < 0) {
      throw Refusal.ofField("division-below-zero", "toPlace", "What is divided is zero or more.");
    }
    placed.keySet().forEach(this::requirePurpose);
    if (placed.values().stream().allMatch(Amount::isZero)) {
      throw Refusal.ofField("division-empty", "placed", "Nothing is placed. Type an amount.");
    }
    if (stillToPlace().sign() < 0) {
      throw Refusal.ofField(
          "division-too-much",
          "placed",
          "%s is placed of %s: %s too much."
              .formatted(placedInAll().shown(), toPlace.shown(), stillToPlace().negated().shown()));
    }
  }

  private void requirePurpose(UUID id) {
    if (of.purpose(id).isEmpty()) {
      throw Refusal.ofField(
          "purpose-elsewhere",
          "placed",
          "That is no set-aside in %s.".formatted(of.account().name()));
    }
  }

  /**
   * What moves between an account and its purposes; what these get or give, the account does not.
   */
  static Entry moved(String payee, SetAsides of, Map<UUID, Amount> placed, LocalDate day) {
    List<Posting> postings = new ArrayList<>();
    for (SetAsides.Purpose purpose : of.purposes()) {
      Account account = purpose.account();
      Amount amount = placed.get(account.id());
      if (amount != null && !amount.isZero()) {
        postings.add(new Posting(account, amount));
      }
    }
    Amount leaves = Amount.sum(of.account().currency(), placed.values());
    if (!leaves.isZero()) {
      postings.add(new Posting(of.account(), leaves.negated()));
    }
    return new Entry(day, payee, "", Entry.Origin.BY_HAND, postings);
  }
}
