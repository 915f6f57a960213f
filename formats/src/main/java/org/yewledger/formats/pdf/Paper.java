package org.yewledger.formats.pdf;

import java.util.List;
import java.util.function.Supplier;

/**
 * What is to be printed, in its order. All texts come written as the reader writes figures and
 * days.
 *
 * @param title of the document, as files and windows show it
 * @param foot at the foot of every page, beside its number: whose books, and when it was printed
 * @param wide whether the pages lie on their side, for tables of many columns
 */
public record Paper(String title, String foot, boolean wide, List<Part> parts) {
  public sealed interface Part {}

  /**
   * A report, with its title; each but the first begins on a new page.
   *
   * @param about what stands below the title; may be empty
   */
  public record Head(String title, String about) implements Part {}

  /** A sentence or two. */
  public record Note(String text) implements Part {}

  /**
   * A picture on a page of its own, as large as fits below its title.
   *
   * @param about beside the title; may be empty
   * @param png gives the picture when its page is set, so that many need not be held at once
   */
  public record Picture(String title, String about, Supplier<byte[]> png) implements Part {}

  /**
   * A table whose head is repeated on every page. No row is cut by the end of a page.
   *
   * @param title above it; may be empty
   * @param about beside the title; may be empty
   * @param percent of the width of the page
   */
  public record Table(String title, String about, int percent, List<Column> columns, List<Row> rows)
      implements Part {
    /** One as wide as the page. */
    public Table(String title, String about, List<Column> columns, List<Row> rows) {
      this(title, about, 100, columns, rows);
    }
  }

  /**
   * @param share of the width, beside the shares of the others
   * @param figures whether its cells end at its right side
   */
  public record Column(String head, float share, boolean figures) {
    public static Column text(String head, float share) {
      return new Column(head, share, false);
    }

    public static Column figures(String head, float share) {
      return new Column(head, share, true);
    }
  }

  /** How a row is set. */
  public enum Look {
    PLAIN,
    /** One step in, below a group. */
    WITHIN,
    /** The name of what follows. */
    GROUP,
    /** Ruled above: what the rows before come to. */
    SUM,
    /** Ruled above, and twice below: what all comes to. */
    TOTAL
  }

  /**
   * @param cells one for each column
   */
  public record Row(Look look, List<String> cells) {
    public Row {
      cells = List.copyOf(cells);
    }

    public static Row of(Look look, String... cells) {
      return new Row(look, List.of(cells));
    }
  }

  public Paper {
    parts = List.copyOf(parts);
  }
}
