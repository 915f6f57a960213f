package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Method;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import org.yewledger.core.report.Movement;
import tools.jackson.databind.JsonNode;

/** Finding and sorting in the journal, held against looking at every entry in turn. */
public class JournalFindingTest extends AppTest {
  private static final LocalDate FIRST = LocalDate.of(2026, 8, 5);
  private static final int ENTRIES = 600;

  private record Known(UUID id, long no, Entry entry) {
    boolean says(String text) {
      var texts = new ArrayList<String>();
      texts.add(entry.payee());
      texts.add(entry.note());
      texts.add(entry.marks().reference());
      texts.addAll(entry.marks().tags());
      for (Posting p : entry.postings()) {
        texts.add(p.account().name());
        texts.add(p.note());
      }
      return texts.stream().anyMatch(t -> has(t, text));
    }

    boolean isAt(String account, int sign) {
      return entry.postings().stream()
          .anyMatch(
              p -> has(p.account().name(), account) && (sign == 0 || p.amount().sign() == sign));
    }

    long moved() {
      return Movement.of(entry.postings()).amount().minor();
    }

    private static boolean has(String text, String part) {
      return text.toLowerCase(Locale.ROOT).contains(part);
    }
  }

  private static final Comparator<Known> NEWEST_FIRST =
      Comparator.comparing((Known k) -> k.entry().date()).thenComparing(Known::no).reversed();

  @Autowired EntryStore store;
  private Household h;
  private List<Known> all;

  @BeforeClass
  void fillTheJournal() {
    h = found("finding");
    var random = new Random(19);
    var entries = new ArrayList<Entry>();
    for (int i = 0; i < ENTRIES; i++) {
      entries.add(entry(random));
    }
    all =
        inAct(
            h,
            ActKind.POST,
            () -> {
              var known = new ArrayList<Known>();
              List<EntryStore.Stored> stored = store.add(entries);
              for (int i = 0; i < stored.size(); i++) {
                known.add(
                    new Known(
                        stored.get(i).entry().id(), stored.get(i).entry().no(), entries.get(i)));
              }
              return known;
            });
    all.sort(NEWEST_FIRST);
  }

  /** Twenty payees, some days with many entries, some entries twice on one account. */
  private Entry entry(Random random) {
    Account from = random.nextInt(3) == 0 ? h.card() : h.current();
    Account to = random.nextBoolean() ? h.groceries() : h.school();
    var postings = new ArrayList<Posting>();
    // Now and then money comes back.
    long size = (random.nextInt(6) == 0 ? -1 : 1) * (300 + 100 * random.nextInt(8));
    postings.add(new Posting(from, eur(-size)));
    if (random.nextInt(4) == 0) {
      postings.add(new Posting(to, eur(size / 3), random.nextInt(5) == 0 ? "Gift wrapped" : ""));
      postings.add(new Posting(to, eur(size - size / 3)));
    } else {
      postings.add(new Posting(to, eur(size)));
    }
    return new Entry(
        FIRST.plusDays(random.nextInt(40)),
        "Shop " + (char) ('a' + random.nextInt(20)),
        random.nextInt(10) == 0 ? "for the Ferry" : "",
        Entry.Origin.BY_HAND,
        postings,
        new Marks(
            random.nextInt(12) == 0 ? "R-" + random.nextInt(30) : "",
            random.nextInt(5) == 0 ? Method.CARD : null,
            random.nextInt(15) == 0 ? List.of("fair") : List.of()));
  }

  private static Amount eur(long minor) {
    return Amount.ofMinor(minor, CurrencyUnit.EUR);
  }

  /** Terms, and by which entries they hold; each may also be sought with a minus. */
  private static final Map<String, Predicate<Known>> TERMS = new LinkedHashMap<>();

