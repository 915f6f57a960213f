package org.yewledger.app.connection;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.expectThrows;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.ObjectOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.UUID;
import org.testng.annotations.Test;
import org.yewledger.app.connection.SyncJobs.SyncOf;

public class JobDataTest {
  private static final SyncOf SYNC = new SyncOf(new UUID(1, 1), new UUID(2, 2), new UUID(3, 3));
  private final JobData data = new JobData();

  private static byte[] java(Object object) throws IOException {
    var bytes = new ByteArrayOutputStream();
    try (var out = new ObjectOutputStream(bytes)) {
      out.writeObject(object);
    }
    return bytes.toByteArray();
  }

  @Test
  public void aJobIsJsonWithItsVersion() {
    byte[] bytes = data.serialize(SYNC);
    String json = new String(bytes, StandardCharsets.UTF_8);
    assertEquals(json.substring(0, 13), "{\"version\":1,", json);
    assertEquals(data.deserialize(SyncOf.class, bytes), SYNC);
  }

  @Test
  public void jobsKeptBeforeAreStillDone() throws IOException {
    assertEquals(data.deserialize(SyncOf.class, java(SYNC)), SYNC);
  }

  @Test
  public void nothingElseIsMadeOfWhatWasKept() throws IOException {
    byte[] list = java(new ArrayList<>());
    expectThrows(IllegalStateException.class, () -> data.deserialize(SyncOf.class, list));
    byte[] later = "{\"version\":2,\"data\":{}}".getBytes(StandardCharsets.UTF_8);
    expectThrows(IllegalStateException.class, () -> data.deserialize(SyncOf.class, later));
  }
}
