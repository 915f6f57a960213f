package org.yewledger.formats.mt940;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.yewledger.core.gather.LineDetail;
import org.yewledger.formats.Details;

/**
 * What field 86 tells the account owner. SWIFT leaves its inside to the banks; three ways are in
 * use: a three-digit code with sub-fields ({@code 166?00..?20..?32..}), words between slashes
 * ({@code /NAME/../REMI/..}), or free text.
 */
record Mt940Information(String payee, String memo, String reference, String type, Details details) {
  private static final int FULL_LINE = 65;
  private static final Pattern SUB_FIELDS = Pattern.compile("(?s)(\\d{3})?([?>])\\d{2}.*");
  private static final Pattern WORD = Pattern.compile("/([A-Z]{3,5})/");
  private static final Set<String> WORDS =
      Set.of(
          "ADDR", "BENM", "BIC", "CNTP", "CREF", "CSID", "EREF", "IBAN", "IREF", "ISDT", "KREF",
          "MARF", "NAME", "OCMT", "ORDP", "PREF", "PURP", "REMI", "RTRN", "SVCL", "TRCD", "TRTP",
          "ULTB", "ULTC", "ULTD", "USTD", "STRD");

  private static final Map<String, LineDetail> SEPA =
      Map.of(
          "EREF", LineDetail.END_TO_END,
          "KREF", LineDetail.BANK_REFERENCE,
          "MREF", LineDetail.MANDATE,
          "CRED", LineDetail.CREDITOR,
          "ABWA", LineDetail.ULTIMATE_PARTY,
          "ABWE", LineDetail.ULTIMATE_PARTY,
          "IBAN", LineDetail.COUNTERPARTY_ACCOUNT,
          "BIC", LineDetail.COUNTERPARTY_BANK);

  private static final Map<String, LineDetail> WORD_DETAILS =
      Map.ofEntries(
          Map.entry("IBAN", LineDetail.COUNTERPARTY_ACCOUNT),
          Map.entry("CNTP", LineDetail.COUNTERPARTY_ACCOUNT),
          Map.entry("BIC", LineDetail.COUNTERPARTY_BANK),
          Map.entry("ADDR", LineDetail.ADDRESS),
          Map.entry("MARF", LineDetail.MANDATE),
          Map.entry("CSID", LineDetail.CREDITOR),
          Map.entry("EREF", LineDetail.END_TO_END),
          Map.entry("KREF", LineDetail.BANK_REFERENCE),
          Map.entry("IREF", LineDetail.BANK_REFERENCE),
          Map.entry("TRCD", LineDetail.BOOKING_TEXT),
          Map.entry("ULTB", LineDetail.ULTIMATE_PARTY),
          Map.entry("ULTC", LineDetail.ULTIMATE_PARTY),
          Map.entry("ULTD", LineDetail.ULTIMATE_PARTY),
          Map.entry("OCMT", LineDetail.ORIGINAL_AMOUNT));

  static Mt940Information of(List<String> lines) {
    String first = lines.isEmpty() ? "" : lines.getFirst();
    if (SUB_FIELDS.matcher(first).matches()) {
      return subFields(lines);
    }
    String text = joined(lines);
    return hasWords(text)
        ? words(text)
        : new Mt940Information("", text.strip(), "", "", new Details());
  }

  /** A full line was broken where it was full; a shorter one at a space. */
  private static String joined(List<String> lines) {
    var text = new StringBuilder();
    for (String line : lines) {
      text.append(line);
      if (line.length() < FULL_LINE && !line.endsWith(" ")) {
        text.append(' ');
      }
    }
    return text.toString().strip();
  }

  /** 00 names the kind of booking, 20 to 29 and 60 to 63 hold the text, 32 and 33 the party. */
  private static Mt940Information subFields(List<String> lines) {
    String text = String.join("", lines);
    String code = text.matches("(?s)\\d{3}.*") ? text.substring(0, 3) : "";
    char mark = text.charAt(code.length());
    Map<Integer, String> fields = new LinkedHashMap<>();
    for (String part :
        text.substring(code.length() + 1).split(Pattern.quote(String.valueOf(mark)), -1)) {
      if (part.matches("(?s)\\d{2}.*")) {
        fields.merge(Integer.parseInt(part.substring(0, 2)), part.substring(2), String::concat);
      }
    }
    String said = text(fields, 20, 29) + text(fields, 60, 63);
    String memo = hasSepaWords(said) ? sepa(said, "SVWZ") : said;
    String reference = hasSepaWords(said) ? sepa(said, "EREF") : "";
    String payee = text(fields, 32, 33).strip();
    String type = fields.getOrDefault(0, code).strip();
    return new Mt940Information(
        payee,
        (memo.isBlank() ? type : memo).strip(),
        none(reference.strip()),
        type,
        ofSubFields(fields, said));
  }