  static {
    for (String text : List.of("shop", "groceries", "o", "ferry", "r-1", "fair", "gift", "none")) {
      TERMS.put(text, k -> k.says(text));
    }
    TERMS.put("\"shop c\"", k -> k.says("shop c"));
    TERMS.put("payee:\"shop b\"", k -> k.entry().payee().equals("Shop b"));
    TERMS.put("payee:op", k -> true);
    TERMS.put("category:groc", k -> k.isAt("groceries", 0));
    TERMS.put("account:groceries,school", k -> true);
    TERMS.put("from:card", k -> k.isAt("card", -1));
    TERMS.put("to:card", k -> k.isAt("card", 1));
    TERMS.put("amount:>5", k -> Math.abs(k.moved()) > 500);
    TERMS.put("amount:3..6", k -> Math.abs(k.moved()) >= 300 && Math.abs(k.moved()) <= 600);
    TERMS.put("amount:<=4.00", k -> Math.abs(k.moved()) <= 400);
    TERMS.put("date:2026-08", k -> k.entry().date().getMonthValue() == 8);
    TERMS.put("date:>=2026-08-20", k -> k.entry().date().getDayOfYear() >= 232);
    TERMS.put("is:in", k -> k.moved() > 0);
    TERMS.put("is:out", k -> k.moved() < 0);
    TERMS.put("is:split", k -> k.entry().postings().size() > 2);
    TERMS.put("is:open", k -> true);
    TERMS.put("is:reconciled", k -> false);
    TERMS.put("has:tag", k -> !k.entry().marks().tags().isEmpty());
    TERMS.put("has:reference", k -> !k.entry().marks().reference().isEmpty());
    TERMS.put("tag:fair", k -> !k.entry().marks().tags().isEmpty());
    TERMS.put("note:wrap", k -> k.says("wrapped"));
    TERMS.put("reference:r-2", k -> k.entry().marks().reference().startsWith("R-2"));
    TERMS.put("method:card", k -> k.entry().marks().method() == Method.CARD);
    TERMS.put("currency:EUR", k -> true);
    TERMS.put("no:100..400", k -> k.no() >= 100 && k.no() <= 400);
  }

  private static final Map<String, Comparator<Known>> ORDERS =
      Map.of(
          "-date", NEWEST_FIRST,
          "date", NEWEST_FIRST.reversed(),
          "amount", Comparator.comparing(Known::moved).thenComparing(NEWEST_FIRST),
          "-amount", Comparator.comparing(Known::moved).reversed().thenComparing(NEWEST_FIRST),
          "-no", Comparator.comparing(Known::no).reversed(),
          "payee", Comparator.comparing((Known k) -> k.entry().payee()).thenComparing(NEWEST_FIRST),
          "reference",
              Comparator.comparing((Known k) -> k.entry().marks().reference())
                  .thenComparing(NEWEST_FIRST));

  @DataProvider
  Object[][] terms() {
    return TERMS.keySet().stream().map(t -> new Object[] {t}).toArray(Object[][]::new);
  }

  @Test(dataProvider = "terms")
  public void aTermFindsWhatItHoldsFor(String term) {
    Predicate<Known> wanted = TERMS.get(term);
    assertEquals(found(term, "-date"), expected(wanted, NEWEST_FIRST), term);
    assertEquals(found("-" + term, "-date"), expected(wanted.negate(), NEWEST_FIRST), "-" + term);
  }

  @Test
  public void termsTogetherFindWhatAllHoldForInAnyOrder() {
    var random = new Random(33);
    List<String> terms = List.copyOf(TERMS.keySet());
    List<String> orders = ORDERS.keySet().stream().sorted().toList();
    for (int round = 0; round < 60; round++) {
      var query = new ArrayList<String>();
      Predicate<Known> wanted = k -> true;
      for (int i = 1 + random.nextInt(3); i > 0; i--) {
        String term = terms.get(random.nextInt(terms.size()));
        boolean not = random.nextInt(4) == 0;
        query.add(not ? "-" + term : term);
        wanted = wanted.and(not ? TERMS.get(term).negate() : TERMS.get(term));
      }
      String order = orders.get(random.nextInt(orders.size()));
      String text = String.join(" ", query);
      assertEquals(found(text, order), expected(wanted, ORDERS.get(order)), text + " by " + order);
    }
  }

