package org.yewledger.app.bankline;

import jakarta.persistence.AttributeConverter;
import java.util.Map;
import org.yewledger.core.gather.LineDetail;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The details of a line as the database keeps them: a JSON object by their names. */
public final class LineDetails implements AttributeConverter<Map<LineDetail, String>, String> {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final String NONE = "{}";

  static String toJson(Map<LineDetail, String> details) {
    return details.isEmpty() ? NONE : JSON.writeValueAsString(details);
  }

  public static Map<LineDetail, String> read(String json) {
    return json.equals(NONE)
        ? Map.of()
        : JSON.readValue(json, new TypeReference<Map<LineDetail, String>>() {});
  }

  @Override
  public String convertToDatabaseColumn(Map<LineDetail, String> details) {
    return toJson(details);
  }

  @Override
  public Map<LineDetail, String> convertToEntityAttribute(String json) {
    return read(json);
  }
}
