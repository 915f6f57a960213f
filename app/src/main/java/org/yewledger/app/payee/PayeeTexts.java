package org.yewledger.app.payee;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.gather.BankLine;
import org.yewledger.core.gather.LineKey;
import org.yewledger.core.rules.LastingWords;
import org.yewledger.core.rules.LearnedTexts;
import org.yewledger.core.rules.Words;

/** By which texts banks call payees, learned from how lines are posted. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
public class PayeeTexts {
  private final JdbcClient jdbc;

  PayeeTexts(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Notes that a text calls a payee; of two that are called so, it is the one posted last. */
  public void learn(Map<String, UUID> payeeIds) {
    Map<String, String> texts = new LinkedHashMap<>();
    payeeIds.keySet().stream()
        .sorted()
        .filter(text -> !LineKey.even(text).isEmpty())
        .forEach(text -> texts.put(LineKey.even(text), text));
    if (texts.isEmpty()) {
      return;
    }
    jdbc.sql(
            """
            insert into payee_alias (household_id, text_key, payee_id, text)
            select ?, * from unnest(?, ?, ?)
            on conflict (household_id, text_key) do update set payee_id = excluded.payee_id
             where payee_alias.payee_id <> excluded.payee_id\
            """)
        .params(
            SignedIn.now().householdId(),
            texts.keySet().toArray(String[]::new),
            texts.values().stream().map(payeeIds::get).toArray(UUID[]::new),
            texts.values().toArray(String[]::new))
        .update();
  }

  /**
   * Whom a text calls.
   *
   * @param likeTexts the texts of the payee that it is like; empty where it is known itself
   */
  public record Called(UUID payeeId, List<String> likeTexts) {}

  /** The payees that some texts call; a text that calls nobody is missing. */
  public Map<String, Called> calledBy(Collection<String> texts) {
    Map<String, String> byKey = new HashMap<>();
    texts.forEach(text -> byKey.put(LineKey.even(text), text));
    Map<String, Called> called = new HashMap<>();
    jdbc.sql(
            "select text_key, payee_id from payee_alias where household_id = ? and text_key = any(?)")
        .params(SignedIn.now().householdId(), byKey.keySet().toArray(String[]::new))
        .query(row -> {
          called.put(
              byKey.get(row.getString(1)), new Called(row.getObject(2, UUID.class), List.of()));
        });
    List<String> unknown = texts.stream().filter(text -> !called.containsKey(text)).toList();
    LearnedTexts learned = learned(unknown);
    unknown.forEach(text ->
        learned
            .like(text)
            .ifPresent(like -> called.put(text, new Called(like.payeeId(), like.texts()))));
    return called;
  }

  /** What is learned from the known texts that begin as some unknown ones do. */
  private LearnedTexts learned(Collection<String> unknown) {
    Map<String, UUID> payees = new HashMap<>();
    jdbc.sql(
            """
            select text, payee_id from payee_alias
             where household_id = ? and split_part(upper(text), ' ', 1) = any(?)\
            """)
        .params(
            SignedIn.now().householdId(),
            unknown.stream().map(LearnedTexts::firstWord).distinct().toArray(String[]::new))
        .query(row -> {
          payees.put(row.getString(1), row.getObject(2, UUID.class));
        });
    return LearnedTexts.of(payees);
  }

  /**
   * The lasting words of a line, without what the household's texts show to be a branch or town.
   */
  public Words lasting(BankLine line) {
    Words words = LastingWords.of(line);
    return learned(List.of(words.toString()))
        .like(words.toString())
        .map(LearnedTexts.Like::lasting)
        .orElse(words);
  }
}
