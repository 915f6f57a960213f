package org.yewledger.formats.table;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import org.joda.money.CurrencyUnit;
import org.yewledger.formats.table.TableLayout.DecimalMark;
import org.yewledger.formats.table.TableLayout.Meaning;

/** Proposes what each column of a table means. */
final class ColumnMeanings {
  private static final List<Named> NAMES =
      List.of(
          new Named(Meaning.VALUE_ON, "value", "valuta", "effective"),
          new Named(Meaning.BOOKED_ON, "date", "booked", "posted", "day", "datum", "buchung"),
          new Named(Meaning.BALANCE, "balance", "saldo"),
          new Named(Meaning.MARK, "d/c", "c/d", "dc", "mark", "direction", "sign", "debit/credit"),
          new Named(Meaning.OUT, "debit", "out", "withdraw", "paid out", "spent"),
          new Named(Meaning.IN, "credit", "in", "deposit", "paid in", "received"),
          new Named(Meaning.AMOUNT, "amount", "sum", "betrag", "bedrag"),
          new Named(Meaning.CURRENCY, "currency", "cur", "ccy"),
          new Named(Meaning.ACCOUNT, "account", "own account", "iban"),
          new Named(Meaning.PAYEE, "payee", "name", "counterparty", "merchant", "party"),
          new Named(Meaning.REFERENCE, "ref", "number", "id", "no"),
          new Named(Meaning.TYPE, "type", "kind"),
          new Named(Meaning.MEMO, "text", "memo", "description", "detail", "purpose", "narrative"));

  private static final int MOST_OWN_ACCOUNTS = 5;
  private static final List<String> OF_OTHERS =
      List.of(
          "counter", "other", "beneficiary", "payee", "recipient", "from", "to", "tegen", "gegen");

  private record Named(Meaning meaning, List<String> names) {
    Named(Meaning meaning, String... names) {
      this(meaning, List.of(names));
    }

    boolean fits(String header) {
      String lower = header.toLowerCase(Locale.ROOT);
      List<String> words = List.of(lower.split("[^\\p{L}/]+"));
      if (meaning == Meaning.ACCOUNT && words.stream().anyMatch(Named::isOfOthers)) {
        return false;
      }
      return names.stream()
          .anyMatch(n ->
              n.length() <= 3
                  ? words.contains(n)
                  : words.stream().anyMatch(w -> w.startsWith(n)) || lower.contains(n));
    }

    private static boolean isOfOthers(String word) {
      return OF_OTHERS.stream()
          .anyMatch(other -> other.length() <= 4 ? word.equals(other) : word.startsWith(other));
    }
  }

  private final Table table; // of lines only
  private final DecimalMark mark;
  private final Meaning[] meanings;

  ColumnMeanings(Table table, DecimalMark mark) {
    this.table = table;
    this.mark = mark;
    this.meanings = new Meaning[table.header().size()];
    Arrays.fill(meanings, Meaning.IGNORE);
  }

  List<Meaning> meanings() {
    for (int i = 0; i < meanings.length; i++) {
      meanings[i] = byName(i);
    }
    if (!table.data().isEmpty()) {
      fillFromData();
    }
    return List.of(meanings);
  }

  private Meaning byName(int column) {
    for (Named named : NAMES) {
      boolean free = named.meaning() == Meaning.MEMO || !has(named.meaning());
      if (free
          && named.fits(table.header().get(column))
          && fitsData(table.column(column), named.meaning())) {
        return named.meaning();
      }
    }
    return Meaning.IGNORE;
  }

  /** Names that say nothing: what stands in the columns decides. */
  private void fillFromData() {
    if (!has(Meaning.BOOKED_ON)) {
      firstIgnored(Meaning.BOOKED_ON);
    }
    if (!has(Meaning.AMOUNT) && !has(Meaning.IN) && !has(Meaning.OUT)) {
      amountWithBalance();
    }
    if (has(Meaning.AMOUNT) && !has(Meaning.BALANCE)) {
      balanceOf(indexOf(Meaning.AMOUNT));
    }
    if (has(Meaning.AMOUNT) && !has(Meaning.MARK)) {
      firstIgnored(Meaning.MARK);
    }
    if (!has(Meaning.MEMO) && !has(Meaning.PAYEE)) {
      longestText();
    }
  }

