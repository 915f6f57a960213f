package org.yewledger.app.connection;

import com.github.kagkarlsson.scheduler.serializer.Serializer;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.ObjectInputFilter;
import java.io.ObjectInputStream;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * What a job is about, as JSON with the version of its form: {@code {"version":1,"data":{..}}}. A
 * later version reads the ones before it.
 */
final class JobData implements Serializer {
  private static final int VERSION = 1;
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** The first two bytes of a serialized Java object, as jobs were kept before. */
  private static final int JAVA_MAGIC = 0xACED;

  private record Versioned(int version, Object data) {}

  @Override
  public byte[] serialize(@Nullable Object data) {
    return data == null ? new byte[0] : JSON.writeValueAsBytes(new Versioned(VERSION, data));
  }

  @Override
  public <T> @Nullable T deserialize(Class<T> type, byte @Nullable [] bytes) {
    if (bytes == null || bytes.length == 0) {
      return null;
    }
    if (((bytes[0] & 0xFF) << 8 | bytes[1] & 0xFF) == JAVA_MAGIC) {
      return fromJava(type, bytes);
    }
    JsonNode node = JSON.readTree(bytes);
    if (node.path("version").asInt() != VERSION) {
      throw new IllegalStateException("a job of a later version: " + node.path("version"));
    }
    return JSON.treeToValue(node.path("data"), type);
  }

  /** Nothing but the wanted record and identities is let in. */
  private static <T> T fromJava(Class<T> type, byte[] bytes) {
    try (var in = new ObjectInputStream(new ByteArrayInputStream(bytes))) {
      in.setObjectInputFilter(
          ObjectInputFilter.Config.createFilter(type.getName() + ";java.util.UUID;!*"));
      return type.cast(in.readObject());
    } catch (IOException | ClassNotFoundException e) {
      throw new IllegalStateException("a job kept by an earlier version cannot be read", e);
    }
  }
}
