package org.yewledger.app.datapackage;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Isolation;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.datapackage.TableColumns.Column;
import org.yewledger.app.platform.Download;
import org.yewledger.app.platform.ForOwners;
import org.yewledger.app.platform.Migrations;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.formats.datapackage.DataPackageWriter;
import org.yewledger.formats.datapackage.TableSchema;

/** Writes the whole household into a data package, as it is at one moment. */
@Component
public class PackageWriting {
  private static final int ROWS_AT_ONCE = 1_000;

  private static final String PEOPLE =
      """
      select p.id::text, p.name, m.role from membership m join person p on p.id = m.person_id
       where m.household_id = ? order by p.id\
      """;

  private final JdbcClient jdbc;
  private final TableColumns columns;
  private final Clock clock;

  PackageWriting(DataSource database, TableColumns columns, Clock clock) {
    var template = new JdbcTemplate(database);
    template.setFetchSize(ROWS_AT_ONCE);
    this.jdbc = JdbcClient.create(template);
    this.columns = columns;
    this.clock = clock;
  }

  /**
   * Cost: all rows of the household once, and its attachments.
   *
   * @return the household's name
   */
  @Transactional(readOnly = true, isolation = Isolation.REPEATABLE_READ)
  @ForOwners
  public String write(OutputStream to) throws IOException {
    var name = new StringBuilder();
    try (var writer = new DataPackageWriter(to)) {
      own(
          writer,
          "household",
          "The household",
          List.of("name", "time_zone"),
          "select name, time_zone from household where id = ?",
          row -> name.append(row.getFirst()));
      own(writer, "person", "Who kept the books", List.of("id", "name", "role"), PEOPLE, row -> {});
      for (PackagedTable table : PackagedTable.all().toList()) {
        table(writer, table);
      }
      attachments(writer);
      writer.about(
          Download.named(name.toString()),
          name.toString(),
          clock.instant().truncatedTo(ChronoUnit.SECONDS).toString(),
          Map.of("yew", Map.of("migration", Migrations.newest())));
    }
    return name.toString();
  }

  private interface Seen {
    void row(List<String> cells);
  }

  private void own(
      DataPackageWriter writer,
      String resource,
      String title,
      List<String> fields,
      String sql,
      Seen seen)
      throws IOException {
    var schema =
        new TableSchema(
            fields.stream()
                .map(field -> new TableSchema.Field(field, TableSchema.Type.STRING, ""))
                .toList(),
            List.of(),
            List.of());
    writer.table(resource, title, schema, rows -> write(sql, fields.size(), rows, seen));
  }

  private void table(DataPackageWriter writer, PackagedTable table) throws IOException {
    Map<String, Column> of = columns.of(table.name());
    String sql =
        "select %s from %s where household_id = ? order by %s"
            .formatted(
                of.values().stream().map(Column::written).collect(Collectors.joining(", ")),
                table.name(),
                table.order());
    writer.table(
        table.name(),
        table.title(),
        columns.schema(table.name(), of, TableColumns.packaged()),
        rows -> write(sql, of.size(), rows, row -> {}));
  }

  private void write(String sql, int width, DataPackageWriter.Rows to, Seen seen) {
    jdbc.sql(sql)
        .param(SignedIn.now().householdId())
        .query(row -> {
          List<String> cells = new ArrayList<>(width);
          for (int i = 1; i <= width; i++) {
            String cell = row.getString(i);
            cells.add(cell == null ? "" : cell);
          }
          seen.row(cells);
          try {
            to.row(cells);
          } catch (IOException e) {
            throw new UncheckedIOException(e);
          }
        });
  }

  /** Each once, whatever it is attached to; one at a time is in memory. */
  private void attachments(DataPackageWriter writer) throws IOException {
    List<byte[]> all = new ArrayList<>();
    jdbc.sql("select distinct sha256 from attachment where household_id = ? order by sha256")
        .param(SignedIn.now().householdId())
        .query(row -> {
          all.add(row.getBytes(1));
        });
    for (byte[] sha256 : all) {
      String name = HexFormat.of().formatHex(sha256);
      byte[] content =
          jdbc.sql("select content from attachment_content where household_id = ? and sha256 = ?")
              .params(SignedIn.now().householdId(), sha256)
              .query((row, no) -> row.getBytes(1))
              .single();
      writer.file(name, attachmentPath(name), "application/octet-stream", content);
    }
  }

  static String attachmentPath(String sha256) {
    return "attachments/" + sha256;
  }
}
