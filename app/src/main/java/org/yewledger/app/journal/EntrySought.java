package org.yewledger.app.journal;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * Which entries are sought, ready to be looked up.
 *
 * @param first the first day that counts
 * @param last the last one
 * @param conditions all of which hold
 * @param params what their SQL names
 */
record EntrySought(
    LocalDate first, LocalDate last, List<EntryCondition> conditions, Map<String, Object> params) {
  static final LocalDate FIRST_DAY = LocalDate.of(1, 1, 1);
  static final LocalDate LAST_DAY = LocalDate.of(9999, 12, 31);

  /** Of these days only, besides. */
  EntrySought within(LocalDate from, LocalDate to) {
    LocalDate begins = from.isAfter(first) ? from : first;
    LocalDate ends = to.isBefore(last) ? to : last;
    var changed = new HashMap<>(params);
    changed.put("first", begins);
    changed.put("last", ends);
    return new EntrySought(begins, ends, conditions, changed);
  }

  /** Whether only some days count. */
  boolean isWithinDays() {
    return first.isAfter(FIRST_DAY) || last.isBefore(LAST_DAY);
  }

  /** The queries by an index, each for the conditions that it answers. */
  List<String> finders() {
    return conditions.stream().map(EntryCondition::finds).filter(Objects::nonNull).toList();
  }

  /**
   * SQL for the entries that fit, as {@code e}, to be followed by more conditions.
   *
   * @param finder the query by which candidates are found; null to walk through the days
   */
  String from(@Nullable String finder) {
    String entries =
        finder == null || isIndexed(finder)
            ? "entry e"
            : "(select distinct id from (%s) found) f join entry e on e.household_id = :household and e.id = f.id"
                .formatted(finder);
    return "from %s where e.household_id = :household and e.date between :first and :last"
            .formatted(entries)
        + holding(finder);
  }

  private boolean isIndexed(String finder) {
    return conditions.stream().anyMatch(c -> c.indexed() && finder.equals(c.finds()));
  }

  /** SQL for the conditions on {@code e} that a finder leaves to be looked at, each after "and". */
  String holding(@Nullable String finder) {
    return conditions.stream()
        .filter(c -> c.indexed() || !(c.exact() && Objects.equals(finder, c.finds())))
        .map(c -> " and " + c.holds())
        .collect(Collectors.joining());
  }
}
