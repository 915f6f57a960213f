package org.yewledger.bench;

import java.io.BufferedInputStream;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.joda.money.CurrencyUnit;
import org.yewledger.core.gather.BankLine;
import org.yewledger.formats.StatementSink;
import org.yewledger.formats.camt.CamtReader;

/**
 * A camt.053 file of 200 MB, read from end to end in a Java process that has 256 MB of heap.
 * Baseline: reading the bytes of the same file.
 */
final class CamtBench {
  private static final long SIZE = 200_000_000;
  private static final String ENTRY =
      """
      <Ntry><NtryRef>R%1$d</NtryRef><Amt Ccy="EUR">%2$d.50</Amt><CdtDbtInd>DBIT</CdtDbtInd><Sts><Cd>BOOK</Cd></Sts>
      <BookgDt><Dt>2026-09-04</Dt></BookgDt><ValDt><Dt>2026-09-04</Dt></ValDt><AcctSvcrRef>A%1$d</AcctSvcrRef>
      <NtryDtls><TxDtls><Refs><EndToEndId>E%1$d</EndToEndId></Refs><RltdPties><Cdtr><Pty><Nm>Shop %1$d</Nm></Pty></Cdtr>
      </RltdPties><RmtInf><Ustrd>CARD PAYMENT AT THE HIGH STREET OF ELLERY</Ustrd></RmtInf></TxDtls></NtryDtls></Ntry>
      """;

  private CamtBench() {}

  static void run() throws Exception {
    Path file = Files.createTempFile("large", ".xml");
    try {
      write(file);
      long start = System.nanoTime();
      try (InputStream in = Files.newInputStream(file)) {
        in.transferTo(java.io.OutputStream.nullOutputStream());
      }
      double bytes = (System.nanoTime() - start) / 1e9;
      Process reading =
          new ProcessBuilder(
                  Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                  "-Xmx256m",
                  "-cp",
                  System.getProperty("java.class.path"),
                  CamtBench.class.getName(),
                  file.toString())
              .redirectErrorStream(true)
              .start();
      String said = new String(reading.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
      if (reading.waitFor() != 0) {
        throw new IllegalStateException(said);
      }
      List<String> figures = List.of(said.strip().split(" ", -1));
      Bench.figure(
          "camt-200-mb-lines-in-256-mb-heap", Double.parseDouble(figures.get(0)), "lines", ">= 1");
      Bench.figure("camt-200-mb", Double.parseDouble(figures.get(1)), "s", ">= 0");
      Bench.figure("reading-the-bytes", bytes, "s", ">= 0");
    } finally {
      Files.delete(file);
    }
  }

  private static void write(Path file) throws IOException {
    try (BufferedWriter out = Files.newBufferedWriter(file)) {
      out.write(
          """
          <?xml version="1.0" encoding="UTF-8"?>
          <Document xmlns="urn:iso:std:iso:20022:tech:xsd:camt.053.001.08"><BkToCstmrStmt><Stmt><Id>1</Id>
          <Acct><Id><IBAN>NL00DEMO004417</IBAN></Id><Ccy>EUR</Ccy></Acct>
          """);
      long written = 0;
      for (int i = 0; written < SIZE; i++) {
        String entry = ENTRY.formatted(i, i % 900);
        out.write(entry);
        written += entry.length();
      }
      out.write("</Stmt></BkToCstmrStmt></Document>");
    }
  }

  /** Reads the file that is named, in the small heap of this process. */
  public static void main(String[] args) throws IOException {
    var counting = new Counting();
    long start = System.nanoTime();
    try (InputStream in = new BufferedInputStream(Files.newInputStream(Path.of(args[0])))) {
      CamtReader.stream(in, counting);
    }
    System.out.println(counting.lines + " " + (System.nanoTime() - start) / 1e9);
  }

  private static final class Counting implements StatementSink {
    private long lines;

    @Override
    public void begin(String accountNumber, CurrencyUnit currency) {}

    @Override
    public void line(BankLine line) {
      lines++;
    }

    @Override
    public void end(Ending ending) {}
  }
}
