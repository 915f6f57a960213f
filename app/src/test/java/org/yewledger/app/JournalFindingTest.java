package org.yewledger.app;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.sql.Date;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.joda.money.CurrencyUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.app.journal.EntryStore;
import org.yewledger.core.act.ActKind;
import org.yewledger.core.ledger.Account;
import org.yewledger.core.ledger.Entry;
import org.yewledger.core.ledger.Marks;
import org.yewledger.core.ledger.Posting;
import org.yewledger.core.money.Amount;
import tools.jackson.databind.JsonNode;

/** Finding in the journal, held against looking at every entry in turn. */
public class JournalFindingTest extends AppTest {
  private static final LocalDate FIRST = LocalDate.of(2026, 8, 5);
  private static final int ENTRIES = 600;

  private record Known(UUID id, long no, Entry entry) {
    boolean isIn(UUID bookId) {
      return entry.postings().stream().anyMatch(p -> p.account().bookId().equals(bookId));
    }

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
      return texts.stream().anyMatch(t -> t.toLowerCase(Locale.ROOT).contains(text));
    }
  }

  private static final Comparator<Known> NEWEST_FIRST =
      Comparator.comparing((Known k) -> k.entry().date()).thenComparing(Known::no).reversed();

  @Autowired EntryStore store;
  @Autowired JdbcClient jdbc;
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
    postings.add(new Posting(from, eur(-300)));
    if (random.nextInt(4) == 0) {
      postings.add(new Posting(to, eur(100), random.nextInt(5) == 0 ? "Gift wrapped" : ""));
      postings.add(new Posting(to, eur(200)));
    } else {
      postings.add(new Posting(to, eur(300)));
    }
    return new Entry(
        FIRST.plusDays(random.nextInt(40)),
        "Shop " + (char) ('a' + random.nextInt(20)),
        random.nextInt(10) == 0 ? "for the Ferry" : "",
        Entry.Origin.BY_HAND,
        postings,
        new Marks(
            random.nextInt(12) == 0 ? "R-" + random.nextInt(30) : "",
            null,
            random.nextInt(15) == 0 ? List.of("fair") : List.of()));
  }

  private static Amount eur(long minor) {
    return Amount.ofMinor(minor, CurrencyUnit.EUR);
  }

  @DataProvider
  Object[][] texts() {
    return new Object[][] {
      {"shop c"}, {"shop"}, {"groceries"}, {"o"}, {"ferry"}, {"r-1"}, {"fair"}, {"gift"}, {"none"}
    };
  }

  private Set<UUID> found(
      String text, UUID book, LocalDate first, LocalDate before, long no, int most) {
    return founding.as(
        h.owner(),
        () ->
            jdbc
                .sql("select id from entries_like(?, ?, ?, ?, ?, ?)")
                .param(1, "%" + text + "%")
                .param(2, book, java.sql.Types.OTHER)
                .param(3, Date.valueOf(first))
                .param(4, Date.valueOf(before))
                .param(5, no)
                .param(6, most)
                .query(UUID.class)
                .list()
                .stream()
                .collect(Collectors.toCollection(TreeSet::new)));
  }

  @Test(dataProvider = "texts")
  public void whatIsMissingIsOlderThanEnoughThatIsThere(String text) {
    var random = new Random(text.hashCode());
    for (int round = 0; round < 12; round++) {
      UUID book = random.nextInt(3) == 0 ? h.current().bookId() : null;
      LocalDate first = FIRST.plusDays(random.nextInt(20) - 10);
      LocalDate before = FIRST.plusDays(random.nextInt(60));
      long no = random.nextBoolean() ? Long.MAX_VALUE : 1 + random.nextInt(ENTRIES);
      int most = 1 + random.nextInt(80);
      Predicate<Known> wanted =
          k ->
              k.says(text)
                  && (book == null || k.isIn(book))
                  && !k.entry().date().isBefore(first)
                  && (k.entry().date().isBefore(before)
                      || k.entry().date().equals(before) && k.no() < no);
      List<UUID> expected = all.stream().filter(wanted).map(Known::id).toList();
      Set<UUID> there = found(text, book, first, before, no, most);
      List<UUID> newest = expected.stream().filter(there::contains).toList();
      int enough = Math.min(most, expected.size());
      assertTrue(newest.size() >= enough, "%s, round %d".formatted(text, round));
      assertEquals(
          newest.subList(0, enough), expected.subList(0, enough), text + ", round " + round);
    }
  }

  @Test(dataProvider = "texts")
  public void pagesGiveEveryEntryOnceNewestFirst(String text) {
    var numbers = new ArrayList<Long>();
    String after = "";
    int count = -1;
    do {
      JsonNode page =
          h.api().get("/api/entries?text=" + text.replace(" ", "%20") + "&after=" + after).json();
      page.path("entries").forEach(e -> numbers.add(e.path("no").asLong()));
      count = count < 0 ? page.path("count").asInt() : count;
      after = page.path("next").asString("");
    } while (!after.isEmpty());
    List<Long> expected = all.stream().filter(k -> k.says(text)).map(Known::no).toList();
    // The opening entry, made with the household, is in a group of its own.
    assertEquals(numbers.stream().filter(n -> isMine(n)).toList(), expected);
    assertEquals(count, numbers.size());
  }

  private boolean isMine(long no) {
    return all.stream().anyMatch(k -> k.no() == no);
  }
}
