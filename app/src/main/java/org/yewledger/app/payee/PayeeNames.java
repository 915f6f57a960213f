package org.yewledger.app.payee;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.payee.PayeeUse.Lately;
import org.yewledger.app.platform.SignedIn;

/** Looks payees up by parts of their names. */
@Component
@Transactional(propagation = Propagation.SUPPORTS)
public class PayeeNames {
  /**
   * @param version to be sent back when it is changed
   * @param knownAs what banks call it
   */
  public record Named(
      UUID id, int version, String name, List<String> knownAs, PayeeDetails details) {
    /** All that it is called. */
    public List<String> names() {
      return Stream.concat(Stream.of(name), knownAs.stream()).toList();
    }
  }

  /**
   * A payee, and how often it is met.
   *
   * @param entries how many it has
   */
  public record Used(Named payee, int entries) {}

  /** More are not looked at; a household knows thousands. */
  private static final int MOST = 20_000;

  private final JdbcClient jdbc;
  private final PayeeUse use;

  PayeeNames(JdbcClient jdbc, PayeeUse use) {
    this.jdbc = jdbc;
    this.use = use;
  }

  /** The payees with the part in their names that were met most of late; at most so many. */
  public List<Named> metMost(String part, int most) {
    List<Named> found = having(part);
    Map<UUID, Lately> met = use.lately(found.stream().map(Named::id).toList());
    Function<Named, Lately> lately = p -> met.getOrDefault(p.id(), Lately.NEVER);
    return found.stream()
        .sorted(Comparator.comparing(lately, Lately.MOST_FIRST).thenComparing(Named::name))
        .limit(most)
        .toList();
  }

  /** The same with the number of all their entries, the most first. */
  public List<Used> mostUsed(String part, int most) {
    List<Named> met = metMost(part, most);
    Map<UUID, Integer> used = use.of(met.stream().map(Named::id).toList());
    return met.stream()
        .map(p -> new Used(p, used.getOrDefault(p.id(), 0)))
        .sorted(
            Comparator.comparingInt((Used u) -> -u.entries()).thenComparing(u -> u.payee().name()))
        .toList();
  }

  /** The payees whose name, or what banks call them, has the part, by name. */
  public List<Named> having(String part) {
    return jdbc.sql(
            """
            select p.id, p.version, p.name, p.category_id, p.account_number, p.contact, p.note, array(select a.text from payee_alias a
                    where a.household_id = p.household_id and a.payee_id = p.id order by a.text) as known_as
              from payee p
             where p.household_id = :household
               and (lower(p.name) like :pattern escape '!' or exists (select 1 from payee_alias a
                     where a.household_id = p.household_id and a.payee_id = p.id and lower(a.text) like :pattern escape '!'))
             order by p.name limit :most\
            """)
        .param("household", SignedIn.now().householdId())
        .param("pattern", pattern(part))
        .param("most", MOST)
        .query((row, no) ->
            new Named(
                row.getObject("id", UUID.class),
                row.getInt("version"),
                row.getString("name"),
                List.of((String[]) row.getArray("known_as").getArray()),
                new PayeeDetails(
                    row.getObject("category_id", UUID.class),
                    row.getString("account_number"),
                    row.getString("contact"),
                    row.getString("note"))))
        .list();
  }

  /**
   * What somebody has said that the entries of the payee of this name go to; empty if nobody has.
   */
  public Optional<UUID> categoryOf(String name) {
    return jdbc.sql(
            """
            select category_id from payee
             where household_id = ? and lower(name) = lower(?) and category_id is not null\
            """)
        .params(SignedIn.now().householdId(), name.strip())
        .query(UUID.class)
        .optional();
  }

  /** For {@code like ... escape '!'}, over texts in small letters. */
  public static String pattern(String part) {
    String text = part.strip().toLowerCase(Locale.ROOT);
    return "%" + text.replace("!", "!!").replace("%", "!%").replace("_", "!_") + "%";
  }
}
