package org.yewledger.app.backup;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.testng.annotations.Test;

/** The backups of a folder, and files of the format. */
public class BackupsTest {
  private static final Instant DAY = Instant.parse("2026-10-05T03:15:00Z");

  /** Stands for pg_dump: writes a little, or fails. */
  private static String dumper(Path folder, String script) throws Exception {
    Path file = Files.createTempFile(folder, "dumper", "");
    Files.writeString(
        file, "#!/bin/sh\nfor a; do case $a in --file=*) out=${a#--file=};; esac; done\n" + script);
    assertTrue(file.toFile().setExecutable(true));
    return file.toString();
  }

  private static Backups backups(String dumper) {
    return new Backups(
        new Database(
            System.getenv("YEW_DB_URL"),
            System.getenv("YEW_DB_OWNER"),
            System.getenv("YEW_DB_OWNER_PASSWORD")),
        dumper);
  }

  private static List<String> names(Path folder) throws Exception {
    return Backups.kept(folder).stream().map(f -> f.getFileName().toString()).toList();
  }

  @Test
  public void soManyAreKeptAndOthersFilesAreLeftAlone() throws Exception {
    assertEquals(BackupCommands.run(new String[] {"migrate"}, System.getenv(), System.out), 0);
    Path tools = Files.createTempDirectory("yew-tools");
    Path folder = Files.createTempDirectory("yew-backups").resolve("new");
    Backups backups = backups(dumper(tools, "echo books > $out"));
    for (int day = 0; day < 5; day++) {
      backups.makeIn(folder, 3, DAY.plusSeconds(day * 86_400L));
    }
    assertEquals(
        names(folder),
        List.of(
            "yew-20261007-031500.backup",
            "yew-20261008-031500.backup",
            "yew-20261009-031500.backup"));
    Files.writeString(folder.resolve("yew-notes.txt"), "mine");
    Backups failing = backups(dumper(tools, "echo the disk is full; exit 1"));
    BackupRefused refused =
        expectThrows(
            BackupRefused.class, () -> failing.makeIn(folder, 1, DAY.plusSeconds(604_800)));
    assertTrue(refused.getMessage().contains("the disk is full"), refused.getMessage());
    assertEquals(names(folder).size(), 3, "one that failed lets none go");
    backups.makeIn(folder, 1, DAY.plusSeconds(700_000));
    assertEquals(names(folder).size(), 1);
    assertTrue(Files.exists(folder.resolve("yew-notes.txt")));
  }

  /** Whatever byte is another, wherever the file ends: it is not taken for whole. */
  @Test
  public void noDamageIsOverlooked() throws Exception {
    var random = new Random(45);
    Path folder = Files.createTempDirectory("yew-format");
    Path dump = folder.resolve("dump");
    byte[] books = new byte[5_000];
    random.nextBytes(books);
    Files.write(dump, books);
    Path file = folder.resolve("a.backup");
    BackupFile.About made = BackupFile.write(file, dump, DAY, 53, 7);
    Path out = folder.resolve("out");
    assertEquals(BackupFile.open(file, out, 53), made);
    assertEquals(
        PosixFilePermissions.toString(Files.getPosixFilePermissions(file)),
        "rw-------",
        "the books of everybody are for nobody else on the machine");
    assertEquals(Files.readAllBytes(out), books);
    expectThrows(BackupRefused.class, () -> BackupFile.open(file, out, 52));
    byte[] whole = Files.readAllBytes(file);
    List<Integer> overlooked = new ArrayList<>();
    Path bad = folder.resolve("bad.backup");
    for (int round = 0; round < 300; round++) {
      int at = random.nextInt(whole.length);
      byte[] other = whole.clone();
      other[at] ^= (byte) (1 + random.nextInt(255));
      Files.write(bad, round % 3 == 0 ? java.util.Arrays.copyOf(whole, at) : other);
      try {
        BackupFile.open(bad, out, 53);
        if (!java.util.Arrays.equals(Files.readAllBytes(out), books)) {
          overlooked.add(at);
        }
      } catch (BackupRefused refused) {
        assertTrue(!refused.getMessage().isBlank());
      }
    }
    assertEquals(overlooked, List.of());
  }
}
