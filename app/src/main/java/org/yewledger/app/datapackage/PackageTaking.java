package org.yewledger.app.datapackage;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.act.Acts;
import org.yewledger.app.chart.ChartService;
import org.yewledger.app.datapackage.TableColumns.Column;
import org.yewledger.app.platform.ForOwners;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.HouseholdNumbers;
import org.yewledger.app.platform.Migrations;
import org.yewledger.app.platform.Secrets;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.app.rules.RuleService;
import org.yewledger.core.Refusal;
import org.yewledger.core.act.ActKind;
import org.yewledger.formats.UnreadableFile;
import org.yewledger.formats.datapackage.DataPackageFile;
import tools.jackson.databind.JsonNode;

/**
 * Takes a data package into an empty household, all or nothing. Rows go in as any others do, under
 * the same rules: the database refuses what cannot be in books. Who did something is whoever takes
 * it in; the package's history of acts begins anew.
 */
@Component
public class PackageTaking {
  /** The schema of the first packages; what is older is nowhere. */
  private static final int OLDEST_MIGRATION = 54;

  private static final String WITHOUT_STATE =
      "delete from bank_line_state s using bank_line l where l.household_id = :household and l.taken_back_at is not null"
          + " and s.household_id = :household and s.bank_line_id = l.id";

  /** What was taken in. */
  public record TakenIn(String name, long entries, long attachments) {}

  private final JdbcClient jdbc;
  private final TableColumns columns;
  private final HouseholdNumbers numbers;
  private final ChartService charts;
  private final RuleService rules;
  private final Acts acts;

  PackageTaking(
      JdbcClient jdbc,
      TableColumns columns,
      HouseholdNumbers numbers,
      ChartService charts,
      RuleService rules,
      Acts acts) {
    this.charts = charts;
    this.rules = rules;
    this.jdbc = jdbc;
    this.columns = columns;
    this.numbers = numbers;
    this.acts = acts;
  }

  /**
   * Cost: reads the file twice, once to prove it whole.
   *
   * @throws UnreadableFile if the file is no data package, or cut short or damaged
   * @throws Refusal {@code household-not-empty}, {@code package-foreign}, {@code package-newer},
   *     {@code package-refused}
   */
  @Transactional
  @ForOwners
  public TakenIn takeIn(Path file) throws IOException {
    requireEmpty();
    try (DataPackageFile whole = DataPackageFile.open(file)) {
      requireKnown(whole);
      List<String> household = household(whole);
      acts.begin(
          ActKind.BEGIN_HOUSEHOLD,
          "Took in %s from a data package".formatted(household.getFirst()));
      for (PackagedTable table : PackagedTable.ALL) {
        if (table.name().equals("attachment")) {
          attachments(whole);
        }
        insert(whole, table);
        if (table.name().equals("bank_line")) {
          lineStates(whole);
        }
      }
      for (PackagedTable table : PackagedTable.ALL) {
        if (!table.later().isEmpty()) {
          fill(whole, table);
        }
      }
      insert(whole, PackagedTable.CLOSED_MONTHS);
      goOnNumbering(HouseholdNumbers.Of.ENTRY, "entry");
      goOnNumbering(HouseholdNumbers.Of.BATCH, "batch");
      call(household);
      prove();
      requireReadable();
      jdbc.sql("select know_new_rows()").query(row -> {});
      return new TakenIn(household.getFirst(), count("entry"), count("attachment"));
    }
  }

  private static UUID householdId() {
    return SignedIn.now().householdId();
  }

  /** Held until the end, so that nobody begins with the same household meanwhile. */
  private void requireEmpty() {
    jdbc.sql("select 1 from household where id = ? for update")
        .param(householdId())
        .query(row -> {});
    if (count("book") > 0) {
      throw Refusal.of(
          "household-not-empty",
          "This household has books already. Begin another household, and take the package in there.");
    }
  }

  private long count(String table) {
    return jdbc.sql("select count(*) from %s where household_id = ?".formatted(table))
        .param(householdId())
        .query((row, no) -> row.getLong(1))
        .single();
  }

  private static void requireKnown(DataPackageFile whole) {
    JsonNode migration = whole.property("yew").path("migration");
    if (!migration.isIntegralNumber() || migration.asInt() < OLDEST_MIGRATION) {
      throw Refusal.of(
          "package-foreign",
          "It is a data package, but none that Yew Ledger wrote. Bank lines and entries in tables are gathered instead.");
    }
    if (migration.asInt() > Migrations.newest()) {
      throw Refusal.of(
          "package-newer",
          "The package was written by a newer version: schema %d, where this one knows %d."
              .formatted(migration.asInt(), Migrations.newest()));
    }
  }

