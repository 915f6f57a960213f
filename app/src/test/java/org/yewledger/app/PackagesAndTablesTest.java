package org.yewledger.app;

import static java.util.stream.Collectors.toSet;
import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.Test;

/**
 * Packages depend on each other one way, by what they import and by the tables that they name in
 * SQL: who reads another's table depends on it as much as who imports its classes.
 */
public class PackagesAndTablesTest extends AppTest {
  private static final Map<String, String> TABLES_OF =
      Map.ofEntries(
          Map.entry("platform", "household person household_number numbers_taken"),
          Map.entry("household", "membership recovery_code link rate_limit"),
          Map.entry("act", "act act_change"),
          Map.entry("chart", "book account tax_rate tax_rate_step"),
          Map.entry("currency", "exchange_rate"),
          Map.entry(
              "attachment", "attachment attachment_content attachment_drawing attachment_page"),
          Map.entry("payee", "payee payee_alias"),
          Map.entry("bankline", "batch bank_line bank_line_state line_link"),
          Map.entry(
              "journal",
              "entry posting tag entry_tag served_months account_month account_year closed_month journal_view"
                  + " entry_template"),
          Map.entry("rules", "rule rule_account"),
          Map.entry("report", "kept_report"),
          Map.entry("export", "kept_export export_run"),
          Map.entry(
              "plan",
              "budget budget_month profit_goal balance_goal division_template division_template_part purpose_category purpose_taking taken_spending"),
          Map.entry("schedule", "schedule schedule_part due_item holiday"),
          Map.entry("loan", "loan loan_terms lender_year"),
          Map.entry("worth", "investment security trade price valuation write_down worth_entry"),
          Map.entry("tax", "tax_month tax_return tax_return_line"),
          Map.entry("reconcile", "statement statement_lines agreement"),
          Map.entry("gather", "file_route table_layout"),
          Map.entry("sheet", "sheet_name sheet_layout"),
          Map.entry("connection", "bank_connection connected_account feed_balance"),
          Map.entry("token", "api_token idempotency_key"),
          Map.entry("setup", "household_setup"));

  /** Kept by the database itself or by a library; no package names them. */
  private static final Set<String> OF_NOBODY =
      Set.of(
          "entry_to_balance",
          "link_to_check",
          "flyway_schema_history",
          "scheduled_tasks",
          "spring_session",
          "spring_session_attributes");

  private static final Pattern IMPORT = Pattern.compile("import org\\.yewledger\\.app\\.(\\w+)\\.");
  private static final Pattern TEXT_BLOCK = Pattern.compile("\"\"\"(.*?)\"\"\"", Pattern.DOTALL);
  private static final Pattern TEXT = Pattern.compile("\"((?:[^\"\\\\\\n]|\\\\.)*)\"");
  private static final Pattern NAMED =
      Pattern.compile("\\b(?:from|join|into|update|using)\\s+(\\w+)");
  private static final Pattern ENTITY =
      Pattern.compile("@Entity\\(name = \"(\\w+)\"\\)\\s*@Table\\(name = \"(\\w+)\"\\)");

  @Autowired private JdbcClient jdbc;

  private final Map<String, String> ownerOf = new HashMap<>();

  private static List<Path> sources() throws IOException {
    try (Stream<Path> files = Files.walk(Path.of("src/main/java/org/yewledger/app"))) {
      return files.filter(f -> f.toString().endsWith(".java")).toList();
    }
  }

  private Map<String, Set<String>> dependencies() throws IOException {
    TABLES_OF.forEach((owner, tables) -> {
      for (String table : tables.split(" ")) {
        ownerOf.put(table, owner);
      }
    });
    for (Path source : sources()) {
      Matcher entity = ENTITY.matcher(Files.readString(source));
      if (entity.find()) {
        ownerOf.put(entity.group(1), ownerOf.get(entity.group(2)));
      }
    }
    Map<String, Set<String>> dependencies = new TreeMap<>();
    for (Path source : sources()) {
      String in = source.getParent().getFileName().toString();
      Set<String> on = dependencies.computeIfAbsent(in, p -> new TreeSet<>());
      String java = Files.readString(source);
      on.addAll(IMPORT.matcher(java).results().map(m -> m.group(1)).collect(toSet()));
      for (String text : texts(java)) {
        NAMED
            .matcher(text)
            .results()
            .map((MatchResult m) -> ownerOf.get(m.group(1)))
            .filter(owner -> owner != null)
            .forEach(on::add);
      }
      on.remove(in);
    }
    return dependencies;
  }

  private static List<String> texts(String java) {
    var texts = new ArrayList<String>();
    TEXT_BLOCK.matcher(java).results().forEach(m -> texts.add(m.group(1)));
    TEXT.matcher(TEXT_BLOCK.matcher(java).replaceAll(""))
        .results()
        .forEach(m -> texts.add(m.group(1)));
    return texts;
  }

  @Test
  public void packagesDependOneWayInSqlToo() throws IOException {
    Map<String, Set<String>> dependencies = dependencies();
    var circles = new ArrayList<String>();
    dependencies.forEach((from, all) -> {
      for (String to : all) {
        if (reaches(to, from, dependencies)) {
          circles.add(from + " -> " + to + " -> ... -> " + from);
        }
      }
    });
    assertEquals(circles, List.of());
  }

  private static boolean reaches(String from, String to, Map<String, Set<String>> dependencies) {
    Deque<String> open = new ArrayDeque<>(List.of(from));
    Set<String> seen = new TreeSet<>();
    while (!open.isEmpty()) {
      String here = open.pop();
      if (here.equals(to)) {
        return true;
      }
      if (seen.add(here)) {
        open.addAll(dependencies.getOrDefault(here, Set.of()));
      }
    }
    return false;
  }

  /** The search above would be blind for a table that nobody owns. */
  @Test
  public void everyTableHasAnOwner() throws IOException {
    dependencies();
    Set<String> tables =
        new TreeSet<>(
            jdbc.sql("select tablename from pg_tables where schemaname = 'public'")
                .query(String.class)
                .list());
    tables.removeAll(OF_NOBODY);
    tables.removeIf(ownerOf::containsKey);
    assertEquals(tables, Set.of());
  }

  /** A text that names a table of a package above would be found. */
  @Test
  public void namesOfTablesAreFoundInSqlAndInHql() throws IOException {
    Map<String, Set<String>> dependencies = dependencies();
    assertEquals(dependencies.get("almanac").contains("bankline"), true);
    assertEquals(ownerOf.get("Posting"), "journal");
    assertEquals(
        texts("f(\"select 1 from x\") + \"\"\"\n join y\"\"\""),
        List.of("\n join y", "select 1 from x"));
  }
}
