package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * The interface's types are generated from ui/openapi.json, so that file has to be what the
 * controllers say. After a change of the API, run with {@code -Dyew.writeApi=true}, then {@code npm
 * run api} in ui.
 */
public class ApiDocumentTest extends AppTest {
  private static final Path FILE = Path.of("../ui/openapi.json");

  @Test
  public void isWhatTheInterfaceWasGeneratedFrom() throws IOException {
    JsonNode document = found("api").api().get("/api/openapi").json();
    JsonMapper json = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();
    if (Boolean.getBoolean("yew.writeApi")) {
      Files.writeString(FILE, json.writeValueAsString(document) + "\n");
    }
    assertEquals(
        document,
        json.readTree(Files.readString(FILE)),
        "run with -Dyew.writeApi=true, then npm run api in ui");
  }
}
