package org.yewledger.app.journal;

import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What entries are sought by, as SQL.
 *
 * @param holds a condition over {@code entry e}
 * @param finds a query by an index for the identities, as {@code id}, of entries between {@code
 *     :first} and {@code :last}, among which are all that it holds for; null where no index helps
 * @param exact whether it holds for all that are found so
 * @param indexed whether an index answers it as it stands, so that it needs not be found first
 */
record EntryCondition(String holds, @Nullable String finds, boolean exact, boolean indexed) {
  EntryCondition(String holds, String finds) {
    this(holds, finds, true);
  }

  EntryCondition(String holds, @Nullable String finds, boolean exact) {
    this(holds, finds, exact, false);
  }

  static EntryCondition only(String holds) {
    return new EntryCondition(holds, null, false);
  }

  /** Holds where any of them does; an index finds it if one finds each. */
  static EntryCondition anyOf(List<EntryCondition> conditions) {
    String holds =
        conditions.stream()
            .map(EntryCondition::holds)
            .collect(Collectors.joining(" or ", "(", ")"));
    boolean found = conditions.stream().map(EntryCondition::finds).allMatch(Objects::nonNull);
    return new EntryCondition(
        holds,
        found
            ? conditions.stream()
                .map(EntryCondition::finds)
                .collect(Collectors.joining(" union all "))
            : null,
        conditions.stream().allMatch(EntryCondition::exact),
        conditions.size() == 1 && conditions.getFirst().indexed());
  }

  EntryCondition not() {
    return only("not coalesce((" + holds + "), false)");
  }
}
