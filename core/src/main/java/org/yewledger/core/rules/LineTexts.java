package org.yewledger.core.rules;

import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.yewledger.core.gather.BankLine;

/**
 * The texts of a bank line as words, each text by itself: a phrase does not run over two of them.
 */
record LineTexts(List<Words> texts) {
  static LineTexts of(BankLine line) {
    return new LineTexts(
        Stream.concat(
                Stream.of(line.payee(), line.memo(), line.reference(), line.type()),
                line.details().values().stream())
            .map(Words::of)
            .toList());
  }

  boolean have(Words phrase) {
    return texts.stream()
        .anyMatch(text ->
            IntStream.range(0, text.list().size()).anyMatch(at -> phrase.standIn(text, at)));
  }
}
