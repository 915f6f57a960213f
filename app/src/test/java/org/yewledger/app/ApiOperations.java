package org.yewledger.app;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.HttpMethod;
import tools.jackson.databind.JsonNode;

/** The addresses of the OpenAPI document, and plausible requests to each. */
final class ApiOperations {
  /** An address with what is done there. */
  record Operation(HttpMethod method, String path, JsonNode node) {
    @Override
    public String toString() {
      return method + " " + path;
    }
  }

  private final JsonNode document;

  ApiOperations(JsonNode document) {
    this.document = document;
  }

  List<Operation> writes() {
    return of(Set.of("post", "put", "delete", "patch"));
  }

  List<Operation> all() {
    return of(Set.of("get", "post", "put", "delete", "patch"));
  }

  private List<Operation> of(Set<String> verbs) {
    var writes = new ArrayList<Operation>();
    for (Map.Entry<String, JsonNode> path : document.path("paths").properties()) {
      for (Map.Entry<String, JsonNode> verb : path.getValue().properties()) {
        if (verbs.contains(verb.getKey())) {
          HttpMethod method = HttpMethod.valueOf(verb.getKey().toUpperCase());
          writes.add(new Operation(method, path.getKey(), verb.getValue()));
        }
      }
    }
    return writes;
  }

  static JsonNode parts(Operation o) {
    return o.node().path("requestBody").path("content").path("multipart/form-data").path("schema");
  }

  static String query(Operation o, UUID id) {
    var query = new StringBuilder();
    for (JsonNode p : o.node().path("parameters").values()) {
      if (p.path("in").asString().equals("query")) {
        String format = p.at("/schema/format").asString("");
        String type = p.at("/schema/type").asString("");
        String value =
            format.equals("uuid")
                ? id.toString()
                : format.equals("date")
                    ? "2026-09-30"
                    : type.equals("integer") ? "0" : type.equals("boolean") ? "true" : "USD";
        query.append(query.isEmpty() ? '?' : '&').append(p.path("name").asString());
        query.append('=').append(value);
      }
    }
    return query.toString();
  }

  static JsonNode body(Operation o) {
    return o.node().path("requestBody").path("content").path("application/json").path("schema");
  }

  JsonNode resolved(JsonNode schema) {
    String ref = schema.path("$ref").asString("");
    return ref.isEmpty()
        ? schema
        : document.path("components").path("schemas").path(ref.substring(ref.lastIndexOf('/') + 1));
  }

  /** A plausible value of a schema in which every identity is the given one. */
  String example(JsonNode schema, UUID id, int depth) {
    JsonNode s = resolved(schema);
    if (s.has("enum")) {
      return "\"" + s.path("enum").get(0).asString() + "\"";
    }
    String format = s.path("format").asString("");
    return switch (s.path("type").asString("")) {
      case "object" ->
          depth > 6
              ? "{}"
              : s.path("properties").properties().stream()
                  .map(p -> "\"" + p.getKey() + "\":" + named(p.getKey(), p.getValue(), id, depth))
                  .collect(Collectors.joining(",", "{", "}"));
      case "array" -> depth > 5 ? "[]" : "[" + example(s.path("items"), id, depth + 1) + "]";
      case "integer", "number" -> s.path("minimum").asString("0");
      case "boolean" -> "false";
      case "string" ->
          switch (format) {
            case "uuid" -> "\"" + id + "\"";
            case "date" -> "\"2026-09-30\"";
            case "time-local" -> "\"06:00\"";
            case "decimal" -> "\"12.50\"";
            default -> "\"Harbour\"";
          };
      default -> "{}";
    };
  }

  private String named(String name, JsonNode schema, UUID id, int depth) {
    boolean isPlain = !resolved(schema).has("format");
    if (name.equals("currency") || (name.equals("to") && isPlain)) {
      return "\"EUR\"";
    }
    if (name.equals("from") && isPlain) {
      return "\"USD\"";
    }
    if (Set.of("month", "first", "last").contains(name) && isPlain) {
      return "\"2026-09\"";
    }
    if (name.equals("zone")) {
      return "\"Europe/Amsterdam\"";
    }
    if (name.equals("email")) {
      return "\"someone@aldercott.example\"";
    }
    return example(schema, id, depth + 1);
  }
}
