package org.yewledger.app.payee;

import jakarta.persistence.EntityManager;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.payee.PayeeController.PayeeJson;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.gather.LineKey;

/** The household's payees: found by any part of a name, renamed, and known by what banks write. */
@Service
class PayeeService {
  private final EntityManager entities;
  private final ChartService charts;
  private final JdbcClient jdbc;
  private final PayeeNames names;
  private final Acts acts;

  PayeeService(
      EntityManager entities, ChartService charts, JdbcClient jdbc, PayeeNames names, Acts acts) {
    this.entities = entities;
    this.charts = charts;
    this.jdbc = jdbc;
    this.names = names;
    this.acts = acts;
  }

  /** The payees whose name, or what banks call them, has the text; the most used first. */
  @Transactional(readOnly = true)
  List<PayeeJson> find(String text, int most) {
    return names.mostUsed(text, most).stream()
        .map(u ->
            new PayeeJson(
                u.payee().id(),
                u.payee().version(),
                u.payee().name(),
                u.payee().knownAs(),
                u.entries()))
        .toList();
  }

  /**
   * Gives a payee another name and details, and says by which texts banks call it.
   *
   * @throws Refusal {@code payee-missing}; {@code not-a-category}; {@code known-as-unreadable};
   *     {@code name-taken} and {@code known-as-another}, naming the text
   */
  @Transactional
  @ForBookkeepers
  void change(UUID id, int version, String name, List<String> knownAs, PayeeDetails details) {
    PayeeEntity payee =
        Optional.ofNullable(entities.find(PayeeEntity.class, id))
            .orElseThrow(() -> new NotFound("payee"));
    if (payee.version() != version) {
      throw Conflict.changedMeanwhile("payee");
    }
    if (name.isBlank()) {
      throw Refusal.ofField("payee-missing", "name", "Say who this is.");
    }
    if (details.categoryId() != null) {
      charts.chart().account(details.categoryId()).requireCategory();
    }
    acts.begin(
        ActKind.PAYEES,
        payee.name().equals(name.strip())
            ? "Changed the payee " + payee.name()
            : "Renamed %s to %s".formatted(payee.name(), name.strip()));
    payee.change(name.strip(), details);
    entities.flush();
    UUID household = SignedIn.now().householdId();
    jdbc.sql("delete from payee_alias where household_id = ? and payee_id = ?")
        .params(household, id)
        .update();
    for (String text : knownAs) {
      know(household, id, text.strip());
    }
  }

  private void know(UUID household, UUID id, String text) {
    String key = LineKey.even(text);
    if (key.isEmpty()) {
      throw Refusal.ofField(
          "known-as-unreadable", "knownAs", "What banks call a payee has letters or digits.");
    }
    int kept =
        jdbc.sql(
                """
                insert into payee_alias (household_id, text_key, payee_id, text) values (?, ?, ?, ?)
                on conflict (household_id, text_key) do update set text = excluded.text
                 where payee_alias.payee_id = excluded.payee_id\
                """)
            .params(household, key, id, text)
            .update();
    if (kept == 0) {
      throw Refusal.ofField(
          "known-as-another",
          "knownAs",
          "Another payee is known as %s already. Take it away there first.".formatted(text));
    }
  }
}
