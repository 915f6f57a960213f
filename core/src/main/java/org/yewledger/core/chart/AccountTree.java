package org.yewledger.core.chart;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.joda.money.CurrencyUnit;
import org.jspecify.annotations.Nullable;
import org.yewledger.core.Refusal;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.money.Amount;

/**
 * The accounts of all books in their groups. Reading it costs linear time in the accounts; checks
 * of a move cost the depth of the tree.
 */
public final class AccountTree {
  private static final int LONGEST_NAME = 60;

  /** An account in its place. {@code parentId} is null at the top of its book. */
  public record Node(Account account, @Nullable UUID parentId, int place) {}

  /**
   * A node as the tree is read from the top.
   *
   * @param sum of it and all below; null of an empty group, and where it would add up two
   *     currencies
   */
  public record Row(Node node, int depth, @Nullable Amount sum) {}

  private final Map<UUID, Node> byId = new LinkedHashMap<>();
  private final Map<UUID, List<Node>> below = new HashMap<>();

  public AccountTree(List<Node> nodes) {
    for (Node node : nodes) {
      byId.put(node.account().id(), node);
      below
          .computeIfAbsent(keyOf(node.parentId(), node.account().bookId()), k -> new ArrayList<>())
          .add(node);
    }
    below.values().forEach(list -> list.sort(Comparator.comparingInt(Node::place)));
  }

  /** At the top of a book nodes stand below the book itself. */
  private static UUID keyOf(@Nullable UUID parentId, UUID bookId) {
    return parentId == null ? bookId : parentId;
  }

  /** The nodes below a group, or at the top of a book, in their order. */
  public List<Node> children(UUID groupOrBookId) {
    return below.getOrDefault(groupOrBookId, List.of());
  }

  /**
   * A book's accounts from the top, each before what stands below it, with its sum of {@code
   * values}.
   */
  public List<Row> rows(UUID bookId, Function<Account, Amount> values) {
    var rows = new ArrayList<Row>();
    for (Node node : children(bookId)) {
      addRows(node, 0, values, rows);
    }
    return rows;
  }

  /** Adds the rows of a node and what is below; answers the amounts there, one a currency. */
  private Map<CurrencyUnit, Amount> addRows(
      Node node, int depth, Function<Account, Amount> values, List<Row> rows) {
    int at = rows.size();
    rows.add(new Row(node, depth, null));
    Map<CurrencyUnit, Amount> sums = new HashMap<>();
    if (!node.account().group()) {
      Amount own = values.apply(node.account());
      sums.put(own.currency(), own);
    }
    for (Node child : children(node.account().id())) {
      addRows(child, depth + 1, values, rows)
          .forEach((currency, sum) -> sums.merge(currency, sum, Amount::plus));
    }
    rows.set(at, new Row(node, depth, sums.size() == 1 ? sums.values().iterator().next() : null));
    return sums;
  }

  /**
   * The currency that all accounts in a group share, however deep they stand; that of the account
   * itself where it is none. Empty where they differ, or where there is none.
   */
  public Optional<CurrencyUnit> commonCurrency(UUID id) {
    Node node = Objects.requireNonNull(byId.get(id));
    if (!node.account().group()) {
      return Optional.of(node.account().currency());
    }
    List<Optional<CurrencyUnit>> below =
        children(id).stream()
            .map(child -> commonCurrency(child.account().id()))
            .distinct()
            .toList();
    return below.size() == 1 ? below.getFirst() : Optional.empty();
  }

  /** Whether a node stands somewhere below a group, or is it. */
  public boolean isWithin(UUID id, UUID groupId) {
    for (Node node = byId.get(id); node != null; ) {
      if (node.account().id().equals(groupId)) {
        return true;
      }
      UUID parent = node.parentId();
      node = parent == null ? null : byId.get(parent);
    }
    return false;
  }

  /**
   * Checks a name before it is given.
   *
   * @param except the account that is renamed, null for a new one
   * @throws Refusal {@code name-missing}, {@code name-too-long}, or {@code name-taken} with where
   *     the other one stands
   */
  public String requireName(UUID bookId, String name, @Nullable UUID except) {
    String wanted = name.strip();
    if (wanted.isEmpty()) {
      throw Refusal.ofField("name-missing", "name", "Give the account a name.");
    }
    if (wanted.length() > LONGEST_NAME) {
      throw Refusal.ofField(
          "name-too-long", "name", "A name has at most %d letters.".formatted(LONGEST_NAME));
    }
    for (Node node : byId.values()) {
      Account other = node.account();
      if (other.bookId().equals(bookId)
          && !other.id().equals(except)
          && other.name().toLowerCase(Locale.ROOT).equals(wanted.toLowerCase(Locale.ROOT))) {
        throw Refusal.ofField(
            "name-taken",
            "name",
            "%s already has an account %s%s. Choose another name, or merge the two."
                .formatted(other.book().name(), other.name(), inGroup(node)));
      }
    }
    return wanted;
  }

  private String inGroup(Node node) {
    Node parent = node.parentId() == null ? null : byId.get(node.parentId());
    return parent == null ? "" : " in " + parent.account().name();
  }

  /**
   * Checks that an account may stand in a group; a set-aside, below an account at a bank.
   *
   * @param parentId null for the top of its book
   * @throws Refusal {@code circle}, {@code parent-not-group}, {@code parent-other-book}, {@code
   *     parent-other-class} or {@code set-aside-where}
   */
  public void requireMove(Account account, @Nullable UUID parentId) {
    if (parentId == null) {
      if (account.kind().isPart()) {
        throw setAsideWhere(account);
      }
      return;
    }
    Account parent = Objects.requireNonNull(byId.get(parentId)).account();
    if (isWithin(parentId, account.id())) {
      throw Refusal.ofField(
          "circle",
          "parentId",
          "%s stands in %s itself, so it cannot hold it. Choose a group outside of it."
              .formatted(parent.name(), account.name()));
    }
    if (account.kind().isPart()) {
      requirePlace(account, parent);
      return;
    }
    if (!parent.group()) {
      throw Refusal.ofField(
          "parent-not-group",
          "parentId",
          "%s is an account, not a group. Choose a group, or make one.".formatted(parent.name()));
    }
    if (!parent.bookId().equals(account.bookId())) {
      throw Refusal.ofField(
          "parent-other-book",
          "parentId",
          "%s belongs to %s, and accounts stay in their book. Copy the chart to the other book instead."
              .formatted(parent.name(), parent.book().name()));
    }
    if (parent.accountClass() != account.accountClass()) {
      throw Refusal.ofField(
          "parent-other-class",
          "parentId",
          "%s holds %s, and %s is %s."
              .formatted(
                  parent.name(),
                  parent.accountClass().plural(),
                  account.name(),
                  account.accountClass().singular()));
    }
  }

  private static void requirePlace(Account setAside, Account parent) {
    boolean fits =
        !parent.group()
            && parent.kind().hasStatements()
            && parent.bookId().equals(setAside.bookId())
            && parent.currency().equals(setAside.currency());
    if (!fits) {
      throw setAsideWhere(setAside);
    }
  }

  private static Refusal setAsideWhere(Account setAside) {
    return Refusal.ofField(
        "set-aside-where",
        "parentId",
        "%s is a set-aside: it stands below an account at a bank of the same book and currency."
            .formatted(setAside.name()));
  }
}
