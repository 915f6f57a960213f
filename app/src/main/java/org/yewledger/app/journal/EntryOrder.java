package org.yewledger.app.journal;

import java.util.Arrays;
import java.util.Locale;
import org.yewledger.core.Refusal;

/**
 * How the journal is sorted: by a column, and among equals by day and number, newest first. Travels
 * as the column's name, with a minus before it where the greatest comes first.
 */
record EntryOrder(Column column, boolean descending) {
  /** What an entry can be sorted by. */
  enum Column {
    DATE("e.date", "date", Cost.INDEXED),
    NO("e.no", "bigint", Cost.INDEXED),
    AMOUNT("e.moved_minor", "bigint", Cost.INDEXED),
    PAYEE(
        "(select lower(y.name) from payee y where y.household_id = e.household_id and y.id = e.payee_id)",
        "text",
        Cost.EACH),
    FROM(place("p.amount_minor < 0"), "text", Cost.EACH),
    TO(place("p.amount_minor > 0"), "text", Cost.EACH),
    STATE(
        """
        coalesce((select min(case when p.statement_id is null then (exists (select 1 from line_link k
                     where k.household_id = p.household_id and k.posting_id = p.id))::int
                   when p.statement_id = any(:unfinished) then 1 else 2 end)
            from posting p
           where p.household_id = e.household_id and p.entry_id = e.id and p.account_id = any(:banks)), 3)::bigint\
        """,
        "bigint",
        Cost.EACH),
    TAX(
        """
        coalesce((select sum(abs(p.base_minor)) from posting p
           where p.household_id = e.household_id and p.entry_id = e.id and p.tax_role = 'TAX'), 0)::bigint\
        """,
        "bigint",
        Cost.EACH),
    TAGS(
        """
        coalesce((select string_agg(lower(t.name), ', ' order by lower(t.name)) from entry_tag g
            join tag t on t.household_id = g.household_id and t.id = g.tag_id
           where g.household_id = e.household_id and g.entry_id = e.id), '')\
        """,
        "text",
        Cost.EACH),
    REFERENCE("lower(e.reference)", "text", Cost.EACH),
    ATTACHMENTS(
        "(select count(*) from attachment f where f.household_id = e.household_id and f.entry_id = e.id)",
        "bigint",
        Cost.EACH),
    METHOD("coalesce(e.method, '')", "text", Cost.EACH),
    CURRENCY("coalesce(e.moved_currency, '')", "text", Cost.EACH),
    BOOK(
        """
        coalesce((select lower(b.name) from posting p
            join book b on b.household_id = p.household_id and b.id = p.book_id
           where p.household_id = e.household_id and p.entry_id = e.id order by p.place limit 1), '')\
        """,
        "text",
        Cost.EACH);

    private enum Cost {
      /** An index has them in this order. */
      INDEXED,
      /** Each entry that fits is looked at. */
      EACH
    }

    private final String value;
    private final String type;
    private final Cost cost;

    Column(String value, String type, Cost cost) {
      this.value = value;
      this.type = type;
      this.cost = cost;
    }

    /** The places of one side by name, several as how many there are; as the journal shows them. */
    private static String place(String side) {
      return """
      coalesce((select case when count(*) = 1 then min(lower(a.name)) else count(*) || ' places' end
          from posting p join account a on a.household_id = p.household_id and a.id = p.account_id
         where p.household_id = e.household_id and p.entry_id = e.id and %s
           and a.kind <> 'DRAWINGS' and p.tax_role is distinct from 'TAX'), '')\
      """
          .formatted(side);
    }
  }

  static EntryOrder parse(String text) {
    String name = text.startsWith("-") ? text.substring(1) : text;
    return Arrays.stream(Column.values())
        .filter(c -> c.name().toLowerCase(Locale.ROOT).equals(name))
        .map(c -> new EntryOrder(c, text.startsWith("-")))
        .findFirst()
        .orElseThrow(() ->
            Refusal.ofField(
                "bad-order", "order", "The journal cannot be sorted by %s.".formatted(text)));
  }

  @Override
  public String toString() {
    return (descending ? "-" : "") + column.name().toLowerCase(Locale.ROOT);
  }

  /** Whether every entry that fits has to be looked at before the first can be shown. */
  boolean looksAtEach() {
    return column.cost == Column.Cost.EACH;
  }

  /** What an entry is sorted by, as SQL over {@code e}. */
  String value() {
    return column.value;
  }

  /** Whether it is that of a register: newest first. */
  boolean isNewestFirst() {
    return column == Column.DATE && descending;
  }

  /** As a register is written on paper. */
  boolean isOldestFirst() {
    return column == Column.DATE && !descending;
  }

  /** What a posting {@code r} of a register is sorted by, as SQL; otherwise that of its entry. */
  String valueOfPosting() {
    return switch (column) {
      case DATE -> "r.date";
      case AMOUNT -> "r.amount_minor";
      default -> column.value;
    };
  }

  String type() {
    return column.type;
  }

  /** SQL of the order, over a value {@code k}, a {@code date} and a {@code no}. */
  String sql() {
    String way = descending ? "desc" : "asc";
    return column == Column.DATE
        ? "date %1$s, no %1$s".formatted(way)
        : "k %s, date desc, no desc".formatted(way);
  }

  /** SQL that holds for what comes behind the key, over the same. */
  String behind() {
    String beyond = descending ? "<" : ">";
    return column == Column.DATE
        ? "(date, no) %s (:keyDate, :keyNo)".formatted(beyond)
        : "k %1$s= cast(:keyValue as %2$s) and (k %1$s cast(:keyValue as %2$s) or (date, no) < (:keyDate, :keyNo))"
            .formatted(beyond, column.type);
  }
}
