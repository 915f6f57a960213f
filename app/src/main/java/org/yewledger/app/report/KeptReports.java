package org.yewledger.app.report;

import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.platform.ForBookkeepers;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.report.KeptReportController.KeptReportJson;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.report.AlmanacReports;

/** Reports that are kept by a name, for everybody in the household. */
@Service
class KeptReports {
  private final JdbcClient jdbc;
  private final Acts acts;

  KeptReports(JdbcClient jdbc, Acts acts) {
    this.jdbc = jdbc;
    this.acts = acts;
  }

  @Transactional(readOnly = true)
  List<KeptReportJson> all() {
    return jdbc.sql(
            "select id, name, address, on_almanac from kept_report where household_id = ? order by lower(name)")
        .param(SignedIn.now().householdId())
        .query((row, no) ->
            new KeptReportJson(
                Objects.requireNonNull(row.getObject(1, UUID.class)),
                row.getString(2),
                row.getString(3),
                row.getBoolean(4)))
        .list();
  }

  private KeptReportJson one(UUID id) {
    return all().stream()
        .filter(report -> report.id().equals(id))
        .findFirst()
        .orElseThrow(() -> new NotFound("report"));
  }

  /**
   * Keeps a report; what was kept by the name before is replaced.
   *
   * @throws Refusal {@code report-missing} without a name
   */
  @Transactional
  @ForBookkeepers
  void keep(String name, String address) {
    if (name.isBlank()) {
      throw Refusal.ofField("report-missing", "name", "Give it a name.");
    }
    acts.begin(ActKind.KEPT_VIEWS, "Kept the report " + name.strip());
    jdbc.sql(
            """
            insert into kept_report (household_id, id, name, address) values (?, ?, ?, ?)
            on conflict (household_id, lower(name)) do update set name = excluded.name, address = excluded.address\
            """)
        .params(SignedIn.now().householdId(), Ids.next(), name.strip(), address)
        .update();
  }

  /**
   * @throws NotFound if it is not there
   */
  @Transactional
  @ForBookkeepers
  void forget(UUID id) {
    acts.begin(ActKind.KEPT_VIEWS, "Forgot the report " + one(id).name());
    jdbc.sql("delete from kept_report where household_id = ? and id = ?")
        .params(SignedIn.now().householdId(), id)
        .update();
  }

  /**
   * Puts a report on the Almanac, or takes it off.
   *
   * @throws NotFound if it is not there
   * @throws Refusal {@code almanac-full}
   */
  @Transactional
  @ForBookkeepers
  void stand(UUID id, boolean onAlmanac) {
    KeptReportJson report = one(id);
    if (report.onAlmanac() == onAlmanac) {
      return;
    }
    if (onAlmanac) {
      AlmanacReports.requireRoom((int) all().stream().filter(KeptReportJson::onAlmanac).count());
    }
    acts.begin(
        ActKind.KEPT_VIEWS,
        (onAlmanac ? "Put the report %s on the Almanac" : "Took the report %s off the Almanac")
            .formatted(report.name()));
    jdbc.sql("update kept_report set on_almanac = ? where household_id = ? and id = ?")
        .params(onAlmanac, SignedIn.now().householdId(), id)
        .update();
  }
}
