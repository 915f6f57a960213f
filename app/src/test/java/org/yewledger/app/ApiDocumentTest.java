package org.yewledger.app;

import static org.testng.Assert.assertEquals;

import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
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

  /** The Javadoc of controllers; who writes a program reads it in place of the sources. */
  @Test
  public void everyAddressSaysWhatItDoes() {
    var silent = new ArrayList<String>();
    JsonNode document = found("described").api().get("/api/openapi").json();
    for (Map.Entry<String, JsonNode> path : document.path("paths").properties()) {
      for (Map.Entry<String, JsonNode> asked : path.getValue().properties()) {
        JsonNode operation = asked.getValue();
        if (operation.path("description").asString("").isEmpty()
            && operation.path("summary").asString("").isEmpty()) {
          silent.add(asked.getKey() + " " + path.getKey());
        }
      }
    }
    assertEquals(silent, List.of());
  }

  /** The document calls a record by its simple name, so two of one name would be taken for one. */
  @Test
  public void everyRecordOfTheApiHasANameOfItsOwn() {
    var byName =
        new ClassFileImporter()
            .importPackages("org.yewledger.app").stream()
                .filter(c -> c.getSimpleName().endsWith("Json"))
                .collect(Collectors.groupingBy(JavaClass::getSimpleName, Collectors.counting()));
    byName.values().removeIf(count -> count == 1);
    assertEquals(byName, Map.of());
  }
}
