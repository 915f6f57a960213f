package org.yewledger.formats.ofx;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.yewledger.formats.TextDecoding;

/** The text of an OFX file in the encoding that its own header names. */
final class OfxText {
  private static final Pattern SGML_HEADER =
      Pattern.compile("(?m)^\\s*(ENCODING|CHARSET)\\s*:\\s*(\\S*)");
  private static final Pattern XML_ENCODING =
      Pattern.compile("<\\?xml[^>]*encoding\\s*=\\s*[\"']([^\"']+)[\"']");

  private OfxText() {}

  static String decode(byte[] bytes) {
    String head = new String(bytes, 0, Math.min(bytes.length, 1024), StandardCharsets.ISO_8859_1);
    if (head.stripLeading().toUpperCase(Locale.ROOT).startsWith("OFXHEADER")) {
      return TextDecoding.strictly(bytes, sgmlCharset(head), "the file's header names");
    }
    Matcher xml = XML_ENCODING.matcher(head);
    boolean named = xml.find();
    Charset charset = named ? supported(xml.group(1)) : StandardCharsets.UTF_8;
    String text =
        TextDecoding.strictly(
            bytes, charset, named ? "the file's header names" : "OFX 2 is written in");
    return text.startsWith("\ufeff") ? text.substring(1) : text;
  }

  /**
   * OFX 1.6, section 2.2: ENCODING is USASCII or UNICODE, CHARSET a code page. Banks are looser.
   */
  private static Charset sgmlCharset(String head) {
    String encoding = "";
    String charset = "";
    Matcher header = SGML_HEADER.matcher(head);
    while (header.find()) {
      if (header.group(1).equals("ENCODING")) {
        encoding = header.group(2).toUpperCase(Locale.ROOT);
      } else {
        charset = header.group(2).toUpperCase(Locale.ROOT);
      }
    }
    if (encoding.contains("UTF-8") || encoding.equals("UTF8") || charset.contains("UTF-8")) {
      return StandardCharsets.UTF_8;
    }
    if (encoding.equals("UNICODE")) {
      return StandardCharsets.UTF_16;
    }
    if (charset.contains("8859-1")) {
      return StandardCharsets.ISO_8859_1;
    }
    // USASCII with any code page or none: Windows-1252 agrees with ASCII wherever that is defined.
    return TextDecoding.WINDOWS_1252;
  }

  private static Charset supported(String name) {
    try {
      return Charset.forName(name);
    } catch (IllegalArgumentException e) {
      throw org.yewledger.formats.UnreadableFile.at(
          1, "encoding", name + " is not a known encoding.");
    }
  }
}