  @Test
  public void everyColumnCanBeSortedByWithoutLosingAnEntry() {
    Set<Long> numbers = all.stream().map(Known::no).collect(Collectors.toSet());
    for (String column :
        List.of("from", "to", "state", "tax", "tags", "method", "currency", "book")) {
      for (String order : List.of(column, "-" + column)) {
        List<Long> found = found("shop", order);
        assertEquals(found.size(), numbers.size(), order);
        assertEquals(Set.copyOf(found), numbers, order);
      }
    }
  }

  @Test
  public void aPageBeginsAtADay() {
    LocalDate day = FIRST.plusDays(12);
    assertEquals(
        found("shop", "-date&at=" + day),
        expected(k -> !k.entry().date().isAfter(day), NEWEST_FIRST));
    assertEquals(
        found("shop", "date&at=" + day),
        expected(k -> !k.entry().date().isBefore(day), NEWEST_FIRST.reversed()));
  }

  @Test
  public void totalsAddUpToWhatIsFound() {
    JsonNode moved = h.api().get("/api/entries/totals?text=shop%20is:split").json().path(0);
    List<Known> wanted =
        all.stream().filter(k -> k.says("shop") && k.entry().postings().size() > 2).toList();
    assertEquals(moved.path("currency").asString(), "EUR");
    assertEquals(moved.path("count").asInt(), wanted.size());
    assertEquals(
        moved.path("in").asDecimal().movePointRight(2).longValueExact(),
        wanted.stream().mapToLong(Known::moved).filter(m -> m > 0).sum());
    assertEquals(
        moved.path("out").asDecimal().movePointRight(2).longValueExact(),
        wanted.stream().mapToLong(Known::moved).filter(m -> m < 0).sum());
  }

  @Test
  public void whatCannotBeReadIsRefusedAndWhatIsTypedIsExplained() {
    assertEquals(h.api().get("/api/entries?text=foo:bar").problem(), "query-unclear");
    assertEquals(h.api().get("/api/entries?text=shop&order=shape").problem(), "bad-order");
    assertEquals(h.api().get("/api/entries?text=shop&after=9").problem(), "bad-page");
    JsonNode read = h.api().get("/api/entries/query?text=tag:none%20payee:shop&caret=18").json();
    assertEquals(read.path("terms").path(0).path("found").asInt(), 0);
    assertEquals(read.path("terms").path(1).path("found").asInt(), 20);
    assertEquals(read.path("terms").path(1).path("words").asString(), "shop");
    assertEquals(
        read.path("completion").path("choices").path(0).path("text").asString().substring(0, 6),
        "\"Shop ");
  }

  private static List<Long> expected(
      List<Known> among, Predicate<Known> wanted, Comparator<Known> order) {
    return among.stream().filter(wanted).sorted(order).map(Known::no).toList();
  }

  private List<Long> expected(Predicate<Known> wanted, Comparator<Known> order) {
    return expected(all, wanted, order);
  }

  /** The numbers on all pages; the opening entry, made with the household, is left aside. */
  private List<Long> found(String text, String order) {
    var numbers = new ArrayList<Long>();
    String query = URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    String after = "";
    do {
      JsonNode page =
          h.api().get("/api/entries?text=" + query + "&order=" + order + "&after=" + after).json();
      page.path("entries").forEach(e -> numbers.add(e.path("no").asLong()));
      after = page.path("next").asString("");
    } while (!after.isEmpty());
    Set<Long> mine = all.stream().map(Known::no).collect(Collectors.toSet());
    return numbers.stream().filter(mine::contains).toList();
  }
}
