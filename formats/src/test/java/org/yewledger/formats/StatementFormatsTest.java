package org.yewledger.formats;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.StandardCharsets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import org.yewledger.core.gather.LineSource;

public class StatementFormatsTest {
  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.ISO_8859_1);
  }

  @Test
  public void tellsFormatsByTheirContent() {
    assertEquals(StatementFormats.recognise(bytes("OFXHEADER:100\n\n<OFX>")), LineSource.OFX);
    assertEquals(StatementFormats.recognise(bytes("<?xml version=\"1.0\"?><OFX>")), LineSource.OFX);
    assertEquals(StatementFormats.recognise(bytes("Date;Text;Amount\n")), LineSource.CSV);
    assertEquals(recognised("<?xml version=\"1.0\"?>\n<Document xmlns=\"x\">"), LineSource.CAMT);
    assertEquals(recognised("<n:Document xmlns:n=\"x\">"), LineSource.CAMT);
    assertEquals(recognised("{1:F01X}{2:O940}{4:\n:20:1\n:25:4417\n"), LineSource.MT940);
    assertEquals(recognised(":20:START\r\n:25:4417\r\n"), LineSource.MT940);
    assertEquals(recognised("PK\u0003\u0004..."), LineSource.XLSX);
    byte[] wide = "Date;Text;Amount\n".getBytes(StandardCharsets.UTF_16);
    assertEquals(StatementFormats.recognise(wide), LineSource.CSV);
  }

  private static LineSource recognised(String text) {
    return StatementFormats.recognise(bytes(text));
  }

  @DataProvider
  Object[][] others() {
    return new Object[][] {
      {"", "empty"},
      {" \n\t\n", "blank"},
      {"%PDF-1.7 \n1 0 obj", "PDF"},
      {"\u001f\u008b\u0008\u0000", "gzip"},
      {"\u00d0\u00cf\u0011\u00e0", "XLS"},
      {"Date;Te\u0000xt;Amount\n", "zero bytes"},
      {"<html>, hello", "web page"},
      {"<!DOCTYPE html><html>;", "web page"},
      {"{\"error\": \"expired\", \"code\": 401}", "error"},
      {"<!DOCTYPE x [<!ENTITY a 'b'>]><x>;</x>", "document type"},
      {"hello", "hello"},
    };
  }

  /** Each is told what it is, so that the person knows what to do. */
  @Test(dataProvider = "others")
  public void saysWhatTheFileIsInstead(String content, String said) {
    UnreadableFile e =
        expectThrows(UnreadableFile.class, () -> StatementFormats.recognise(bytes(content)));
    assertTrue(e.getMessage().contains(said), e.getMessage());
  }
}
