package org.yewledger.app.export;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.core.simple.JdbcClient.StatementSpec;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.platform.Conflict;
import org.yewledger.app.platform.Ids;
import org.yewledger.app.platform.NotFound;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.export.ExportDays;
import org.yewledger.core.export.ExportOf;
import org.yewledger.core.export.ExportPlan;
import org.yewledger.core.export.ExportPlan.Column;
import org.yewledger.core.export.ExportPlan.DayForm;
import org.yewledger.core.export.ExportPlan.Delivery;
import org.yewledger.core.export.ExportPlan.Format;
import org.yewledger.core.export.ExportPlan.Written;
import tools.jackson.databind.json.JsonMapper;

/** The exports that a household has saved, as rows. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class KeptExports {
  /**
   * @param version as it has to be said to change it
   */
  record KeptExport(UUID id, int version, ExportPlan plan) {}

  private static final String COLUMNS =
      """
      id, version, name, rows_are, book_id, account_id, filter, days, columns::text as columns, format, day_form,
      decimal_comma, delivery::text as delivery\
      """;

  private final JdbcClient jdbc;
  private final JsonMapper json;

  KeptExports(JdbcClient jdbc, JsonMapper json) {
    this.jdbc = jdbc;
    this.json = json;
  }

  /** By name. */
  List<KeptExport> all() {
    return jdbc.sql(
            "select %s from kept_export where household_id = ? order by lower(name)"
                .formatted(COLUMNS))
        .param(SignedIn.now().householdId())
        .query((row, no) -> kept(row))
        .list();
  }

  /**
   * @throws NotFound if it is not there
   */
  KeptExport find(UUID id) {
    return jdbc.sql(
            "select %s from kept_export where household_id = ? and id = ?".formatted(COLUMNS))
        .params(SignedIn.now().householdId(), id)
        .query((row, no) -> kept(row))
        .optional()
        .orElseThrow(() -> new NotFound("export"));
  }

  UUID add(ExportPlan plan) {
    UUID id = Ids.next();
    with(
            plan,
            """
            insert into kept_export (household_id, id, name, rows_are, book_id, account_id, filter, days, columns, format,
                                     day_form, decimal_comma, delivery, made_by)
            values (:household, :id, :name, :rowsAre, :book, :account, :filter, :days, :columns::jsonb, :format,
                    :dayForm, :decimalComma, :delivery::jsonb, :madeBy)\
            """)
        .param("id", id)
        .param("madeBy", SignedIn.now().personId())
        .update();
    return id;
  }

  /**
   * @throws Conflict if it has changed since
   */
  void change(UUID id, int version, ExportPlan plan) {
    int changed =
        with(
                plan,
                """
                update kept_export set name = :name, rows_are = :rowsAre, book_id = :book, account_id = :account,
                  filter = :filter, days = :days, columns = :columns::jsonb, format = :format, day_form = :dayForm,
                  decimal_comma = :decimalComma, delivery = :delivery::jsonb, version = version + 1
                 where household_id = :household and id = :id and version = :version\
                """)
            .param("id", id)
            .param("version", version)
            .update();
    requireOne(changed);
  }

  /**
   * @throws Conflict if it has changed since
   */
  void remove(UUID id, int version) {
    requireOne(
        jdbc.sql("delete from kept_export where household_id = ? and id = ? and version = ?")
            .params(SignedIn.now().householdId(), id, version)
            .update());
  }

  /** An account that is merged into another. */
  void merged(UUID from, UUID into) {
    jdbc.sql(
            "update kept_export set account_id = ?, version = version + 1 where household_id = ? and account_id = ?")
        .params(into, SignedIn.now().householdId(), from)
        .update();
  }

  private static void requireOne(int changed) {
    if (changed == 0) {
      throw Conflict.changedMeanwhile("export");
    }
  }

  private StatementSpec with(ExportPlan plan, String sql) {
    Delivery delivery = plan.delivery();
    return jdbc.sql(sql)
        .param("household", SignedIn.now().householdId())
        .param("name", plan.name())
        .param("rowsAre", plan.of().name())
        .param("book", plan.bookId(), Types.OTHER)
        .param("account", plan.accountId(), Types.OTHER)
        .param("filter", plan.filter())
        .param("days", plan.days().name())
        .param("columns", json.writeValueAsString(plan.columns()))
        .param("format", plan.format().name())
        .param("dayForm", plan.written().days().name())
        .param("decimalComma", plan.written().decimalComma())
        .param(
            "delivery", delivery == null ? null : json.writeValueAsString(delivery), Types.VARCHAR);
  }

  private KeptExport kept(ResultSet row) throws SQLException {
    return new KeptExport(
        Objects.requireNonNull(row.getObject("id", UUID.class)),
        row.getInt("version"),
        new ExportPlan(
            row.getString("name"),
            ExportOf.valueOf(row.getString("rows_are")),
            row.getObject("book_id", UUID.class),
            row.getObject("account_id", UUID.class),
            row.getString("filter"),
            ExportDays.valueOf(row.getString("days")),
            List.of(json.readValue(row.getString("columns"), Column[].class)),
            Format.valueOf(row.getString("format")),
            new Written(
                DayForm.valueOf(row.getString("day_form")), row.getBoolean("decimal_comma")),
            delivery(row.getString("delivery"))));
  }

  private @Nullable Delivery delivery(@Nullable String text) {
    return text == null ? null : json.readValue(text, Delivery.class);
  }
}
