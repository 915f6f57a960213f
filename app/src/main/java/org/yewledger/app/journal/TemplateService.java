package org.yewledger.app.journal;

import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.chart.TaxRateService;
import org.yewledger.app.journal.EntryReader.EntryView;
import org.yewledger.app.journal.EntryReader.EntryViews;
import org.yewledger.app.journal.TemplateController.TemplateJson;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.entry.Template;
import org.yewledger.core.ledger.SalesTaxes;

/** Entries that others are typed after, kept by a name. */
@Service
class TemplateService {
  /** So many are offered; a household has a few. */
  private static final int MOST = 200;

  private record Kept(UUID id, String name, UUID entryId) {}

  private final JdbcClient jdbc;
  private final EntryReader reader;
  private final ChartService charts;
  private final TaxRateService taxRates;
  private final Acts acts;

  TemplateService(
      JdbcClient jdbc,
      EntryReader reader,
      ChartService charts,
      TaxRateService taxRates,
      Acts acts) {
    this.jdbc = jdbc;
    this.reader = reader;
    this.charts = charts;
    this.taxRates = taxRates;
    this.acts = acts;
  }

  /** All templates, by name. */
  @Transactional(readOnly = true)
  List<TemplateJson> templates() {
    List<Kept> kept =
        jdbc.sql(
                """
                select id, name, entry_id from entry_template
                 where household_id = ? order by lower(name) limit ?\
                """)
            .params(SignedIn.now().householdId(), MOST)
            .query((row, no) ->
                new Kept(
                    row.getObject(1, UUID.class), row.getString(2), row.getObject(3, UUID.class)))
            .list();
    EntryViews entries = reader.byId(kept.stream().map(Kept::entryId).toList());
    SalesTaxes taxes = taxRates.taxes(charts.chart());
    return kept.stream()
        .map(k -> {
          EntryView view = entries.of(k.entryId());
          return TemplateJson.of(k.id(), k.name(), view.no(), Template.of(view.toEntry(), taxes));
        })
        .toList();
  }

  /**
   * Keeps an entry as a template by a name; the one of that name is replaced.
   *
   * @throws Refusal {@code template-missing} without a name
   * @throws NotFound if the entry is not there
   */
  @Transactional
  @ForBookkeepers
  public void keep(String name, UUID entryId) {
    if (name.isBlank()) {
      throw Refusal.ofField("template-missing", "name", "Give it a name.");
    }
    EntryView entry = reader.find(entryId);
    acts.begin(
        ActKind.TEMPLATES, "Kept no. %d as the template %s".formatted(entry.no(), name.strip()));
    jdbc.sql(
            """
            insert into entry_template (household_id, id, name, entry_id) values (?, ?, ?, ?)
            on conflict (household_id, lower(name)) do update set name = excluded.name, entry_id = excluded.entry_id\
            """)
        .params(SignedIn.now().householdId(), Ids.next(), name.strip(), entryId)
        .update();
  }

  /**
   * @throws NotFound if it is not there
   */
  @Transactional
  @ForBookkeepers
  public void forget(UUID id) {
    UUID household = SignedIn.now().householdId();
    String name =
        jdbc.sql("select name from entry_template where household_id = ? and id = ?")
            .params(household, id)
            .query(String.class)
            .optional()
            .orElseThrow(() -> new NotFound("template"));
    acts.begin(ActKind.TEMPLATES, "Forgot the template " + name);
    jdbc.sql("delete from entry_template where household_id = ? and id = ?")
        .params(household, id)
        .update();
  }
}