  private static Details ofSubFields(Map<Integer, String> fields, String said) {
    var details =
        new Details()
            .add(LineDetail.BOOKING_TEXT, fields.getOrDefault(0, ""))
            .add(LineDetail.COUNTERPARTY_BANK, fields.getOrDefault(30, ""))
            .add(LineDetail.COUNTERPARTY_ACCOUNT, fields.getOrDefault(31, ""))
            .add(LineDetail.COUNTERPARTY_ACCOUNT, fields.getOrDefault(38, ""))
            .add(LineDetail.SUPPLEMENT, fields.getOrDefault(10, ""))
            .add(LineDetail.SUPPLEMENT, fields.getOrDefault(34, ""));
    if (hasSepaWords(said)) {
      SEPA.forEach((word, detail) -> details.add(detail, none(sepa(said, word).strip())));
      details.add(LineDetail.SUPPLEMENT, said.split("[A-Z]{4}\\+", 2)[0]);
    }
    return details;
  }

  private static String text(Map<Integer, String> fields, int from, int to) {
    return IntStream.rangeClosed(from, to)
        .mapToObj(i -> fields.getOrDefault(i, ""))
        .reduce("", String::concat);
  }

  private static boolean hasSepaWords(String text) {
    return text.contains("SVWZ+");
  }

  /** The SEPA words within the text: {@code EREF+..KREF+..SVWZ+..}. */
  private static String sepa(String text, String word) {
    Matcher found = Pattern.compile("(?s)" + word + "\\+(.*?)(?=(?:[A-Z]{4}\\+)|$)").matcher(text);
    return found.find() ? found.group(1) : "";
  }

  private static boolean hasWords(String text) {
    Matcher word = WORD.matcher(text);
    return word.lookingAt() && WORDS.contains(word.group(1));
  }

  private static Mt940Information words(String text) {
    Map<String, String> values = new LinkedHashMap<>();
    var starts = new ArrayList<int[]>();
    var names = new ArrayList<String>();
    Matcher word = WORD.matcher(text);
    for (int from = 0; word.find(from); from = word.end() - 1) {
      if (WORDS.contains(word.group(1))) {
        names.add(word.group(1));
        starts.add(new int[] {word.start(), word.end()});
      }
    }
    for (int i = 0; i < names.size(); i++) {
      int end = i + 1 < names.size() ? starts.get(i + 1)[0] : text.length();
      int begin = Math.min(starts.get(i)[1], end);
      values.putIfAbsent(names.get(i), text.substring(begin, end));
    }
    String remittance = values.getOrDefault("REMI", "");
    String memo = remittance.isBlank() ? values.getOrDefault("USTD", "") : remittance;
    return new Mt940Information(
        clean(values.getOrDefault("NAME", "")),
        clean(memo),
        none(clean(values.getOrDefault("EREF", ""))),
        clean(values.getOrDefault("TRTP", "")),
        ofWords(values, remittance.isBlank()));
  }

  /** What is neither party, text, reference nor kind; words without a place of their own too. */
  private static Details ofWords(Map<String, String> values, boolean textIsOfUstd) {
    var details = new Details();
    values.forEach((word, value) -> {
      LineDetail detail = WORD_DETAILS.get(word);
      boolean isShown =
          Set.of("NAME", "REMI", "TRTP").contains(word) || word.equals("USTD") && textIsOfUstd;
      if (detail != null) {
        details.add(detail, none(clean(value)));
      } else if (!isShown && !clean(value).isEmpty()) {
        details.add(LineDetail.SUPPLEMENT, word + " " + clean(value));
      }
    });
    return details;
  }

  private static String clean(String value) {
    return value.replaceAll("^/+|/+$", "").strip();
  }

  private static String none(String reference) {
    return reference.equals("NOTPROVIDED") ? "" : reference;
  }
}
