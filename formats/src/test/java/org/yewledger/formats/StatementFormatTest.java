package org.yewledger.formats;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.charset.StandardCharsets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class StatementFormatTest {
  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.ISO_8859_1);
  }

  @Test
  public void tellsFormatsByTheirContent() {
    assertEquals(StatementFormat.of(bytes("OFXHEADER:100\n\n<OFX>")), StatementFormat.OFX);
    assertEquals(StatementFormat.of(bytes("<?xml version=\"1.0\"?><OFX>")), StatementFormat.OFX);
    assertEquals(StatementFormat.of(bytes("Date;Text;Amount\n")), StatementFormat.CSV);
  }

  @DataProvider
  Object[][] others() {
    return new Object[][] {
      {""}, {"%PDF-1.7 \n1 0 obj"}, {"PK\u0003\u0004"}, {"<html>, hello"}, {"hello"}
    };
  }

  @Test(dataProvider = "others")
  public void refusesWhatIsNeither(String content) {
    UnreadableFile e = expectThrows(UnreadableFile.class, () -> StatementFormat.of(bytes(content)));
    assertTrue(e.getMessage().startsWith("Th"), e.getMessage());
  }
}