  /** Of two columns of figures, one may be the running balance of the other. */
  private void amountWithBalance() {
    List<Integer> figures = ignored().filter(i -> isFigures(table.column(i))).boxed().toList();
    for (int amount : figures) {
      if (figures.stream().anyMatch(b -> b != amount && isBalance(amount, b))) {
        meanings[amount] = Meaning.AMOUNT;
        return;
      }
    }
    figures.stream().findFirst().ifPresent(i -> meanings[i] = Meaning.AMOUNT);
  }

  private void balanceOf(int amount) {
    ignored()
        .filter(i -> isFigures(table.column(i)) && isBalance(amount, i))
        .findFirst()
        .ifPresent(i -> meanings[i] = Meaning.BALANCE);
  }

  private boolean isBalance(int amount, int balance) {
    var column = new BalanceColumn(table.column(amount), table.column(balance), mark);
    return column.runsOn(1) || column.runsOn(-1);
  }

  private void firstIgnored(Meaning wanted) {
    ignored()
        .filter(i -> fitsData(table.column(i), wanted))
        .findFirst()
        .ifPresent(i -> meanings[i] = wanted);
  }

  private void longestText() {
    ignored()
        .boxed()
        .max(Comparator.comparingInt(i -> table.column(i).stream().mapToInt(String::length).sum()))
        .ifPresent(i -> meanings[i] = Meaning.MEMO);
  }

  private IntStream ignored() {
    return IntStream.range(0, meanings.length).filter(i -> meanings[i] == Meaning.IGNORE);
  }

  private boolean has(Meaning meaning) {
    return indexOf(meaning) >= 0;
  }

  private int indexOf(Meaning meaning) {
    return Arrays.asList(meanings).indexOf(meaning);
  }

  /** Whether a column of this name has a meaning by its name alone. */
  static boolean isKnownName(String name) {
    return !name.isEmpty() && NAMES.stream().anyMatch(named -> named.fits(name));
  }

  /** Whether all that stands in the column are amounts, and something does. */
  static boolean isFigures(List<String> cells) {
    List<String> filled = filled(cells);
    return !filled.isEmpty()
        && filled.stream().allMatch(CellKinds::isAmount)
        && !filled.stream().allMatch(CellKinds::isDate);
  }

  private static boolean fitsData(List<String> cells, Meaning meaning) {
    if (cells.isEmpty()) {
      return true; // a table without lines has nothing against the name
    }
    List<String> filled = filled(cells);
    return switch (meaning) {
      case BOOKED_ON, VALUE_ON -> !filled.isEmpty() && filled.stream().allMatch(CellKinds::isDate);
      case AMOUNT, IN, OUT, BALANCE -> filled.stream().allMatch(CellKinds::isAmount);
      case MARK -> DebitCreditMark.isAll(cells);
      case CURRENCY -> !filled.isEmpty() && filled.stream().allMatch(ColumnMeanings::isCurrency);
      case ACCOUNT -> isAccountColumn(filled);
      case PAYEE, MEMO, REFERENCE, TYPE, IGNORE -> true;
    };
  }

  /**
   * One number throughout; or a few, each in several rows, which the reader then refuses to put
   * into one account. Numbers of other parties are many.
   */
  private static boolean isAccountColumn(List<String> filled) {
    List<String> numbers = filled.stream().distinct().toList();
    return !numbers.isEmpty()
        && (numbers.size() == 1
            || numbers.size() <= MOST_OWN_ACCOUNTS && numbers.size() * 2 <= filled.size())
        && numbers.stream()
            .allMatch(n -> n.matches("[A-Z0-9 .\\-]{4,40}") && n.matches(".*\\d{4}.*"));
  }

  private static boolean isCurrency(String cell) {
    return cell.length() == 3
        && CurrencyUnit.registeredCurrencies().stream().anyMatch(c -> c.getCode().equals(cell));
  }

  private static List<String> filled(List<String> cells) {
    return cells.stream().filter(c -> !c.isEmpty()).toList();
  }
}
