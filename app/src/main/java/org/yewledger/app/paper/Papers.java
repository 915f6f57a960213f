package org.yewledger.app.paper;

import java.util.List;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.yewledger.app.household.OwnFormats;
import org.yewledger.app.platform.Download;
import org.yewledger.app.platform.HouseholdDays;
import org.yewledger.app.platform.SignedIn;
import org.yewledger.core.entry.Formats;
import org.yewledger.formats.pdf.Paper;
import org.yewledger.formats.pdf.Paper.Part;
import org.yewledger.formats.pdf.PaperWriter;

/** Prints reports for the person who asks, in their own formats. */
@Component
public class Papers {
  private final OwnFormats formats;
  private final HouseholdDays days;
  private final JdbcClient jdbc;

  Papers(OwnFormats formats, HouseholdDays days, JdbcClient jdbc) {
    this.formats = formats;
    this.days = days;
    this.jdbc = jdbc;
  }

  /** How the reader writes figures and days. */
  @Transactional(readOnly = true)
  public Formats formats() {
    return formats.formats();
  }

  /**
   * A report as a PDF to look at or to keep.
   *
   * @param fileName without its ending
   */
  @Transactional(readOnly = true)
  public ResponseEntity<byte[]> answer(
      String fileName, String title, boolean wide, List<Part> parts) {
    byte[] pdf = PaperWriter.write(new Paper(title, foot(), wide, parts));
    return Download.pdf(fileName, pdf);
  }

  private String foot() {
    String household =
        jdbc.sql("select name from household where id = ?")
            .param(SignedIn.now().householdId())
            .query(String.class)
            .single();
    return "%s, printed %s".formatted(household, formats().write(days.today()));
  }
}