  /** Name and time zone. */
  private static List<String> household(DataPackageFile whole) throws IOException {
    List<List<String>> rows = new ArrayList<>();
    whole.rows("household", (line, cells) -> rows.add(cells));
    if (rows.size() != 2 || rows.getLast().size() != 2) {
      throw UnreadableFile.whole("data/household.csv has to say name and time zone.");
    }
    return rows.getLast();
  }

  private void call(List<String> household) {
    jdbc.sql("update household set name = ?, time_zone = ? where id = ?")
        .params(household.getFirst(), HouseholdDays.named(household.getLast()), householdId())
        .update();
  }

  private void insert(DataPackageFile whole, PackagedTable table) throws IOException {
    Map<String, Column> of = columns.of(table.name());
    new PackagedRows(table.name(), of, table.later())
        .read(
            whole,
            (header, rows) ->
                jdbc.sql(
                        "insert into %s (household_id, %s) select ?, %s from jsonb_populate_recordset(null::%s, ?::jsonb) r"
                            .formatted(
                                table.name(),
                                String.join(", ", header),
                                header.stream()
                                    .map(c -> "r." + c)
                                    .collect(Collectors.joining(", ")),
                                table.name()))
                    .params(householdId(), rows.toString())
                    .update());
  }

  /** What became of the lines; a state begins with its line, so all are there. */
  private void lineStates(DataPackageFile whole) throws IOException {
    PackagedTable table = PackagedTable.LINE_STATES;
    Map<String, Column> of = columns.of(table.name());
    String sql = changing(table, "bank_line_id", of, column -> true);
    new PackagedRows(table.name(), of, Set.of())
        .read(
            whole, (header, rows) -> jdbc.sql(sql).params(rows.toString(), householdId()).update());
    jdbc.sql(WITHOUT_STATE).param("household", householdId()).update();
  }

  /** Fills columns that were left empty; row by row, since each may need the one before. */
  private void fill(DataPackageFile whole, PackagedTable table) throws IOException {
    Map<String, Column> of = columns.of(table.name());
    String sql = changing(table, "id", of, column -> table.later().contains(column.name()));
    new PackagedRows(table.name(), of, Set.of())
        .read(
            whole,
            (header, rows) ->
                rows.valueStream()
                    .filter(row -> table.later().stream().anyMatch(row::hasNonNull))
                    .forEach(row ->
                        jdbc.sql(sql).params("[%s]".formatted(row), householdId()).update()));
  }

  private static String changing(
      PackagedTable table, String key, Map<String, Column> of, Predicate<Column> which) {
    String sets =
        of.values().stream()
            .filter(column -> !column.name().equals(key) && which.test(column))
            .map(column -> "%s = r.%s".formatted(column.name(), column.name()))
            .collect(Collectors.joining(", "));
    return "update %s t set %s from jsonb_populate_recordset(null::%s, ?::jsonb) r where t.household_id = ? and t.%s = r.%s"
        .formatted(table.name(), sets, table.name(), key, key);
  }

  /** What the database takes as a text may still be no currency, or no rule. */
  private void requireReadable() {
    try {
      rules.ruleBooks(charts.chart());
    } catch (RuntimeException unreadable) {
      throw Refusal.of(
          "package-refused",
          "data/account.csv or data/rule.csv: no account or rule can be read of it. Nothing was taken in.");
    }
  }

  private void attachments(DataPackageFile whole) throws IOException {
    for (String name : whole.resources()) {
      if (name.matches("[0-9a-f]{64}")) {
        byte[] content = whole.file(name);
        if (!name.equals(Secrets.hashOf(content))) {
          throw UnreadableFile.whole(
              "attachments/%s is not the file that it is called after.".formatted(name));
        }
        jdbc.sql("insert into attachment_content (household_id, sha256, content) values (?, ?, ?)")
            .params(householdId(), HexFormat.of().parseHex(name), content)
            .update();
      }
    }
  }

  /** New entries go on after those that were taken in. */
  private void goOnNumbering(HouseholdNumbers.Of what, String table) {
    int last =
        jdbc.sql("select coalesce(max(no), 0) from %s where household_id = ?".formatted(table))
            .param(householdId())
            .query((row, no) -> row.getInt(1))
            .single();
    if (last > 0) {
      numbers.take(what, last, acts.underWay());
    }
  }

  /** What the database proves at the end of a transaction, while the file can still be named. */
  private void prove() {
    try {
      jdbc.sql("set constraints all immediate").update();
    } catch (DataAccessException e) {
      throw PackagedRows.refused("The package", e);
    }
  }
}
