package org.yewledger.formats.mt940;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yewledger.formats.UnreadableFile;

/** The tagged fields of an MT940 file, in order; the blocks around the messages fall away. */
final class Mt940Fields {
  /** A field with its tag, such as {@code 61}, and its lines; {@code line} is that of the tag. */
  record Field(String tag, List<String> lines, int line) {
    String first() {
      return lines.getFirst();
    }

    String raw() {
      return ":" + tag + ":" + String.join("\n", lines);
    }
  }

  private static final Pattern TAG = Pattern.compile(":(\\d{2}[A-Z]?|NS):(.*)", Pattern.DOTALL);
  private static final Pattern BLOCK = Pattern.compile("^(\\{[1-35]:[^\\n]*?\\})+(\\{4:)?|^\\{4:");
  private static final int LONGEST_LINE = 2_000;
  private static final int MOST_LINES_OF_A_FIELD = 100;

  private Mt940Fields() {}

  /**
   * @throws UnreadableFile at the first line that is neither a field nor goes on with one
   */
  static List<Field> of(String text) {
    var fields = new ArrayList<Field>();
    int number = 0;
    for (String line : (Iterable<String>) text.lines()::iterator) {
      number++;
      if (line.length() > LONGEST_LINE) {
        throw UnreadableFile.at(number, "the line is longer than 2,000 characters.");
      }
      take(withoutBlocks(line), number, fields);
    }
    return fields;
  }

  private static void take(String line, int number, List<Field> fields) {
    if (line.isBlank() || line.strip().equals("-") || line.startsWith("-}")) {
      return;
    }
    Matcher tag = TAG.matcher(line);
    if (tag.matches()) {
      var lines = new ArrayList<String>();
      lines.add(tag.group(2));
      fields.add(new Field(tag.group(1), lines, number));
      return;
    }
    if (fields.isEmpty()) {
      // Some banks put lines of their own above the first message.
      return;
    }
    Field last = fields.getLast();
    if (last.lines().size() >= MOST_LINES_OF_A_FIELD) {
      throw UnreadableFile.at(number, last.tag(), "the field goes on for more than 100 lines.");
    }
    last.lines().add(line);
  }

  private static String withoutBlocks(String line) {
    return line.startsWith("{") ? BLOCK.matcher(line).replaceFirst("") : line;
  }
}
