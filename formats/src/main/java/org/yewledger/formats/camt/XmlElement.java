package org.yewledger.formats.camt;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.yewledger.formats.UnreadableFile;

/** An element of a message with its children, by local name. */
final class XmlElement {
  private final String name;
  private final int line;
  private final String currency;
  private final List<XmlElement> children = new ArrayList<>();
  private String text = "";

  XmlElement(String name, int line, @Nullable String currency) {
    this.name = name;
    this.line = line;
    this.currency = currency == null ? "" : currency;
  }

  void add(XmlElement child) {
    children.add(child);
  }

  void say(String said) {
    this.text = children.isEmpty() ? said.strip() : "";
  }

  String name() {
    return name;
  }

  int line() {
    return line;
  }

  /** The Ccy attribute; empty if there is none. */
  String currency() {
    return currency;
  }

  String text() {
    return text;
  }

  /** The children of this name. */
  Stream<XmlElement> all(String wanted) {
    return children.stream().filter(c -> c.name.equals(wanted));
  }

  /** The first element on this path of names, such as {@code Acct/Id/IBAN}. */
  @Nullable XmlElement at(String path) {
    XmlElement here = this;
    for (String step : path.split("/")) {
      XmlElement next = here.all(step).findFirst().orElse(null);
      if (next == null) {
        return null;
      }
      here = next;
    }
    return here;
  }

  /** The text on the first of these paths that has one; empty if none has. */
  String textAt(String... paths) {
    for (String path : paths) {
      XmlElement found = at(path);
      if (found != null && !found.text.isEmpty()) {
        return found.text;
      }
    }
    return "";
  }

  XmlElement required(String path) {
    XmlElement found = at(path);
    if (found == null) {
      throw UnreadableFile.at(line, path, "is missing in %s.".formatted(name));
    }
    return found;
  }

  /** All texts in one line, for keeping: {@code Amt=12.00 CdtDbtInd=DBIT}. */
  String raw() {
    var raw = new StringBuilder();
    raw(raw);
    return raw.toString().strip();
  }

  private void raw(StringBuilder raw) {
    if (!text.isEmpty()) {
      raw.append(name).append('=').append(text).append(currency).append(' ');
    }
    children.forEach(c -> c.raw(raw));
  }
}
