package org.yewledger.formats.ofx;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Set;
import java.util.StringJoiner;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.UnreadableFile;

/** An aggregate or a value of an OFX file, with the line on which it begins. */
final class OfxElement {
  private static final int DEEPEST = 40;

  /** Values that may be empty: without this, SGML could not tell an empty one from an aggregate. */
  private static final Set<String> VALUES =
      Set.of(
          "TRNTYPE",
          "DTPOSTED",
          "DTUSER",
          "DTAVAIL",
          "TRNAMT",
          "FITID",
          "CHECKNUM",
          "REFNUM",
          "NAME",
          "MEMO",
          "PAYEEID",
          "SIC",
          "CURDEF",
          "BANKID",
          "BRANCHID",
          "ACCTID",
          "ACCTTYPE",
          "DTSTART",
          "DTEND",
          "BALAMT",
          "DTASOF",
          "DTTRAN",
          "CURSYM",
          "CURRATE",
          "EXTDNAME",
          "SRVRTID",
          "ADDR1",
          "ADDR2",
          "ADDR3",
          "CITY",
          "STATE",
          "POSTALCODE",
          "COUNTRY",
          "PHONE");

  private static final Set<String> TRANSACTIONS = Set.of("STMTTRN", "STMTTRNP");
  private static final Set<String> STATEMENTS = Set.of("STMTRS", "CCSTMTRS");

  private final String name;
  private final int line;
  private final List<OfxElement> children = new ArrayList<>();
  private String value = "";

  private OfxElement(String name, int line) {
    this.name = name;
    this.line = line;
  }

  /** Is told of each transaction as it is complete; the tree keeps no transactions. */
  interface Transactions {
    void complete(OfxElement transaction, OfxElement statement);
  }

  /** Reads the file into one tree without its transactions, which are handed on one by one. */
  static OfxElement parse(String text, Transactions transactions) {
    int begin = text.indexOf('<');
    if (begin < 0) {
      throw UnreadableFile.whole("The file has a header of OFX but nothing behind it.");
    }
    OfxElement root = new OfxElement("", 1);
    Deque<OfxElement> open = new ArrayDeque<>(List.of(root));
    // The SGML header before the first tag is text of the root, and ignored there.
    OfxTokens tokens = new OfxTokens(text);
    @Nullable OfxElement last = null;
    for (OfxTokens.Token token = tokens.next(); token != null; token = tokens.next()) {
      last = take(token, open, last, transactions);
    }
    if (open.size() > 1) {
      OfxElement unclosed = open.getFirst();
      throw UnreadableFile.at(
          unclosed.line,
          unclosed.name,
          "the file ends before this is closed. It may be cut off; export it again.");
    }
    return root;
  }

  /**
   * Puts a token in its place; returns the value that a text or a closing tag right behind belongs
   * to.
   */
  private static @Nullable OfxElement take(
      OfxTokens.Token token,
      Deque<OfxElement> open,
      @Nullable OfxElement last,
      Transactions transactions) {
    switch (token) {
      case OfxTokens.Token.Open(String name, int line) -> {
        OfxElement element = new OfxElement(name, line);
        open.getFirst().children.add(element);
        if (VALUES.contains(name)) {
          return element;
        }
        if (open.size() > DEEPEST) {
          throw UnreadableFile.at(line, name, "the file is nested too deep.");
        }
        open.push(element);
        return element;
      }
      case OfxTokens.Token.Text(String text, int line) -> {
        if (last != null) {
          last.value = text;
          if (open.getFirst() == last) {
            open.pop(); // an aggregate does not hold text: it was a value after all
          }
          return last;
        }
        return null;
      }
      case OfxTokens.Token.Close(String name, int line) -> {
        if (last != null && last.name.equals(name) && open.getFirst() != last) {
          return null;
        }
        close(name, line, open, transactions);
        return null;
      }
    }
  }

  private static void close(
      String name, int line, Deque<OfxElement> open, Transactions transactions) {
    if (open.size() == 1 || !open.getFirst().name.equals(name)) {
      throw UnreadableFile.at(
          line,
          name,
          open.size() == 1
              ? "is closed without being open."
              : "is closed while %s of line %d is still open."
                  .formatted(open.getFirst().name, open.getFirst().line));
    }
    OfxElement closed = open.pop();
    if (TRANSACTIONS.contains(name)) {
      open.getFirst().children.removeLast();
      transactions.complete(closed, statementAround(closed, open));
    }
  }

  private static OfxElement statementAround(OfxElement transaction, Deque<OfxElement> open) {
    for (OfxElement element : open) {
      if (STATEMENTS.contains(element.name)) {
        return element;
      }
    }
    throw UnreadableFile.at(transaction.line, transaction.name, "stands outside of a statement.");
  }

  String name() {
    return name;
  }

  int line() {
    return line;
  }

  /** All descendants of this name, in the order of the file. */
  Stream<OfxElement> all(String wanted) {
    return children.stream()
        .flatMap(c ->
            Stream.concat(c.name.equals(wanted) ? Stream.of(c) : Stream.empty(), c.all(wanted)));
  }

  @Nullable OfxElement first(String wanted) {
    return all(wanted).findFirst().orElse(null);
  }

  /** The value of a direct child; empty if there is none. */
  String value(String wanted) {
    OfxElement child = child(wanted);
    return child == null ? "" : child.value;
  }

  @Nullable OfxElement child(String wanted) {
    for (OfxElement child : children) {
      if (child.name.equals(wanted)) {
        return child;
      }
    }
    return null;
  }

  /** The value of a direct child that has to be there. */
  String required(String wanted) {
    String found = value(wanted);
    if (found.isBlank()) {
      throw UnreadableFile.at(lineOf(wanted), wanted, "is missing in %s.".formatted(name));
    }
    return found;
  }

  int lineOf(String wanted) {
    OfxElement child = child(wanted);
    return child == null ? line : child.line;
  }

  /** The element in one line, for keeping: {@code TRNAMT=-12.00 NAME=...}. */
  String raw() {
    var raw = new StringJoiner(" ");
    raw(raw);
    return raw.toString();
  }

  private void raw(StringJoiner raw) {
    for (OfxElement child : children) {
      if (child.children.isEmpty()) {
        raw.add(child.name + "=" + child.value);
      } else {
        child.raw(raw);
      }
    }
  }
}
